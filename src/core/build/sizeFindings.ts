/**
 * Findings about bores, pistons, clearances, and the tools they were read with.
 */
import { ABOVE, type BoreChoices, spotWords } from '../bore/grid';
import { foundWords } from '../bore/shape';
import { NEAR, outlierOf } from '../piston/piston';
import type { Nm } from '../quantity/length';
import { type Saying, clear, fine, raw, say, size } from '../quantity/saying';
import { type InstrumentKind, calibrationEnds, isOutOfRange } from '../uncertainty/instrument';
import { type Finding, type FindingInput, type Severity, about } from './finding';
import type { JudgedCylinder, LoggedReading } from './judge';
import { type JudgedPiston, type Tools, allPasses } from './sizes';
import type { Stage } from './work';

/** A measured bore this far from the plan is worth a look: 0.25 mm. From memory. */
const OFF_PLAN: Nm = 250_000;
/** Repeats of one spot should agree within 0.0003 in. From memory. */
const REPEATS_AGREE: Nm = 7_620;
/** A lean of the wear under this is common. From memory. */
const LEAN = 20;

const joined = (sayings: Saying[]): Saying =>
  sayings.reduce<Saying>((all, s, i) => (i === 0 ? s : say`${all}; ${s}`), []);

const slipWords = (slip: string | null): string =>
  slip === null ? 'Read it again.' : `A slip would explain it: ${slip}. Strike it out and read it again.`;

function verdictFindings({ label, id, bore }: JudgedCylinder): Finding[] {
  const { state, reasons } = bore.verdict;
  const at = (severity: Severity, says: Saying): Finding[] => [about(severity, 'bores', id, says)];
  const why = joined(reasons);
  if (state === 'not proven') return at('mend', say`Cylinder ${label}, bore not proven: ${why}.`);
  if (state === 'hone') return at('mend', say`Cylinder ${label}, bore to be honed: ${why}.`);
  if (state === 'next size') return at('mend', say`Cylinder ${label}, bore to the next size: ${why}.`);
  return state === 'out' ? at('stop', say`Cylinder ${label}, bore out: ${why}.`) : [];
}

function shapeFindings({ label, id, bore }: JudgedCylinder): Finding[] {
  const { shape } = bore;
  if (!shape) return [];
  const out: Finding[] = [];
  const oval = shape.depths.find((d) => d.oval?.understated);
  if (oval?.oval)
    out.push(
      about(
        'note',
        'bores',
        id,
        say`Cylinder ${label}: largest − smallest reading says ${fine(oval.most - oval.least)} out-of-round, and understates it. The oval through them is ${fine(oval.oval.total)}, longest at ${oval.oval.direction.toFixed(0)}°.`,
      ),
    );
  const { lean, ridge } = shape;
  if (lean && Math.abs(lean.degrees) - lean.uncertainty > LEAN)
    out.push(
      about(
        'note',
        'bores',
        id,
        say`Cylinder ${label}: its wear leans ${Math.abs(lean.degrees).toFixed(0)}° ± ${lean.uncertainty.toFixed(0)}° ${lean.degrees > 0 ? 'clockwise' : 'anticlockwise'} from square to the crank. Wear is normally worst there: look for a bent rod, or a bore out of square.`,
      ),
    );
  if (ridge && ridge.value > ridge.uncertainty)
    out.push(
      about(
        'note',
        'bores',
        id,
        say`Cylinder ${label}: a ridge of ${fine(ridge.value)} on the diameter above ring travel. It is cut away before a new ring can strike it.`,
      ),
    );
  return out;
}

function spotFindings({ label, id, bore }: JudgedCylinder): Finding[] {
  const at = (says: Saying): Finding => about('mend', 'bores', id, says);
  const { shape } = bore;
  const live = bore.spots.flatMap((s) => (s.value === null || s.depth === ABOVE ? [] : [{ spot: s, value: s.value }]));
  const far = shape !== null && shape.largest.value - Math.min(...live.map((l) => l.value)) > NEAR.bore;
  const away = (far ? live : []).flatMap(({ spot, value }) => {
    const typed = spot.passes.findLast((p) => p.voided === null)?.typed ?? '';
    const outlier = outlierOf(
      value,
      typed,
      live.flatMap((l) => (l.spot === spot ? [] : [l.value])),
      NEAR.bore,
    );
    return outlier
      ? [
          at(
            say`Cylinder ${label}, ${spotWords(spot)}: ${size(value)} stands ${fine(Math.abs(outlier.off))} from the rest of the bore. ${slipWords(outlier.slip)}`,
          ),
        ]
      : [];
  });
  const apart = bore.spots
    .filter((s) => s.range > REPEATS_AGREE)
    .map((s) =>
      at(
        say`Cylinder ${label}, ${spotWords(s)}: repeat readings lie ${fine(s.range)} apart, and their mean stands. Rock the gauge and read again; strike out the one that is wrong.`,
      ),
    );
  return [...away, ...apart];
}

/** Readings of the bore that count now. */
const counting = ({ bore }: JudgedCylinder): LoggedReading[] =>
  bore.passes.filter((p) => p.voided === null && p.round === bore.round);

function plateFindings(cylinders: JudgedCylinder[], { basis }: BoreChoices): Finding[] {
  const placed = cylinders.map((c) => ({
    cylinder: c,
    plates: new Set(
      counting(c)
        .filter((p) => p.place !== null)
        .map((p) => p.plate),
    ),
  }));
  const mixed = placed
    .filter(({ plates }) => plates.has(true) && plates.has(false))
    .map(({ cylinder }) =>
      about(
        'mend',
        'bores',
        cylinder.id,
        say`Cylinder ${cylinder.label}: some readings were taken with the torque plate on and some without. A bore changes shape when the head is bolted on: they do not belong together.`,
      ),
    );
  const all = placed.flatMap(({ plates }) => [...plates]);
  if (all.length === 0 || basis === 'used') return mixed;
  if (all.every((p) => p === null))
    return [
      ...mixed,
      about(
        'note',
        'bores',
        null,
        say`Whether a torque plate is on is not said. Without one, half a thou to a thou of distortion goes unseen.`,
      ),
    ];
  return all.every((p) => p === false)
    ? [
        ...mixed,
        about(
          'note',
          'bores',
          null,
          say`Read without a torque plate: bolted up, the bores may be half a thou to a thou out of what stands here.`,
        ),
      ]
    : mixed;
}

function boreFindings(cylinder: JudgedCylinder, planned: Nm | null): Finding[] {
  const { bore, label, id } = cylinder;
  const off = bore.size && planned !== null && Math.abs(bore.size.value - planned) > OFF_PLAN ? bore.size.value : null;
  return [
    ...verdictFindings(cylinder),
    ...shapeFindings(cylinder),
    ...spotFindings(cylinder),
    ...(off === null || planned === null
      ? []
      : [
          about(
            'note',
            'bores',
            id,
            say`Cylinder ${label}: bore ${size(off)} is ${fine(Math.abs(off - planned))} from the planned ${size(planned)}.`,
          ),
        ]),
  ];
}

function pistonFindings({ id, label, outlier, size: sized, range, pin }: JudgedPiston): Finding[] {
  const at = (severity: Severity, says: Saying): Finding => about(severity, 'pistons', id, says);
  const out: Finding[] = [];
  if (outlier && sized)
    out.push(
      at(
        'mend',
        say`Piston ${label}: ${size(sized.value)} stands ${fine(Math.abs(outlier.off))} from the others, about ${size(outlier.neighbours)}. ${slipWords(outlier.slip)}`,
      ),
    );
  if (range > REPEATS_AGREE)
    out.push(
      at(
        'mend',
        say`Piston ${label}: its readings lie ${fine(range)} apart, and their mean stands. Read it again at the gauge point; strike out the one that is wrong.`,
      ),
    );
  const { clearance } = pin;
  if (clearance?.state === 'tight')
    out.push(
      at(
        'stop',
        say`Piston ${label}: pin clearance ${raw(clearance.value)} is too small; the pin can seize in its bore.`,
      ),
    );
  if (clearance?.state === 'over')
    out.push(at('mend', say`Piston ${label}: pin clearance ${raw(clearance.value)} is too large; it will knock.`));
  if (clearance?.state === 'not proven')
    out.push(
      at(
        'note',
        say`Piston ${label}: pin clearance ${raw(clearance.value)} ± ${raw(clearance.uncertainty)} is too near a limit for the tools to prove.`,
      ),
    );
  return out;
}

function clearanceFindings({ clearance, label, id, bore }: JudgedCylinder): Finding[] {
  const at = (severity: Severity, says: Saying): Finding => about(severity, 'pistons', id, says);
  const { value, state, uncertainty, target, strip } = clearance;
  if (value === null) return [];
  if (value < 0)
    return [
      at('stop', say`Cylinder ${label}: the piston reads ${clear(-value)} larger than its bore. Read both again.`),
    ];
  const out: Finding[] = [];
  if (strip.check && !strip.check.agrees)
    out.push(
      at(
        'mend',
        say`Cylinder ${label}: ${joined(strip.check.working)}. One of the readings is off: measure bore and piston again.`,
      ),
    );
  if (!target.set) return out;
  const { min, limit } = target.inForce;
  const where = bore.shape ? ` (at ${foundWords(bore.shape.smallest)})` : '';
  if (state === 'tight')
    out.push(
      at(
        'stop',
        say`Cylinder ${label}: clearance ${clear(value)}${where} is under ${clear(min)}. Too tight, a piston scuffs and seizes: hone, or try another piston.`,
      ),
    );
  if (state === 'over' && limit !== null)
    out.push(
      at(
        'mend',
        say`Cylinder ${label}: clearance ${clear(value)} is over ${clear(limit)}. Too loose, a piston rocks and ruins the ring seal: try a larger piston.`,
      ),
    );
  if (state === 'not proven')
    out.push(
      at(
        'mend',
        say`Cylinder ${label}: clearance ${clear(value)} ± ${clear(uncertainty)} is too near a limit for the tools to prove. Read both again, with finer tools if there are any.`,
      ),
    );
  return out;
}

/** What one tool was wrongly used for. */
interface Misuse {
  outOfDate: number;
  outOfRange: Map<string, number>;
}

function misuses(cylinders: JudgedCylinder[], tools: Tools): Map<string, Misuse> {
  const found = new Map<string, Misuse>();
  if (tools.size === 0) return found;
  const ends = new Map([...tools].map(([key, tool]) => [key, calibrationEnds(tool)]));
  for (const cylinder of cylinders)
    for (const reading of allPasses(cylinder)) {
      const tool = reading.voided || reading.instrument === null ? undefined : tools.get(reading.instrument);
      if (!tool || !reading.instrument) continue;
      const end = ends.get(reading.instrument) ?? null;
      const [late, far] = [end !== null && reading.at.slice(0, 10) >= end, isOutOfRange(tool, reading.value)];
      if (!late && !far) continue;
      const misuse = found.get(reading.instrument) ?? { outOfDate: 0, outOfRange: new Map<string, number>() };
      if (late) misuse.outOfDate += 1;
      if (far) misuse.outOfRange.set(cylinder.label, (misuse.outOfRange.get(cylinder.label) ?? 0) + 1);
      found.set(reading.instrument, misuse);
    }
  return found;
}

/** The stage a kind of tool is used on. */
const READ_ON: Record<InstrumentKind, Stage> = {
  micrometer: 'pistons',
  boreGauge: 'bores',
  insideMicrometer: 'bores',
  telescoping: 'bores',
  feelers: 'rings',
  filerByTurns: 'rings',
  filerByStrokes: 'rings',
};

const counted = (n: number, what: string): string => `${n} ${n === 1 ? what : `${what}s`}`;

function toolFindings(cylinders: JudgedCylinder[], tools: Tools): Finding[] {
  return [...misuses(cylinders, tools)].flatMap(([key, { outOfDate, outOfRange }]) => {
    const tool = tools.get(key);
    if (!tool) return [];
    const stage = READ_ON[tool.kind];
    const far = [...outOfRange.values()].reduce((a, b) => a + b, 0);
    return [
      ...(outOfDate > 0
        ? [
            about(
              'mend',
              stage,
              null,
              say`${tool.name}: its calibration held to ${calibrationEnds(tool) ?? ''}, and ${counted(outOfDate, 'reading')} came after. Check it against a setting standard.`,
            ),
          ]
        : []),
      ...(far > 0
        ? [
            about(
              'mend',
              stage,
              null,
              say`${tool.name} reaches from ${size(tool.from)} to ${size(tool.to)}, and ${counted(far, 'reading')} ${far === 1 ? 'lies' : 'lie'} outside (${[...outOfRange.keys()].map((l) => `cylinder ${l}`).join(', ')}). Was another tool in hand?`,
            ),
          ]
        : []),
    ];
  });
}

/** All findings about sizes. */
export function sizeFindings({ job, cylinders, bores, tools }: FindingInput): Finding[] {
  if (!job) return [];
  return [
    ...cylinders.flatMap((c) => [
      ...boreFindings(c, job.plannedBore),
      ...pistonFindings(c.piston),
      ...clearanceFindings(c),
    ]),
    ...plateFindings(cylinders, bores),
    ...toolFindings(cylinders, tools),
  ];
}
