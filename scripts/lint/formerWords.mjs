/** Words that people stopped at, each with what is said in its place. Lint holds screens, messages and documents to it. */
export const FORMER_WORDS = [
  [/\b(the|whole|off the|on the) shelf\b/i, 'builds; archive, restore'],
  [/\bthe drawer\b|\bput away\b/i, 'archive, archived'],
  [/\bread in a build\b|\bnot read in\b/i, 'import'],
  [/\bsame again\b/i, 'copy build'],
  [/\bthe shop speaks\b/i, 'units'],
  [/\bwhat is on the stand\b/i, 'engine'],
  [/\bname of the build\b|\bhow the shop will look\b/i, 'build name'],
  [/\bhow the piston is made\b/i, 'piston type'],
  [/\bwhat the engine is for\b/i, 'use'],
  [/\bwhat the targets rest on\b/i, 'basis of targets'],
  [/\bnot said\b/i, 'not set, not entered'],
  [/\brow of the chart\b/i, 'chart row'],
  [/\bplanned for later\b/i, 'planned upgrades'],
  [/\bwhat this job covers\b/i, 'stages in this job'],
  [
    /\bwindows, schools\b|\bgrid and limits\b|\bgauge point, pins\b|\bwhich shells\b/i,
    'rules; measuring plan; gauge point and pins; bearing shells',
  ],
  [/\border of trust\b/i, 'in order of authority'],
  [/\bin force\b/i, 'used'],
  [/\bwell up to\b|\bhoning mends\b/i, 'good up to, hone up to'],
  [/\balone it takes\b/i, 'on its own'],
  [/\bset (gauge point|the bottom end|what was supplied)\b/i, 'save'],
  [/\ba thou more\b|\ba thou less\b/i, '+0.001 in'],
  [/\bas alike as\b|\bnear the aim\b/i, 'as even as possible; closest to aim'],
  [/\bto know\.|\bto mend\b/i, 'note; fix'],
  [/\bto stop for\b/i, 'stops'],
  [/\bpinned on\b|\bpin a reminder\b/i, 'reminder'],
  [/\bas it should be\b/i, 'OK'],
  [/\bfound otherwise\b/i, 'not as planned'],
  [/\bwhat they may\b|\bleft the shop\b|\bsomebody new\b/i, 'role; deactivate; add person'],
  [/\bis asked for\b/i, 'enter …, required'],
  [/\bon (this|the) route\b/i, 'measuring order'],
  [/\bbrought here\b/i, 'worked back from another depth'],
  [/\bpass(es)? the window\b/i, 'cut too far'],
  [/\bwhen they are in\b/i, 'once they are fitted'],
];

/** The first former word in a text, and what is said now; null for none. */
export function formerWord(text) {
  for (const [pattern, instead] of FORMER_WORDS) {
    const found = pattern.exec(text);
    if (found) return { found: found[0], instead };
  }
  return null;
}
