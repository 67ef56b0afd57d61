/** The size that a reading of a bearing is held against for slips. */
import type { Expected } from '../../foundation/quantity/readingField';
import type { Nm, Units } from '../../foundation/quantity/length';
import { expectedNear } from '../../foundation/quantity/expectedSize';
import type { All, JudgedBearing } from './types';

/** A journal and its housing as a share of the bore, and how far either way. From memory: no journal is as wide as its bore. */
const OF_BORE = { share: 0.6, within: 0.35 };

const belowBore = (bore: Nm): Expected => ({
  nm: Math.round(OF_BORE.share * bore),
  within: Math.round(OF_BORE.within * bore),
  because: 'no journal is as wide as its bore',
});

/** How near a journal or a housing lies to others of its kind, and a housing over its journal. From memory. */
const NEAR_OTHERS = 250_000;
/** How far over its journal a housing with shells is expected, and within what, nm. From memory. */
const OVER_JOURNAL = { by: 50_000, within: 150_000 };

/** What a size of a bearing should be near to: its neighbours or its journal; else under the bore. */
export function expectedOf(engine: All, bearing: JudgedBearing, subject: string, units: Units): Expected | null {
  const bore = engine.job?.plannedBore ?? null;
  const isSize = subject === 'journal' || subject === 'bare' || subject === 'housing';
  return expectedSize(engine, bearing, subject, units) ?? (isSize && bore !== null ? belowBore(bore) : null);
}

function expectedSize(
  { mains, rods, choices: { journals } }: All,
  bearing: JudgedBearing,
  subject: string,
  units: Units,
): Expected | null {
  const { kind, journal } = bearing;
  const nominal = journals.bearings[kind].nominal;
  const others = (kind === 'main' ? mains : rods).filter((b) => b !== bearing);
  if (subject === 'journal') {
    const found = expectedNear(
      others.flatMap((b) => b.journal.size?.value ?? []),
      NEAR_OTHERS,
      `the other ${kind} journals read`,
      units,
    );
    return (
      found ??
      (nominal === null ? null : { nm: nominal, within: 1_500_000, because: 'that is what it measured as made' })
    );
  }
  if (subject === 'bare')
    return expectedNear(
      others.flatMap((b) => b.bare?.value ?? []),
      NEAR_OTHERS,
      `the other ${kind} housings read`,
      units,
    );
  if (subject !== 'housing') return null;
  return journal.size
    ? { nm: journal.size.value + OVER_JOURNAL.by, within: OVER_JOURNAL.within, because: 'its journal says so' }
    : expectedNear(
        others.flatMap((b) => b.housing?.value ?? []),
        NEAR_OTHERS,
        `the other ${kind} housings read`,
        units,
      );
}
