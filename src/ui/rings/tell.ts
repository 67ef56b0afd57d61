'use client';

/** What the bench says of a logged gap besides showing it: a tone, a shake, a sentence. Loaded once any of them is on. */
import type { JudgedCylinder } from '@/core/judge/judgement';
import type { Nm, Units } from '@/core/foundation/quantity/length';
import { printLength } from '@/core/foundation/quantity/format';
import type { GapState } from '@/core/stages/rings/ring';
import { type Ring, RING_WORDS } from '@/core/foundation/parts/rings';
import { isOn } from './feedback';
import { speak } from './speak';

/** Tones in Hz: rising when it is done, low and twice when it is not, falling when it is over. */
const TONES: Partial<Record<GapState, number[]>> = {
  'in window': [660, 880],
  loose: [660, 660],
  short: [330, 330],
  over: [520, 260],
  'not proven': [440, 330],
};
const SHAKES: Partial<Record<GapState, number[]>> = {
  'in window': [60],
  loose: [60, 60, 60],
  short: [200, 80, 200],
  over: [500],
  'not proven': [120, 60, 120],
};

let audio: AudioContext | null = null;

function sound(tones: number[]): void {
  audio ??= new AudioContext();
  const begin = audio.currentTime;
  tones.forEach((hertz, i) => {
    if (!audio) return;
    const [tone, loudness] = [audio.createOscillator(), audio.createGain()];
    tone.frequency.value = hertz;
    loudness.gain.setValueAtTime(0.2, begin + i * 0.16);
    loudness.gain.exponentialRampToValueAtTime(0.001, begin + i * 0.16 + 0.14);
    tone.connect(loudness).connect(audio.destination);
    tone.start(begin + i * 0.16);
    tone.stop(begin + i * 0.16 + 0.15);
  });
}

const spokenUnits = { thou: 'thou', in: 'inches', mm: 'millimetres' };

/** What is said aloud of a gap. */
function spokenGap(cylinder: string, ring: Ring, value: Nm, state: GapState, units: Units): string {
  const { number, unit } = printLength(value, units, 'fine');
  return `Cylinder ${cylinder}, ${RING_WORDS[ring]}: ${number} ${spokenUnits[unit]}, ${state}.`;
}

/** Tells of a gap that was just logged, in the ways that are on. */
export function tell(cylinder: JudgedCylinder | undefined, ring: Ring, value: Nm, units: Units): void {
  if (!cylinder) return;
  const { state } = cylinder.rings[ring];
  try {
    if (isOn('sound')) sound(TONES[state] ?? []);
    if (isOn('shake') && 'vibrate' in navigator) navigator.vibrate(SHAKES[state] ?? []);
    speak(spokenGap(cylinder.label, ring, value, state, units));
  } catch {
    // A browser that will not sound, shake or speak still shows the verdict.
  }
}
