/**
 * Where it is gone on to: an address of this server, whatever was asked for. Asked as a browser reads it, which drops
 * tabs and line ends and takes a backslash for a slash.
 *
 * @param origin of this server
 * @example whereTo('/charts', 'http://127.0.0.1:4400') // 'http://127.0.0.1:4400/charts'
 */
export function whereTo(to: string, origin: string): string {
  const here = `${origin}/`;
  const address = URL.canParse(to, here) ? new URL(to, here).href : here;
  return address.startsWith(here) ? address : here;
}
