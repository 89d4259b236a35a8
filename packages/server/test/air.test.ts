import { beforeEach, describe, expect, test } from 'vitest';
import { judged, stateOf } from '@spare-acre/core/schedule/air';
import type { Sensor } from '@spare-acre/core/io/wire';
import { addSimulated, poll } from '../src/air/sensors';
import { simulated } from '../src/air/simulated';
import { aServer } from './server';

const { call, db } = aServer();
beforeEach(async () => {
  await db()('sensors').delete();
});
const HOUR_MS = 3_600_000;
const told = (answer: { readonly body: unknown }) => (answer.body as { sensors: readonly Sensor[]; nowMs: number }).sensors;
const stateNow = (sensor: Sensor) => stateOf(judged(sensor.readings), Date.now());

describe('the thermo-hygrometer that ships', () => {
  test('comes with a week behind it, once, and nothing of it is doubted', async () => {
    await addSimulated(db(), Date.now());
    await addSimulated(db(), Date.now());
    const sensors = told(await call('GET', '/air'));
    expect(sensors.map(({ id, isSimulated, plays }) => [id, isSimulated, plays])).toEqual([['garage-clock', true, 'none']]);
    expect(sensors[0]!.readings.length).toBeGreaterThan(8 * 48 - 3);
    expect(stateNow(sensors[0]!)).toMatchObject({ fault: null, lies: 0 });
  });
  test.each(['stuck', 'out-of-range', 'clock'] as const)(
    'told to play %s it is noticed, and honest again it is believed again',
    async (fault) => {
      await addSimulated(db(), Date.now());
      const [lying] = told(await call('PUT', '/air/garage-clock/plays', { fault }));
      expect(stateNow(lying!).fault).toBe(fault);
      expect(stateNow(lying!).lies).toBeGreaterThan(10);
      const [honest] = told(await call('PUT', '/air/garage-clock/plays', { fault: 'none' }));
      expect(stateNow(honest!)).toMatchObject({ fault: null, lies: 0 });
    },
  );
  test('spikes are found one by one, and silence is told', async () => {
    await addSimulated(db(), Date.now());
    const [spiky] = told(await call('PUT', '/air/garage-clock/plays', { fault: 'spike' }));
    const faults = judged(spiky!.readings).filter(({ fault }) => fault === 'spike');
    expect(faults.length).toBeGreaterThan(3);
    expect(faults.every(({ airC }) => airC > 20)).toBe(true);
    const [silent] = told(await call('PUT', '/air/garage-clock/plays', { fault: 'gap' }));
    expect(stateNow(silent!).fault).toBe('gap');
  });
  test('polled it says one thing more, what it would have said then; the fault it plays goes on', async () => {
    const startMs = Date.now() - 2 * HOUR_MS;
    await addSimulated(db(), startMs);
    await poll(db(), startMs + 61_000);
    const [sensor] = told(await call('GET', '/air'));
    const { atMs: _at, ...said } = simulated(startMs + 61_000, 'none')!;
    expect(sensor!.readings.at(-1)).toMatchObject({ heardMs: startMs + 61_000, ...said });
    await call('PUT', '/air/garage-clock/plays', { fault: 'gap' });
    const before = told(await call('GET', '/air'))[0]!.readings.length;
    expect(told(await call('POST', '/air/poll'))[0]!.readings.length).toBe(before);
  });
  test('it can not be taken out, and another can not be told to play', async () => {
    await addSimulated(db(), Date.now());
    expect((await call('DELETE', '/air/garage-clock')).status).toBe(404);
    expect((await call('PUT', '/air/moon/plays', { fault: 'stuck' })).status).toBe(404);
    expect((await call('PUT', '/air/garage-clock/plays', { fault: 'lies' })).status).toBe(400);
  });
});

describe('readings from a file', () => {
  const readings = (fromMs: number) => Array.from({ length: 5 }, (_, i) => ({ atMs: fromMs + i * HOUR_MS, airC: 14 + i, humidityPct: 60 }));
  test('are those of a sensor of that name; the same again changes them and doubles none', async () => {
    const fromMs = Date.now() - 6 * HOUR_MS;
    await call('POST', '/air/readings', { name: 'Attic', readings: readings(fromMs) });
    const answer = await call('POST', '/air/readings', {
      name: 'Attic',
      readings: readings(fromMs).map((one) => ({ ...one, airC: one.airC + 1 })),
    });
    expect(answer.status).toBe(201);
    const [attic] = told(answer);
    expect(attic).toMatchObject({ name: 'Attic', isSimulated: false });
    expect(attic!.readings.map(({ airC }) => airC)).toEqual([15, 16, 17, 18, 19]);
    expect(told(await call('DELETE', `/air/${attic!.id}`))).toEqual([]);
  });
  test('of last winter they lend the shape of their days to now', async () => {
    const [attic] = told(await call('POST', '/air/readings', { name: 'Attic', readings: readings(Date.now() - 300 * 24 * HOUR_MS) }));
    expect(attic!.readings).toHaveLength(5);
    const hour = (ms: number): number => new Date(ms).getUTCHours();
    expect(hour(attic!.readings[0]!.atMs)).toBe(hour(Date.now() - 300 * 24 * HOUR_MS));
  });
  test('that are none are refused by field', async () => {
    const bad = await call('POST', '/air/readings', { name: 'Attic', readings: [{ atMs: 5, airC: 14, humidityPct: 60 }] });
    expect(bad.status).toBe(400);
    expect(JSON.stringify(bad.body)).toContain('readings.0.atMs');
    expect((await call('POST', '/air/readings', { name: '', readings: [] })).status).toBe(400);
  });
});
