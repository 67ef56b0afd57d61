'use client';

import { useRouter } from 'next/navigation';
import { useRef } from 'react';
import { beginBuild } from '@/app/actions';
import type { Job } from '@/core/build/record';
import { useKept } from '../shared/kept';
import { JobForm } from './JobForm';

const BLANK: Job = {
  name: '',
  customer: '',
  description: '',
  notes: '',
  engine: { layout: 'inline', cylinders: 4, bankAngle: 0, rotation: 'clockwise', numbering: { scheme: 'sequence', start: 'front', firstBank: 'left' } },
  units: 'imperial',
  plannedBore: null,
  duty: null,
  construction: null,
};

/** A new build begins with its job card. */
export function NewBuild() {
  const router = useRouter();
  const [by] = useKept('spatium-by', '');
  const id = useRef<string>(undefined);
  const begin = async (job: Job): Promise<string[]> => {
    id.current ??= crypto.randomUUID();
    try {
      const begun = await beginBuild(id.current, job, by);
      if (!begun.ok) return begun.faults;
      router.push(`/builds/${begun.id}/targets`);
      return [];
    } catch {
      return ['The server does not answer. Nothing is lost: try again in a moment.'];
    }
  };
  return <JobForm initial={BLANK} submit="Begin this build" onSave={begin} />;
}
