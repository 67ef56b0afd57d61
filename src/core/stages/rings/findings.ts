/** What is to be known of rings: short, over, disagreeing, against each other, in their grooves. */
import type { Cylinder } from '../../foundation/engine/engine';
import type { Job } from '../../record/jobCard';
import type { Nm } from '../../foundation/quantity/length';
import { type Message, fine, say, capital } from '../../foundation/quantity/message';
import { type Finding, type Severity, about } from '../contract/finding';
import type { JudgedGrooves } from './grooves';
import { acceptedWords, lapsedWords } from '../../record/reading';
import type { JudgedRing } from './ringGap';
import { gapIsDone } from './ring';
import type { Candidate } from '../../models/targets/target';
import { type Ring, RING_WORDS, isCompression, COMPRESSION } from '../../foundation/parts/rings';
import type { All, Spread } from './types';
import { countsWords, ringAdvice } from './words';
import { type RingSet, GROOVE_WORDS } from './set';
import { ringFaults } from './ringOrientation';

interface Ringed extends Cylinder {
  bore: { shape: object | null };
  piston: { label: string };
  rings: Record<Ring, JudgedRing>;
  grooves: JudgedGrooves;
}

/** What is to be known of a gap that is accepted, short, over or not proven. */
function gapFinding(
  ring: JudgedRing,
  figure: Nm,
  { raisedFrom, least, most, aimFrom }: Candidate,
): [Severity, Message] | null {
  const { counts, state, accepted, readIn, differs, called } = ring;
  if (accepted && !gapIsDone(state)) return ['note', say`${fine(figure)} is ${state}, ${acceptedWords(accepted)}.`];
  if (state === 'short' && raisedFrom !== undefined)
    return [
      'stop',
      say`${fine(figure)} is tighter than the top ring, ${fine(least)}. Gas could be trapped between them and lift the top ring: file before it goes in.`,
    ];
  if (state === 'short') {
    const under =
      differs && counts && called && !readIn
        ? say`${fine(called.value)} where it was read, but ${countsWords(counts, false)}, under ${fine(least)}`
        : say`${fine(figure)} is under ${fine(least)}`;
    return ['stop', say`${under}. The ends can meet when hot: file before it goes in.`];
  }
  if (state === 'over') return ['mend', say`${fine(figure)} is over ${fine(most ?? aimFrom)}. ${ringAdvice(ring)}`];
  if (state === 'not proven' || (ring.asksSquaring && !accepted && !ring.growth)) return ['mend', ringAdvice(ring)];
  return ring.low === 'under the limit' ? ['note', ringAdvice(ring)] : null;
}

/** What is to be known of one ring. */
function oneRing(name: string, ring: JudgedRing): [Severity, Message][] {
  const { reading, counts, target, state, accepted, readIn, lapsed } = ring;
  if (!reading || !target.set || state === 'to do' || state === 'no target') return [];
  const gap = gapFinding(ring, counts?.value ?? reading.value, target.inForce);
  const isApart = state === 'short' && (ring.shrunk > 0 || counts?.disagreement);
  const isGrown = ring.growth && !accepted && state !== 'over' && state !== 'not proven';
  const isUnprepared = ring.unprepared.includes(reading.id);
  const found: ([Severity, Message] | false | null | undefined)[] = [
    gap && [gap[0], say`${name}: ${gap[1]}`],
    isApart && ['mend', say`${name}: ${ringAdvice(ring)}`],
    isGrown && ['mend', say`${name}: ${ringAdvice(ring)}`],
    lapsed && ['note', say`${name}:${lapsedWords(lapsed)}`],
    readIn &&
      counts && [
        'note',
        say`${name}: read in cylinder ${readIn.label}; its gap here is worked out from the two bores.`,
      ],
    isUnprepared && [
      'note',
      say`${name}: read after filing with neither deburring nor squaring noted. A burr scores the wall and reads false.`,
    ],
  ];
  return found.flatMap((one) => (one ? [one] : []));
}

/** Rings that are tight in their grooves, or stand proud of the land. */
function grooveFindings({ id, piston, grooves }: Ringed): Finding[] {
  return grooves.grooves.flatMap(({ groove, side, land }): Finding[] => [
    ...[side, land].flatMap(({ lapsed }) =>
      lapsed
        ? [about('note', 'rings', id, say`Piston ${piston.label}, ${GROOVE_WORDS[groove]}:${lapsedWords(lapsed)}`)]
        : [],
    ),
    ...(side.read && (side.state === 'tight' || side.state === 'loose')
      ? [
          about(
            side.accepted ? 'note' : side.state === 'tight' ? 'stop' : 'mend',
            'rings',
            id,
            say`Piston ${piston.label}, ${GROOVE_WORDS[groove]}: axial clearance ${fine(side.low ?? 0)} is ${side.state}${side.accepted ? say`, ${acceptedWords(side.accepted)}` : ''}. ${side.state === 'tight' ? 'A ring that sticks does not seal, and breaks.' : 'A ring that flutters wears its groove.'}`,
          ),
        ]
      : []),
    ...[side, land].flatMap(({ disagreement, accepted }) =>
      disagreement && !accepted
        ? [
            about(
              'mend',
              'rings',
              id,
              say`Piston ${piston.label}, ${GROOVE_WORDS[groove]}: readings disagree, ${fine(disagreement.least)} and ${fine(disagreement.most)}. The narrower counts. Read it twice more, or strike out the wrong one.`,
            ),
          ]
        : [],
    ),
    ...(side.read && side.state === 'not proven' && !side.accepted && !side.disagreement
      ? [
          about(
            'mend',
            'rings',
            id,
            say`Piston ${piston.label}, ${GROOVE_WORDS[groove]}: axial clearance ${fine(side.low ?? 0)} to ${fine(side.high ?? 0)} is too near its minimum to be sure. Try the leaf between.`,
          ),
        ]
      : []),
    ...(land.read && land.state === 'proud'
      ? [
          about(
            land.accepted ? 'note' : 'stop',
            'rings',
            id,
            say`Piston ${piston.label}, ${GROOVE_WORDS[groove]}${land.accepted ? say`, ${acceptedWords(land.accepted)}` : ''}: the ring does not sink under the land. Its groove is too shallow, or the ring too wide.`,
          ),
        ]
      : []),
  ]);
}

/** Rings that are described against themselves. */
function setFindings(ringSet: RingSet, job: Job | null): Finding[] {
  if (!job) return [];
  return COMPRESSION.flatMap((ring) =>
    ringFaults(ringSet[ring]).map((fault) => about('mend', 'rings', null, say`${capital(RING_WORDS[ring])}: ${fault}`)),
  );
}

/**
 * That gaps in used bores which nobody measured count where they were read: one word for the build.
 *
 * @param used whether the bores are used ones
 */
function unmeasuredFindings(cylinders: readonly Ringed[], used: boolean): Finding[] {
  if (!used) return [];
  const blind = cylinders.filter(({ bore, rings }) =>
    COMPRESSION.some((ring) => bore.shape === null && rings[ring].counts?.taper === null),
  );
  return blind.length === 0
    ? []
    : [
        about(
          'note',
          'rings',
          null,
          say`Used bores that are not measured: ${blind.map((c) => c.label).join(', ')}. A gap counts there where it was read, and a thou of taper is 3 thou of gap. Read each ring at the bottom of its travel too, or measure the bores.`,
        ),
      ];
}

/** Of the rings in one cylinder. */
function ringFindings(cylinder: Ringed): Finding[] {
  const { label, id, rings } = cylinder;
  const at = (severity: Severity, says: Message): Finding => about(severity, 'rings', id, says);
  return Object.values(rings).flatMap((ring) =>
    oneRing(`Cylinder ${label}, ${RING_WORDS[ring.ring]}`, ring).map(([severity, says]) => at(severity, says)),
  );
}

/** Gaps of one kind that lie too far apart. */
const spreadFindings = (spreads: readonly Spread[]): Finding[] =>
  spreads
    .filter((s) => isCompression(s.ring) && s.isWide)
    .map((s) =>
      about(
        'note',
        'rings',
        null,
        say`${RING_WORDS[s.ring]} gaps run from ${fine(s.least)} to ${fine(s.most)}: ${fine(s.spread)} apart. Even gaps matter more than the last half thou.`,
      ),
    );

/** What is to be known of rings. */
export const findings = ({ choices, job, spreads }: All, cylinders: readonly Ringed[]): Finding[] => [
  ...cylinders.flatMap(ringFindings),
  ...setFindings(choices.ringSet, job),
  ...cylinders.flatMap(grooveFindings),
  ...spreadFindings(spreads),
  ...unmeasuredFindings(cylinders, choices.bores.basis === 'used'),
];
