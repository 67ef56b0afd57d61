/**
 * What a shop's server has to bear, on this machine alone: killed over and over, copied while benches write, many
 * benches for long. Prints what was lost.
 */
import { parseArgs } from 'node:util';
import { Figures, numberGiven } from './figures';
import { copied } from './soak/copies';
import { killed } from './soak/kills';
import { loaded } from './soak/load';

const { values } = parseArgs({
  options: {
    kills: { type: 'string', default: '1000' },
    copies: { type: 'string', default: '20' },
    benches: { type: 'string', default: '50' },
    minutes: { type: 'string', default: '10' },
    builds: { type: 'string', default: '1000' },
  },
});
const [kills, copies, benches, minutes, builds] = [
  numberGiven('kills', values.kills, 0, 100_000),
  numberGiven('copies', values.copies, 0, 1_000),
  numberGiven('benches', values.benches, 0, 1_000),
  numberGiven('minutes', values.minutes, 1, 600),
  numberGiven('builds', values.builds, 1, 10_000),
];

const figures = new Figures();
if (kills > 0) await killed(figures, kills);
if (copies > 0) await copied(figures, copies);
if (benches > 0) await loaded(figures, benches, minutes, builds);
process.exit(figures.print() ? 0 : 1);
