import { z } from 'zod';

/** Words that go into ids: short, lower case, joined by hyphens. */
export const Id = z
  .string()
  .regex(/^[a-z0-9]+(-[a-z0-9]+)*$/, 'expected lower-case words joined by hyphens')
  .max(60);
export const Name = z.string().min(1).max(80);
export const positive = z.number().positive().max(1e7);
export const notNegative = z.number().min(0).max(1e7);

/** A value with its plausible range and where it comes from. A label, a data sheet or the logbook wins over it. */
export const Estimate = z
  .strictObject({
    value: notNegative,
    low: notNegative,
    high: notNegative,
    origin: z.string().min(1).max(80),
    /** Where it stands in the catalogue, and what it was before the builder set it: both told by the server. */
    path: z.string().max(200).optional(),
    ours: z.strictObject({ value: notNegative, low: notNegative, high: notNegative }).optional(),
  })
  .refine(({ low, value, high }) => low <= value && value <= high, 'expected low ≤ value ≤ high');

/** Days that something keeps; its label wins. */
export const Life = z.strictObject({ closedDays: positive, openDays: positive });

export const Pack = z.strictObject({ amount: positive, priceMinor: z.number().int().positive().max(1e7) });
