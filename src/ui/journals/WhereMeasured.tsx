import type { Word } from '@/core/glossary';
import type { JournalSubject } from '@/core/stages/journals/tasks';
import { Term } from '../shared/Term';

/** What has a picture: where another clearance is read, the manual says. */
type Drawn = Exclude<JournalSubject, 'other'>;

const LABELS: Record<Drawn, string> = {
  journal: 'The journal is measured in line with its throw and square to it, near both ends',
  housing: 'The housing is measured square to the parting line',
  bare: 'The bare housing is measured square to the parting line',
  shell: 'The half shell is measured in its middle',
  thread: 'The thread lies along the journal',
  endPlay: 'The dial stands on the nose of the crank',
  side: 'The feeler goes between rod and cheek',
  smallEnd: 'The bush is measured in two directions',
};

/** The word of the trade that goes with it. */
const TERMS: Partial<Record<Drawn, Word>> = {
  journal: 'journal',
  housing: 'parting line',
  bare: 'parting line',
  shell: 'half shell',
  thread: 'crushed thread',
  endPlay: 'end play',
  side: 'side clearance',
};

const Arrow = ({ x1, y1, x2, y2 }: { x1: number; y1: number; x2: number; y2: number }) => (
  <line
    {...{ x1, y1, x2, y2 }}
    stroke="var(--blue)"
    strokeWidth={3.5}
    markerStart="url(#measure-end)"
    markerEnd="url(#measure-end)"
  />
);

function Housing({ shells }: { shells: boolean }) {
  return (
    <>
      <path d="M40 10H220V75H40Z" fill="var(--steel)" stroke="var(--line)" />
      <path d="M62 75H198V140H62Z" fill="var(--steel)" stroke="var(--line)" />
      <circle cx={130} cy={75} r={50} fill="var(--sheet)" stroke="var(--edge)" strokeWidth={2} />
      {shells && <circle cx={130} cy={75} r={45} fill="none" stroke="var(--soft)" strokeWidth={8} />}
      <line x1={24} x2={240} y1={75} y2={75} stroke="var(--soft)" strokeDasharray="6 5" />
      <text x={238} y={68} textAnchor="end" fontSize={13} fill="var(--soft)">
        joint
      </text>
      <Arrow x1={130} y1={shells ? 38 : 30} x2={130} y2={shells ? 112 : 120} />
      <text x={136} y={62} fontSize={12} fontWeight={700} fill="var(--blue)">
        here
      </text>
    </>
  );
}

function Journal({ thread }: { thread: boolean }) {
  return (
    <>
      <rect x={30} y={20} width={26} height={112} fill="var(--steel)" stroke="var(--line)" />
      <rect x={204} y={20} width={26} height={112} fill="var(--steel)" stroke="var(--line)" />
      <rect x={56} y={40} width={148} height={70} fill="var(--sheet)" stroke="var(--edge)" strokeWidth={2} />
      {thread ? (
        <rect x={70} y={50} width={120} height={7} rx={3} fill="var(--blue)" />
      ) : (
        <>
          <Arrow x1={82} y1={46} x2={82} y2={104} />
          <Arrow x1={178} y1={46} x2={178} y2={104} />
          <text x={130} y={70} textAnchor="middle" fontSize={13} fill="var(--ink)">
            each in line
          </text>
          <text x={130} y={88} textAnchor="middle" fontSize={13} fill="var(--ink)">
            and square
          </text>
        </>
      )}
    </>
  );
}

const Shell = () => (
  <>
    <path d="M60 120A70 70 0 0 1 200 120" fill="none" stroke="var(--soft)" strokeWidth={14} />
    <Arrow x1={130} y1={34} x2={130} y2={66} />
    <text x={142} y={40} fontSize={14} fontWeight={700} fill="var(--blue)">
      here
    </text>
  </>
);

const EndPlay = () => (
  <>
    <rect x={80} y={50} width={120} height={50} fill="var(--steel)" stroke="var(--line)" />
    <rect x={40} y={62} width={40} height={26} fill="var(--steel)" stroke="var(--line)" />
    <circle cx={24} cy={44} r={17} fill="var(--sheet)" stroke="var(--edge)" strokeWidth={2} />
    <line x1={24} y1={44} x2={31} y2={34} stroke="var(--blue)" strokeWidth={2} />
    <line x1={24} y1={61} x2={40} y2={75} stroke="var(--ink)" strokeWidth={2} />
    <Arrow x1={110} y1={118} x2={170} y2={118} />
    <text x={140} y={138} textAnchor="middle" fontSize={13} fill="var(--soft)">
      pried both ways
    </text>
  </>
);

const Side = () => (
  <>
    <rect x={30} y={16} width={30} height={118} fill="var(--steel)" stroke="var(--line)" />
    <rect x={200} y={16} width={30} height={118} fill="var(--steel)" stroke="var(--line)" />
    <rect x={60} y={56} width={140} height={38} fill="var(--sheet)" stroke="var(--edge)" />
    <rect x={66} y={36} width={60} height={78} fill="var(--steel)" stroke="var(--edge)" />
    <rect x={134} y={36} width={60} height={78} fill="var(--steel)" stroke="var(--edge)" />
    <rect x={127} y={22} width={6} height={70} fill="var(--blue)" />
    <text x={130} y={146} textAnchor="middle" fontSize={13} fill="var(--soft)">
      between the rods, or rod and cheek
    </text>
  </>
);

const SmallEnd = () => (
  <>
    <circle cx={130} cy={75} r={58} fill="var(--steel)" stroke="var(--line)" />
    <circle cx={130} cy={75} r={38} fill="var(--sheet)" stroke="var(--edge)" strokeWidth={2} />
    <Arrow x1={130} y1={42} x2={130} y2={108} />
    <Arrow x1={97} y1={75} x2={163} y2={75} />
  </>
);

const PICTURES: Record<Drawn, () => React.ReactNode> = {
  journal: () => <Journal thread={false} />,
  thread: () => <Journal thread />,
  housing: () => <Housing shells />,
  bare: () => <Housing shells={false} />,
  shell: Shell,
  endPlay: EndPlay,
  side: Side,
  smallEnd: SmallEnd,
};

/** Where what is in hand is measured, drawn. */
export function WhereMeasured({ subject }: { subject: Drawn }) {
  return (
    <section aria-label="Where it is measured" className="mb-3">
      <h2 className="mb-1">Where it is measured</h2>
      <svg viewBox="0 0 260 150" className="w-full max-w-80" role="img" aria-label={LABELS[subject]}>
        <defs>
          <marker
            id="measure-end"
            viewBox="0 0 10 10"
            refX={8}
            refY={5}
            markerWidth={4}
            markerHeight={4}
            orient="auto-start-reverse"
          >
            <path d="M0 0 10 5 0 10Z" fill="var(--blue)" />
          </marker>
        </defs>
        {PICTURES[subject]()}
      </svg>
      {TERMS[subject] && (
        <p className="text-soft">
          <Term word={TERMS[subject]} />
        </p>
      )}
    </section>
  );
}
