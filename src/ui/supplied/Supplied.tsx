'use client';

import type { Job } from '@/core/record/jobCard';
import type { Supplied as JudgedSupplied, Supply } from '@/core/stages/bores/suppliedSizes';
import type { JudgedCylinder } from '@/core/judge/judgement';
import type { Nm } from '@/core/foundation/quantity/length';
import { printLength } from '@/core/foundation/quantity/format';
import { useJudgement, useLogging, useWords } from '../openBuild/contexts';
import { Table } from '../shared/Table';
import { Tick } from '../shared/Tick';
import { TextField } from '../shared/TextField';
import { Button } from '../shared/Button';
import { LengthField } from '../shared/LengthField';
import { DraftForm, FormFoot, useForm, type Form } from '../shared/useForm';

type What = 'bores' | 'pistons';

const WORDS = {
  bores: {
    one: 'Bore',
    not: 'Bores are not measured here',
    why: 'This stage then needs no readings: gap targets use the reported size of each bore, or the planned bore where none is reported.',
    by: 'The shop, the number of its sheet.',
  },
  pistons: {
    one: 'Piston',
    not: 'Pistons are not measured here',
    why: 'This stage then needs no readings: the reported clearance goes on the build sheet, with a warning where it would be too tight.',
    by: 'The packet, the maker’s sheet.',
  },
} as const;

/** A bore or a piston, and the size it is found to have. */
const oneOf = (
  what: What,
  c: JudgedCylinder,
): { number: string; label: string; found: JudgedCylinder['bore']['size']; said: JudgedSupplied } =>
  what === 'bores'
    ? { number: c.id, label: c.label, found: c.bore.size, said: c.boreSupplied }
    : { number: c.piston.id, label: c.piston.label, found: c.piston.size, said: c.pistonSupplied };

/** What was ordered and reported of bores or pistons beside what is found, and whether they are measured here at all. */
export function Supplied({ of: what }: { of: What }) {
  const { choices, job, cylinders } = useJudgement();
  const { choose } = useLogging();
  const { units } = useWords();
  const form = useForm<Supply>({
    ...{ name: `supplied-${what}`, base: choices.supplied[what], units },
    onSet: (supply) => choose('supplied', { ...choices.supplied, [what]: supply }),
  });
  const { draft, set } = form;
  if (!job) return null;
  const words = WORDS[what];
  const kind = what === 'bores' ? 'bore' : 'piston';
  const report = (number: string, size: Nm | null): void =>
    set((d) => ({
      ...d,
      sizes: [...d.sizes.filter((s) => s.number !== number), ...(size === null ? [] : [{ number, size }])].toSorted(
        (a, b) => a.number.localeCompare(b.number),
      ),
    }));
  const [first] = draft.sizes;
  return (
    <DraftForm key={form.drawn} form={form} className="grid max-w-3xl gap-4 pt-3">
      <MeasuredElsewhere of={what} job={job} />
      <div className="grid gap-3 sm:grid-cols-2">
        <LengthField
          label="Ordered"
          kind={kind}
          units={units}
          {...form.field('ordered')}
          hint="The size ordered, e.g. 4.0300."
        />
        <TextField label="Reported by" hint={words.by} maxLength={120} {...form.field('by')} />
      </div>
      <SizesTable kind={kind} what={what} draft={draft} words={words} report={report} form={form} />
      <FormFoot form={form} words="Save">
        {first && draft.sizes.length < cylinders.length && (
          <Button
            onClick={() => {
              const sizes = cylinders.map((c) => ({ number: oneOf(what, c).number, size: first.size }));
              set((d) => ({ ...d, sizes: sizes.map((s) => d.sizes.find((o) => o.number === s.number) ?? s) }));
            }}
          >
            The others too: {printLength(first.size, units, 'size').number}
          </Button>
        )}
      </FormFoot>
    </DraftForm>
  );
}

/** Whether nothing of it is measured here. */
function MeasuredElsewhere({ of: what, job }: { of: What; job: Job }) {
  const { choose } = useLogging();
  const { elsewhere } = job;
  return (
    <div>
      <Tick
        className="font-bold"
        value={elsewhere.includes(what)}
        onChange={(isOn) =>
          choose('job', { ...job, elsewhere: isOn ? [...elsewhere, what] : elsewhere.filter((e) => e !== what) })
        }
      >
        {WORDS[what].not}
      </Tick>
      <p className="text-soft">{WORDS[what].why}</p>
    </div>
  );
}

interface SizesTableProps {
  kind: 'bore' | 'piston';
  what: What;
  draft: Supply;
  words:
    | {
        readonly one: 'Bore';
        readonly not: 'Bores are not measured here';
        readonly why: 'This stage then needs no readings: gap targets use the reported size of each bore, or the planned bore where none is reported.';
        readonly by: 'The shop, the number of its sheet.';
      }
    | {
        readonly one: 'Piston';
        readonly not: 'Pistons are not measured here';
        readonly why: 'This stage then needs no readings: the reported clearance goes on the build sheet, with a warning where it would be too tight.';
        readonly by: 'The packet, the maker’s sheet.';
      };
  report: (number: string, size: Nm | null) => void;
  form: Form<Supply>;
}

/** What is reported beside what is found. */
function SizesTable({ kind, what, draft, words, report, form }: SizesTableProps) {
  const { units, number: bare, unit } = useWords();
  const { cylinders } = useJudgement();
  const rows = cylinders.map((c) => {
    const { number, label, found, said } = oneOf(what, c);
    const reported = draft.sizes.find((s) => s.number === number)?.size ?? null;
    // as it was judged: what is still being filled in is not yet
    return { number, label, found, reported, against: said.reported === reported ? said.against : null };
  });
  return (
    <Table
      caption="Reported and found sizes"
      rows={rows}
      keyOf={(row) => row.number}
      columns={[
        [kind, (row) => row.label, 'align-top'],
        [
          `reported, ${unit('size')}`,
          ({ number, label, reported }) => (
            <LengthField
              label={`${words.one} ${label}, reported`}
              isUnseen
              kind={kind}
              units={units}
              value={reported}
              onChange={(size) => report(number, size)}
              onFault={form.onFault(number)}
            />
          ),
        ],
        [`found here, ${unit('size')}`, (row) => (row.found ? bare(row.found.value, 'size') : 'not measured'), 'num'],
        [
          `found − reported, ${unit('fine')}`,
          ({ against }) => (
            <span className={against?.agrees === false ? 'font-bold text-over' : ''}>
              {bare(against?.off, 'fine')}
              {against?.agrees === false && ' does not agree'}
            </span>
          ),
          'num',
        ],
      ]}
    />
  );
}
