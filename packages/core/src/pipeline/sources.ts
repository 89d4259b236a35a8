import type { Layout, LayoutTask } from '../build/cutting/nesting';
import type { Catalogue } from '../catalogue';
import type { Plan } from '../plan';
import type { Shop } from '../plan/workshop';

/** What everything follows from. */
export interface Sources {
  readonly plan: Plan;
  readonly catalogue: Catalogue;
  readonly shop: Shop;
  /** Lays out a job; the last few layouts are kept. */
  readonly layOutOnce: (task: LayoutTask) => Layout;
}
