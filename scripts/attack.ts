/**
 * What somebody who means harm would try, on a server of its own on this machine alone: requests by chance, every page
 * and route as every role, what another site's page can do, guessed PINs. Prints what got through.
 */
import { parseArgs } from 'node:util';
import { setUpShop, walkRules } from '../e2e/people';
import { Server } from '../e2e/server';
import { inBrowser } from './attack/browser';
import { onData } from './attack/data';
import { fuzz } from './attack/fuzz';
import { guessing } from './attack/guessing';
import { stalling } from './attack/stalling';
import { Figures, numberGiven } from './figures';

const { values } = parseArgs({
  options: {
    requests: { type: 'string', default: '100000' },
    seed: { type: 'string', default: '1' },
    seconds: { type: 'string', default: '30' },
  },
});
const [requests, seed, seconds] = [
  numberGiven('requests', values.requests, 1, 10_000_000),
  numberGiven('seed', values.seed, 0, 2 ** 31),
  numberGiven('seconds', values.seconds, 1, 3_600),
];

const figures = new Figures();
const server = new Server();
await server.start();
await setUpShop(server);
const { asked, wrong } = await walkRules(server, true);
await server.end();
for (const how of wrong) console.error(how);
figures.add(
  'pages, routes and acts as each role and as nobody, plainly and disguised',
  `${asked} asked, ${wrong.length} not answered as the table says`,
  'none',
  wrong.length === 0,
);
await inBrowser(figures);
await guessing(figures, seconds);
await stalling(figures, seconds);
await onData(figures);
await fuzz(figures, requests, seed);
process.exit(figures.print() ? 0 : 1);
