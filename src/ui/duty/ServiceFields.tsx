'use client';

import { useState } from 'react';
import { type Chart, rowOf } from '@/core/targets/chart';
import { FUELS, FUEL_WORDS, type Service, USES, USE_WORDS, fuelCaution, suggestDuty } from '@/core/targets/duty';
import { SelectField } from '../shared/SelectField';
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
      <SelectField
        label="What the engine is for"
        none="not said yet"
        value={service.use}
        options={USES.map((use) => [use, USE_WORDS[use]] as const)}
        onChange={(use) => onChange({ ...service, use })}
      />
      <SelectField
        label="Fuel"
        said={caution ?? undefined}
        value={service.fuel}
        options={FUELS.map((fuel) => [fuel, FUEL_WORDS[fuel]] as const)}
        onChange={(fuel) => fuel && onChange({ ...service, fuel })}
      />
      <AdderFields
        label="Power adder"
        adder={service.now}
        cylinders={cylinders}
        onChange={(now) => onChange({ ...service, now })}
        onFault={(now) => fault({ now })}
      />
      <div className="grid content-start gap-3">
        <label className="flex min-h-11 items-center gap-2 font-bold sm:mt-7">
          <input
            type="checkbox"
            className="size-5 accent-(--blue)"
            checked={service.later !== null}
            onChange={(event) => {
              fault({ later: null });
              onChange({
                ...service,
                later: event.target.checked ? { kind: 'nitrous', shots: [], cylinders: null } : null,
              });
            }}
          />
          More is planned for later
        </label>
        {service.later && (
          <AdderFields
            label="Planned power adder"
            adder={service.later}
            cylinders={cylinders}
            onChange={(later) => onChange({ ...service, later })}
            onFault={(later) => fault({ later })}
          />
        )}
      </div>
      <SelectField
        label="Row of the chart"
        none={suggestion.set ? `as suggested: ${words(suggestion.row)}` : 'as suggested'}
        value={duty}
        options={chart.rows.map((row) => [row.id, row.words] as const)}
        onChange={onDuty}
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
      />
    </>
  );
}
