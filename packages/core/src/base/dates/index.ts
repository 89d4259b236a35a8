export { WEEKDAYS, clock, dayAfter, dayNamed, dayText, minutesAt, momentText, weekFrom, weekdayOf } from './dates';
