import { z } from 'zod';
import type { Limits } from '../units';

/** What was given, short enough for a message. */
export const said = (value: unknown): string =>
  typeof value === 'number' ? String(value) : (JSON.stringify(value)?.slice(0, 40) ?? 'nothing');

/** A number within limits, refused with its value and what would do. */
export const within = ({ min, max }: Limits, unit: string): z.ZodNumber => {
  const error = ({ input }: { input?: unknown }): string => `got ${said(input)}; ${min} to ${max}${unit === '' ? '' : ` ${unit}`} would do`;
  return z.number({ error }).min(min, { error }).max(max, { error });
};
export const mm = (limits: Limits): z.ZodNumber => within(limits, 'mm');
export const whole = ({ min, max }: Limits): z.ZodNumber => {
  const error = ({ input }: { input?: unknown }): string => `got ${said(input)}; a whole number from ${min} to ${max} would do`;
  return z.number({ error }).int({ error }).min(min, { error }).max(max, { error });
};

/** Text that every store and every screen can hold: no control characters, no half of a surrogate pair. */
export const text = (max: number): z.ZodString =>
  z
    .string()
    .min(1, 'is empty; a few words would do')
    .max(max, `is longer than ${max} characters`)
    .regex(/^[^\p{Cc}\p{Cs}]*$/u, 'holds control characters');
export const Id = z.string().regex(/^[A-Za-z0-9_-]{1,40}$/, 'expected 1 to 40 letters, digits, - or _');
