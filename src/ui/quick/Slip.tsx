import type { Units } from '@/core/foundation/quantity/length';
import { type LengthStyle, bothText, lengthText, rangeText } from '@/core/foundation/quantity/format';
import { messageText } from '@/core/foundation/quantity/message';
import { type Target, standingWords } from '@/core/models/targets/target';
import { SURFACE_WORDS } from '@/core/foundation/parts/materials';
import { LoadBar } from '../service/LoadBar';
import { Mark } from '../shared/Bar';
import { comparisonsOf } from '@/core/stages/targets/compare';
import { SideBySide } from '../targets/SideBySide';
import type { Judgement } from '@/core/judge/judgement';

const SEVERITY = { stop: 'Stop.', mend: 'Fix.', note: 'Note.' };

/** What the counter hands over: every figure in both systems with its working, black on white when printed. */
export function Slip({ judgement, units }: { judgement: Judgement; units: Units }) {
  const { job, planned, duty, piston } = judgement;
  const findings = judgement.findings.filter((f) => f.stage === 'job' || f.stage === 'targets');
  const comparisons = comparisonsOf(judgement);
  const { chart } = judgement.choices;
  if (!job || !planned) return null;
  return (
    <article aria-label="Figures" className="border border-line bg-sheet px-6 py-5 print:border-0 print:p-0">
      <header className="flex items-start gap-3 border-b-2 border-ink pb-2">
        <Mark size={28} />
        <div>
          <p className="text-xl leading-tight font-bold">
            {job.plannedBore === null ? (
              'No bore yet'
            ) : (
              <span className="figures">{bothText(job.plannedBore, 'size', units)}</span>
            )}
          </p>
          <p className="text-soft">
            {duty.row?.words ?? 'duty not set'} · {piston?.words ?? 'piston type not set'} ·{' '}
            {job.surface ? `${SURFACE_WORDS[job.surface]} bore` : 'cylinder wall not set'} · {chart.name}, version{' '}
            {chart.version}
          </p>
        </div>
      </header>
      {chart.kind === 'curve' && duty.load.set && (
        <div className="border-b border-line py-2">
          <LoadBar of={duty.load.inForce} label="Heat load" />
        </div>
      )}
      <SideBySide comparisons={comparisons.filter((c) => c.kind === 'highRing')} units={units} />
      <dl>
        <Row words="Top ring gap" target={planned.top} units={units} style="fine" />
        <Row words="Second ring gap" target={planned.second} units={units} style="fine" />
        <Row words="Oil rail gaps" target={planned.rails} units={units} style="fine" />
        <Row words="Piston to wall" target={planned.clearance} units={units} style="clearance" />
      </dl>
      <SideBySide comparisons={comparisons.filter((c) => c.kind !== 'highRing')} units={units} />
      {findings.length > 0 && <SlipFindings findings={findings} units={units} />}
      <p className="mt-4 border-t border-line pt-2 text-sm text-soft">
        The tool advises; the fitter measures and decides. The sheets packed with the rings and pistons and the engine’s
        manual come first.
      </p>
    </article>
  );
}

function SlipFindings({ findings, units }: { findings: Judgement['findings']; units: Units }) {
  return (
    <ul aria-label="Findings" className="mt-4 grid gap-1.5">
      {findings.map((finding, i) => (
        <li key={i} className="max-w-prose">
          <b
            className={
              finding.severity === 'note' ? 'text-soft' : finding.severity === 'stop' ? 'text-over' : 'text-short'
            }
          >
            {SEVERITY[finding.severity]}
          </b>{' '}
          {messageText(finding.says, units)}
        </li>
      ))}
    </ul>
  );
}

interface RowProps {
  words: string;
  target: Target;
  units: Units;
  style: LengthStyle;
}

const other = (units: Units): Units => (units === 'imperial' ? 'metric' : 'imperial');

/** One figure in both systems, the one the shop speaks larger, its working under it. */
function Row({ words, target, units, style }: RowProps) {
  if (!target.set)
    return (
      <div className="border-b border-line py-2.5">
        <dt className="text-lg font-bold">{words}</dt>
        <dd className="text-short">{target.ask}</dd>
      </div>
    );
  const { aimFrom, aimTo, most, working, from, standing } = target.inForce;
  return (
    <div className="grid break-inside-avoid gap-x-4 border-b border-line py-2 sm:grid-cols-[9.5rem_1fr]">
      <dt className="pt-2 text-lg font-bold">{words}</dt>
      <dd className="flex min-w-0 flex-wrap items-baseline gap-x-5">
        <span className="figures text-[1.875rem] leading-tight font-bold whitespace-nowrap">
          {rangeText(aimFrom, aimTo, units, style)}
        </span>
        <span className="figures text-lg whitespace-nowrap">{rangeText(aimFrom, aimTo, other(units), style)}</span>
        {most !== null && most !== aimTo && (
          <span className="text-sm whitespace-nowrap text-soft tabular-nums">
            most {lengthText(most, units, style)} · {lengthText(most, other(units), style)}
          </span>
        )}
        <span className="w-full text-sm text-soft">
          {working.map((line, i) => (
            <span key={i} className="figures block text-ink">
              {messageText(line, units)}
            </span>
          ))}
          {from}. <i>{standingWords(standing)}.</i>
        </span>
      </dd>
    </div>
  );
}
