export { agendaOf } from './agenda';
export { clock, dayText } from './calendar';
export { planDays } from './days';
export type { Days } from './days';
export { withHours } from './hours';
export type { Step } from './step';
export { orderInputs, ordersOf } from './schedule';
export { stepsOf } from './tasks';
