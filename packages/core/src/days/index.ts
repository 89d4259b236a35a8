export { clock, dayText, momentText, weekdayOf, windowsOf } from './calendar';
export type { Window } from './calendar';
export { stepsOf } from './tasks';
export type { Step, Task } from './tasks';
export { readyBoundMin, scheduleSteps } from './schedule';
export type { Slot } from './schedule';
export type { Ready } from './ready';
export { planDays } from './days';
export type { Days } from './days';
