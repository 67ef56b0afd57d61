/**
 * What the judge says, as words in both units: each sentence once, with the figures of where it was first said. A change
 * of words, of a rounding or of what is found shows here, to be read before it is taken (`vitest -u`).
 */
import fc from 'fast-check';
import { expect, it } from 'vitest';
import { anyEntries } from '@/fixtures/anyEntries';
import { demoRecords } from '../../../scripts/demoRecords';
import { type Message, messageText } from '../foundation/quantity/message';
import type { BuildRecord } from './buildRecord';
import { judge } from './judge';
import { type Judgement, asked, outcomeAt, placeAt } from './judgement';
import { STAGE_IDS, STAGE_OF } from './stageTables';

/** Some fifty builds with all that can be entered, the same at every run. */
const generated = (): BuildRecord[] =>
  fc.sample(anyEntries(200), { numRuns: 50, seed: 34 }).map((entries, i) => ({ id: `any-${i}`, entries }));

interface Said {
  /** What says it: a stage with what it is, e.g. `rings stop`. */
  by: string;
  says: Message;
}

/** What each thing that is read comes to. */
const outcomesOf = (judgement: Judgement): Said[] =>
  Object.values(judgement.tasks)
    .flat()
    .flatMap(({ cylinder, subject }) => {
      const place = placeAt(judgement, cylinder);
      if (!place) return [];
      const { says, state, strong, soft } = outcomeAt(judgement, place, subject);
      const verdict = state ?? strong;
      return { by: `${STAGE_OF[subject]} ${subject}`, says: [...says, verdict ? ` [${verdict}] ` : ' ', ...soft] };
    });

function saidOf(record: BuildRecord): Said[] {
  const judgement = judge(record);
  const { cylinders, findings } = judgement;
  return [
    ...findings.map(({ stage, severity, says }) => ({ by: `${stage} ${severity}`, says })),
    ...cylinders.flatMap(({ ready }) => ready.missing.map(({ stage, says }) => ({ by: `${stage} missing`, says }))),
    ...cylinders.flatMap((cylinder) =>
      STAGE_IDS.map((stage): Said => {
        const { state, word, figure } = asked(stage).caption(cylinder);
        return { by: `${stage} deck`, says: [`[${state}] ${word} `, ...figure] };
      }),
    ),
    ...outcomesOf(judgement),
  ];
}

/** A sentence without its figures and names: what two have in common that say the same of something else. */
const patternOf = (text: string): string =>
  text.replace(/\b[LR]?\d[\d.,/]*\b|[−+±]/g, '#').replace(/#(?:[ ,–]*#)*/g, '#');

const squeezed = (text: string): string => text.replace(/\s+/g, ' ').trim();

it('are as they were', async () => {
  const seen = new Map<string, string>();
  for (const record of [...demoRecords(), ...generated()])
    for (const { by, says } of saidOf(record)) {
      const [thou, mm] = (['imperial', 'metric'] as const).map((units) => squeezed(messageText(says, units)));
      if (!thou || !mm) continue;
      const key = `${by}: ${patternOf(thou)}`;
      if (!seen.has(key)) seen.set(key, `${by}\n  ${thou}${mm === thou ? '' : `\n  ${mm}`}`);
    }
  const lines = [...seen.values()].toSorted();
  expect(lines.length).toBeGreaterThan(150);
  await expect(`${lines.join('\n')}\n`).toMatchFileSnapshot('sentences.txt');
});
