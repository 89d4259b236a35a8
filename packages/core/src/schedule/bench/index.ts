export type { Act, Deed, KeptDeed, Timer } from './deed';
export { DeedSchema, TIMER_USES } from './schema';
export { MINUTE_MS, benchAfter, spentBatches, workedMin } from './state';
export type { BenchState, Clash, Worked } from './state';
export { countdown, nextRing, ringsOf, rungBetween } from './timers';
export type { Ring, TimerWanted } from './timers';
