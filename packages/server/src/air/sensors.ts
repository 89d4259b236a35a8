import type { Knex } from 'knex';
import { randomUUID } from 'node:crypto';
import type { NewReadings, Played, Sensor } from '@spare-acre/core/io/wire';
import { simulated } from './simulated';

const HALF_HOUR_MS = 1_800_000;
const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
/** Readings are shown and reckoned with for so long, and kept for a while longer. */
const SHOWN_MS = 8 * DAY_MS;
const KEPT_MS = 400 * DAY_MS;
/** A fault that is played begins so long ago, so that it can be seen at once. */
const PLAYED_MS = 10 * HOUR_MS;
export const SIMULATED_ID = 'garage-clock';

interface SensorRow {
  readonly id: string;
  readonly name: string;
  readonly is_simulated: boolean;
  readonly plays: Played;
}
interface ReadingRow {
  readonly sensor_id: string;
  readonly at: Date;
  readonly heard_at: Date;
  readonly air_c: number;
  readonly humidity_pct: number;
}

/** Every thermo-hygrometer with its last days, as they were heard. */
export async function listSensors(db: Knex, nowMs: number): Promise<readonly Sensor[]> {
  const sensors = await db<SensorRow>('sensors').orderBy('created_at').orderBy('id');
  const rows = await db<ReadingRow>('readings')
    .where('heard_at', '>', new Date(nowMs - SHOWN_MS))
    .orderBy('heard_at');
  return sensors.map(({ id, name, is_simulated: isSimulated, plays }) => ({
    id,
    name,
    isSimulated,
    plays,
    readings: rows.filter(({ sensor_id }) => sensor_id === id).map(asReading),
  }));
}
const asReading = ({ at, heard_at, air_c, humidity_pct }: ReadingRow): Sensor['readings'][number] => ({
  atMs: at.getTime(),
  heardMs: heard_at.getTime(),
  airC: air_c,
  humidityPct: humidity_pct,
});

/** The thermo-hygrometer that ships, with a week behind it; nothing where it is there already. */
export async function addSimulated(db: Knex, nowMs: number): Promise<void> {
  const added = await db('sensors')
    .insert({ id: SIMULATED_ID, name: 'Garage clock', is_simulated: true })
    .onConflict('id')
    .ignore()
    .returning('id');
  if (added.length > 0) await tellFrom(db, nowMs - SHOWN_MS, nowMs, 'none');
}

/** What it would have said every half hour. */
async function tellFrom(db: Knex, fromMs: number, nowMs: number, plays: Played): Promise<void> {
  const rows: ReadingRow[] = [];
  for (let heardMs = Math.ceil(fromMs / HALF_HOUR_MS) * HALF_HOUR_MS; heardMs <= nowMs; heardMs += HALF_HOUR_MS) {
    const said = simulated(heardMs, plays);
    if (said !== null) rows.push(rowOf(SIMULATED_ID, heardMs, said));
  }
  if (rows.length > 0) await db('readings').insert(rows).onConflict(['sensor_id', 'heard_at']).ignore();
}
const rowOf = (
  sensorId: string,
  heardMs: number,
  { atMs, airC, humidityPct }: { readonly atMs: number; readonly airC: number; readonly humidityPct: number },
): ReadingRow => ({ sensor_id: sensorId, at: new Date(atMs), heard_at: new Date(heardMs), air_c: airC, humidity_pct: humidityPct });

/** Has the simulated one play a fault as if it had begun some hours ago, or none. @returns false where there is no such sensor that can */
export async function play(db: Knex, sensorId: string, fault: Played, nowMs: number): Promise<boolean> {
  return db.transaction(async (trx) => {
    const changed = await trx<SensorRow>('sensors').where({ id: sensorId, is_simulated: true }).update({ plays: fault });
    if (changed === 0) return false;
    await trx<ReadingRow>('readings')
      .where({ sensor_id: sensorId })
      .where('heard_at', '>', new Date(nowMs - PLAYED_MS))
      .delete();
    await tellFrom(trx, nowMs - PLAYED_MS, nowMs, fault);
    return true;
  });
}

/** Asks every simulated sensor once. */
export async function poll(db: Knex, nowMs: number): Promise<void> {
  for (const { id, plays } of await db<SensorRow>('sensors').where({ is_simulated: true })) {
    const said = simulated(nowMs, plays);
    if (said !== null)
      await db('readings')
        .insert(rowOf(id, nowMs, said))
        .onConflict(['sensor_id', 'heard_at'])
        .ignore();
  }
  await db<ReadingRow>('readings')
    .where('heard_at', '<', new Date(nowMs - KEPT_MS))
    .delete();
}

/** Readings from a file, as those of a thermo-hygrometer of that name: told as if it had been heard when it spoke, the last of them now. */
export async function addReadings(db: Knex, { name, readings }: NewReadings, nowMs: number): Promise<string> {
  return db.transaction(async (trx) => {
    const known = await trx<SensorRow>('sensors').where({ name, is_simulated: false }).first();
    const id = known?.id ?? `file-${randomUUID()}`;
    if (known === undefined) await trx('sensors').insert({ id, name, is_simulated: false });
    // A file of last winter is as good for the shape of a day: its last reading is moved to now, by whole days.
    const lastMs = Math.max(...readings.map(({ atMs }) => atMs));
    const byMs = lastMs < nowMs - DAY_MS ? Math.floor((nowMs - lastMs) / DAY_MS) * DAY_MS : 0;
    const rows = readings.map(({ atMs, ...air }) => rowOf(id, atMs + byMs, { atMs: atMs + byMs, ...air }));
    for (let i = 0; i < rows.length; i += 1_000)
      await trx('readings')
        .insert(rows.slice(i, i + 1_000))
        .onConflict(['sensor_id', 'heard_at'])
        .merge(['air_c', 'humidity_pct']);
    return id;
  });
}
/** Takes a sensor out with all it said; the one that ships stays. */
export const removeSensor = async (db: Knex, id: string): Promise<boolean> =>
  (await db<SensorRow>('sensors').where({ id, is_simulated: false }).delete()) > 0;
