/** What is found of the job card. */
import type { LoggedReading } from '../../record/reading';

export interface JobEngineResult {
  /** Readings of cylinders, mains, or rings of cylinders, that this engine has not got. */
  strays: LoggedReading[];
}
