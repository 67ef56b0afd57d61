/** End play, side clearance and the pin in the small end, judged against the manual's limits. */
import type { Nm } from '../../foundation/quantity/length';
import { sumOf } from '../../foundation/uncertainty/combine';
import type { Strictness } from '../../foundation/verdict/decide';
import { type Sized, type Tools, sizedOf, toolLimit } from '../../foundation/verdict/measuredSize';
import { betweenEnds, LEAVES_REPEAT } from '../../foundation/verdict/repeats';
import { clearanceDoubt } from '../../models/clearance/clearance';
import type { LoggedReading, Accepted } from '../../record/reading';
import { judgeFigure, targetFrom, disagreeing } from './bearingClearance';
import type { GivenLimits } from './choices';
import type { JudgedFigure } from './types';

/** What a play is judged from. */
interface PlayAsk {
  readings: readonly LoggedReading[];
  limits: GivenLimits;
  ask: string;
  tools: Tools;
  strictness: Strictness;
  accepted: Accepted;
}

/** End play as pried both ways repeats within half a thou. From memory. */
const PLAY_REPEATS: Nm = 12_700;

/** End play: the mean of what the dial showed, each time pried both ways. */
export function endPlayOf({ readings, limits, ask, tools, ...rest }: PlayAsk): JudgedFigure {
  const live = readings.filter((r) => r.voided === null);
  const sized = sizedOf(live, { expansion: 0, tools, shop: null }, 'least', PLAY_REPEATS);
  return judgeFigure({
    found: sized && {
      low: sized.value,
      high: sized.value,
      ...sumOf([
        { standard: sized.doubt.own, freedom: sized.doubt.freedom },
        { standard: sized.doubt.tool, freedom: Infinity },
      ]),
    },
    target: targetFrom(limits, ask),
    readings: live,
    what: null,
    disagreements: disagreeing('end play', sized),
    ...rest,
  });
}

/** Side clearance by feeler: the leaf that goes, and the first that does not where one was tried. */
export function sideOf({ readings, limits, ask, tools, ...rest }: PlayAsk): JudgedFigure {
  const live = readings.filter((r) => r.voided === null);
  const between = betweenEnds(
    live.map((r) => ({ id: r.id, low: r.value, high: r.upTo ?? r.value, limit: toolLimit([r], tools) })),
    LEAVES_REPEAT,
  );
  return judgeFigure({
    found: between,
    target: targetFrom(limits, ask),
    readings: live,
    what: null,
    disagreements: disagreeing('side clearance', between),
    ...rest,
  });
}

/** The pin in the rod's small end: a bush is honed to its pin. */
export function smallEndOf(bush: Sized | null, pin: Sized | null, ask: PlayAsk): JudgedFigure {
  const { readings, limits, ask: missing, strictness, accepted } = ask;
  const value = bush && pin ? bush.value - pin.value : null;
  return judgeFigure({
    found: value === null || !bush || !pin ? null : { low: value, high: value, ...clearanceDoubt(bush, pin) },
    target: targetFrom(limits, missing),
    readings,
    what: 'smallEnd',
    disagreements: value === null ? [] : [...disagreeing('small end', bush), ...disagreeing('pin', pin)],
    ...{ strictness, accepted },
  });
}
