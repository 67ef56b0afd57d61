'use client';

import { useState } from 'react';
import { type Chart, rowOf } from '@/core/targets/chart';
import { FUELS, FUEL_WORDS, type Fuel, type Service, USES, USE_WORDS, type Use, fuelCaution, suggestDuty } from '@/core/targets/duty';
import { Field } from '../shared/Field';
import { AdderFields } from './AdderFields';

interface Props {
  service: Service;
  /** Row of the chart the builder chose; null follows the suggestion. */
  duty: string | null;
  chart: Chart;
  cylinders: number;
  onChange: (service: Service) => void;
  onDuty: (duty: string | null) => void;
  /** Told whether everything typed can be used as it stands. */
  onFault: (fault: string | null) => void;
}

/** What the engine is for, what adds power now and later, and the row of the chart that follows. */
export function ServiceFields({ service, duty, chart, cylinders, onChange, onDuty, onFault }: Props) {
  const [faults, setFaults] = useState<{ now: string | null; later: string | null }>({ now: null, later: null });
  const fault = (part: Partial<typeof faults>): void => {
    const next = { ...faults, ...part };
    setFaults(next);
    onFault(next.now ?? next.later);
  };
  const suggestion = suggestDuty(service, cylinders);
  const words = (row: string): string => rowOf(chart, row)?.words ?? `“${row}”, which this chart has not`;
  const near = suggestion.set ? [suggestion.now.near, suggestion.later?.near ?? null].flatMap((n) => n ?? []) : [];
  const caution = fuelCaution(service.fuel);
  return (
    <>
      <Field label="What the engine is for">
        {(props) => (
          <select {...props} className="field" value={service.use ?? ''} onChange={(event) => onChange({ ...service, use: (event.target.value || null) as Use | null })}>
            <option value="">not said yet</option>
            {USES.map((use) => (
              <option key={use} value={use}>
                {USE_WORDS[use]}
              </option>
            ))}
          </select>
        )}
      </Field>
      <Field label="Fuel" said={caution ?? undefined}>
        {(props) => (
          <select {...props} className="field" value={service.fuel} onChange={(event) => onChange({ ...service, fuel: event.target.value as Fuel })}>
            {FUELS.map((fuel) => (
              <option key={fuel} value={fuel}>
                {FUEL_WORDS[fuel]}
              </option>
            ))}
          </select>
        )}
      </Field>
      <AdderFields label="Power adder" adder={service.now} cylinders={cylinders} onChange={(now) => onChange({ ...service, now })} onFault={(now) => fault({ now })} />
      <div className="grid content-start gap-3">
        <label className="flex min-h-11 items-center gap-2 font-bold sm:mt-7">
          <input
            type="checkbox"
            className="size-5 accent-(--blue)"
            checked={service.later !== null}
            onChange={(event) => {
              fault({ later: null });
              onChange({ ...service, later: event.target.checked ? { kind: 'nitrous', shots: [], cylinders: null } : null });
            }}
          />
          More is planned for later
        </label>
        {service.later && <AdderFields label="Planned power adder" adder={service.later} cylinders={cylinders} onChange={(later) => onChange({ ...service, later })} onFault={(later) => fault({ later })} />}
      </div>
      <Field
        label="Row of the chart"
        said={
          <>
            {suggestion.set ? (
              <p>
                Suggested: <b className="text-ink">{words(suggestion.row)}</b>, because {suggestion.reason}.
              </p>
            ) : (
              <p>{suggestion.ask}</p>
            )}
            {near.map(({ row, says }) => (
              <p key={row} className="font-bold text-short">
                {says}
              </p>
            ))}
          </>
        }
      >
        {(props) => (
          <select {...props} className="field" value={duty ?? ''} onChange={(event) => onDuty(event.target.value || null)}>
            <option value="">{suggestion.set ? `as suggested: ${words(suggestion.row)}` : 'as suggested'}</option>
            {chart.rows.map((row) => (
              <option key={row.id} value={row.id}>
                {row.words}
              </option>
            ))}
            {duty !== null && !rowOf(chart, duty) && <option value={duty}>{words(duty)}</option>}
          </select>
        )}
      </Field>
    </>
  );
}
