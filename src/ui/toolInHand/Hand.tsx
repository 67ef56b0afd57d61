'use client';

import { Link } from '../shared/Link';
import { useState } from 'react';
import { SUITED, isOutOfDate, isOutOfRange, suits } from '@/core/foundation/uncertainty/instrument';
import { INSTRUMENT_KIND_WORDS } from '@/core/foundation/uncertainty/instrumentWords';
import { useToolInHand, useJudgement, useLogging, useMoving } from '../openBuild/contexts';
import { Field } from '../shared/Field';
import { DEPTH_WORDS } from '@/core/foundation/parts/spots';
import { SQUARING_WORDS, SQUARINGS } from '@/core/foundation/parts/rings';
import { Segmented } from '../shared/Segmented';
import { SelectField } from '../shared/SelectField';
import { onDemand } from '../shared/onDemand';
import type { Subject } from '@/core/judge/registry';
import { SUBJECTS } from '@/core/judge/stageTables';
import { LinkButton } from '../shared/Button';

const Temperatures = onDemand(() => import('./Temperatures').then((m) => m.Temperatures));

const PLATES = [
  ['on', 'on'],
  ['off', 'off'],
  ['unsaid', 'not set'],
] as const;

/** What is in hand: the tool, how warm part and tool are, and whether the torque plate is on. It goes with every reading. */
export function Hand({ subject }: { subject: Subject }) {
  const { tools, toolFor, takeTool, warmth } = useToolInHand();
  const { cylinder } = useMoving();
  const [warm, setWarm] = useState(false);
  const { tool: family, spots, fitted, warm: isWarm } = SUBJECTS[subject];
  const held = toolFor(subject);
  const size = subject === 'bore' || subject === 'piston' ? cylinder?.targetBore?.nm : undefined;
  const far = held && size !== undefined && isOutOfRange(held, size);
  const late = held && isOutOfDate(held, new Date().toISOString());
  return (
    <section aria-label="In hand">
      <Field
        label="In hand"
        error={far ? `${held.name} does not reach this size.` : late ? 'Its calibration has run out.' : undefined}
        hint={
          held
            ? undefined
            : `Name the ${INSTRUMENT_KIND_WORDS[SUITED[family][0]]}, and each reading says what it was taken with.`
        }
      >
        {(props) => (
          <select
            {...props}
            className="field"
            value={held?.id ?? ''}
            onChange={(event) => takeTool(family, event.target.value || null)}
          >
            <option value="">no tool named</option>
            {tools
              .filter((t) => suits(t, family))
              .map((t) => (
                <option key={t.id} value={t.id}>
                  {t.name}
                </option>
              ))}
          </select>
        )}
      </Field>
      {spots === 'bore' && <TorquePlate />}
      {fitted && <Squared />}
      {isWarm && (
        <p className="mt-1">
          <LinkButton aria-expanded={warm} onClick={() => setWarm(!warm)}>
            {notedWords(warmth)}
          </LinkButton>{' '}
          <Link
            href="/instruments"
            className="inline-flex min-h-11 items-center text-soft underline underline-offset-4"
          >
            The shop’s tools
          </Link>
        </p>
      )}
      {warm && <Temperatures />}
    </section>
  );
}

/** Whether bores are read with a torque plate on. */
function TorquePlate() {
  const { bores } = useJudgement().choices;
  const { choose } = useLogging();
  return (
    <div className="mt-2 flex flex-wrap items-center gap-x-3 gap-y-1">
      <span className="font-bold">Torque plate</span>
      <Segmented
        label="Torque plate"
        value={bores.plate === null ? 'unsaid' : bores.plate ? 'on' : 'off'}
        options={PLATES}
        onChange={(plate) => choose('bores', { ...bores, plate: plate === 'unsaid' ? null : plate === 'on' })}
      />
    </div>
  );
}

/** The temperatures that go with each reading: one that is not entered is taken to be the other. */
function notedWords({ part, tool }: { part: number | null; tool: number | null }): string {
  if (part === null && tool === null) return 'Temperature not entered: 20 °C';
  return part === null || tool === null ? `Part and tool ${part ?? tool} °C` : `Part ${part} °C, tool ${tool} °C`;
}

/** The filer in hand, and how the ring is squared: kept at this bench. */
function Squared() {
  const judgement = useJudgement();
  const { tools, filer, takeTool, squaring, setSquaring } = useToolInHand();
  const filers = tools.filter((t) => suits(t, 'filing'));
  const depths = judgement.choices.bores.depths.map((d) => [d, DEPTH_WORDS[d]] as const);
  return (
    <div className="mt-2 grid gap-2">
      <SelectField
        label="Filer"
        value={filer?.id ?? null}
        none="no filer named"
        options={filers.map((f) => [f.id, f.name] as const)}
        onChange={(id) => takeTool('filing', id)}
      />
      <SelectField
        label="Squared with"
        value={SQUARINGS.find((s) => s === squaring.tool) ?? null}
        none="not set"
        options={SQUARINGS.map((s) => [s, SQUARING_WORDS[s]] as const)}
        onChange={(tool) => setSquaring({ tool: tool ?? '' })}
        said={
          squaring.tool === 'domedPiston' ? (
            <b className="text-short">
              A domed piston cocks the ring: its readings wander. Use a flat-top one, upside down.
            </b>
          ) : undefined
        }
      />
      <SelectField
        label="Squared at"
        value={depths.find(([d]) => d === squaring.depth)?.[0] ?? null}
        none="not set"
        options={depths}
        onChange={(depth) => setSquaring({ depth: depth ?? '' })}
      />
    </div>
  );
}
