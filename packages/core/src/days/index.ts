export { agendaOf } from './agenda';
export { clock, dayText } from './calendar';
export { planDays } from './days';
export type { Days } from './days';
export { withHours } from './hours';
export type { Step } from './step';
export { type Slot, orderInputs, ordersOf } from './schedule';
export { stepsOf } from './tasks';
