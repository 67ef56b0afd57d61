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
import { type Column, Table, unseen } from '../shared/Table';
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
  drawer: 'halves in stock',
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
      <GradeTable kind={kind} grades={draft[kind]} put={put} />
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
        Clearance one half shell adds over a standard one: + is a thinner shell, more clearance. A pair for 0.001 in
        more clearance is half a thou each. A coating (dry film,{' '}
        {units === 'imperial' ? '0.2–0.5 thou' : '0.005–0.013 mm'} a face) is taken off: a coated half is a grade of its
        own. Undersizes are for ground journals: a standard one gives 0.
      </p>
    </details>
  );
}

interface GradeTableProps {
  kind: BearingKind;
  grades: TypedGrade[];
  put: (grades: TypedGrade[]) => void;
}

/** The grades of a kind, each figure to be typed. */
function GradeTable({ kind, grades, put }: GradeTableProps) {
  const { unit } = useWords();
  const heads = {
    name: 'grade',
    gives: `one half gives, ${unit('fine')}`,
    coat: `coating a face, ${unit('fine')}`,
    under: `for journals under by, ${unit('fine')}`,
    price: 'price a pair',
    drawer: 'halves in stock',
  };
  return (
    <Table
      caption={`Shells for the ${KIND_WORDS[kind].toLowerCase()}`}
      className="mt-2"
      rows={grades}
      keyOf={(row) => row.id}
      columns={[
        ...FIELDS.map((field): Column<TypedGrade> => [
          heads[field],
          (row) => (
            <input
              className={`field ${field === 'name' ? 'w-44' : 'figures w-24'}`}
              aria-label={`${row.name || 'grade'}: ${FIELD_WORDS[field]}`}
              value={row[field]}
              disabled={row.id === STANDARD && (field === 'gives' || field === 'coat')}
              autoComplete="off"
              onChange={({ target }) => put(grades.map((r) => (r.id === row.id ? { ...r, [field]: target.value } : r)))}
            />
          ),
        ]),
        [
          unseen('remove'),
          (row) =>
            row.id !== STANDARD && (
              <Button kind="quiet" onClick={() => put(grades.filter((r) => r.id !== row.id))}>
                Take out<span className="sr-only"> {row.name}</span>
              </Button>
            ),
        ],
      ]}
    />
  );
}
