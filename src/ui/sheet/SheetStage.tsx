'use client';

import { inEither } from '../stages/trialWords';
import { Download, Printer } from 'lucide-react';
import { shortBlockOf } from '@/core/judge/shortBlock';
import { use } from 'react';
import { engineWords } from '@/core/foundation/engine/engine';
import { lengthUnit, printLength } from '@/core/foundation/quantity/format';
import { covers } from '@/core/judge/stageTables';
import type { Piece, SheetPart, Table } from '@/core/stages/contract/report';
import { loadReports, sheetOf } from '@/core/judge/reports';
import { useJudgement, useLive, useWords } from '../openBuild/contexts';
import { Button, buttonLook } from '../shared/Button';
import { Mark } from '../shared/Bar';
import { StateMark } from '../shared/StateMark';
import { When } from '../shared/When';
import { Findings } from '../stages/Findings';

/** Begun as soon as this screen is loaded. */
const reports = loadReports();

/** What to try here with the trial engine. */
export const TRIAL = inEither(
  'The build sheet: every figure with its verdict, to print. That is all; throw the trial away when you are done.',
);

/** The build sheet: every figure on paper, black on white, on A4 or Letter. */
export function SheetStage() {
  const judgement = useJudgement();
  const live = useLive();
  const { job, progress } = judgement;
  const { lastAt } = judgement.log;
  const parts = sheetOf(judgement, use(reports));
  if (!job) return null;
  return (
    <main
      id="main"
      tabIndex={-1}
      className="min-h-0 flex-1 overflow-y-auto bg-paper p-6 print:overflow-visible print:p-0 max-md:p-0"
    >
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
            {lastAt && <When at={lastAt} />}
            <br />
            <span className="figures">
              {progress.done}/{progress.total}
            </span>{' '}
            done
          </p>
        </header>
        {parts.map((part, i) => (
          <Part key={i} part={part} />
        ))}
        <ShortBlockSays />
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

/** The verdict on the short block, where the whole walk is asked for. */
function ShortBlockSays() {
  const judgement = useJudgement();
  const { text } = useWords();
  if (judgement.choices.walk.asks === 'checks' || !covers(judgement.job, 'assembly')) return null;
  const { isReady, open } = shortBlockOf(judgement);
  return (
    <section className="mt-6" aria-label="Short block">
      <h2 className="mb-1 break-after-avoid">Short block {isReady ? 'ready' : `not ready: ${open.length} open`}</h2>
      <ul className="columns-2 gap-8 text-sm max-sm:columns-1">
        {open.map(({ says }, i) => (
          <li key={i}>☐ {text(says)}</li>
        ))}
      </ul>
    </section>
  );
}

/** A part of this many rows or fewer is not broken over pages. */
const ON_ONE_PAGE = 20;

/** What one stage puts on the sheet. */
function Part({ part }: { part: SheetPart }) {
  const { text, units } = useWords();
  const heading = `${text(part.heading)}${part.unit ? `, ${lengthUnit(units, part.unit)}` : ''}`;
  return (
    <section
      className={`${part.minor ? 'mt-3' : 'mt-5'} ${(part.table?.rows.length ?? 0) <= ON_ONE_PAGE ? 'break-inside-avoid' : ''}`}
    >
      {part.minor ? (
        <h3 className="break-after-avoid font-bold">{heading}</h3>
      ) : (
        <h2 className="mb-1 break-after-avoid">{heading}</h2>
      )}
      {part.before.map((saying, i) => (
        <p key={i} className="break-after-avoid text-sm text-soft">
          {text(saying)}
        </p>
      ))}
      {part.table && <Ruled table={part.table} />}
      {part.after.map((saying, i) => (
        <p key={i} className="mt-1 text-sm text-soft">
          {text(saying)}
        </p>
      ))}
    </section>
  );
}

function Ruled({ table: { columns, rows } }: { table: Table }) {
  const { units } = useWords();
  return (
    <table className="ruled mt-1">
      <thead>
        <tr>
          {columns.map(({ words, unit, figures }, i) => (
            <th key={i} scope="col" className={figures ? 'num' : undefined}>
              {words}
              {unit && `, ${lengthUnit(units, unit)}`}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map(([head = [], ...cells], i) => (
          <tr key={i} className="break-inside-avoid">
            <th scope="row" className="font-bold! whitespace-nowrap text-ink!">
              <Pieces pieces={head} />
            </th>
            {cells.map((pieces, k) => (
              <td key={k} className={columns[k + 1]?.figures ? 'num' : undefined}>
                <Pieces pieces={pieces} />
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

const LOOKS = { small: 'ml-1 font-sans text-xs text-soft', below: 'block text-xs text-soft' };

function Pieces({ pieces }: { pieces: Piece[] }) {
  const { units, text, range } = useWords();
  const number = (nm: number, as: Extract<Piece, { kind: 'number' }>['as']): string =>
    printLength(nm, units, as).number;
  return pieces.map((piece, i) => {
    if (piece.kind === 'state') return <StateMark key={i} state={piece.state} />;
    if (piece.kind === 'said') return <span key={i}>{text(piece.says)}</span>;
    if (piece.kind === 'range') return <span key={i}>{range(piece.from, piece.to)}</span>;
    if (piece.kind === 'text')
      return (
        <span key={i} className={piece.look && LOOKS[piece.look]}>
          {piece.text}
        </span>
      );
    const { nm, as, to, joint = '–', atLeast } = piece;
    const beside = pieces.length > 1 && pieces[1]?.kind === 'state';
    return (
      <span key={i} className={beside ? 'figures mr-2 inline-block min-w-12 text-right' : undefined}>
        {atLeast && '≥'}
        {nm === null ? '–' : number(nm, as)}
        {nm !== null && to != null && `${joint}${number(to, as)}`}
      </span>
    );
  });
}
