/** Entries of a build that could not be read, and where they can be had as they are. */
export function UnreadEntries({ buildId, count }: { buildId: string; count: number }) {
  if (count === 0) return null;
  return (
    <p role="status" className="no-print border-b border-line bg-steel px-5 py-2">
      <b className="text-over">
        {count} {count === 1 ? 'entry' : 'entries'} of this build could not be read
      </b>{' '}
      and {count === 1 ? 'is' : 'are'} set aside; all else works.{' '}
      <a href={`/api/builds/${buildId}/quarantine`} download className="text-blue underline underline-offset-4">
        As {count === 1 ? 'it stands' : 'they stand'}, as a file
      </a>
    </p>
  );
}
