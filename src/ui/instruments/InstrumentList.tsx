'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Units } from '@/core/foundation/quantity/length';
import { lengthText } from '@/core/foundation/quantity/format';
import {
  type Instrument,
  INSTRUMENT_KINDS,
  calibrationEnds,
  isFiler,
  isOutOfDate,
} from '@/core/foundation/uncertainty/instrument';
import { newInstrument } from '@/core/foundation/uncertainty/newInstrument';
import { INSTRUMENT_KIND_WORDS } from '@/core/foundation/uncertainty/instrumentWords';
import { Button } from '../shared/Button';
import { usePersisted } from '../shared/persisted';
import { Segmented } from '../shared/Segmented';
import { useListens } from '../shared/useInBrowser';
import { freshId } from '../shared/freshId';
import { InstrumentForm } from './InstrumentForm';
import { runCommand, whyNot } from '../shared/runCommand';
import { Fault } from '../shared/Fault';

const UNIT_OPTIONS = [
  ['imperial', 'inches'],
  ['metric', 'mm'],
] as const;

interface Away {
  id: string;
  name: string;
}

/** The shop's measuring tools: what they reach, how far they may be off, when they were last checked. */
export function InstrumentList({ instruments, today }: { instruments: Instrument[]; today: string }) {
  const router = useRouter();
  const listens = useListens();
  const [kept, setUnits] = usePersisted('spatium-tool-units', 'imperial');
  const units: Units = kept === 'metric' ? 'metric' : 'imperial';
  const [open, setOpen] = useState<string | null>(null);
  const [faults, setFaults] = useState<string[]>([]);
  const [newId, setNewId] = useState(freshId);
  const [away, setAway] = useState<Away | null>(null);
  const [busy, setBusy] = useState(false);

  const run = async (work: () => Promise<boolean>): Promise<void> => {
    if (busy) return;
    setBusy(true);
    setFaults([]);
    try {
      if (await work()) setOpen(null);
      router.refresh();
    } catch (error) {
      setFaults([`${whyNot(error)} Nothing was changed.`]);
    }
    setBusy(false);
  };
  const save = (instrument: Instrument, over: number): Promise<void> =>
    run(async () => {
      const saved = await runCommand('saveTool', instrument, over);
      if (!saved.ok) setFaults(saved.faults);
      return saved.ok;
    });
  const putAway = (tool: Away, isAway: boolean): Promise<void> =>
    run(async () => {
      await runCommand('putToolAway', tool.id, isAway);
      setAway(isAway ? tool : null);
      return true;
    });
  const toggle = (id: string): void => {
    setFaults([]);
    setNewId(freshId());
    setOpen(open === id ? null : id);
  };

  return (
    <div inert={!listens}>
      <ListHead units={units} setUnits={setUnits} toggle={toggle} />
      {away && (
        <div role="status" className="mt-3 flex items-center gap-4 border-y border-line bg-steel px-4 py-2">
          <p className="flex-1">{away.name} is archived. Readings made with it keep it.</p>
          <Button onClick={() => void putAway(away, false)}>Undo</Button>
        </div>
      )}
      <Fault className="mt-3">{open === null ? faults.join(' ') : null}</Fault>
      {open === 'new' && (
        <InstrumentForm
          initial={newInstrument(units, newId)}
          units={units}
          faults={faults}
          onSave={(tool) => void save(tool, 0)}
          onCancel={() => toggle('new')}
        />
      )}
      {INSTRUMENT_KINDS.map((kind) => {
        const own = instruments.filter((i) => i.kind === kind);
        if (own.length === 0) return null;
        return (
          <section key={kind} className="mt-6" aria-label={INSTRUMENT_KIND_WORDS[kind]}>
            <h2 className="text-lg first-letter:uppercase">{INSTRUMENT_KIND_WORDS[kind]}</h2>
            <ul className="divide-y divide-line border-y border-line">
              {own.map((tool) => (
                <li key={tool.id}>
                  <ToolLine tool={tool} units={units} today={today} open={open} toggle={toggle} putAway={putAway} />
                  {open === tool.id && (
                    <InstrumentForm
                      initial={tool}
                      units={units}
                      faults={faults}
                      onSave={(changed) => void save(changed, tool.version)}
                      onCancel={() => toggle(tool.id)}
                    />
                  )}
                </li>
              ))}
            </ul>
          </section>
        );
      })}
    </div>
  );
}

interface ListHeadProps {
  units: Units;
  setUnits: (value: string) => void;
  toggle: (id: string) => void;
}

function ListHead({ units, setUnits, toggle }: ListHeadProps) {
  return (
    <div className="flex flex-wrap items-end gap-4">
      <div className="flex-1">
        <h1>Tools</h1>
        <p className="mt-1 max-w-prose text-lg text-soft">
          What the shop measures with. A reading names its tool; one out of date or out of its range is called out, and
          its error limit goes into every ±. A build keeps the tools its readings name as they were.
        </p>
      </div>
      <Segmented label="Units shown" value={units} options={UNIT_OPTIONS} onChange={setUnits} />
      <Button kind="accent" onClick={() => toggle('new')}>
        Add a tool
      </Button>
    </div>
  );
}

interface ToolLineProps {
  tool: Instrument;
  units: Units;
  today: string;
  open: string | null;
  toggle: (id: string) => void;
  putAway: (tool: Away, isAway: boolean) => Promise<void>;
}

/** One tool of the list. */
function ToolLine({ tool, units, today, open, toggle, putAway }: ToolLineProps) {
  return (
    <div className="flex flex-wrap items-baseline gap-x-5 gap-y-1 py-1">
      <b className="min-w-52 text-lg">{tool.name}</b>
      <span className="flex-1">
        {isFiler(tool) ? (
          <span className="text-soft">what it takes off is learnt from its cuts</span>
        ) : (
          <Figures tool={tool} units={units} />
        )}
      </span>
      {!isFiler(tool) && <Calibration tool={tool} today={today} />}
      <Button kind="quiet" aria-expanded={open === tool.id} onClick={() => toggle(tool.id)}>
        Edit<span className="sr-only"> {tool.name}</span>
      </Button>
      <Button kind="quiet" onClick={() => void putAway(tool, true)}>
        Archive<span className="sr-only"> {tool.name}</span>
      </Button>
    </div>
  );
}

function Calibration({ tool, today }: { tool: Instrument; today: string }) {
  const ends = calibrationEnds(tool);
  if (tool.calibrated === null) return <span className="text-short">no calibration on record</span>;
  if (isOutOfDate(tool, today)) return <span className="font-bold text-over">out of date since {ends}</span>;
  return <span className="text-soft">{ends ? `holds to ${ends}` : `calibrated ${tool.calibrated}`}</span>;
}

/** What a tool reaches, is read to, and may be off by. */
function Figures({ tool, units }: { tool: Instrument; units: Units }) {
  return (
    <>
      <span className="figures">
        {lengthText(tool.from, units, 'size')} to {lengthText(tool.to, units, 'size')}
      </span>
      <span className="text-soft">
        , read to {lengthText(tool.resolution, units, 'raw')}, ± {lengthText(tool.limit, units, 'raw')}
        {tool.kit && `, ${tool.kit.rods.length} rods, ${tool.kit.washers.length} washers`}
      </span>
    </>
  );
}
