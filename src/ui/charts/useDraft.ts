'use client';

import { useMemo } from 'react';
import type { Chart } from '@/core/models/charts/chart';
import { chartChanges } from '@/core/models/charts/chartEdit';
import { persist, usePersisted } from '../shared/persisted';

/** A draft may be wrong in places while it is worked on; only its shape has to hold. */
function readDraft(kept: string): Chart | null {
  if (kept === '') return null;
  try {
    const chart = JSON.parse(kept) as Partial<Chart>;
    return Array.isArray(chart.rows) &&
      Array.isArray(chart.columns) &&
      Array.isArray(chart.cells) &&
      typeof chart.name === 'string' &&
      typeof chart.version === 'number'
      ? (chart as Chart)
      : null;
  } catch {
    return null;
  }
}

export interface Draft {
  draft: Chart;
  changed: boolean;
  set: (chart: Chart) => void;
  drop: () => void;
}

/** Unsaved changes to a chart, kept in this browser until they are saved or thrown away. Their `version` is the one they were made over. */
export function useDraft(latest: Chart): Draft {
  const key = `spatium-chart:${latest.id}`;
  const [kept] = usePersisted(key, '');
  const held = useMemo(() => readDraft(kept), [kept]);
  const changed = useMemo(() => held !== null && chartChanges(latest, held).length > 0, [held, latest]);
  return {
    draft: changed && held ? held : latest,
    changed,
    set: (chart) => persist(key, JSON.stringify(chart)),
    drop: () => persist(key, ''),
  };
}
