'use client';

import { useState } from 'react';
import { type Chart, CHART_FIGURE_WORDS, cellOf, columnOf, rowOf } from '@/core/models/charts/chart';
import { FACTORS, figureKind, withFactor } from '@/core/models/charts/chartEdit';
import { Button } from '../shared/Button';
import { Field } from '../shared/Field';
import type { InHand } from './inHand';

interface Props {
  chart: Chart;
  at: Extract<InHand, { kind: 'cell' }>;
  by: string;
  onChange: (chart: Chart) => void;
  onNext: () => void;
}

export const FACTOR_FIELD = 'chart-factor';

/** What is wrong with, or odd about, a factor as typed. */
function doubt(text: string, kind: 'gap' | 'clearance'): { error?: string; odd?: string } {
  const value = Number(text.replace(',', '.'));
  const { least, most, usual } = FACTORS[kind];
  if (text.trim() === '') return {};
  if (!(value >= 0))
    return { error: `“${text}” is no factor. Accepted: a figure such as ${kind === 'gap' ? '0.0045' : '0.0010'}.` };
  if (value < least || value > most)
    return {
      error: `${value} is no factor; one lies between ${least} and ${most}. ${kind === 'gap' && value > most ? 'Is it the gap itself? Divide it by the bore.' : ''}`,
    };
  if (value < usual[0] || value > usual[1])
    return { odd: `${value} is unusual: most lie between ${usual[0]} and ${usual[1]}. A digit too many or too few?` };
  return {};
}

/** One figure of the chart: its factor, its source, and whether it was held against a sheet. */
export function CellFoot({ chart, at, by, onChange, onNext }: Props) {
  const cell = cellOf(chart, at.row, at.column, at.figure);
  const [typed, setTyped] = useState<string | null>(null);
  const [sheet, setSheet] = useState('');
  const kind = figureKind(at.figure);
  const shown = typed ?? (cell ? String(cell.factor) : '');
  const { error, odd } = doubt(shown, kind);
  const source = cell?.source ?? '';
  const words = [rowOf(chart, at.row)?.words, columnOf(chart, at.column)?.words, CHART_FIGURE_WORDS[at.figure]].join(
    ' · ',
  );

  const type = (text: string): void => {
    setTyped(text);
    if (doubt(text, kind).error) return;
    onChange(withFactor(chart, at, text.trim() === '' ? null : Number(text.replace(',', '.')), source));
  };
  const put = (part: Partial<NonNullable<typeof cell>>): void => {
    if (cell) onChange({ ...chart, cells: chart.cells.map((c) => (c === cell ? { ...c, ...part } : c)) });
  };
  return (
    <form
      aria-label="Figure in hand"
      className="grid items-start gap-x-5 gap-y-2 md:grid-cols-[13rem_1fr_1.4fr]"
      onSubmit={(event) => {
        event.preventDefault();
        if (!error) onNext();
      }}
    >
      <p className="font-bold md:col-span-3">{words}</p>
      <Field
        label="Factor × bore"
        error={error}
        said={odd ? <span className="font-bold text-short">{odd}</span> : undefined}
        hint={cell ? 'Empty: no figure.' : 'No figure: enter the ring sheet’s.'}
      >
        {(props) => (
          <input
            {...props}
            id={FACTOR_FIELD}
            aria-label="Factor × bore"
            className="field figures text-xl"
            inputMode="decimal"
            autoComplete="off"
            value={shown}
            onChange={(event) => type(event.target.value)}
          />
        )}
      </Field>
      <Field label="Source" hint="Where the figure comes from.">
        {(props) => (
          <input
            {...props}
            className="field"
            maxLength={200}
            disabled={!cell}
            value={source}
            onChange={(event) => put({ source: event.target.value })}
          />
        )}
      </Field>
      {cell?.confirmed ? (
        <div>
          <p className="mb-1 font-bold text-ok">Confirmed against a sheet</p>
          <p>
            {cell.confirmed.sheet}, {cell.confirmed.by || 'no initials'}, {cell.confirmed.at.slice(0, 10)}
          </p>
          <Button kind="quiet" onClick={() => put({ confirmed: null })}>
            Take the confirmation back
          </Button>
        </div>
      ) : (
        <Field label="Not confirmed. Which sheet says so?" hint="Your initials and the date go with it.">
          {(props) => (
            <div className="flex gap-2">
              <input
                {...props}
                className="field"
                maxLength={200}
                disabled={!cell}
                value={sheet}
                onChange={(event) => setSheet(event.target.value)}
              />
              <Button
                disabled={!cell || sheet.trim() === ''}
                onClick={() => put({ confirmed: { sheet: sheet.trim(), by, at: new Date().toISOString() } })}
              >
                Confirm
              </Button>
            </div>
          )}
        </Field>
      )}
    </form>
  );
}
