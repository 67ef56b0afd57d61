/** Large bodies from nobody, while a bench asks what is new: how long it waits. */
import { connect } from 'node:net';
import { cookieOf, setUpShop, signedIn } from '../../e2e/people';
import { Server } from '../../e2e/server';
import { type Figures, at } from '../figures';

const BODY = 4 * 1024 * 1024 - 1_024;

/** What is sent to signing in: valid JSON of unknown keys, as large as could be. */
function largeBody(): Buffer {
  const key = (n: number): string => `"k${n}":[${'0,'.repeat(2_000)}0]`;
  const parts: string[] = [];
  for (let n = 0, size = 0; size < BODY - 5_000; n += 1) {
    const part = key(n);
    parts.push(part);
    size += part.length + 1;
  }
  return Buffer.from(`{${parts.join(',')}}`);
}

/** Sends one body; done once the server has answered or closed. */
const sendLarge = (port: number, path: string, body: Buffer): Promise<void> =>
  new Promise((resolve) => {
    const socket = connect(port, '127.0.0.1', () => {
      socket.write(
        `POST ${path} HTTP/1.1\r\nhost: 127.0.0.1:${port}\r\nconnection: close\r\ncontent-length: ${body.length}\r\n\r\n`,
      );
      socket.write(body);
    });
    socket.resume();
    socket.on('error', () => null);
    socket.once('close', () => resolve());
  });

/** Two senders for so long; what a bench's question took meanwhile, ms, sorted. */
export async function stalling(figures: Figures, seconds: number): Promise<void> {
  const server = new Server();
  await server.start();
  await setUpShop(server);
  const cookie = cookieOf(await signedIn(server, 'fitter'));
  const body = largeBody();
  let sent = 0;
  const until = performance.now() + seconds * 1_000;
  const sender = async (path: string): Promise<void> => {
    while (performance.now() < until) {
      await sendLarge(server.port, path, body);
      sent += 1;
    }
  };
  const times: number[] = [];
  const bench = async (): Promise<void> => {
    while (performance.now() < until) {
      const began = performance.now();
      await (await fetch(`${server.url}/api/builds/bench/entries?since=0`, { headers: { cookie } })).text();
      times.push(performance.now() - began);
      await new Promise((resolve) => setTimeout(resolve, 50));
    }
  };
  await Promise.all([sender('/api/commands/signIn'), sender('/api/commands/switchTo'), bench()]);
  await server.end();
  times.sort((a, b) => a - b);
  const p99 = at(times, 0.99);
  figures.add(
    'a bench’s question beside two senders of 4 MB to signing in',
    `${at(times, 0.5).toFixed(0)} ms median, ${p99.toFixed(0)} ms 99th percentile of ${times.length}; ${sent} sent`,
    '99th percentile under 100 ms',
    p99 < 100,
  );
}
