'use client';

import { printLength } from '@/core/quantity/print';
import { clearanceAdvice } from '@/core/piston/clearance';
import { type SizeSubject, useBench } from '../bench/Bench';
import { ReadingLine } from '../line/ReadingLine';
import { PassLog } from '../shared/PassLog';
import { Scale } from '../shared/Scale';
import { StateMark, stateColour } from '../shared/StateMark';
import { Ask } from '../stages/Ask';
import { Findings, findingsFor } from '../stages/Findings';
import { Frame } from '../stages/Frame';
import { Why } from '../stages/Why';

const SUBJECTS = ['bore', 'piston'] as const satisfies readonly SizeSubject[];

/** Bore and piston of each cylinder, and the clearance between them. */
export function PistonsStage() {
  const { judgement, cylinder, cursor, moveTo, units, text, length } = useBench();
  if (!cylinder) return null;
  const { clearance } = cylinder;
  const passes = clearance.value === null ? [] : [{ id: 'clearance', value: clearance.value, upTo: null }];
  return (
    <Frame
      main={
        <div className="flex h-full flex-col">
          <h1>
            Cylinder {cylinder.label}, {cursor.size}
          </h1>
          <p className="text-[1.0625rem] text-soft">
            {cursor.size === 'bore'
              ? 'Square to the crank, at the smallest place of piston travel.'
              : 'On the skirt at the maker’s gauge point, square to the pin. Anywhere else it reads small.'}
          </p>
          <Ask target={clearance.target} />
          <Scale
            target={clearance.target}
            passes={passes}
            state={clearance.state}
            units={units}
            under="tight: it can seize"
            over="loose: it rocks"
            label={`Clearance of cylinder ${cylinder.label}: ${clearance.state}`}
          />
          <div className="mt-1 flex flex-wrap items-center gap-x-5 gap-y-1">
            {clearance.value !== null && (
              <p className="figures text-[3.75rem] leading-none font-bold tracking-tight" style={{ color: stateColour(clearance.state) }}>
                {printLength(clearance.value, units, 'clearance').number}
                <span className="text-2xl"> {printLength(clearance.value, units, 'clearance').unit}</span>
              </p>
            )}
            <div className="min-w-56 flex-1 text-xl leading-snug">
              <StateMark state={clearance.state} />
              <p>{text(clearanceAdvice(clearance.state, clearance.uncertainty))}</p>
            </div>
          </div>
          <AllSizes />
        </div>
      }
      aside={
        <>
          <h2 className="mb-1">Why</h2>
          <Why target={clearance.target} />
          {clearance.value !== null && cylinder.bore.reading && cylinder.piston.reading && (
            <p className="figures mt-3 text-sm leading-relaxed">
              bore {length(cylinder.bore.reading.value, 'size')}
              <br />− piston {length(cylinder.piston.reading.value, 'size')}
              <br />= <b>{length(clearance.value, 'clearance')}</b> ± {length(clearance.uncertainty, 'clearance')}
            </p>
          )}
          <div className="mt-4">
            <Findings findings={findingsFor(judgement.findings, ['pistons'], cylinder.id)} />
          </div>
          <h2 className="mt-5 mb-1">
            Readings: {cursor.size}, cylinder {cylinder.label}
          </h2>
          <PassLog passes={cylinder[cursor.size].passes} style="size" />
          <p className="mt-4 text-soft">Parts and gauges at the same temperature, 20 °C for the record. A calliper is not good enough for this. Solvents: fresh air and no flame.</p>
        </>
      }
      foot={<ReadingLine work="sizes" subject={cursor.size} subjects={SUBJECTS} onSubject={(subject) => (subject === 'bore' || subject === 'piston') && moveTo({ size: subject })} />}
    />
  );
}

/** Scrolls the table, and nothing around it, until a row shows. */
function bringIntoSight(row: HTMLTableRowElement | null): void {
  const box = row?.closest<HTMLElement>('[role="region"]');
  if (row && box) box.scrollTop = row.offsetTop + row.offsetHeight * 2 - box.clientHeight;
}

/** Bore, piston and clearance of every cylinder; a row leads to it. */
function AllSizes() {
  const { judgement, cylinder: current, cursor, moveTo, units } = useBench();
  const size = (nm: number | undefined): string => (nm === undefined ? '–' : printLength(nm, units, 'size').number);
  const unit = units === 'imperial' ? 'in' : 'mm';
  return (
    <div className="relative mt-3 min-h-44 flex-1 overflow-auto" tabIndex={0} role="region" aria-label="All cylinders">
      <table className="ruled max-sm:text-sm">
        <caption className="sr-only">Bore, piston and clearance of every cylinder</caption>
        <thead className="sticky top-0 bg-sheet">
          <tr>
            <th scope="col">cylinder</th>
            <th scope="col" className="num">
              bore, {unit}
            </th>
            <th scope="col" className="num">
              piston, {unit}
            </th>
            <th scope="col" className="num">
              clearance, {units === 'imperial' ? 'thou' : 'mm'}
            </th>
            <th scope="col">verdict</th>
          </tr>
        </thead>
        <tbody>
          {judgement.cylinders.map((c) => {
            const cell = (subject: SizeSubject) => (
              <td className="num">
                <button
                  type="button"
                  className={`min-h-7 px-1 ${c.id === current?.id && cursor.size === subject ? 'font-bold text-blue underline underline-offset-4' : ''}`}
                  aria-label={`Cylinder ${c.label}, ${subject}${c[subject].reading ? `, ${size(c[subject].reading.value)} ${unit}` : ', to read'}`}
                  onClick={() => moveTo({ cylinder: c.id, size: subject })}
                >
                  {size(c[subject].reading?.value)}
                </button>
              </td>
            );
            return (
              <tr
                key={c.id}
                ref={c.id === current?.id ? bringIntoSight : undefined}
                className={c.id === current?.id ? 'shadow-[inset_5px_0_0_var(--blue)]' : ''}
              >
                <th scope="row" className="pl-3! font-bold! text-ink!">
                  {c.label}
                </th>
                {cell('bore')}
                {cell('piston')}
                <td className="num">{c.clearance.value === null ? '–' : printLength(c.clearance.value, units, 'clearance').number}</td>
                <td>
                  <StateMark state={c.clearance.state} />
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}
