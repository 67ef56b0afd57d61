/** The job card: what is built, for whom, and what decides its figures. */
import type { Engine } from '../foundation/engine/engine';
import type { Nm, Units } from '../foundation/quantity/length';
import type { Service } from '../models/load/service';
import type { Surface } from '../foundation/parts/materials';

export interface Job {
  name: string;
  customer: string;
  /** The engine in the shop's words. */
  description: string;
  notes: string;
  engine: Engine;
  /** The system the shop speaks for this engine: what a bare number means. */
  units: Units;
  /** Finished bore as planned; null when not decided. */
  plannedBore: Nm | null;
  /** What it is for, and what adds power: suggests the chart's row. */
  service: Service;
  /** Chart row by id, where the builder chose one; null follows what the service suggests. */
  duty: string | null;
  /** Column of the chart by id; null when not said. */
  construction: string | null;
  /** What the cylinder wall is; null when not said. */
  surface: Surface | null;
  /** Stages that are done elsewhere, or not at all: nothing is asked for there. */
  elsewhere: string[];
  /** Stages that this job covers of those that are asked for only where a job says so. */
  also: string[];
}
