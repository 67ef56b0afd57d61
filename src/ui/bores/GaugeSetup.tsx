'use client';

import { Link } from '../shared/Link';
import { useState } from 'react';
import { EACH, isEach } from '@/core/foundation/quantity/gaugeSetting';
import { easySetting, makeUpsFor, spanFor } from '@/core/stages/bores/gauge';
import type { Nm } from '@/core/foundation/quantity/length';
import { printLength } from '@/core/foundation/quantity/format';
import { isOutOfRange } from '@/core/foundation/uncertainty/instrument';
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
  const judgement = useJudgement();
  const { cylinder } = useMoving();
  const { units, length } = useWords();
  const { tools, toolFor, takeTool } = useToolInHand();
  const held = toolFor('bore');
  const gauges = tools.filter((t) => t.kit !== null);
  const gauge = held?.kit ? held : null;
  const read = judgement.cylinders.flatMap((c) =>
    c.bore.shape ? [{ smallest: c.bore.shape.smallest.value, largest: c.bore.shape.widest }] : [],
  );
  const [asked, setAsked] = useState<Nm | null>(null);
  const bore = asked ?? cylinder?.targetBore?.nm ?? null;
  const span = spanFor(read, asked, bore);
  const [all, setAll] = useState(false);
  const found = gauge?.kit && span ? makeUpsFor(gauge.kit, span) : [];
  const setting = bore === null ? null : easySetting(bore, units);
  const micrometers = setting === null ? [] : tools.filter((t) => t.kind === 'micrometer' && !isOutOfRange(t, setting));
  const part = (nm: Nm): string => printLength(nm, units, 'size').number;
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-6 pt-3">
      <div className="grid max-w-3xl gap-4 sm:grid-cols-2">
        <div>
          <p className="mb-1 font-bold">Gauge</p>
          <div className="flex flex-wrap gap-2">
            {gauges.map((g) => (
              <Button
                key={g.id}
                kind={g.id === gauge?.id ? 'strong' : 'plain'}
                aria-pressed={g.id === gauge?.id}
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
      {!gauge && <p className="text-lg">Take a gauge in hand, and the make-ups that suit these bores stand here.</p>}
      {gauge?.kit && span && (
        <section aria-label="Make-ups">
          <h2 className="text-lg">Make up the anvil</h2>
          <p className="text-soft">
            For bores from {length(span.least, 'size')} to {length(span.most, 'size')}: at least{' '}
            {length(gauge.kit.preload)} pushed in, and less than one turn, {length(gauge.kit.turn)}.
          </p>
          {found.length === 0 ? (
            <p className="mt-2 font-bold text-short">
              No rod and washers of this gauge suit. Another gauge, or other rods; or take the nearest and count turns.
            </p>
          ) : (
            <ol className="mt-2 divide-y divide-line border-y border-line">
              {found.slice(0, all ? found.length : SHOWN).map((m, i) => (
                <li key={`${m.rod}/${m.washers.join('/')}`} className="flex flex-wrap items-baseline gap-x-5 py-1.5">
                  <span className={`figures ${i === 0 ? 'text-2xl font-bold' : 'text-lg'}`}>
                    {part(m.rod)}
                    {m.washers.map((w) => ` + ${part(w)}`).join('')}
                  </span>
                  <span className="flex-1 text-soft">
                    rod
                    {m.washers.length === 0
                      ? ' alone'
                      : m.washers.length === 1
                        ? ' and a washer'
                        : ` and ${m.washers.length} washers`}
                    ; pushed in {length(m.pushed.least)} to {length(m.pushed.most)}
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
      )}
      {setting !== null && <Zeroing setting={setting} micrometers={micrometers.map((m) => m.name)} />}
    </div>
  );
}

/** The ways a gauge is zeroed, in one touch or on the reading line. */
function Zeroing({ setting, micrometers }: { setting: Nm; micrometers: string[] }) {
  const judgement = useJudgement();
  const { handFor } = useToolInHand();
  const { setGauge } = useLogging();
  const { length, units } = useWords();
  const { cylinder } = useMoving();
  const set = judgement.log.settings.get(handFor('bore').instrument ?? '') ?? null;
  const shown = printLength(setting, units, 'size').number;
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
            counts from it. Or <span className="figures">here</span> first, the dial round the bore, and the micrometer
            at the end: <span className="figures">here {shown}</span>.
          </span>
        </li>
      </ol>
    </section>
  );
}
