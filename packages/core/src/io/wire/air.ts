import { z } from 'zod';
import { text } from '../../plan/fields';

const SensorId = z.string().regex(/^[A-Za-z0-9_-]{1,60}$/, 'expected the id of a sensor');
/** Faults that the simulated thermo-hygrometer can be told to play. */
export const PLAYED = ['none', 'stuck', 'spike', 'out-of-range', 'clock', 'gap'] as const;
/** What it said: its own clock, when it was heard, °C and %. */
export const WireReading = z.strictObject({ atMs: z.number(), heardMs: z.number(), airC: z.number(), humidityPct: z.number() });
export const Sensor = z.strictObject({
  id: SensorId,
  name: text(60),
  /** Ships with the program, and makes its readings up. */
  isSimulated: z.boolean(),
  plays: z.enum(PLAYED),
  /** Of the last eight days, as they were heard. */
  readings: z.array(WireReading),
});
export const Sensors = z.strictObject({ sensors: z.array(Sensor), nowMs: z.number() });
export const SensorParams = z.strictObject({ sensorId: SensorId });
export const Play = z.strictObject({ fault: z.enum(PLAYED) });
/** Readings from a file. */
export const NewReadings = z.strictObject({
  name: text(60).regex(/^$|\S/u, 'is empty. Enter a few words'),
  readings: z
    .array(
      z.strictObject({
        atMs: z
          .number()
          .int()
          .min(Date.UTC(2000, 0, 1))
          .max(Date.UTC(2100, 0, 1)),
        airC: z.number().min(-200).max(200),
        humidityPct: z.number().min(-50).max(200),
      }),
    )
    .min(1)
    .max(20_000),
});

export type Sensor = z.infer<typeof Sensor>;
export type Played = (typeof PLAYED)[number];
export type NewReadings = z.infer<typeof NewReadings>;
