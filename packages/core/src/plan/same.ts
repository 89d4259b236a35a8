import { dequal } from 'dequal';
import type { Plan } from './plan';

export const same = (a: unknown, b: unknown): boolean => a === b || dequal(a, b);

/** Whether two plans say the same. */
export const isSamePlan = (a: Plan, b: Plan): boolean => same(a, b);
