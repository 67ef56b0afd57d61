/**
 * What each step says, why it is made, and what to beware of. Common practice, no source.
 */
import type { WalkChoices } from './walkChoices';
import { STEP_WORDS } from './stepNames';
import type { Step } from '../../record/stepIds';

interface Said {
  why: string;
  /** What can hurt somebody; null where nothing does. */
  caution?: string;
}

const WHY: Record<Step, Said> = {
  clean: {
    why: 'What is left in an oilway comes out at the first bearing. Hot water and soap last, then oil on the bores at once.',
    caution: 'Solvents: air, no flame. Lifting a block: two people or a hoist.',
  },
  oilways: {
    why: 'A forgotten plug or jet is found with the engine running. Count them.',
    caution: 'Compressed air: eye protection.',
  },
  threads: { why: 'A dirty thread takes torque that the bolt never sees.' },
  oils: { why: 'A figure is given for one lubricant: with another the bolt ends up slack or stretched.' },
  crankIn: {
    why: 'Grooves the other way round get no oil, and seize.',
    caution: 'A crank is heavy and slips: mind fingers.',
  },
  crankTurns: { why: 'What binds now is a cap or a shell; later it is looked for in fourteen places.' },
  frontMark: {
    why: 'Pin offset and valve pockets make pistons handed. It is decided now: later rings and clips are in the way.',
  },
  rod: { why: 'The chamfered side clears the crank cheek; cap and rod carry the same number.' },
  firstClip: {
    why: 'With one clip in, the pin has an end to be pushed against, and the second is the only one fitted in place.',
    caution: 'Clips jump: eye protection.',
  },
  ragIn: { why: 'A clip that springs away then lies on the rag, and not in the sump.' },
  pin: { why: 'A dry pin picks up in its first turns. Pushed by thumb: what needs a hammer is out of line.' },
  clips: {
    why: 'A clip that is not in its groove, or is not there, scores the bore from top to bottom. Count them, and turn each in its groove.',
    caution: 'Clips jump: eye protection.',
  },
  expanderButts: {
    why: 'An overlapping expander, or a rail slipped beside its seat, is the classic reason a piston will not go in. The pack turns as one and gives all round.',
  },
  ringsOn: {
    why: 'From below upwards, each opened no further than it must. A rail is spiralled on, its end lifted over so that it scratches nothing.',
    caution: 'Ring edges cut: gloves.',
  },
  ringsFree: {
    why: 'A ring that sticks does not seal; upside down it pumps oil.',
    caution: 'Ring edges cut: gloves.',
  },
  jointsBefore: { why: 'Joints move while the rings go on.' },
  oiled: {
    why: 'A smear on the skirt and into the ring pack for the first turns; some leave the rings next to dry so that they bed in.',
  },
  boreWiped: {
    why: 'With a cloth that leaves no lint, until it stays white. Dirt left in the crosshatch wears the rings.',
  },
  shellsDry: { why: 'Oil or dirt behind a shell takes up clearance and lets it turn.' },
  shellSide: {
    why: 'The other way round the edge of the shell rides on the fillet of the throw, or the hole is shut.',
  },
  throwDown: { why: 'At the bottom the rod comes down far from its journal, and straight.' },
  boltsCovered: { why: 'A bolt that touches the journal leaves a mark that the bearing feels.' },
  jointsAfter: {
    why: 'Joints move in the compressor too: look at every gap that can be seen, and turn it back before the piston goes down.',
  },
  pistonIn: {
    why: 'Pushed or tapped with a handle, the rod guided from below. Where it stops a ring has sprung out: take it out and begin again, or it breaks.',
    caution: 'Band compressors cut. Nobody turns the crank while a hand is below.',
  },
  capOn: { why: 'A cap from another rod, or turned round, closes the bore. Tangs on one side.' },
  capClosed: {
    why: 'A loose cap lets the shells shift and marks the journal. Both bolts in turn, until the cap meets the rod, before anything turns.',
  },
  tightened: { why: 'In steps, both bolts in turn, with the lubricant its figure is given for.' },
  turned: {
    why: 'Whoever binds is the last one in. Left to the end, all come out again.',
    caution: 'Fingers out of the crankcase.',
  },
  slides: {
    why: 'A rod that drags has its cap off square. A rod well to one side of the bosses is likely in backwards.',
  },
  allTight: { why: 'In steps, in printed order, and each marked when it is done.' },
  secondRound: { why: 'A bolt forgotten once is found by someone else, hardly ever by the person who forgot it.' },
  wrenchBack: { why: 'A spring left wound loses its figure.' },
  marksForward: { why: 'The last time that they can be seen without taking it apart.' },
  turnsFree: { why: 'With plugs out and all in: evenly, without a catch.', caution: 'Fingers out of the crankcase.' },
  secondLook: { why: 'What one has looked at all day one no longer sees.' },
  protected: {
    why: 'Bare cylinder walls rust in a week. Turned now and then, with the plugs in and every opening closed.',
  },
};

/** Why a step is made, and what to beware of. */
export const whyOf = (step: Step): Said => WHY[step];

const WAY: Record<WalkChoices['way'], string> = {
  sleeve: 'through the tapered sleeve, square and tight on the deck',
  band: 'through the band, square and tight on the deck',
  spring: 'through the spring compressor, square on the deck',
  barrel: 'barrel lowered over it',
};

const withOil = (words: string, oil: string): string => (oil === '' ? words : `${words} with ${oil}`);

const clipsWords = ({ clips, edition }: WalkChoices): string => {
  const gaps = clips.gaps === 'down' ? 'their gaps straight down' : 'their gaps clear of the cutout';
  const all = `${clips.count} ${clips.kind === 'wire' ? 'wire clips' : 'spiral locks'}`;
  return edition === 1 ? `${all} in, counted; ${gaps}` : `The other side clipped: ${all} in all, counted; ${gaps}`;
};

const tightenedWords =
  (step: Step) =>
  ({ oils }: WalkChoices): string =>
    oils.threads === '' ? STEP_WORDS[step] : `${STEP_WORDS[step]}, threads with ${oils.threads}`;

/** Steps whose words are the shop's; undefined where they are the usual ones. */
const SHOP_WORDS: Partial<Record<Step, (choices: WalkChoices, asksPlay: boolean) => string | undefined>> = {
  clips: clipsWords,
  crankTurns: (_, asksPlay) => (asksPlay ? undefined : 'Crank turns alone, without a catch, and has end play'),
  firstClip: ({ clips }) => (clips.kind === 'wire' ? undefined : 'Spiral locks of the first side in their groove'),
  oiled: ({ oils }) => (oils.rings === '' ? undefined : `Rings and skirt: ${oils.rings}`),
  protected: ({ oils }) => (oils.standing === '' ? undefined : `Oiled with ${oils.standing}, turned once more, bagged`),
  capClosed: ({ fasteners }) =>
    fasteners === 'bolts'
      ? undefined
      : `Rod ${fasteners === 'studs' ? 'nuts' : fasteners} run down evenly until the cap is closed`,
  boltsCovered: ({ fasteners }) => `Rod ${fasteners} covered`,
  pistonIn: ({ way }) => `Piston in, ${WAY[way]}: if it stops, stop`,
  jointsAfter: ({ way }) => (way === 'barrel' ? 'Joints as planned, rings closed' : undefined),
  boreWiped: ({ oils }) => withOil('Bore wiped, then oiled', oils.bore),
  pin: ({ oils }) =>
    oils.bearings === '' ? undefined : `Pin oiled with ${oils.bearings}, into the piston first, then the rod`,
  shellsDry: ({ oils, shells }) =>
    withOil(`Shells in${shells === 'before' ? '' : ' now'}: backs dry, tangs in, faces oiled`, oils.bearings),
  tightened: tightenedWords('tightened'),
  allTight: tightenedWords('allTight'),
};

/**
 * What a step says in this shop.
 *
 * @param asksPlay whether end play is read on the bottom end, so that the walk does not ask for it again
 *
 * @example stepSays('clips', judgement.choices.walk) // '2 wire clips in, counted; their gaps straight down'
 */
export const stepSays = (step: Step, choices: WalkChoices, asksPlay = false): string =>
  SHOP_WORDS[step]?.(choices, asksPlay) ?? STEP_WORDS[step];
