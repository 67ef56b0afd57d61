'use client';

import { EACH, isEach } from '@/core/foundation/quantity/gaugeSetting';
import { type LengthStyle, bothText } from '@/core/foundation/quantity/format';
import type { ParsedReading } from '@/core/foundation/quantity/readingField';
import { countWords } from '@/core/foundation/uncertainty/instrument';
import type { RingGrowth } from '@/core/stages/rings/ringGap';
import { useToolInHand, useWords } from '../openBuild/contexts';
import { Key } from '../shared/Button';

type Setting = Extract<ParsedReading, { kind: 'setting' }>;

/** What a gauge setting means for what is read next. */
function settingWords({ value, read, sizes }: Setting): string {
  if (isEach(value)) return `The micrometer at ${EACH[value].set}: the dial shows ${EACH[value].dial}.`;
  if (value === 'here')
    return 'No size yet: the dial counts from this spot. Sized later, by the micrometer: here, and what that reads.';
  if (sizes !== null) return 'The size of the zero: all that was read from it gets its size.';
  return read
    ? 'Gauge zeroed in the bore here and read in the micrometer: logged for this spot, and the dial counts from it.'
    : 'Bore gauge set to this: dial readings like +6 count from it.';
}

/** A gauge that was set. */
export function SettingBack(setting: Setting) {
  const { units } = useWords();
  const { value } = setting;
  const each = isEach(value) ? `Gauge set to ${EACH[value].set}` : null;
  return (
    <p>
      <b className="figures">
        {each ?? (typeof value === 'number' ? bothText(value, 'size', units) : 'Gauge zeroed here')}
      </b>
      <br />
      {settingWords(setting)} <Key>Enter</Key>
    </p>
  );
}

interface CutProps {
  count: number | null;
  /** Of a ring that is asked about: its growth with no cut logged. */
  growth: RingGrowth | null;
  style: LengthStyle;
}

/** A ring that was cut: now, or before it was last read. */
export function CutBack({ count, growth, style }: CutProps) {
  const { length } = useWords();
  const { filer } = useToolInHand();
  const turns = (n: number): string => (filer ? countWords(filer, n) : n === 1 ? 'turn' : 'turns');
  if (count === null && growth)
    return (
      <p>
        <b>Filed before the last reading</b>
        <br />
        <span className="text-base text-soft">
          {length(growth.before, style)} before, {length(growth.now, style)} now. For a cut made now, type its turns:
          c6.
        </span>{' '}
        <Key>Enter</Key>
      </p>
    );
  return (
    <p>
      <b>{count === null ? 'A cut' : `A cut of ${count} ${turns(count)}`}</b>
      <br />
      <span className="text-base text-soft">
        {filer ? filer.name : 'No ring filer chosen'}. Then deburr, square, read.
      </span>{' '}
      <Key>Enter</Key>
    </p>
  );
}
