import type { Estimate } from '../schema';

/** A workshop default; without a range the value is a rule rather than a measurement. */
export const about = (value: number, low = value, high = value): Estimate => ({ value, low, high, origin: 'our default value' });
