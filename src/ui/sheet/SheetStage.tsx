'use client';

import { Download, Printer } from 'lucide-react';
import type { JudgedCylinder } from '@/core/build/judge';
import { isRight } from '@/core/build/clocking';
import { movedFrom } from '@/core/clocking/block';
import { JOINTS, JOINT_WORDS } from '@/core/clocking/joints';
import { SCHOOL_WORDS } from '@/core/clocking/schoolWords';
import { engineWords } from '@/core/engine/engine';
import { printLength } from '@/core/quantity/print';
import { RINGS, RING_WORDS } from '@/core/ring/ring';
import { adderWords } from '@/core/targets/duty';
import { SURFACE_WORDS, type Target } from '@/core/targets/target';
import { isFiler } from '@/core/uncertainty/instrument';
import { useBench } from '../bench/Bench';
import { Button, buttonLook } from '../shared/Button';
import { Mark } from '../shared/Header';
import { StateMark } from '../shared/StateMark';
import { When } from '../shared/When';
import { Findings } from '../stages/Findings';

/** The build sheet: every figure on paper, black on white, on A4 or Letter. */
export function SheetStage() {
  const { judgement, live } = useBench();
  const { job, progress } = judgement;
  if (!job) return null;
  return (
    <main className="min-h-0 flex-1 overflow-y-auto bg-paper p-6 print:overflow-visible print:p-0 max-md:p-0">
      <div className="no-print mx-auto mb-4 flex max-w-[900px] flex-wrap items-center gap-3 max-md:p-4">
        <Button kind="strong" onClick={() => window.print()}>
          <Printer size={18} aria-hidden /> Print
        </Button>
        <a className={buttonLook()} href={`/api/builds/${judgement.id}`} download>
          <Download size={18} aria-hidden /> Build file (JSON)
        </a>
        <a className={buttonLook()} href={`/api/builds/${judgement.id}/csv`} download>
          <Download size={18} aria-hidden /> Readings and results (CSV)
        </a>
        {live.waiting > 0 && (
          <p className="text-short">{live.waiting} entries are not on the server yet and not in these files.</p>
        )}
      </div>
      <article
        aria-label="Build sheet"
        className="mx-auto max-w-[900px] border border-line bg-sheet p-8 print:max-w-none print:border-0 print:p-0 max-md:p-4"
      >
        <header className="flex items-start gap-4 border-b-2 border-ink pb-3">
          <Mark size={34} />
          <div className="flex-1">
            <h1 className="text-[1.75rem]">{job.name}</h1>
            <p>
              {[engineWords(job.engine), job.description, job.customer && `for ${job.customer}`]
                .filter(Boolean)
                .join(' · ')}
            </p>
          </div>
          <p className="text-right text-sm text-soft">
            Build sheet
            <br />
            {judgement.lastAt && <When at={judgement.lastAt} />}
            <br />
            <span className="figures">
              {progress.done}/{progress.total}
            </span>{' '}
            done
          </p>
        </header>
        <Targets />
        <Sizes />
        <Gaps />
        <Clocking />
        <section className="mt-6 break-inside-avoid">
          <h2 className="mb-1">Open points</h2>
          <Findings findings={judgement.findings.filter((f) => f.severity !== 'note')} empty="None." />
        </section>
        {job.notes && (
          <section className="mt-6 break-inside-avoid">
            <h2 className="mb-1">Notes</h2>
            <p className="whitespace-pre-wrap">{job.notes}</p>
          </section>
        )}
        <footer className="mt-8 grid grid-cols-2 gap-8 break-inside-avoid text-sm text-soft">
          <p className="border-t border-ink pt-1">Fitted by, date</p>
          <p className="border-t border-ink pt-1">Checked by, date</p>
          <p className="col-span-2">
            The tool advises; the fitter measures and decides. The ring and piston makers’ sheets and the engine’s
            manual come first. Clearance is given with what the tools can prove (k = 2).
          </p>
        </footer>
      </article>
    </main>
  );
}

function Targets() {
  const { judgement, range, length } = useBench();
  const { standard, job, duty, piston, chart, cylinders } = judgement;
  if (!standard || !job) return null;
  const allowed = cylinders.filter((c) => c.allowance);
  const of = standard.targets;
  const row = (words: string, target: Target) => (
    <tr key={words}>
      <th scope="row" className="text-ink!">
        {words}
      </th>
      <td className="num">{target.set ? range(target.inForce.min, target.inForce.aimTo) : '–'}</td>
      <td className="num">{target.set && target.inForce.limit !== null ? length(target.inForce.limit) : '–'}</td>
      <td>{target.set ? `${target.inForce.from} (${target.inForce.standing})` : target.ask}</td>
    </tr>
  );
  const basis =
    standard.cylinder === null ? 'planned bore' : `own measured bores; shown for cylinder ${standard.cylinder}`;
  return (
    <section className="mt-5">
      <h2 className="mb-1">Targets</h2>
      <p className="text-sm text-soft">
        {job.plannedBore !== null && `Planned bore ${length(job.plannedBore, 'size')}. `}
        For: {duty.row?.words ?? 'not said'}. Pistons: {piston?.words ?? 'not said'}. Cylinder wall:{' '}
        {job.surface ? SURFACE_WORDS[job.surface] : 'not said'}.
        {job.service.now.kind !== 'none' && ` Power adder: ${adderWords(job.service.now)}.`}
        {job.service.later && ` Planned for later: ${adderWords(job.service.later)}.`} From {basis}. {chart.name},
        version {chart.version}.
      </p>
      {allowed.length > 0 && (
        <p className="text-sm text-soft">
          Fitted looser on purpose:{' '}
          {allowed
            .map(
              (c) =>
                `cylinder ${c.label}, gaps + ${length(c.allowance?.gap ?? 0)}, clearance + ${length(c.allowance?.clearance ?? 0, 'clearance')}${c.allowance?.reason ? ` (${c.allowance.reason})` : ''}`,
            )
            .join('; ')}
          .
        </p>
      )}
      <table className="ruled mt-1">
        <thead>
          <tr>
            <th scope="col">figure</th>
            <th scope="col" className="num">
              window
            </th>
            <th scope="col" className="num">
              limit
            </th>
            <th scope="col">source</th>
          </tr>
        </thead>
        <tbody>
          {row('Top ring gap', of.top)}
          {row('Second ring gap', of.second)}
          {row('Oil rails', of.rails)}
          {row('Piston to wall', of.clearance)}
        </tbody>
      </table>
    </section>
  );
}

function Sizes() {
  const { judgement, units } = useBench();
  const { orders, plan, cylinders } = judgement;
  const tools = judgement.instruments.filter((i) => !isFiler(i));
  const size = (nm: number | undefined): string => (nm === undefined ? '–' : printLength(nm, units, 'size').number);
  const fine = (nm: number | null | undefined): string =>
    nm == null ? '–' : printLength(nm, units, 'clearance').number;
  const [sizeUnit, fineUnit] = units === 'imperial' ? ['in', 'thou'] : ['mm', 'mm'];
  const who = (c: JudgedCylinder): string =>
    [...new Set([...c.bore.passes, ...c.piston.passes].filter((p) => p.voided === null).map((p) => p.by))]
      .filter(Boolean)
      .join(', ');
  const toMachine = orders.filter((o) => o.toBore);
  return (
    <section className="mt-5">
      <h2 className="mb-1">Bores, pistons, clearance</h2>
      <table className="ruled">
        <thead>
          <tr>
            <th scope="col">cylinder</th>
            <th scope="col" className="num">
              bore, {sizeUnit}
            </th>
            <th scope="col" className="num">
              taper, {fineUnit}
            </th>
            <th scope="col" className="num">
              out-of-round
            </th>
            <th scope="col">bore is</th>
            <th scope="col" className="num">
              piston, {sizeUnit}
            </th>
            <th scope="col" className="num">
              clearance, {fineUnit}
            </th>
            <th scope="col" className="num">
              ±
            </th>
            <th scope="col">verdict</th>
            <th scope="col">by</th>
          </tr>
        </thead>
        <tbody>
          {cylinders.map((c) => (
            <tr key={c.id} className="break-inside-avoid">
              <th scope="row" className="font-bold! text-ink!">
                {c.label}
              </th>
              <td className="num">{size(c.bore.size?.value)}</td>
              <td className="num">{fine(c.bore.shape?.taper.thrust?.value)}</td>
              <td className="num">{fine(c.bore.shape?.outOfRound?.value)}</td>
              <td>{c.bore.shape ? c.bore.verdict.state : '–'}</td>
              <td className="num">
                {size(c.piston.size?.value)}
                {c.piston.id !== c.id && <span className="font-sans text-xs"> no. {c.piston.label}</span>}
              </td>
              <td className="num">{fine(c.clearance.value)}</td>
              <td className="num">{c.clearance.value === null ? '' : fine(c.clearance.uncertainty)}</td>
              <td>
                <StateMark state={c.clearance.state} />
              </td>
              <td>{who(c)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {toMachine.length > 0 && (
        <div className="mt-3 break-inside-avoid">
          <h3 className="font-bold">
            To be bored and honed
            {plan?.oversize != null && `: ${fine(plan.oversize)} ${fineUnit} over ${size(plan.standard)}`}
          </h3>
          <table className="ruled">
            <thead>
              <tr>
                <th scope="col">cylinder</th>
                <th scope="col" className="num">
                  piston, {sizeUnit}
                </th>
                <th scope="col" className="num">
                  bore to
                </th>
                <th scope="col" className="num">
                  hone to
                </th>
                <th scope="col" className="num">
                  not outside
                </th>
              </tr>
            </thead>
            <tbody>
              {toMachine.map((o) => (
                <tr key={o.cylinder}>
                  <th scope="row" className="font-bold! text-ink!">
                    {cylinders.find((c) => c.id === o.cylinder)?.label}
                  </th>
                  <td className="num">{size(o.piston)}</td>
                  <td className="num">{size(o.bore)}</td>
                  <td className="num">{size(o.hone.aim)}</td>
                  <td className="num">
                    {size(o.hone.least)}–{size(o.hone.most)}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      {tools.length > 0 && (
        <p className="mt-1 text-sm text-soft">
          Measured with:{' '}
          {[
            ...new Set(
              tools.map(
                (i) => `${i.name} (${i.calibrated ? `calibrated ${i.calibrated}` : 'no calibration on record'})`,
              ),
            ),
          ].join('; ')}
          .
        </p>
      )}
    </section>
  );
}

function Gaps() {
  const { judgement, units } = useBench();
  const unit = units === 'imperial' ? 'thou' : 'mm';
  const rings = RINGS.filter(
    (r) => r === 'top' || r === 'second' || judgement.cylinders.some((c) => c.rings[r].reading),
  );
  const cell = (c: JudgedCylinder, ring: (typeof RINGS)[number]) => {
    const { gap, readIn, state, passes, accepted, number, label } = c.rings[ring];
    return (
      <td key={ring}>
        <span className="figures mr-2 inline-block min-w-12 text-right">
          {gap?.open && '≥'}
          {gap ? printLength(gap.value, units, 'fine').number : '–'}
          {gap?.upTo != null && !readIn && `/${printLength(gap.upTo, units, 'fine').number}`}
        </span>
        <StateMark state={state} />
        {passes.length > 1 && <span className="ml-1 text-xs text-soft">{passes.length} passes</span>}
        {number !== c.id && <span className="ml-1 text-xs text-soft">ring no. {label}</span>}
        {readIn && <span className="ml-1 text-xs text-soft">predicted</span>}
        {accepted && <span className="block text-xs text-soft">accepted: {accepted.reason}</span>}
      </td>
    );
  };
  return (
    <section className="mt-5">
      <h2 className="mb-1">Ring end gaps, {unit}</h2>
      {judgement.ringSet.name && <p className="text-sm text-soft">{judgement.ringSet.name}</p>}
      <table className="ruled">
        <thead>
          <tr>
            <th scope="col">cylinder</th>
            {rings.map((ring) => (
              <th key={ring} scope="col">
                {RING_WORDS[ring]}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {judgement.cylinders.map((c) => (
            <tr key={c.id} className="break-inside-avoid">
              <th scope="row" className="font-bold! text-ink!">
                {c.label}
              </th>
              {rings.map((ring) => cell(c, ring))}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

function Clocking() {
  const { judgement } = useBench();
  const { cylinders, clocking, clockingChosen } = judgement;
  if (!cylinders.some((c) => c.clocking.plan)) return null;
  return (
    <section className="mt-5">
      <h2 className="mb-1">
        Clocking: {SCHOOL_WORDS[clocking.school].toLowerCase()}
        {clocking.school === 'sheet' && clocking.sheet?.from && ` (${clocking.sheet.from})`}
        {!clockingChosen && ', proposed'}
      </h2>
      <p className="text-sm text-soft">Degrees clockwise from the front of the engine, seen on the crown.</p>
      <table className="ruled mt-1">
        <thead>
          <tr>
            <th scope="col">cylinder</th>
            {JOINTS.map((joint) => (
              <th key={joint} scope="col" className="num">
                {JOINT_WORDS[joint]}
              </th>
            ))}
            <th scope="col">at the block</th>
          </tr>
        </thead>
        <tbody>
          {cylinders.map((c) => (
            <tr key={c.id} className="break-inside-avoid">
              <th scope="row" className="font-bold! text-ink!">
                {c.label}
              </th>
              {JOINTS.map((joint) => (
                <td key={joint} className="num">
                  {c.clocking.plan ? `${Math.round(c.clocking.plan.joints[joint]) % 360}°` : '–'}
                  {c.block.asFound &&
                    c.clocking.plan &&
                    movedFrom(c.clocking.plan.joints, c.block.asFound).some((m) => m.joint === joint) && (
                      <span className="block">found {Math.round(c.block.asFound[joint])}°</span>
                    )}
                </td>
              ))}
              <td>{blockWords(c)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

/** Who checked a cylinder at the block, or how far it is. */
function blockWords({ block: { checks, done } }: JudgedCylinder): string {
  if (done === 0) return '☐';
  const who = [...new Set(checks.flatMap((check) => (isRight(check.state) ? (check.tick?.by ?? '') : [])))]
    .filter(Boolean)
    .join(', ');
  return `${done === checks.length ? 'checked' : `${done} of ${checks.length}`}${who && `, ${who}`}`;
}
