/** PINs and codes guessed by many at once, and a server kept busy by calls that never end. */
import { connect } from 'node:net';
import { PINS, act, setUpShop, signedIn } from '../../e2e/people';
import { Server } from '../../e2e/server';
import { type Figures, at } from '../figures';

type Answer = { ok: boolean; faults?: string[] };

/** Guesses until a time is over, so many at once; how many were made, and how many of them were held against the PIN. */
async function guessed(
  server: Server,
  seconds: number,
  guess: (n: number) => { name: string; args: unknown[]; headers: Record<string, string> },
): Promise<{ made: number; held: number; isIn: boolean }> {
  let [made, held, isIn] = [0, 0, false];
  const until = performance.now() + seconds * 1_000;
  const worker = async (): Promise<void> => {
    while (performance.now() < until) {
      const { name, args, headers } = guess(made++);
      const answer = await fetch(`${server.url}/api/commands/${name}`, {
        method: 'POST',
        headers,
        body: JSON.stringify({ args }),
      });
      const { result } = (await answer.json()) as { result?: Answer };
      if (result?.ok) isIn = true;
      else if (result?.faults && !result.faults[0]?.startsWith('Too many')) held += 1;
    }
  };
  await Promise.all(Array.from({ length: 32 }, worker));
  return { made, held, isIn };
}

/** Connections that say half of what they have to and then nothing. */
async function halfAsked(server: Server, figures: Figures): Promise<void> {
  const sockets = Array.from({ length: 500 }, () => {
    const socket = connect(server.port, '127.0.0.1', () =>
      socket.write('POST /api/builds HTTP/1.1\r\nhost: 127.0.0.1\r\ncontent-length: 100\r\n'),
    );
    socket.on('error', () => null);
    return socket;
  });
  const times: number[] = [];
  for (let i = 0; i < 200; i += 1) {
    const began = performance.now();
    await (await fetch(`${server.url}/api/me`)).text();
    times.push(performance.now() - began);
  }
  for (const socket of sockets) socket.destroy();
  times.sort((a, b) => a - b);
  figures.add(
    'answers beside 500 half-asked calls',
    `${at(times, 0.5).toFixed(1)} ms median, ${at(times, 0.99).toFixed(1)} ms 99th percentile`,
    'all answered',
    times.length === 200,
  );
}

/** Guesses for so long each, s. */
export async function guessing(figures: Figures, seconds: number): Promise<void> {
  const server = new Server();
  await server.start();
  await setUpShop(server);
  const known = await signedIn(server, 'owner');
  const pin = (n: number): string => String(n % 10_000).padStart(4, '0');
  // the fitter's PIN is left out: what is asked is how many are let through, not whether luck would have it
  const wrong = (n: number): string => (pin(n) === PINS.fitter[1] ? '0000' : pin(n));
  const ways: [string, Parameters<typeof guessed>[2], number][] = [
    [
      'PINs of one person, as from another place each time',
      (n) => ({
        name: 'signIn',
        args: [PINS.fitter[0], wrong(n)],
        headers: { 'x-forwarded-for': `10.0.${n % 250}.1`, forwarded: `for=10.1.${n % 250}.1`, 'user-agent': `b${n}` },
      }),
      // three, then after 1, 2, 4, 8, 16 … s
      3 + Math.floor(Math.log2(seconds + 1)),
    ],
    [
      'one PIN of many names',
      (n) => ({ name: 'signIn', args: [`N${n}`, '1234'], headers: {} }),
      // twenty of one address, its first three tries by the way above counted already
      20 + Math.floor(Math.log2(seconds + 1)),
    ],
    [
      'codes of devices, of 182 bits each',
      (n) => ({ name: 'signInByCode', args: [`guess-${n}-${'x'.repeat(20)}`], headers: {} }),
      Infinity,
    ],
  ];
  for (const [name, guess, most] of ways) {
    const { made, held, isIn } = await guessed(server, seconds, guess);
    figures.add(
      `guesses, ${name}`,
      `${made} made in ${seconds} s by 32 at once, ${held} looked at`,
      most === Infinity ? 'nobody in' : `at most ${most}, nobody in`,
      held <= most && !isIn,
    );
  }
  await halfAsked(server, figures);
  let letIn = 0;
  for (let n = 0; n < 30; n += 1) {
    await act(server, new Map(), 'signIn', PINS.owner[0], `wrong-${n}`);
    if (((await act(server, known, 'signIn', ...PINS.owner)) as Answer).ok) letIn += 1;
  }
  figures.add(
    'right tries of the owner, on a known device, while a stranger guesses',
    `${letIn} of 30 let in`,
    'all',
    letIn === 30,
  );
  await server.end();
}
