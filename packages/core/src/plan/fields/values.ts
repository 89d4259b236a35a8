import { z } from 'zod';
import { isStorable, lettersIn } from '../../base/text';
import type { Limits } from '../../base/units';

/** What was given, short enough for a message; of lists and objects only that they are some, however deep they go. */
export function said(value: unknown): string {
  if (value === undefined) return 'nothing';
  if (Array.isArray(value)) return `a list of ${value.length}`;
  if (typeof value === 'object' && value !== null) return 'an object';
  return typeof value === 'string' ? JSON.stringify([...value].slice(0, 40).join('')) : String(value);
}

/** A number within limits, refused with its value and what would do. */
export const within = ({ min, max }: Limits, unit: string): z.ZodNumber => {
  const error = ({ input }: { input?: unknown }): string => `got ${said(input)}. Enter ${min} to ${max}${unit === '' ? '' : ` ${unit}`}`;
  return z.number({ error }).min(min, { error }).max(max, { error });
};
export const mm = (limits: Limits): z.ZodNumber => within(limits, 'mm');
export const whole = ({ min, max }: Limits): z.ZodNumber => {
  const error = ({ input }: { input?: unknown }): string => `got ${said(input)}. Enter a whole number from ${min} to ${max}`;
  return z.number({ error }).int({ error }).min(min, { error }).max(max, { error });
};

/** Whether every store and every screen can hold a text: no control characters, no half of a surrogate pair. */
const PLAIN = /^[^\p{Cc}\p{Cs}]*$/u;
const saidOf =
  (what: string) =>
  ({ input }: { input?: unknown }): string =>
    `got ${said(input)}. ${what}`;

/** Text that every store and every screen can hold. */
export function text(max: number): z.ZodString {
  const error = saidOf(`Enter 1 to ${max} characters`);
  return z
    .string({ error })
    .min(1, { error: 'is empty. Enter a few words' })
    .refine((given) => lettersIn(given) <= max, { error })
    .regex(PLAIN, { error: saidOf('Enter text without control characters') });
}
/** Text that a person types, of one line or more, from none to so many letters. */
export const freeText = (max: number): z.ZodString =>
  z
    .string({ error: saidOf(`Enter up to ${max} characters`) })
    .refine((given) => lettersIn(given) <= max, { error: saidOf(`Enter up to ${max} characters`) })
    .refine(isStorable, { error: saidOf('One of its characters is incomplete. Enter whole characters') });
export const Id = z
  .string({ error: saidOf('Enter a text of letters and digits') })
  .regex(/^[A-Za-z0-9_-]{1,40}$/, { error: saidOf('Enter 1 to 40 letters, digits, - or _') });
/** An id made of others, as parts have them: opaque, and fit for every store. */
export const longId = (max: number): z.ZodString => text(max);
/** One of a few words. */
export const oneOf = <const T extends readonly [string, ...string[]]>(words: T): z.ZodEnum<{ [K in T[number]]: K }> =>
  z.enum(words, { error: saidOf(`Enter one of: ${words.join(', ')}`) });
export const yesOrNo = (): z.ZodBoolean => z.boolean({ error: saidOf('Enter true or false') });
/** A list of so many at least and at most. */
export const listOf = <S extends z.ZodType>(each: S, { min, max }: Limits): z.ZodArray<S> => {
  const error = ({ input }: { input?: unknown }): string => `got ${said(input)}. Enter ${min === 0 ? 'up to' : `${min} to`} ${max}`;
  return z.array(each, { error }).min(min, { error }).max(max, { error });
};

/** A day of the calendar: `2026-11-30`. */
export const Day = z
  .string()
  .regex(/^20\d\d-\d\d-\d\d$/, { error: ({ input }) => `got ${said(input)}. Enter a date such as 2026-11-30` })
  .refine(
    (day) => {
      const date = new Date(`${day}T00:00:00Z`);
      return !Number.isNaN(date.getTime()) && date.toISOString().startsWith(day);
    },
    { error: ({ input }) => `got ${said(input)}, which is not a day of the calendar. Enter 2026-11-30` },
  );
