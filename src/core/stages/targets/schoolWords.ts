/** Why a builder takes the curve of one school or of the other. */
import { type Chart, type School, schoolOf } from '../../models/charts/chart';

const SCHOOL_REASONS: Record<School, string> = {
  wide: 'Wide: the ends must never meet, whatever happens (a lean charge, a hot restart).',
  close:
    'Close: a gap that just stays open seals better. For a known tune on an engine that is watched, without nitrous.',
};

/** Why a builder takes the curve of one school, as a sentence; null for any other chart. Common practice, no source. */
export const reasonOf = (chart: Pick<Chart, 'id' | 'copiedFrom'>): string | null => {
  const school = schoolOf(chart);
  return school && SCHOOL_REASONS[school];
};
