export { WEEKDAYS, clock, dayAfter, dayNamed, dayText, minutesAt, momentText, seasonOf, weekFrom, weekdayOf } from './dates';
