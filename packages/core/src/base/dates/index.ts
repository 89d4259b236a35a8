export { clock, dayAfter, dayNamed, dayText, minutesAt, momentText, weekdayOf } from './dates';
