'use client';

import type { JudgedCylinder } from '@/core/judge/judgement';
import type { PistonSubject } from '@/core/stages/pistons/stage';
import { SUBJECTS } from '@/core/judge/stageTables';
import { MarkMachined } from '../bores/MarkMachined';
import { Hand } from '../toolInHand/Hand';
import { useJudgement, useWords } from '../openBuild/contexts';
import { PassLog } from '../shared/PassLog';
import { Findings, findingsFor } from '../stages/Findings';
import { Derivation } from '../stages/Derivation';
import { Term } from '../shared/Term';

/** Every pass of what is in hand. */
function passesOf({ piston, clearance }: JudgedCylinder, subject: PistonSubject) {
  if (subject === 'strip') return clearance.strip.passes;
  return subject === 'piston' ? piston.passes : piston.pinPasses[subject];
}

/** Beside the piston in hand: what it is read with, why its clearance is what it is, what to know, its readings. */
export function PistonsSidebar({ cylinder, subject }: { cylinder: JudgedCylinder; subject: PistonSubject }) {
  const judgement = useJudgement();
  const { units, text } = useWords();
  const { clearance, piston } = cylinder;
  return (
    <>
      <Hand subject={subject} />
      <h2 className="mt-4 mb-1">
        Why this <Term word="clearance" />
      </h2>
      <Derivation target={clearance.target} />
      {clearance.value !== null && (
        <div className="figures mt-3 text-sm leading-relaxed">
          {clearance.working.map((line, i) => (
            <div key={i}>{text(line)}</div>
          ))}
        </div>
      )}
      <Running cylinder={cylinder} />
      <div className="mt-4">
        <Findings findings={findingsFor(judgement.findings, ['pistons'], cylinder.id)} />
      </div>
      <h2 className="mt-5 mb-1">
        Readings: {SUBJECTS[subject].words},{' '}
        {subject === 'strip' ? `cylinder ${cylinder.label}` : `piston ${piston.label}`}
      </h2>
      <PassLog passes={passesOf(cylinder, subject)} style={subject === 'strip' ? 'fine' : 'size'} />
      <MarkMachined part="piston" />
      <p className="mt-4 text-soft">
        Parts and gauges at one temperature. A calliper is not good enough for this.{' '}
        {units === 'imperial' ? 'A set should agree within a few tenths.' : 'A set should agree within a hundredth.'}
      </p>
    </>
  );
}

/** What the clearance comes to hot, by the heat model. */
function Running({ cylinder }: { cylinder: JudgedCylinder }) {
  const { length } = useWords();
  const hot = cylinder.heat?.piston?.points.find((p) => p.point === 'measured');
  if (!hot || !cylinder.heat?.piston) return null;
  return (
    <p className="mt-3 text-soft">
      Running, by the heat model:{' '}
      <b className="figures text-ink">
        {hot.hot < 0 ? 'less than it can tell' : length(Math.round(hot.hot), 'clearance')}
      </b>{' '}
      with the skirt at {cylinder.heat.piston.assumed.toFixed(0)} °C. By what a skirt of this piston shows of its growth
      at the gauge point: typical figure, no source.
    </p>
  );
}
