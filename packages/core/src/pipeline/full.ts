import * as checks from '../advice/checks';
import * as pieces from '../build/pieces';
import type { Catalogue } from '../catalogue';
import type { Plan } from '../plan';
import type { WorkshopState } from '../plan/workshop';
import * as certainty from '../procurement/supplies/certainty';
import * as schedule from '../schedule/tasks';
import { type Derivation, pipelineWith } from './derive';
import * as views from './on-view';
import { LoadedUnits, type Units } from './units';

/** Every unit: for whoever waits for all of a board anyway. */
export const ALL_UNITS: Units = { pieces, views, schedule, certainty, checks };

/** A pipeline for one board with everything there is. */
export const derivePipeline = (): ((plan: Plan, catalogue: Catalogue, shop?: WorkshopState) => Derivation) =>
  pipelineWith(new LoadedUnits(ALL_UNITS));
