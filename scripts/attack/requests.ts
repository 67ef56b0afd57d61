/** Requests that no page of ours makes: wrong by chance in every way that one can be, the same ones for the same seed. */
import fc from 'fast-check';
import { disguises } from '../../e2e/raw';
import { demoRecords } from '../demoRecords';
import { STARTING_CURVE } from '../../src/core/models/charts/startingCurve';
import { STARTING_INSTRUMENTS } from '../../src/core/foundation/uncertainty/startingInstruments';
import { writeBuildFile } from '../../src/files/buildFile';
import { jobEntry } from '../../src/fixtures/records';
import { COMMAND_NEEDS, ROUTES } from '../../src/people/permissions';

/** One request; `raw` goes over the wire byte by byte as it is. */
export type Fuzzed =
  | { kind: 'asked'; method: string; path: string; headers: Record<string, string>; body: string | Uint8Array | null }
  | { kind: 'raw'; bytes: Uint8Array };

const NASTY = [
  '', ' ', '\u0000', '%', '%E0%A4%A', '%00', '../../../etc/passwd', '..%2f..%2f', "' OR 1=1 --", '<script>alert(1)</script>',
  '__proto__', 'constructor', 'toString', '\ud800', '\u202e', 'ａ１', '=1+1', '9'.repeat(400), 'x'.repeat(20_000), '{{7*7}}',
  '${7*7}', '-0', 'NaN', '1e999', 'null', 'undefined', '0x1f', '٣', '\r\nSet-Cookie: a=b', '🪛',
] as const; // oxfmt-ignore

const nastyText = fc.oneof(fc.constantFrom(...NASTY), fc.string({ maxLength: 40 }), fc.string({ unit: 'binary' }));
const nasty: fc.Arbitrary<unknown> = fc.oneof(
  nastyText,
  fc.constantFrom(0, -1, 1e308, -1e308, 2 ** 53, 1.5, 5e-324, null, true, false),
  fc.integer(),
  fc.double(),
  fc.constant([]),
  fc.constant({}),
  fc.constant(JSON.parse('{"__proto__":{"isAdmin":true}}')),
  fc.json({ maxDepth: 4 }).map((text): unknown => JSON.parse(text)),
);

/** As JSON would write it, and where it cannot: as the word for it. */
const written = (value: unknown): string => (value === undefined ? 'null' : JSON.stringify(value));

/** Places in a value that something else can stand in, as paths. */
function placesIn(value: unknown, path: readonly string[] = []): (readonly string[])[] {
  if (typeof value !== 'object' || value === null) return [path];
  return [path, ...Object.entries(value).flatMap(([key, below]) => placesIn(below, [...path, key]))];
}

/** A value with something else in one place of it. */
function changedAt(value: unknown, path: readonly string[], to: unknown): unknown {
  const [key, ...rest] = path;
  if (key === undefined) return to;
  if (typeof value !== 'object' || value === null) return value;
  const parts = Object.entries(value).flatMap(([name, below]: [string, unknown]): [string, unknown][] => {
    if (name !== key) return [[name, below]];
    // nothing in its place: it is left out
    return to === undefined && rest.length === 0 ? [] : [[name, changedAt(below, rest, to)]];
  });
  return Array.isArray(value) ? parts.map(([, part]) => part) : Object.fromEntries(parts);
}

/** Something right with one to four places of it wrong. */
const nearly = (right: readonly unknown[]): fc.Arbitrary<unknown> => {
  const known = right.map((value) => ({ value, places: placesIn(value) }));
  return fc
    .tuple(
      fc.constantFrom(...known),
      fc.array(fc.tuple(fc.nat(), fc.oneof(nasty, fc.constant(undefined))), { minLength: 1, maxLength: 4 }),
    )
    .map(([{ value, places }, changes]) =>
      changes.reduce<unknown>((now, [at, to]) => {
        const path = places[at % places.length] ?? [];
        return changedAt(now, path, to);
      }, value),
    );
};

const demo = demoRecords();
const files = demo.map((record) => writeBuildFile({ ...record, entries: record.entries.slice(0, 12) }));
const entries = demo.flatMap(({ entries: all }) => all.filter((_, i) => i % 9 === 0)).slice(0, 120);
const [tool] = STARTING_INSTRUMENTS;
const job = jobEntry();
const ARGS: readonly unknown[] = [
  ['x', job.kind === 'job' && job.value, { chart: { id: 'starting', version: 1 } }],
  ['x', 'bore=4.065&units=imperial'],
  [['bench', 'x']],
  [STARTING_CURVE, 0],
  [{ id: 'starting', version: 1 }, 'A copy'],
  ['starting', true],
  [tool, 1],
  ['Kim', 'KM', 'owner', 'secret1'],
  ['KM', 'wrong'],
  ['x', true],
  [],
];

const body = {
  deep: fc.tuple(fc.nat(60_000), fc.constantFrom('[', '{"a":')).map(([n, open]) => open.repeat(n)),
  entries: nearly([{ entries: entries.slice(0, 1) }, ...entries.map((entry) => ({ entries: [entry] }))]).map(written),
  file: nearly(files).map(written),
  args: nearly(ARGS.map((args) => ({ by: 'KM', args }))).map(written),
  junk: fc.oneof(
    nasty.map(written),
    nastyText,
    fc.uint8Array({ maxLength: 2_000 }),
    fc.constant(new TextEncoder().encode('PK\u0003\u0004 an archive that is none')),
  ),
};

const segment = fc.oneof(
  fc.constantFrom('bench', 'builds', 'api', 'rings', 'charts', 'starting', 'entries', 'csv', 'none', '_next', 'static'),
  nastyText.map((text) => encodeURIComponent(text.toWellFormed()).slice(0, 3_000)),
  fc.constantFrom('%', '%E0%A4%A', '%2e%2e', '%5c', '%2f', ';', '@', '*', ':', '//', '.'),
);
const query = fc
  .array(
    fc.tuple(
      fc.constantFrom(
        ...['q', 'sort', 'dir', 'page', 'since', 'bench', 'at', 'mine', 'by', 'chart', 'units', 'bore', 'version'],
        ...['csv', 'to', 'code', 'place', 'tab', '_rsc', '__proto__', 'use', 'adder', 'paper', 'stage'],
      ),
      fc.oneof(nastyText, fc.integer().map(String)),
    ),
    { maxLength: 4 },
  )
  .map((pairs) => (pairs.length > 0 ? `?${pairs.map(([k, v]) => `${k}=${sent(v)}`).join('&')}` : ''));
/** Written for an address; now and then as it is, where a header line bears it. */
function sent(text: string): string {
  const plain = text.slice(0, 500);
  return plain.length % 3 === 0 && /^[\x21-\x7e]*$/.test(plain) ? plain : encodeURIComponent(plain.toWellFormed());
}

const known = fc.constantFrom(
  ...ROUTES.map(([, path]) => path.replace('/builds/:id', '/builds/bench').replace(':stage', 'rings')),
);
const path = fc.oneof(
  { weight: 4, arbitrary: fc.tuple(known, segment).map(([p, s]) => p.replace(/[:*]\w*/g, s)) },
  { weight: 1, arbitrary: fc.array(segment, { maxLength: 5 }).map((all) => `/${all.join('/')}`) },
  { weight: 1, arbitrary: known.map((p) => `/_next/data/x${p}.json`) },
);

const header = fc.oneof(
  fc.tuple(
    fc.constantFrom(
      ...['next-action', 'rsc', 'next-router-state-tree', 'next-router-prefetch', 'next-url', 'x-forwarded-host'],
      ...['x-forwarded-for', 'forwarded', 'x-middleware-subrequest', 'x-nextjs-data', 'range', 'if-none-match'],
      ...['if-modified-since', 'accept', 'accept-encoding', 'accept-language', 'content-type', 'content-encoding'],
      ...['origin', 'sec-fetch-site', 'x-http-method-override', 'cookie', 'authorization', 'x-original-url', 'te'],
      ...['next-router-segment-prefetch', 'next-hmr-refresh', 'x-invoke-path', 'x-matched-path', 'purpose'],
    ),
    fc.oneof(
      nastyText.map((text) => text.replace(/[^\x20-\x7e]/g, '').slice(0, 2_000)),
      fc.constantFrom('1', '*/*', 'multipart/form-data; boundary=x', 'bytes=0-1,5-', 'gzip', 'null', 'same-origin'),
      // where a page is, as one of ours says it, and as it was said once
      fc.constantFrom('null,"refetch"', 'null,null,16', 'null,null,true').map((rest) =>
        encodeURIComponent(`["",{"children":["builds",{"children":[["id","x","d",null],{}]}]},${rest}]`),
      ),
    ),
  ),
  fc.constant(['rsc', '1'] as [string, string]),
); // oxfmt-ignore
const headers = fc.array(header, { maxLength: 4 }).map((pairs): Record<string, string> => Object.fromEntries(pairs));

const asked = (
  method: fc.Arbitrary<string>,
  at: fc.Arbitrary<string>,
  content: fc.Arbitrary<string | Uint8Array | null>,
): fc.Arbitrary<Fuzzed> => fc.record({ kind: fc.constant('asked'), method, path: at, headers, body: content });

const POST = fc.constant('POST');
const act = fc.constantFrom(
  ...Object.keys(COMMAND_NEEDS).filter((name) => name !== 'copyNow'),
  'constructor',
  '__proto__',
);
const wire = fc
  .tuple(
    fc.constantFrom('GET', 'POST', 'TRACE', 'OPTIONS', 'CONNECT', 'G\u0000T', ''),
    fc.oneof(fc.constantFrom('/', '*', 'http://evil.example/', '//evil.example', '/api/builds', '\\'), nastyText),
    fc.constantFrom('HTTP/1.1', 'HTTP/1.0', 'HTTP/2.0', 'HTTP/9.9', ''),
    fc.constantFrom(
      'host: 127.0.0.1\r\n',
      'host: evil.example\r\n',
      'host: 127.0.0.1\r\nhost: evil.example\r\n',
      'host: 127.0.0.1\r\ncontent-length: 5\r\ncontent-length: 50\r\n',
      'host: 127.0.0.1\r\ntransfer-encoding: chunked\r\ncontent-length: 3\r\n',
      'host: 127.0.0.1\r\ntransfer-encoding: chunked\r\n',
      'host: 127.0.0.1\r\nupgrade: websocket\r\nconnection: upgrade\r\n',
      'host: 127.0.0.1\r\nexpect: 100-continue\r\n',
      '',
    ),
    fc.oneof(fc.constantFrom('', 'ZZ\r\n', '5\r\nhello\r\n0\r\n\r\n', 'GET / HTTP/1.1\r\n\r\n'), nastyText),
  )
  .map(([method, target, version, lines, rest]): Fuzzed => ({
    kind: 'raw',
    bytes: new TextEncoder().encode(`${method} ${target.slice(0, 9_000)} ${version}\r\n${lines}\r\n${rest}`),
  }));

/** An address in a disguise, as it is: a client library would tidy it. */
const disguised = known
  .chain((rule) => fc.constantFrom(...disguises(rule.replace(/:\w+/g, 'x'))))
  .map((target): Fuzzed => ({
    kind: 'raw',
    bytes: new TextEncoder().encode(`GET ${target} HTTP/1.1\r\nhost: 127.0.0.1\r\nconnection: close\r\n\r\n`),
  }));

const request: fc.Arbitrary<Fuzzed> = fc.oneof(
  { weight: 6, arbitrary: asked(fc.constantFrom('GET', 'GET', 'HEAD'), fc.tuple(path, query).map((p) => p.join('')), fc.constant(null)) },
  { weight: 4, arbitrary: asked(POST, act.map((name) => `/api/commands/${name}`), fc.oneof(body.args, body.args, body.junk, body.deep)) },
  { weight: 4, arbitrary: asked(POST, fc.constant('/api/builds/bench/entries'), fc.oneof(body.entries, body.entries, body.junk, body.deep)) },
  { weight: 2, arbitrary: asked(POST, fc.constantFrom('/api/builds', '/api/charts', '/api/archive'), fc.oneof(body.file, body.junk, body.deep)) },
  { weight: 2, arbitrary: asked(POST, path, fc.oneof(body.args, body.entries, body.junk)) },
  { weight: 2, arbitrary: asked(fc.constantFrom('TRACE', 'OPTIONS', 'PUT', 'DELETE', 'PATCH', 'PROPFIND', 'LOCK', 'PURGE'), path, fc.oneof(body.junk, fc.constant(null))) },
  { weight: 1, arbitrary: wire },
  { weight: 2, arbitrary: disguised },
); // oxfmt-ignore

/** So many requests, the same for the same seed. */
export const someRequests = (count: number, seed: number): Fuzzed[] => fc.sample(request, { numRuns: count, seed });
