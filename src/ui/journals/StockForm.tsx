'use client';

import { useState } from 'react';
import { type BearingKind, type ShellStock, KINDS, STANDARD } from '@/core/stages/journals/choices';
import { KIND_WORDS } from '@/core/stages/journals/words';
import { parseField } from '@/core/foundation/quantity/parseReading';
import { printLength } from '@/core/foundation/quantity/format';
import { useJudgement, useLogging, useWords } from '../openBuild/contexts';
import { Button } from '../shared/Button';
import { Term } from '../shared/Term';
import { usePersistedDraft } from '../shared/persistedDraft';

interface Draft {
  id: string;
  name: string;
  gives: string;
  coat: string;
  under: string;
  price: string;
  drawer: string;
}

/** A length typed with or without a sign, in the small unit of the shop; null where it is none. */
function signed(text: string, units: 'imperial' | 'metric'): number | null {
  const match = /^\s*([+\-−–]?)\s*(.+)$/.exec(text);
  if (!match?.[2]) return null;
  if (/^0*[.,]?0*$/.test(match[2].trim())) return 0;
  const heard = parseField(match[2], 'clearance', units);
  const size = heard.kind === 'understood' && heard.meaning.upTo === null ? heard.meaning.value : null;
  return size === null ? null : match[1] && match[1] !== '+' ? -size : size;
}

/** An undersize: 0 for none; null where it is no length. */
function underOf(text: string, units: 'imperial' | 'metric'): number | null {
  if (text.trim() === '' || /^0*[.,]?0*$/.test(text.trim())) return 0;
  const heard = parseField(text, 'land', units);
  return heard.kind === 'understood' ? heard.meaning.value : null;
}

/** Which shells can be had: what one half gives, for which undersize, what a pair costs, and what is in the drawer. */
export function StockForm() {
  const judgement = useJudgement();
  const { choose } = useLogging();
  const { units } = useWords();
  const { shells } = judgement.choices;
  const asDraft = (s: ShellStock): Draft => ({
    id: s.id,
    name: s.name,
    ...printed(s, units),
    price: s.price === null ? '' : String(s.price),
    drawer: s.drawer === null ? '' : String(s.drawer),
  });
  const base = { main: shells.stock.main.map(asDraft), rod: shells.stock.rod.map(asDraft) };
  const [draft, setDraft, left] = usePersistedDraft(`shell-stock-${units}`, base);
  const [kind, setKind] = useState<BearingKind>('main');
  const change = (i: number, by: Partial<Draft>): void =>
    setDraft((d) => ({ ...d, [kind]: d[kind].map((row, k) => (k === i ? { ...row, ...by } : row)) }));
  const fault = faultOf(draft, units);
  const stocks = (): Record<BearingKind, ShellStock[]> => ({
    main: draft.main.map((d) =>
      stockOf(
        d,
        units,
        shells.stock.main.find((s) => s.id === d.id),
      ),
    ),
    rod: draft.rod.map((d) =>
      stockOf(
        d,
        units,
        shells.stock.rod.find((s) => s.id === d.id),
      ),
    ),
  });
  const unit = units === 'imperial' ? 'thou' : 'mm';
  return (
    <details open={judgement.choices.shells.stock.main.length === 0}>
      <summary className="min-h-11 cursor-pointer py-2 font-bold text-blue">Shells that can be had</summary>
      {left}
      <div className="flex flex-wrap gap-2" role="group" aria-label="Kind of shells">
        {KINDS.map((k) => (
          <Button key={k} kind={k === kind ? 'strong' : 'quiet'} aria-pressed={k === kind} onClick={() => setKind(k)}>
            {KIND_WORDS[k]}
          </Button>
        ))}
      </div>
      <div className="relative overflow-x-auto">
        <table className="ruled mt-2">
          <caption className="sr-only">Shells for the {KIND_WORDS[kind].toLowerCase()}</caption>
          <thead>
            <tr>
              <th scope="col">grade</th>
              <th scope="col">one half gives, {unit}</th>
              <th scope="col">coating a face, {unit}</th>
              <th scope="col">for journals under by, {unit}</th>
              <th scope="col">price a pair</th>
              <th scope="col">halves in the drawer</th>
              <th scope="col">
                <span className="sr-only">take out</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {draft[kind].map((row, i) => (
              <tr key={row.id}>
                {(['name', 'gives', 'coat', 'under', 'price', 'drawer'] as const).map((field) => (
                  <td key={field}>
                    <input
                      className={`field ${field === 'name' ? 'w-44' : 'figures w-24'}`}
                      aria-label={`${row.name || 'grade'}: ${{ name: 'name', gives: 'what one half gives', coat: 'coating a face', under: 'undersize', price: 'price of a pair', drawer: 'halves in the drawer' }[field]}`}
                      value={row[field]}
                      disabled={row.id === STANDARD && (field === 'gives' || field === 'coat')}
                      autoComplete="off"
                      onChange={(event) => change(i, { [field]: event.target.value })}
                    />
                  </td>
                ))}
                <td>
                  {row.id !== STANDARD && (
                    <Button
                      kind="quiet"
                      onClick={() => setDraft((d) => ({ ...d, [kind]: d[kind].filter((_, k) => k !== i) }))}
                    >
                      Take out<span className="sr-only"> {row.name}</span>
                    </Button>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <div className="mt-2 flex flex-wrap gap-3">
        <Button
          onClick={() =>
            setDraft((d) => ({
              ...d,
              [kind]: [
                ...d[kind],
                { id: `g${Date.now().toString(36)}`, name: '', gives: '', coat: '', under: '', price: '', drawer: '' },
              ],
            }))
          }
        >
          One more grade
        </Button>
        {kind === 'rod' && (
          <Button kind="quiet" onClick={() => setDraft((d) => ({ ...d, rod: d.main }))}>
            The same as the mains
          </Button>
        )}
        <Button
          kind="accent"
          disabled={fault !== null || JSON.stringify(draft) === JSON.stringify(base)}
          onClick={() => choose('shells', { ...shells, stock: stocks() })}
        >
          Set what can be had
        </Button>
      </div>
      {fault && <p className="mt-1 font-bold text-over">{fault}</p>}
      <p className="mt-1">
        <Term word="half shell" />, <Term word="undersize" />, <Term word="tang" />
      </p>
      <p className="mt-1 text-soft">
        What one half gives over a standard one: + is thinner, more clearance. A pair sold as a thou more is half a thou
        each. A coating (dry film, {units === 'imperial' ? '0.2–0.5 thou' : '0.005–0.013 mm'} a face) is taken off: a
        coated half is a grade of its own. Undersizes are for ground journals: a standard one gives 0.
      </p>
    </details>
  );
}

type Lengths = Pick<Draft, 'gives' | 'coat' | 'under'>;

/** The thickest coating that is taken for one, nm. From memory. */
const MOST_COAT = 100_000;

/** A coating: 0 for none; null where it is none. */
function coatOf(text: string, units: 'imperial' | 'metric'): number | null {
  if (text.trim() === '') return 0;
  const coat = signed(text, units);
  return coat !== null && coat >= 0 && coat <= MOST_COAT ? coat : null;
}

/** The lengths of a grade as the form shows them. */
const printed = ({ gives, coat, under }: ShellStock, units: 'imperial' | 'metric'): Lengths => ({
  gives: printLength(gives, units, 'fine').number,
  coat: coat === 0 ? '' : printLength(coat, units, 'fine').number,
  under: under === 0 ? '' : printLength(under, units, 'fine').number,
});

/** A grade as it is typed. A length that was left as it was shown stays what it was: what is shown is rounded. */
const stockOf = (d: Draft, units: 'imperial' | 'metric', before: ShellStock | undefined): ShellStock => ({
  id: d.id,
  name: d.name.trim(),
  gives: before && printed(before, units).gives === d.gives ? before.gives : (signed(d.gives, units) ?? 0),
  coat: before && printed(before, units).coat === d.coat ? before.coat : (coatOf(d.coat, units) ?? 0),
  under: before && printed(before, units).under === d.under ? before.under : (underOf(d.under, units) ?? 0),
  price: d.price.trim() === '' ? null : Number(d.price.replace(',', '.')),
  drawer: d.drawer.trim() === '' ? null : Number(d.drawer),
});

/** What is wrong with the stock as it is typed; null for nothing. */
function faultOf(draft: Record<BearingKind, Draft[]>, units: 'imperial' | 'metric'): string | null {
  for (const kind of KINDS)
    for (const d of draft[kind]) {
      const of = `${KIND_WORDS[kind]}, ${d.name || 'a grade'}`;
      if (d.name.trim() === '') return `${KIND_WORDS[kind]}: a grade has no name.`;
      if (signed(d.gives, units) === null) return `${of}: “${d.gives}” is nothing a half could give.`;
      if (coatOf(d.coat, units) === null) return `${of}: “${d.coat}” is not the thickness of a coating.`;
      if (underOf(d.under, units) === null) return `${of}: “${d.under}” is no undersize.`;
      if (d.price.trim() !== '' && !(Number(d.price.replace(',', '.')) >= 0)) return `${of}: “${d.price}” is no price.`;
      if (d.drawer.trim() !== '' && !/^\d{1,4}$/.test(d.drawer.trim()))
        return `${of}: “${d.drawer}” is no number of halves.`;
    }
  return null;
}
