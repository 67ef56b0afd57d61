import type { ReadIn } from './archive';

/** What came of an import, in a sentence. */
export const importSays = ({ builds, charts, tools, people, faults }: ReadIn): string =>
  `Imported: ${builds.added} builds added, ${builds.grown} with more entries, ${builds.same} as they were; ${charts} versions of charts, ${tools} tools, ${people} people; ${faults.length} left out`;
