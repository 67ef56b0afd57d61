/** What a crown's drawing is made of: shapes and words with their places. */
import type { Joint, Joints } from '../../foundation/parts/joints';
import type { Surroundings } from './surroundings';
import type { KeptFree } from './rules';

/** What a colour stands for; whoever paints says which colour. */
export type Tone = 'none' | 'ink' | 'soft' | 'line' | 'edge' | 'sheet' | 'paper' | 'blue' | 'ring' | 'short';
/** How a shape is painted. */
interface Look {
  fill?: Tone;
  stroke?: Tone;
  width?: number;
  dash?: string;
  opacity?: number;
}

export type Item =
  | ({ kind: 'circle'; x: number; y: number; r: number } & Look)
  | ({ kind: 'path'; d: string; x?: number; y?: number } & Look)
  | {
      kind: 'text';
      x: number;
      y: number;
      text: string;
      size: number;
      anchor: 'start' | 'middle' | 'end';
      tone: Tone;
      bold?: boolean;
      turn?: number;
    };
export interface Box {
  x: number;
  y: number;
  w: number;
  h: number;
}

export interface Mark {
  joint: Joint;
  x: number;
  y: number;
}

export interface Scene {
  box: Box;
  items: Item[];
  /** Where the joints' marks are. */
  marks: Mark[];
  /** Where the words stand. */
  words: Box[];
}

/** `full` has a scale and a label for each joint; `card` is read small, beside a list of the angles. */
export type CrownStyle = 'full' | 'card';
export interface CrownAsk {
  /** Null for the piston without its rings, as it is hung on its rod: its front mark is what is looked at. */
  joints: Joints | null;
  round: Surroundings;
  free: readonly KeptFree[];
  /** Joints that break a rule. */
  broken: ReadonlySet<Joint>;
  /** Degrees the picture is turned by. */
  turn: number;
  style: CrownStyle;
}

export interface Words {
  items: Item[];
  boxes: Box[];
}

/** Radius of the bore in the drawing. */
export const BORE_RADIUS = 240;
