import type { Layout, LayoutTask } from '../build/cutting/nesting';
import type { Catalogue } from '../catalogue';
import type { Plan } from '../plan';
import type { WorkshopState } from '../plan/workshop';

/** What everything follows from. */
export interface Sources {
  readonly plan: Plan;
  readonly catalogue: Catalogue;
  readonly shop: WorkshopState;
  /** Lays out a job; the last few layouts are kept. */
  readonly layOutOnce: (task: LayoutTask) => Layout;
}
