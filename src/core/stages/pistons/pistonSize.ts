/** One piston: its readings at the gauge point, its pin and pin bore, and whether it stands out of its set. */
import type { FigureAtLimit } from '../../foundation/verdict/figureAtLimit';
import { STEEL_EXPANSION } from '../../foundation/uncertainty/expansion';
import type { Nm } from '../../foundation/quantity/length';
import { type Message, raw, say, size } from '../../foundation/quantity/message';
import { type Accepted, type LoggedReading, type Answer, lastOf, livePasses, answerOf } from '../../record/reading';
import { type Measuring, type Sized, sizedOf } from '../../foundation/verdict/measuredSize';
import { expandedOf } from '../../foundation/uncertainty/combine';
import { shopTemperature } from '../../foundation/uncertainty/thermal';
import type { Strictness } from '../../foundation/verdict/decide';
import { clearanceDoubt } from '../../models/clearance/clearance';
import { type PinState, type PistonChoices, pinState } from './piston';
import { type Outlier, outlierOf, NEAR } from '../../foundation/quantity/outlier';

export interface JudgedPin {
  pin: Sized | null;
  bore: Sized | null;
  clearance:
    | ({
        value: Nm;
        uncertainty: Nm;
        state: PinState;
        working: Message[];
      } & Answer)
    | null;
}

export interface JudgedPiston {
  /** The place whose number it has, and that number. */
  id: string;
  label: string;
  passes: readonly LoggedReading[];
  /** Readings of the pin and of the pin bore. */
  pinPasses: Record<'pin' | 'pinBore', readonly LoggedReading[]>;
  size: Sized | null;
  /** Readings that count. */
  read: number;
  outlier: Outlier | null;
  pin: JudgedPin;
  round: number;
}

interface PistonAsk extends Measuring {
  id: string;
  label: string;
  /** By subject. */
  passes: (subject: 'piston' | 'pin' | 'pinBore') => readonly LoggedReading[];
  round: number;
  choices: PistonChoices;
  strictness: Strictness;
  accepted: Accepted;
}

function judgedPin({ passes, round, expansion, tools, choices, strictness, accepted }: PistonAsk): JudgedPin {
  const [pins, bores] = [livePasses(passes('pin'), round), livePasses(passes('pinBore'), round)];
  const shop = shopTemperature([...pins, ...bores]);
  const pin = sizedOf(pins, { expansion: STEEL_EXPANSION, tools, shop }, 'most');
  const bore = sizedOf(bores, { expansion, tools, shop }, 'least');
  if (!pin || !bore) return { pin, bore, clearance: null };
  const value = bore.value - pin.value;
  const doubt = clearanceDoubt(bore, pin);
  const state = pinState(value, doubt, choices.pin, strictness);
  const acceptId = lastOf([...pins, ...bores]);
  const { least, most } = choices.pin;
  const held: FigureAtLimit =
    state === 'over' ? { figure: value, limit: most, side: 'most' } : { figure: value, limit: least, side: 'least' };
  return {
    pin,
    bore,
    clearance: {
      value,
      uncertainty: Math.round(expandedOf(doubt)),
      state,
      ...answerOf(accepted, { acceptId, what: 'pin', state, held }),
      working: [say`pin bore ${size(bore.value)} − pin ${size(pin.value)} = ${raw(value)}`],
    },
  };
}

/** A piston from its readings; whether it stands out is seen once all are. */
export function judgePiston(ask: PistonAsk): JudgedPiston {
  const { id, label, passes, round } = ask;
  const counting = livePasses(passes('piston'), round);
  return {
    id,
    label,
    passes: passes('piston'),
    pinPasses: { pin: passes('pin'), pinBore: passes('pinBore') },
    size: sizedOf(counting, ask, 'most'),
    read: counting.length,
    outlier: null,
    pin: judgedPin(ask),
    round,
  };
}

/**
 * The pistons with those called out that stand away from the others.
 *
 * @example
 *   withOutliers([4, 4.0001, 4.09, 4].map((inches) => ({ size: { value: fromInches(inches) }, passes: [] }))).map(
 *   (piston) => piston.outlier?.off ?? null) // [null, null, 2_286_000, null]
 */
export function withOutliers(pistons: JudgedPiston[]): JudgedPiston[] {
  return pistons.map((piston) => {
    const others = pistons.flatMap((p) => (p === piston ? [] : (p.size?.value ?? [])));
    const typed = piston.passes.findLast((p) => p.voided === null)?.typed ?? '';
    return piston.size ? { ...piston, outlier: outlierOf(piston.size.value, typed, others, NEAR.piston) } : piston;
  });
}
