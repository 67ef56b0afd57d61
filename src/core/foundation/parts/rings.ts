/** The rings of one piston, and what squares them in the bore. */
export const RINGS = ['top', 'second', 'upperRail', 'lowerRail'] as const;
export type Ring = (typeof RINGS)[number];

/** The rings that are filed and swapped. */
export const COMPRESSION = ['top', 'second'] as const;
export type Compression = (typeof COMPRESSION)[number];

/** Whether what is read is the gap of a ring. */
export const isRing = (subject: string): subject is Ring => RINGS.some((ring) => ring === subject);

/** Whether a ring is one of the two that are filed and swapped. */
export const isCompression = (ring: Ring): ring is Compression => ring === 'top' || ring === 'second';
export const RING_WORDS: Record<Ring, string> = {
  top: 'top ring',
  second: 'second ring',
  upperRail: 'upper rail',
  lowerRail: 'lower rail',
};

/** What a ring was squared in its bore with. */
export const SQUARINGS = ['tool', 'flatPiston', 'domedPiston', 'hand'] as const;
export type Squaring = (typeof SQUARINGS)[number];
export const SQUARING_WORDS: Record<Squaring, string> = {
  tool: 'squaring tool',
  flatPiston: 'flat-top piston',
  domedPiston: 'domed piston',
  hand: 'by hand and eye',
};
