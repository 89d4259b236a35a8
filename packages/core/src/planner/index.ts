export { boundOf, earliestOf } from './bound';
export type { Bound } from './bound';
export { breachesOf, throughOf } from './check';
export { networkOf } from './network';
export { Placer } from './place';
export type { Reason } from './place';
export type { Hold, Job, Link, Person, Placed, Problem, Store, Window } from './problem';
export { firstOrders, improved, quick } from './search';
export type { Plan, Progress } from './search';
