/** Addresses of earlier versions: they go on answering under what they are called now. `:x` stands for one segment. */
const FORMER: readonly (readonly [former: string, now: string])[] = [
  ['/api/do/:x', '/api/commands/:x'],
  ['/api/fitted', '/api/gap-history'],
  ['/api/turned', '/api/torque-history'],
  ['/api/copies/:x', '/api/backups/:x'],
  ['/api/aside', '/api/quarantine'],
  ['/api/builds/:x/aside', '/api/builds/:x/quarantine'],
  ['/drawer', '/archived'],
];

const patterns = FORMER.map(([former, now]) => ({
  former: new RegExp(`^${former.replace(':x', '([^/?#]+)')}(?=$|\\?)`),
  now,
}));

/**
 * A request's address as it is now; any other as it came, letter for letter.
 *
 * @example presentUrl('/api/do/saveTool?x=1') // '/api/commands/saveTool?x=1'
 */
export function presentUrl(url: string): string {
  const found = patterns.find(({ former }) => former.test(url));
  return found ? url.replace(found.former, found.now.replace(':x', '$1')) : url;
}
