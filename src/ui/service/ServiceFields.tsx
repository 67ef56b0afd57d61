'use client';

import { usePartFaults } from '../shared/useForm';
import { altitudeText, parseAltitude, parsePower, parseSpeed } from '@/core/models/load/parsePowerAndAltitude';
import { type LoadEngine, doubtWords, heatLoad, outsideWords, pistonSpeed } from '@/core/models/load/load';
import { type Service, NO_ADDERS, fuelsOf } from '@/core/models/load/service';
import { type Fuel, FUELS, FUEL_WORDS, USES, USE_WORDS } from '@/core/models/load/serviceWords';
import type { Units } from '@/core/foundation/quantity/length';
import { type Chart, rowOf } from '@/core/models/charts/chart';
import { fuelCaution, suggestDuty } from '@/core/models/charts/chartRow';
import { Segmented } from '../shared/Segmented';
import { LengthField } from '../shared/LengthField';
import { SelectField } from '../shared/SelectField';
import { AddersField } from './AddersField';
import { LoadBar } from './LoadBar';
import { ParsedField } from './ParsedField';
import { parseNumber } from '@/core/foundation/quantity/parseNumber';
import { Tick } from '../shared/Tick';

interface Props {
  service: Service;
  /** Chart row the builder chose; null follows the suggestion. */
  duty: string | null;
  chart: Chart;
  engine: LoadEngine;
  units: Units;
  /** Whether the heat load is drawn with it; else it stands elsewhere on the page. */
  drawn: boolean;
  onChange: (service: Service) => void;
  onDuty: (duty: string | null) => void;
  /** Told whether everything typed can be used as it stands. */
  onFault: (fault: string | null) => void;
}

const COOLING = [
  ['water', 'water'],
  ['air', 'air'],
] as const;

/** Nitromethane in per cent. */
const hearShare = (text: string) => parseNumber(text.replace('%', ''), { least: 0, most: 100, optional: true });

/** Use, power adders now and planned, where it runs, and the heat load or the chart row that follows. */
export function ServiceFields({ service, duty, chart, engine, units, drawn, onChange, onDuty, onFault }: Props) {
  const fault = usePartFaults(onFault);
  const put = (part: Partial<Service>): void => onChange({ ...service, ...part });
  const uses = USES.filter((use) => use !== 'race' || service.use === 'race');
  const spoken = units === 'imperial' ? 'psi' : 'bar';
  const cautions = chart.kind === 'steps' ? fuelsOf(service).flatMap((fuel) => fuelCaution(fuel) ?? []) : [];
  const othersThan = (fuel: Fuel): Fuel[] => service.otherFuels.filter((other) => other !== fuel);
  return (
    <>
      <SelectField
        label="Use"
        none="not set"
        value={service.use}
        options={uses.map((use) => [use, USE_WORDS[use]] as const)}
        onChange={(use) => put({ use })}
      />
      <FuelFields
        cautions={cautions}
        service={service}
        put={put}
        othersThan={othersThan}
        engine={engine}
        fault={fault}
      />
      <AddersField
        label="Power adders"
        hint={`For example: 1.4 bar turbo + 150 hp nitrous. Leave empty for none. Shown in ${spoken}.`}
        unit={spoken}
        adders={isNone(service) ? null : service.now}
        onChange={(now) => put({ now: now ?? NO_ADDERS })}
        onFault={fault('now')}
      />
      <AddersField
        label="Planned upgrades"
        hint="Everything planned. Gaps are set for the hotter of the two: the engine as it is, or as planned."
        unit={spoken}
        adders={service.later}
        onChange={(later) => put({ later })}
        onFault={fault('later')}
      />
      <div>
        <span className="mb-1 block font-bold">Cooled by</span>
        <Segmented
          label="Cooled by"
          value={service.cooling}
          options={COOLING}
          onChange={(cooling) => put({ cooling })}
        />
      </div>
      <PlaceFields service={service} units={units} put={put} fault={fault} />
      <SpeedFields service={service} units={units} put={put} fault={fault} />
      <OtherFuels service={service} put={put} othersThan={othersThan} />
      {chart.kind === 'curve' ? (
        <Load service={service} duty={duty} chart={chart} engine={engine} onDuty={onDuty} drawn={drawn} />
      ) : (
        <Row service={service} duty={duty} chart={chart} engine={engine} onDuty={onDuty} />
      )}
    </>
  );
}

interface OtherFuelsProps {
  service: Service;
  put: (part: Partial<Service>) => void;
  othersThan: (fuel: Fuel) => Fuel[];
}

function OtherFuels({ service, put, othersThan }: OtherFuelsProps) {
  return (
    <details>
      <summary className="min-h-11 py-2">
        Also runs on: <b>{service.otherFuels.map((fuel) => FUEL_WORDS[fuel]).join(', ') || 'nothing else'}</b>
      </summary>
      <p className="text-sm text-soft">Tick every fuel it may be run on. The hottest sets the gap.</p>
      {FUELS.filter((fuel) => fuel !== service.fuel).map((fuel) => (
        <Tick
          key={fuel}
          value={service.otherFuels.includes(fuel)}
          onChange={(isRun) => put({ otherFuels: isRun ? [...othersThan(fuel), fuel] : othersThan(fuel) })}
        >
          {FUEL_WORDS[fuel]}
        </Tick>
      ))}
    </details>
  );
}

interface SpeedFieldsProps {
  service: Service;
  units: Units;
  put: (part: Partial<Service>) => void;
  fault: (of: string) => (said: string | null) => void;
}

function SpeedFields({ service, units, put, fault }: SpeedFieldsProps) {
  return (
    <details>
      <summary className="min-h-11 py-2">
        Stroke and speed: <b>{speedText(service)}</b>
      </summary>
      <p className="mb-2 text-sm text-soft">
        A faster piston puts more heat into its rings. Empty: a usual speed for the use.
      </p>
      <div className="grid gap-4 sm:grid-cols-2">
        <LengthField
          label="Stroke"
          kind="bore"
          units={units}
          value={service.stroke}
          hint="E.g. 3.48 or 88.4 mm."
          onChange={(stroke) => put({ stroke })}
          onFault={fault('stroke')}
        />
        <ParsedField
          label="Highest speed"
          hint="At full load, e.g. 6500 rpm."
          shown={service.redline === null ? '' : `${service.redline} rpm`}
          hear={parseSpeed}
          onChange={(redline) => put({ redline })}
          onFault={fault('speed')}
        />
      </div>
    </details>
  );
}

interface PlaceFieldsProps {
  service: Service;
  units: Units;
  put: (part: Partial<Service>) => void;
  fault: (of: string) => (said: string | null) => void;
}

function PlaceFields({ service, units, put, fault }: PlaceFieldsProps) {
  const { always } = service;
  return (
    <div className="grid gap-4 sm:grid-cols-2">
      <div>
        <ParsedField
          label="Altitude"
          hint="Where it runs lowest. Empty: the sea."
          shown={service.altitude === 0 ? '' : altitudeText(service.altitude, units)}
          hear={(text) => parseAltitude(text, units)}
          onChange={(altitude) => put({ altitude: altitude ?? 0 })}
          onFault={fault('altitude')}
        />
        {service.altitude > 0 && (
          <Tick value={always.altitude} onChange={(altitude) => put({ always: { ...always, altitude } })}>
            Never run lower: count the thinner air
          </Tick>
        )}
      </div>
      <ParsedField
        label="Base power"
        hint="Without nitrous. Empty: from its size."
        shown={service.basePower === null ? '' : `${service.basePower} hp`}
        hear={parsePower}
        onChange={(basePower) => put({ basePower })}
        onFault={fault('base')}
      />
    </div>
  );
}

interface FuelFieldsProps {
  cautions: string[];
  service: Service;
  put: (part: Partial<Service>) => void;
  othersThan: (fuel: Fuel) => Fuel[];
  engine: LoadEngine;
  fault: (of: string) => (said: string | null) => void;
}

function FuelFields({ cautions, service, put, othersThan, engine, fault }: FuelFieldsProps) {
  const { always } = service;
  return (
    <div className="grid content-start gap-3">
      <SelectField
        label="Fuel"
        said={cautions.length > 0 ? cautions.join(' ') : undefined}
        value={service.fuel}
        options={FUELS.map((fuel) => [fuel, FUEL_WORDS[fuel]] as const)}
        onChange={(fuel) =>
          put({ fuel, otherFuels: othersThan(fuel), nitro: null, always: { ...always, fuel: false } })
        }
      />
      {lowersHeat(service, engine) && (
        <Tick value={always.fuel} onChange={(fuel) => put({ always: { ...always, fuel } })}>
          Always run on it: count its lower heat
        </Tick>
      )}
      {fuelsOf(service).includes('nitromethane') && (
        <ParsedField
          label="Nitromethane, % by volume"
          hint="Of the fuel in the tank."
          shown={service.nitro === null ? '' : String(Number((service.nitro * 100).toFixed(1)))}
          hear={hearShare}
          onChange={(percent) => put({ nitro: percent === null ? null : percent / 100 })}
          onFault={fault('nitro')}
        />
      )}
    </div>
  );
}

/** The mean piston speed in words. */
function speedText(service: Service): string {
  const speed = pistonSpeed(service);
  return speed === null ? 'not set' : `${speed.toFixed(1)} m/s mean piston speed`;
}

/** Whether the fuel lowers the heat load, and may be counted for it. */
const lowersHeat = (service: Service, engine: LoadEngine): boolean => {
  const load = heatLoad(service, engine);
  return load.set && load.now.shares.some(({ of, factor }) => of.kind === 'fuel' && of.fuel !== 'diesel' && factor < 1);
};

const isNone = ({ now }: Service): boolean => !now.boost && !now.nitrous && !now.injection;

type Following = Pick<Props, 'service' | 'duty' | 'chart' | 'engine' | 'onDuty'>;
type Drawn = Pick<Props, 'drawn'>;

/** The heat load that follows, with each thing's share; or one of the chart's own loads in its place. */
function Load({ service, duty, chart, engine, onDuty, drawn }: Following & Drawn) {
  const load = heatLoad(service, engine);
  const outside = load.set ? (outsideWords(load.inForce.load) ?? doubtWords(load.inForce.load)) : null;
  return (
    <div className="col-span-full grid gap-3">
      {load.set ? (
        drawn && (
          <>
            <LoadBar of={load.now} label="Heat load" />
            {load.later && <LoadBar of={load.later} label="Heat load as planned" />}
          </>
        )
      ) : (
        <p className="font-bold text-short">{load.ask}</p>
      )}
      {drawn && outside && <p className="font-bold text-short">{outside}</p>}
      <SelectField
        label="Gapped for"
        none={load.set ? `the heat load worked out, ${load.inForce.load.toFixed(2)}` : 'the heat load worked out'}
        value={duty}
        options={chart.rows.map((row) => [row.id, `${row.load?.toFixed(2) ?? ''}: ${row.words}`] as const)}
        onChange={onDuty}
      />
    </div>
  );
}

/** The row of a chart of steps that follows, and why. */
function Row({ service, duty, chart, engine, onDuty }: Following) {
  const suggestion = suggestDuty(service, engine.cylinders);
  const words = (row: string): string => rowOf(chart, row)?.words ?? `“${row}”, which this chart has not`;
  const near = suggestion.set ? [suggestion.now.near, suggestion.later?.near ?? null].flatMap((n) => n ?? []) : [];
  return (
    <SelectField
      label="Chart row"
      none={suggestion.set ? `as suggested: ${words(suggestion.row)}` : 'as suggested'}
      value={duty}
      options={chart.rows.map((row) => [row.id, row.words] as const)}
      onChange={onDuty}
      said={
        <>
          {suggestion.set ? (
            <p>
              Suggested: <b className="text-ink">{words(suggestion.row)}</b>, because {suggestion.reason}.
            </p>
          ) : (
            <p>{suggestion.ask}</p>
          )}
          {near.map(({ row, says }) => (
            <p key={row} className="font-bold text-short">
              {says}
            </p>
          ))}
        </>
      }
    />
  );
}
