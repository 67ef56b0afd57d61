/** At the start of the server: the database is opened and migrated, or the program says why not and ends. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME === 'nodejs') {
    const { openOrEnd } = await import('./store/startup');
    await openOrEnd();
  }
}
