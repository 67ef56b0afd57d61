/** What is to be known of rings: short, over, wandering, against each other, in their grooves. */
import type { Cylinder } from '../engine/engine';
import type { Job } from '../job/job';
import type { Nm } from '../quantity/length';
import { type Saying, fine, say } from '../quantity/saying';
import { type Finding, type Severity, about } from '../stage/finding';
import type { TargetChoices } from '../targets/target';
import type { JudgedGrooves } from './grooves';
import { type JudgedRing, ringAdvice } from './judged';
import { type Ring, COMPRESSION, RING_WORDS, isCompression } from './ring';
import { type RingSet, GROOVE_WORDS, ringFaults } from './set';

/** How far the gaps of one kind of ring lie apart. */
export interface Spread {
  ring: Ring;
  least: Nm;
  most: Nm;
  spread: Nm;
}

interface Ringed extends Cylinder {
  piston: { label: string };
  rings: Record<Ring, JudgedRing>;
  grooves: JudgedGrooves;
}

const capital = (text: string): string => text.replace(/^./, (c) => c.toUpperCase());

/** What is to be known of one ring. */
function oneRing(name: string, ring: JudgedRing): [Severity, Saying][] {
  const { reading, gap, target, state, counts, measured, wander, accepted, readIn } = ring;
  const out: [Severity, Saying][] = [];
  if (!reading || !target.set) return out;
  const { min, limit } = target.inForce;
  if (state === 'short' && counts && measured !== 'short')
    out.push([
      'stop',
      say`${name}: ${fine(gap?.value ?? 0)} where it was read, but ${fine(counts.gap.value)} where the bore is smallest, under ${fine(min)}. The ends can meet when hot: file before it goes in.`,
    ]);
  else if (state === 'short')
    out.push([
      'stop',
      say`${name}: ${fine(gap?.value ?? reading.value)} is under ${fine(min)}. The ends can meet when hot: file before it goes in.`,
    ]);
  else if (state === 'over' && limit !== null && accepted)
    out.push([
      'note',
      say`${name}: ${fine(gap?.value ?? reading.value)} is over ${fine(limit)} and accepted by ${accepted.by || 'someone'}: ${accepted.reason}.`,
    ]);
  else if (state === 'over' && limit !== null)
    out.push([
      'mend',
      say`${name}: ${fine(gap?.value ?? reading.value)} is over ${fine(limit)}. It may suit another cylinder, or another ring this one.`,
    ]);
  else if (wander)
    out.push(['mend', say`${name}: ${fine(wander.before)}, then ${fine(wander.after)}. ${ringAdvice(ring)}`]);
  else if (state === 'not proven') out.push(['mend', say`${name}: ${ringAdvice(ring)}`]);
  else if (counts?.state === 'not proven')
    out.push([
      'note',
      say`${name}: where the bore is smallest the gap comes to ${fine(counts.gap.value)}, too near ${fine(min)} to be sure.`,
    ]);
  if (readIn && readIn.move)
    out.push(['note', say`${name}: read in cylinder ${readIn.label}; its gap here is worked out from the two bores.`]);
  if (ring.unprepared.includes(reading.id))
    out.push([
      'note',
      say`${name}: read after filing with neither deburring nor squaring noted. A burr scores the wall and reads false.`,
    ]);
  return out;
}

/** Rings that are tight in their grooves, or stand proud of the land. */
export function grooveFindings({ id, piston, grooves }: Ringed): Finding[] {
  return grooves.grooves.flatMap(({ groove, side, land }): Finding[] => [
    ...(side.read && (side.state === 'tight' || side.state === 'loose')
      ? [
          about(
            side.state === 'tight' ? 'stop' : 'mend',
            'rings',
            id,
            say`Piston ${piston.label}, ${GROOVE_WORDS[groove]}: axial clearance ${fine(side.low ?? 0)} is ${side.state}. ${side.state === 'tight' ? 'A ring that sticks does not seal, and breaks.' : 'A ring that flutters wears its groove.'}`,
          ),
        ]
      : []),
    ...(land.read && land.state === 'proud'
      ? [
          about(
            'stop',
            'rings',
            id,
            say`Piston ${piston.label}, ${GROOVE_WORDS[groove]}: the ring does not sink under the land. Its groove is too shallow, or the ring too wide.`,
          ),
        ]
      : []),
  ]);
}

/** Rings that are described against themselves. */
export function setFindings(ringSet: RingSet, job: Job | null): Finding[] {
  if (!job) return [];
  return COMPRESSION.flatMap((ring) =>
    ringFaults(ringSet[ring]).map((fault) => about('mend', 'rings', null, say`${capital(RING_WORDS[ring])}: ${fault}`)),
  );
}

/** Of the rings in one cylinder. */
export function ringFindings(cylinder: Ringed, targets: TargetChoices): Finding[] {
  const { label, id, rings } = cylinder;
  const at = (severity: Severity, says: Saying): Finding => about(severity, 'rings', id, says);
  const out = Object.values(rings).flatMap((ring) =>
    oneRing(`Cylinder ${label}, ${RING_WORDS[ring.ring]}`, ring).map(([severity, says]) => at(severity, says)),
  );
  const { top, second } = rings;
  const sheetSays = second.target.set && second.target.inForce.rank !== 'chart';
  if (targets.secondSchool === 'larger' && !sheetSays && top.gap && second.gap && second.gap.value < top.gap.value)
    out.push(
      at(
        'mend',
        say`Cylinder ${label}: second ring ${fine(second.gap.value)} is tighter than the top, ${fine(top.gap.value)}. Gas could be trapped between them and lift the top ring.`,
      ),
    );
  return out;
}

/**
 * Gaps of one kind that lie too far apart.
 *
 * @example spreadFindings([], 50_000) // []
 */
export const spreadFindings = (spreads: readonly Spread[], limit: Nm): Finding[] =>
  spreads
    .filter((s) => isCompression(s.ring) && s.spread > limit)
    .map((s) =>
      about(
        'note',
        'rings',
        null,
        say`${RING_WORDS[s.ring]} gaps run from ${fine(s.least)} to ${fine(s.most)}: ${fine(s.spread)} apart. Even gaps matter more than the last half thou.`,
      ),
    );
