export { cutMm, rounded, tidyMm } from './rounding';
