/** A measuring tool or a ring filer. */
import { z } from 'zod';
import { type Instrument, INSTRUMENT_KINDS } from '@/core/foundation/uncertainty/instrument';
import { instrumentFaults } from '@/core/foundation/uncertainty/instrumentFaults';
import { chartVersion, checkedBy, nm, text, widthNm } from './parts';

const day = z.iso.date('a day such as 2026-05-04');
export const instrumentSchema: z.ZodType<Instrument> = z
  .strictObject({
    ...chartVersion,
    kind: z.enum(INSTRUMENT_KINDS),
    name: text(80).trim(),
    from: nm,
    to: nm,
    resolution: nm,
    limit: nm,
    calibrated: day.nullable(),
    months: z.int().min(1).max(240).nullable(),
    kit: z
      .strictObject({
        rods: z.array(widthNm).max(60, 'at most 60 rods'),
        washers: z.array(widthNm).max(16, 'at most 16 washers'),
        body: nm,
        preload: nm,
        division: widthNm,
        turn: widthNm,
        larger: z.enum(['clockwise', 'anticlockwise']),
      })
      .nullable(),
  })
  .superRefine(checkedBy(instrumentFaults));
