'use client';

import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import { type Chart, loadOfRow } from '@/core/models/charts/chart';
import { type Alloy, ALLOYS } from '@/core/foundation/parts/materials';
import { Tick } from '../shared/Tick';
import { TextField } from '../shared/TextField';
import { Button } from '../shared/Button';
import { SelectField } from '../shared/SelectField';
import { TemperatureField } from '../shared/TemperatureField';
import type { InHand } from './inHand';

interface Props {
  chart: Chart;
  hand: Extract<InHand, { kind: 'row' | 'column' }>;
  onChange: (chart: Chart) => void;
}

const ALLOY_WORDS: Record<Alloy, string> = {
  cast: 'cast, eutectic',
  hypereutectic: 'hypereutectic',
  '4032': 'high silicon, 4032 type',
  '2618': 'low silicon, 2618 type',
};

const ignore = (): void => undefined;

/** One row or column of the chart: what it is called, and what the heat model and the warnings need to know of it. */
export function PartFoot({ chart, hand, onChange }: Props) {
  return hand.kind === 'row' ? (
    <RowFoot chart={chart} id={hand.id} onChange={onChange} />
  ) : (
    <ColumnFoot chart={chart} id={hand.id} onChange={onChange} />
  );
}

interface PartProps {
  chart: Chart;
  id: string;
  onChange: (chart: Chart) => void;
}

function RowFoot({ chart, id, onChange }: PartProps) {
  const row = chart.rows.find((r) => r.id === id);
  if (!row) return <p className="text-soft">Choose a figure, a duty or a piston above.</p>;
  const put = (part: Partial<typeof row>): void =>
    onChange({ ...chart, rows: chart.rows.map((r) => (r.id === id ? { ...r, ...part } : r)) });
  const isByLoad = loadOfRow(row) !== null;
  return (
    <div
      role="group"
      aria-label="Duty in hand"
      className={`grid items-start gap-4 ${row.load === null ? 'md:grid-cols-[1fr_11rem_11rem_auto]' : 'md:grid-cols-[1fr_7rem_11rem_11rem_auto]'}`}
    >
      <TextField
        label={row.load === null ? 'Duty' : 'Heat load in words'}
        error={row.words.trim() === '' ? 'Some words are asked for.' : undefined}
        maxLength={80}
        value={row.words}
        onChange={(text) => put({ words: text })}
      />
      {row.load !== null && (
        <LoadField
          load={row.load}
          taken={chart.rows.flatMap((r) => (r.id === id || r.load === null ? [] : [r.load]))}
          onChange={(load) => put({ load })}
        />
      )}
      <TemperatureField
        label="Top ring, assumed"
        usual={[60, 400]}
        value={row.ringTemperature}
        hint={isByLoad ? 'Empty: by the heat load.' : 'E.g. 180. Empty: no heat model.'}
        onChange={(c) => put({ ringTemperature: c })}
        onFault={ignore}
      />
      <TemperatureField
        label="Wall, assumed"
        usual={[40, 250]}
        value={row.wallTemperature}
        hint={isByLoad ? 'Mean over travel. Empty: by the heat load.' : 'Mean over travel, e.g. 120.'}
        onChange={(c) => put({ wallTemperature: c })}
        onFault={ignore}
      />
      <Button
        className="md:mt-7"
        disabled={chart.rows.length === 1}
        onClick={() =>
          onChange({
            ...chart,
            rows: chart.rows.filter((r) => r.id !== id),
            cells: chart.cells.filter((c) => c.row !== id),
          })
        }
      >
        <Trash2 size={16} aria-hidden /> {row.load === null ? 'Take this duty out' : 'Take this load out'}
      </Button>
    </div>
  );
}

/** The heat load that a row of a chart of curves stands at. */
function LoadField({ load, taken, onChange }: { load: number; taken: number[]; onChange: (load: number) => void }) {
  const [typed, setTyped] = useState<string | null>(null);
  const value = typed === null ? load : Number(typed.replace(',', '.'));
  const fault = !(value > 0 && value <= 10)
    ? 'A heat load is a number such as 1.25.'
    : taken.includes(value)
      ? 'Another row is already there.'
      : undefined;
  return (
    <TextField
      label="Heat load"
      error={fault}
      figures
      inputMode="decimal"
      value={typed ?? String(load)}
      onChange={(text) => {
        setTyped(text);
        const next = Number(text.replace(',', '.'));
        if (next > 0 && next <= 10 && !taken.includes(next)) onChange(next);
      }}
    />
  );
}

function ColumnFoot({ chart, id, onChange }: PartProps) {
  const column = chart.columns.find((c) => c.id === id);
  if (!column) return <p className="text-soft">Choose a figure, a duty or a piston above.</p>;
  const put = (part: Partial<typeof column>): void =>
    onChange({ ...chart, columns: chart.columns.map((c) => (c.id === id ? { ...c, ...part } : c)) });
  return (
    <div role="group" aria-label="Piston in hand" className="grid items-start gap-4 md:grid-cols-[1fr_16rem_auto_auto]">
      <TextField
        label="Piston"
        error={column.words.trim() === '' ? 'Some words are asked for.' : undefined}
        maxLength={80}
        value={column.words}
        onChange={(text) => put({ words: text })}
      />
      <SelectField
        label="Made of"
        hint="Decides how it grows with heat."
        value={column.alloy}
        options={ALLOYS.map((alloy) => [alloy, ALLOY_WORDS[alloy]] as const)}
        onChange={(alloy) => put({ alloy })}
      />
      <Tick className="md:mt-7" value={column.highRing} onChange={(isOn) => put({ highRing: isOn })}>
        Top ring near the crown
      </Tick>
      <Button
        className="md:mt-7"
        disabled={chart.columns.length === 1}
        onClick={() =>
          onChange({
            ...chart,
            columns: chart.columns.filter((c) => c.id !== id),
            cells: chart.cells.filter((c) => c.column !== id),
          })
        }
      >
        <Trash2 size={16} aria-hidden /> Take this piston out
      </Button>
    </div>
  );
}
