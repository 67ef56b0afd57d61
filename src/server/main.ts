/** The server, begun and ended. */
import { readFileSync } from 'node:fs';
import { type Server, createServer } from 'node:http';
import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import next from 'next';
import QRCode from 'qrcode';
import { reachedSecurely } from '@/people/auth';
import { hasPeople } from '@/people/people';
import { cardsForList } from '@/store/cards';
import { checkpoint, checkpointRegularly } from '@/store/checkpoint';
import { presence } from '@/store/presence';
import { keepSharing } from '@/store/presenceShared';
import { database, databaseUrl } from '@/store/store';
import type { Database } from '@/store/open';
import { updateDatabase } from '@/store/update';
import { type Answer, answering, listening } from './answering';
import { type Certificate, fingerprintOf, ownCertificate } from './certificate';
import { backUpNightly } from './backupSchedule';
import { freshenInBackground, threadsBeginBy } from './background';
import { builtFiles } from './builtFiles';
import { isEverywhere, isLoopback, ownAddresses } from './hosts';
import { log } from './log';
import { type Options, optionsOf } from './options';
import { setServerAddresses } from './serverAddresses';

const ROOT = process.cwd();

/** To whoever started it. */
const tell = (line: string): void => void process.stdout.write(`${line}\n`);

/** The certificate that it is reached by; null over plain http. */
async function certificateFor({ tls, names }: Options): Promise<Certificate | null> {
  if (tls === null) return null;
  if (tls === 'made') return ownCertificate(join(ROOT, 'data'), names);
  return { cert: readFileSync(tls.cert, 'utf8'), key: readFileSync(tls.key, 'utf8') };
}

/** The framework's own answer, for what is let through. */
async function preparedApp({ host, port }: Options): Promise<Answer> {
  // a server of its own that nobody reaches: else it listens on ours for what is refused here
  const httpServer = createServer();
  const app = next({ dev: false, dir: ROOT, hostname: host, port, httpServer });
  await app.prepare();
  return app.getRequestHandler();
}

/** What goes on beside answering, until it is ended: then what is under way is finished, and the log folded in. */
function keepUntilEnded(db: Database, server: Server, copies: Options['copies']): void {
  // what an update left to be worked out is begun before anybody asks for it
  cardsForList(db, freshenInBackground).catch((error: unknown) =>
    log.error('The list of builds could not be worked out', error),
  );
  const stops = [checkpointRegularly(db), keepSharing(db, presence), backUpNightly(copies)];
  let isEnding = false;
  const end = (): void => {
    if (isEnding) return;
    isEnding = true;
    log.info('Ending');
    for (const stop of stops) stop();
    const rest = setTimeout(() => server.closeAllConnections(), 2_000);
    server.close(() => {
      clearTimeout(rest);
      void checkpoint(db).finally(() => process.exit(0));
    });
    server.closeIdleConnections();
  };
  for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, end);
}

async function begin(): Promise<void> {
  const options = optionsOf(process.argv.slice(2), process.env);
  await updateDatabase(databaseUrl(), log.info);
  const db = await database();
  if (!isLoopback(options.host) && !(await hasPeople(db)))
    throw new RangeError(
      'Spatium is for this machine alone until people are set up. Start it with npm start, open the page Shop, put in who works here, and start it on the network then.',
    );
  const certificate = await certificateFor(options);
  threadsBeginBy(() => new Worker(join(ROOT, '.next', 'spatium-worker.mjs')));
  reachedSecurely(certificate !== null || process.env.BEHIND_HTTPS === '1');
  const handle = await preparedApp(options);
  const { server, port } = await listening(options, certificate, answering(options, handle, builtFiles(ROOT)));
  const scheme = certificate ? 'https' : 'http';
  const names = isEverywhere(options.host) ? ownAddresses() : isLoopback(options.host) ? [] : [options.host];
  const urls = names.map((name) => `${scheme}://${name}:${port}`);
  const fingerprint = certificate && fingerprintOf(certificate.cert);
  setServerAddresses({ urls, fingerprint, certificate: options.tls === 'made' ? (certificate?.cert ?? null) : null });
  keepUntilEnded(db, server, options.copies);
  for (const url of urls) tell(`On the network: ${url}`);
  if (urls[0]) tell(await QRCode.toString(urls[0], { type: 'terminal', small: true }));
  if (fingerprint) tell(`Certificate, SHA-256: ${fingerprint}`);
  tell(`Spatium is at ${scheme}://${isLoopback(options.host) ? options.host : '127.0.0.1'}:${port}  (Ctrl+C ends it)`);
}

begin().catch((error: unknown) => {
  process.stderr.write(`\n${error instanceof Error ? error.message : String(error)}\n`);
  process.exit(1);
});
