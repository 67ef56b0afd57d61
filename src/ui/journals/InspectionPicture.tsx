import type { BearingCheck } from '@/core/record/bearingChecks';

/** What is looked at, and where on this engine. */
export interface LookAt {
  kind: 'main' | 'rod' | 'crank';
  /** What is stamped on it: the number of its cap or rod; of the crank that of its thrust main, null where nobody says. */
  number: string | null;
  /** The rods of its throw from the front, by number; its own alone on a throw of its own. */
  throwOf: readonly string[];
  /** Where the numbers of rods stand, seen from the front; null where nobody says. */
  numbersTo: 'left' | 'right' | null;
}

const STEEL = { fill: 'var(--steel)', stroke: 'var(--edge)', strokeWidth: 1.5 };
const BORE = { fill: 'var(--sheet)', stroke: 'var(--edge)' };
const SHELL = { fill: 'none', stroke: 'var(--soft)', strokeWidth: 7 };
const MARK = { fill: 'none', stroke: 'var(--blue)', strokeWidth: 3 };

const Words = ({ x, y, children }: { x: number; y: number; children: string }) => (
  <text x={x} y={y} textAnchor="middle" fontSize={10} fill="var(--soft)">
    {children}
  </text>
);
const Stamped = ({ x, y, children }: { x: number; y: number; children: string }) => (
  <text x={x} y={y} textAnchor="middle" fontSize={15} fontWeight={700} fill="var(--blue)">
    {children}
  </text>
);

/** A main in its block, or the big end of a rod: end on, the cap below. */
const Housing = ({ kind }: Pick<LookAt, 'kind'>) => (
  <>
    {kind === 'rod' ? (
      <>
        <path d="M40 2H60L64 22H36Z" {...STEEL} />
        <path d="M12 44V36Q20 12 50 12T88 36V44Z" {...STEEL} />
        <path d="M12 46V54Q20 84 50 84T88 54V46Z" {...STEEL} />
      </>
    ) : (
      <>
        <path d="M4 6H96V44H4Z" {...STEEL} />
        <path d="M14 46H86V84H14Z" {...STEEL} />
      </>
    )}
    <circle cx={50} cy={45} r={27} {...BORE} />
  </>
);

const Shells = ({ kind }: Pick<LookAt, 'kind'>) => (
  <>
    <Housing kind={kind} />
    <circle cx={50} cy={45} r={23.5} {...SHELL} />
  </>
);

/** The rods of a throw between its cheeks, the front to the left. */
function Throw({ throwOf, number }: LookAt) {
  const width = throwOf.length > 1 ? 22 : 30;
  const from = 50 - (throwOf.length * width) / 2;
  return (
    <>
      <path d="M6 8H20V76H6ZM80 8H94V76H80Z" {...STEEL} />
      <path d="M20 30H80V54H20Z" {...BORE} />
      {throwOf.map((rod, i) => (
        <g key={rod}>
          <path
            d={`M${from + i * width} 16h${width}v52h-${width}Z`}
            fill="var(--steel)"
            stroke={rod === number ? 'var(--blue)' : 'var(--edge)'}
            strokeWidth={rod === number ? 3 : 1.5}
          />
          <text
            x={from + (i + 0.5) * width}
            y={48}
            textAnchor="middle"
            fontSize={15}
            fontWeight={700}
            fill={rod === number ? 'var(--blue)' : 'var(--soft)'}
          >
            {rod}
          </text>
        </g>
      ))}
      <path d="M32 80H68M38 74l-6 6 6 6M62 74l6 6-6 6" {...MARK} />
      <Words x={13} y={90}>
        front
      </Words>
    </>
  );
}

function Cap({ kind, number, numbersTo }: LookAt) {
  if (kind === 'rod') {
    const x = numbersTo === 'left' ? 17 : 83;
    return (
      <>
        <Housing kind={kind} />
        <path d="M8 45H92" stroke="var(--edge)" />
        <Stamped x={x} y={41}>
          {number ?? ''}
        </Stamped>
        <Stamped x={x} y={61}>
          {number ?? ''}
        </Stamped>
      </>
    );
  }
  return (
    <>
      <path d="M8 16H92V62H8Z" {...STEEL} />
      <circle cx={20} cy={39} r={7} {...BORE} />
      <circle cx={80} cy={39} r={7} {...BORE} />
      <path d="M64 34H36M44 26l-9 8 9 8" {...MARK} />
      <Stamped x={65} y={58}>
        {number ?? ''}
      </Stamped>
      <Words x={20} y={80}>
        ← front
      </Words>
    </>
  );
}

function ThrustWashers(at: LookAt) {
  return (
    <>
      <path d="M2 10H22V78H2ZM78 10H98V78H78Z" {...STEEL} />
      <path d="M38 24H62V64H38Z" {...STEEL} />
      <path d="M28 20H35V68H28ZM65 20H72V68H65Z" fill="var(--soft)" />
      <path d="M28 30h3M28 44h3M28 58h3M72 30h-3M72 44h-3M72 58h-3" stroke="var(--sheet)" strokeWidth={4} />
      <path d="M31 8H24M69 8h7" {...MARK} />
      <Stamped x={50} y={50}>
        {at.number ?? ''}
      </Stamped>
      <Words x={50} y={90}>
        {at.number === null ? 'cheek, washer, main' : `main ${at.number}, washers, cheeks`}
      </Words>
    </>
  );
}

function picture(check: BearingCheck, at: LookAt): React.ReactNode {
  switch (check) {
    case 'shellsIn':
      return (
        <>
          <Shells kind={at.kind} />
          <path d="M14 45H30M70 45H86" {...MARK} />
        </>
      );
    case 'tangs':
      return (
        <>
          <Shells kind={at.kind} />
          <path
            d={at.numbersTo === 'left' ? 'M17 35h11v9h-11zM17 46h11v9h-11z' : 'M72 35h11v9h-11zM72 46h11v9h-11z'}
            fill="var(--blue)"
          />
        </>
      );
    case 'oilHoles':
      return (
        <>
          <Shells kind={at.kind} />
          <path d="M50 6V29" stroke="var(--blue)" strokeWidth={6} />
          <Words x={50} y={62}>
            plain
          </Words>
        </>
      );
    case 'shellSide':
      // the cheek with its fillet into the throw, and the shell with its cut edge to it
      return (
        <>
          <path d="M4 10H28V42Q28 60 46 60H96V84H4Z" {...STEEL} />
          <path d="M40 34H92V58H56L40 42Z" fill="var(--soft)" />
          <path d="M40 42L56 58" stroke="var(--blue)" strokeWidth={6} />
        </>
      );
    case 'cap':
      return <Cap {...at} />;
    case 'rodFree':
      return <Throw {...at} />;
    case 'rodCentred':
      return (
        <>
          <path d="M8 8H92V40H80V64H64V40H36V64H20V40H8Z" {...STEEL} />
          <path d="M42 44H58V86H42Z" {...STEEL} />
          <path d="M37 52H42M58 52H63" {...MARK} />
          <path d="M14 52H86" stroke="var(--soft)" strokeDasharray="3 3" />
          <Stamped x={50} y={78}>
            {at.number ?? ''}
          </Stamped>
        </>
      );
    case 'thrustGrooves':
      return <ThrustWashers {...at} />;
  }
}

/** What is looked at, drawn as it is on this engine. */
export const InspectionPicture = ({ check, at }: { check: BearingCheck; at: LookAt }) => (
  <svg viewBox="0 0 100 92" className="h-24 w-26 shrink-0 overflow-visible" aria-hidden>
    {picture(check, at)}
  </svg>
);
