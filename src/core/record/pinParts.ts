/** The parts of a cylinder that a reminder can be pinned on by name. */

export const PIN_PARTS = ['piston', 'pin', 'clips', 'rings', 'rod', 'shells'] as const;
export type PinPart = (typeof PIN_PARTS)[number];

export const PIN_PART_WORDS: Record<PinPart, string> = {
  piston: 'piston',
  pin: 'piston pin',
  clips: 'clips',
  rings: 'rings',
  rod: 'rod',
  shells: 'shells',
};
