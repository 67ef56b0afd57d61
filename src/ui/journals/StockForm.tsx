'use client';

import { useState } from 'react';
import { type BearingKind, KINDS, STANDARD } from '@/core/stages/journals/choices';
import {
  type TypedGrade,
  type TypedStock,
  newGrade,
  parseStock,
  stockFaults,
  typedStock,
} from '@/core/stages/journals/typedStock';
import { KIND_WORDS } from '@/core/stages/journals/words';
import { useJudgement, useLogging, useWords } from '../openBuild/contexts';
import { Button } from '../shared/Button';
import { Term } from '../shared/Term';
import { freshId } from '../shared/freshId';
import { FormFoot, useForm } from '../shared/useForm';

const FIELDS = ['name', 'gives', 'coat', 'under', 'price', 'drawer'] as const;
const FIELD_WORDS: Record<(typeof FIELDS)[number], string> = {
  name: 'name',
  gives: 'what one half gives',
  coat: 'coating a face',
  under: 'undersize',
  price: 'price of a pair',
  drawer: 'halves in the drawer',
};

/** Which shells can be had: what one half gives, for which undersize, what a pair costs, and what is in the drawer. */
export function StockForm() {
  const { shells } = useJudgement().choices;
  const { choose } = useLogging();
  const { units } = useWords();
  const form = useForm<TypedStock>({
    ...{ name: `shell-stock-${units}`, base: typedStock(shells.stock, units), units },
    faultsOf: (typed) => stockFaults(typed, units),
    onSet: (typed) => choose('shells', { ...shells, stock: parseStock(typed, units, shells.stock) }),
  });
  const { draft, set } = form;
  const [kind, setKind] = useState<BearingKind>('main');
  const put = (grades: TypedGrade[]): void => set({ [kind]: grades });
  const unit = units === 'imperial' ? 'thou' : 'mm';
  return (
    <details open={shells.stock.main.length === 0}>
      <summary className="min-h-11 cursor-pointer py-2 font-bold text-blue">Shells that can be had</summary>
      {form.note}
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
            {draft[kind].map((row) => (
              <tr key={row.id}>
                {FIELDS.map((field) => (
                  <td key={field}>
                    <input
                      className={`field ${field === 'name' ? 'w-44' : 'figures w-24'}`}
                      aria-label={`${row.name || 'grade'}: ${FIELD_WORDS[field]}`}
                      value={row[field]}
                      disabled={row.id === STANDARD && (field === 'gives' || field === 'coat')}
                      autoComplete="off"
                      onChange={(event) =>
                        put(draft[kind].map((r) => (r.id === row.id ? { ...r, [field]: event.target.value } : r)))
                      }
                    />
                  </td>
                ))}
                <td>
                  {row.id !== STANDARD && (
                    <Button kind="quiet" onClick={() => put(draft[kind].filter((r) => r.id !== row.id))}>
                      Take out<span className="sr-only"> {row.name}</span>
                    </Button>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <form className="mt-2" onSubmit={form.submit}>
        <FormFoot form={form} words="Set what can be had">
          <Button onClick={() => put([...draft[kind], newGrade(freshId())])}>One more grade</Button>
          {kind === 'rod' && (
            <Button kind="quiet" onClick={() => set({ rod: draft.main })}>
              The same as the mains
            </Button>
          )}
        </FormFoot>
      </form>
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
