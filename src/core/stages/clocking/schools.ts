/**
 * Schools of clocking. Rings turn in service; it is the start that is set, and fitters differ.
 * Common practice, no source, for every one of them and for the figures they start with.
 */
import type { Bank } from '../../foundation/engine/engine';
import { arcAngle, mirrored, turned } from '../../foundation/quantity/angle';
import { type Nm, NM_PER_INCH } from '../../foundation/quantity/length';
import { type Joints, mapJoints } from '../../foundation/parts/joints';

export const SCHOOLS = ['sheet', 'diagonals', 'frontAndBack', 'highAndLow', 'thirds', 'tenTwoSix', 'across'] as const;
export type School = (typeof SCHOOLS)[number];

/** What can be set of the schools, in degrees and in arc. */
export interface SchoolSettings {
  /** Diagonals: from the pin to the top gap. */
  offPin: number;
  /** From the expander joint to each rail, along the bore's wall: front and back, high and low, ten-two-six. */
  railArc: Nm;
  /** Thirds: direction of the upper rail gap. */
  thirdsFrom: number;
  /** Ten, two and six: direction of twelve o'clock. */
  twelve: number;
  /** Straight across: directions of the top gap and of the upper rail gap. */
  acrossTop: number;
  acrossRail: number;
}

/** As the schools are usually drawn. Common practice, no source. */
export const STARTING_SETTINGS: SchoolSettings = {
  offPin: 45,
  railArc: NM_PER_INCH,
  thirdsFrom: 45,
  twelve: 0,
  acrossTop: 30,
  acrossRail: 120,
};

/** A maker's sheet: its angles as they are printed, and how it counts them. */
export interface SheetPositions {
  joints: Joints;
  /** Where its 0° points on the crown. */
  zero: number;
  sense: 'clockwise' | 'anticlockwise';
  /** Which sheet. */
  from: string;
}

export interface SchoolChoices {
  school: School;
  /** Whether the left bank is the mirror image of the right one. */
  mirrorLeft: boolean;
  settings: SchoolSettings;
  sheet: SheetPositions | null;
}

/** Why a school gives no plan for a cylinder. */
export type NoPlan = 'bore' | 'upright' | 'sheet';

export const NO_PLAN_WORDS: Record<NoPlan, string> = {
  bore: 'Where the rails go depends on the bore: give the planned bore on the job card, or read the bore.',
  upright: 'This bore is upright: it has no high side. Enter how the engine leans, or choose another school.',
  sheet: 'Enter the five angles of the maker’s sheet.',
};

/** A joint with a rail an arc to either side of it. */
const pack = (at: number, step: number): Pick<Joints, 'expander' | 'upperRail' | 'lowerRail'> => ({
  expander: turned(at),
  upperRail: turned(at + step),
  lowerRail: turned(at - step),
});

function drawn({ school, settings, sheet }: SchoolChoices, bore: Nm | null, high: number | null): Joints | NoPlan {
  const step = bore === null ? null : arcAngle(settings.railArc, bore);
  switch (school) {
    case 'sheet':
      return sheet
        ? mapJoints(sheet.joints, (printed) => turned(sheet.zero + (sheet.sense === 'clockwise' ? printed : -printed)))
        : 'sheet';
    case 'diagonals': {
      const top = settings.offPin;
      return mapJoints(
        { top, second: top + 180, upperRail: top + 90, expander: top + 180, lowerRail: top + 270 },
        turned,
      );
    }
    case 'frontAndBack':
      return step === null ? 'bore' : { top: 0, second: 180, ...pack(0, step) };
    case 'highAndLow':
      if (high === null) return 'upright';
      return step === null ? 'bore' : { top: high, second: turned(high + 180), ...pack(high, step) };
    case 'thirds': {
      const upperRail = settings.thirdsFrom;
      return mapJoints(
        {
          upperRail,
          expander: upperRail + 120,
          lowerRail: upperRail + 240,
          second: upperRail + 90,
          top: upperRail + 270,
        },
        turned,
      );
    }
    case 'tenTwoSix':
      return step === null
        ? 'bore'
        : {
            top: turned(settings.twelve + 300),
            second: turned(settings.twelve + 60),
            ...pack(settings.twelve + 180, step),
          };
    case 'across': {
      const { acrossTop: top, acrossRail: upperRail } = settings;
      return mapJoints(
        { top, second: top + 180, upperRail, expander: upperRail + 90, lowerRail: upperRail + 180 },
        turned,
      );
    }
  }
}

/**
 * Where a school puts the joints of one cylinder.
 *
 * A left bank that is mirrored gets the mirror image of what a right one would get in its place.
 *
 * @param at its bank, its bore in nm (null while not known) and its high side in degrees (null where it is upright)
 * @returns degrees clockwise from the front, 0 ≤ a < 360; or why there is no plan
 * @example
 *   jointsOf(judgement.choices.clocking, { bank: 'left', bore: null, high: null })
 *   // { top: 315, second: 135, upperRail: 225, expander: 135, lowerRail: 45 }
 */
export function jointsOf(
  choices: SchoolChoices,
  { bank, bore, high }: { bank: Bank; bore: Nm | null; high: number | null },
): Joints | NoPlan {
  if (!choices.mirrorLeft || bank !== 'left') return drawn(choices, bore, high);
  const image = drawn(choices, bore, high === null ? null : mirrored(high));
  return typeof image === 'string' ? image : mapJoints(image, mirrored);
}
