'use client';

import { Link } from '../shared/Link';
import { useState } from 'react';
import { EACH, isEach } from '@/core/foundation/quantity/gaugeSetting';
import { easySetting, makeUpsFor, spanFor } from '@/core/stages/bores/gauge';
import type { Nm } from '@/core/foundation/quantity/length';
import { printLength } from '@/core/foundation/quantity/format';
import { type GaugeKit, type Instrument, isOutOfRange } from '@/core/foundation/uncertainty/instrument';
import { useToolInHand, useJudgement, useLogging, useMoving, useWords } from '../openBuild/contexts';
import { Button } from '../shared/Button';
import { Explain } from '../shared/Explain';
import { LengthField } from '../shared/LengthField';
import { Term } from '../shared/Term';

/** As many make-ups as are worth a look. */
const SHOWN = 5;

const STANDING =
  'The gauge free, less the bore, is how far its plunger is pushed in: a little preload, and under one turn. Common practice, no source. Rods and washers as entered for this gauge.';

/** What the gauge's anvil is made up of for these bores, and what the micrometer is set to. */
export function GaugeSetup() {
  const { cylinder } = useMoving();
  const { units } = useWords();
  const { tools, toolFor } = useToolInHand();
  const held = toolFor('bore');
  const [asked, setAsked] = useState<Nm | null>(null);
  const bore = asked ?? cylinder?.targetBore?.nm ?? null;
  const setting = bore === null ? null : easySetting(bore, units);
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-6 pt-3">
      <div className="grid max-w-3xl gap-4 sm:grid-cols-2">
        <GaugeInHand held={held} />
        <LengthField
          key={units}
          label="For a bore of"
          kind="bore"
          units={units}
          value={bore}
          onChange={setAsked}
          hint="Empty: this cylinder’s, as measured or planned."
        />
      </div>
      {held?.kit ? (
        <MakeUps kit={held.kit} asked={asked} bore={bore} />
      ) : (
        <p className="text-lg">Take a gauge in hand, and the make-ups that suit these bores stand here.</p>
      )}
      {setting !== null && (
        <Zeroing
          setting={setting}
          micrometers={tools.filter((t) => t.kind === 'micrometer' && !isOutOfRange(t, setting)).map((m) => m.name)}
        />
      )}
    </div>
  );
}

function GaugeInHand({ held }: { held: Instrument | null }) {
  const { tools, takeTool } = useToolInHand();
  return (
    <div>
      <p className="mb-1 font-bold">Gauge</p>
      <div className="flex flex-wrap gap-2">
        {tools
          .filter((t) => t.kit !== null)
          .map((g) => (
            <Button
              key={g.id}
              kind={g.id === held?.id ? 'strong' : 'plain'}
              aria-pressed={g.id === held?.id}
              onClick={() => takeTool('bore', g.id)}
            >
              {g.name}
            </Button>
          ))}
      </div>
      <p className="mt-1 text-sm text-soft">
        Its rods, washers and dial stand with{' '}
        <Link href="/instruments" className="font-bold text-blue underline underline-offset-4">
          the shop’s tools
        </Link>
        .
      </p>
    </div>
  );
}

const withRod = (washers: number): string => {
  if (washers === 0) return 'rod alone';
  return washers === 1 ? 'rod and a washer' : `rod and ${washers} washers`;
};

interface MakeUpsProps {
  kit: GaugeKit;
  /** The bore that was asked for, and the one that is taken. */
  asked: Nm | null;
  bore: Nm | null;
}

function MakeUps({ kit, asked, bore }: MakeUpsProps) {
  const { cylinders } = useJudgement();
  const { units, length } = useWords();
  const [all, setAll] = useState(false);
  const read = cylinders.flatMap(({ bore: { shape } }) =>
    shape ? [{ smallest: shape.smallest.value, largest: shape.widest }] : [],
  );
  const span = spanFor(read, asked, bore);
  if (!span) return null;
  const found = makeUpsFor(kit, span);
  const part = (nm: Nm): string => printLength(nm, units, 'size').number;
  return (
    <section aria-label="Make-ups">
      <h2 className="text-lg">Make up the anvil</h2>
      <p className="text-soft">
        For bores from {length(span.least, 'size')} to {length(span.most, 'size')}: at least {length(kit.preload)}{' '}
        pushed in, and less than one turn, {length(kit.turn)}.
      </p>
      {found.length === 0 && (
        <p className="mt-2 font-bold text-short">
          No rod and washers of this gauge suit. Another gauge, or other rods; or take the nearest and count turns.
        </p>
      )}
      {found.length > 0 && (
        <ol className="mt-2 divide-y divide-line border-y border-line">
          {found.slice(0, all ? found.length : SHOWN).map((m, i) => (
            <li key={`${m.rod}/${m.washers.join('/')}`} className="flex flex-wrap items-baseline gap-x-5 py-1.5">
              <span className={`figures ${i === 0 ? 'text-2xl font-bold' : 'text-lg'}`}>
                {[m.rod, ...m.washers].map(part).join(' + ')}
              </span>
              <span className="flex-1 text-soft">
                {withRod(m.washers.length)}; pushed in {length(m.pushed.least)} to {length(m.pushed.most)}
              </span>
              <Explain what="make-up" working={m.working} standing={STANDING} units={units} />
            </li>
          ))}
        </ol>
      )}
      {found.length > SHOWN && (
        <Button kind="quiet" onClick={() => setAll(!all)}>
          {all ? 'Only the simplest' : `All ${found.length}`}
        </Button>
      )}
    </section>
  );
}

/** The ways a gauge is zeroed, in one touch or on the reading line. */
function Zeroing({ setting, micrometers }: { setting: Nm; micrometers: string[] }) {
  const judgement = useJudgement();
  const { handFor } = useToolInHand();
  const { length } = useWords();
  const set = judgement.log.settings.get(handFor('bore').instrument ?? '') ?? null;
  return (
    <section aria-label="Zero the gauge">
      <h2 className="text-lg">
        Zero it: the <Term word="setting" />
      </h2>
      <p className="text-soft">
        {set
          ? `Zeroed ${set.to === 'here' ? 'in a bore, its size not known yet' : isEach(set.to) ? `at ${EACH[set.to].set}` : `at ${length(set.to, 'size')}`}, ${set.by || 'no initials'}.`
          : 'Not zeroed yet.'}{' '}
        Rock the gauge: the needle turns back at the true diameter.
      </p>
      <WaysToZero setting={setting} micrometers={micrometers} />
    </section>
  );
}

function WaysToZero({ setting, micrometers }: { setting: Nm; micrometers: string[] }) {
  const { setGauge } = useLogging();
  const { length, number } = useWords();
  const { cylinder } = useMoving();
  const shown = number(setting, 'size');
  return (
    <ol className="mt-2 divide-y divide-line border-y border-line">
      <li className="flex flex-wrap items-center gap-x-4 gap-y-1 py-2">
        <p className="min-w-64 flex-1">
          <b>In the micrometer.</b> Set {micrometers[0] ?? 'a micrometer'} to{' '}
          <b className="figures text-lg">{length(setting, 'size')}</b> and turn the dial to zero in it.
          {micrometers.length === 0 && (
            <span className="text-short"> None of the shop’s micrometers reaches this size.</span>
          )}
          <span className="block text-sm text-soft">
            On the line: <span className="figures">set {shown}</span>. Then <span className="figures">6</span> is + 6,{' '}
            <span className="figures">-1.5</span> is less.
          </span>
        </p>
        <Button kind="accent" onClick={() => setGauge(setting)}>
          Zeroed at {shown}
        </Button>
      </li>
      <li className="flex flex-wrap items-center gap-x-4 gap-y-1 py-2">
        <p className="min-w-64 flex-1">
          <b>To the piston.</b> Set the micrometer to each cylinder’s own piston: the dial is then the clearance.
          <span className="block text-sm text-soft">
            On the line: <span className="figures">set piston</span>.{' '}
            {cylinder?.piston.size
              ? `Piston ${cylinder.piston.label}: ${length(cylinder.piston.size.value, 'size')}.`
              : `Piston ${cylinder?.piston.label ?? ''} is not measured yet.`}
          </span>
        </p>
        <Button onClick={() => setGauge('piston')}>Set to the pistons</Button>
      </li>
      <li className="py-2">
        <b>In the bore, the other way round.</b> Zero it in the bore at the worst spot, squeeze it in the micrometer
        until it reads zero, and read the micrometer.
        <span className="block text-sm text-soft">
          On the line, at that spot: <span className="figures">here {shown}</span>. That is its reading, and the dial
          counts from it. Or <span className="figures">here</span> first, the dial round the bore, and the micrometer at
          the end: <span className="figures">here {shown}</span>.
        </span>
      </li>
    </ol>
  );
}
