import type { Knex } from 'knex';
import { NewReadings, Play, SensorParams, Sensors } from '@spare-acre/core/io/wire';
import { type GuardedRoutes, guardedRoutes } from '../access/may';
import { HttpProblem } from '../problems';
import { smallJson } from '../reading/bodies';
import { addReadings, listSensors, play, poll, removeSensor } from './sensors';

const noSuchSensor = (): HttpProblem => new HttpProblem(404, 'No such sensor', 'There is no sensor with that id that supports this.');

/** Thermo-hygrometers and their readings. */
export function airRoutes(db: Knex): GuardedRoutes {
  const api = guardedRoutes();
  const told = async () => {
    const nowMs = Date.now();
    return Sensors.parse({ sensors: await listSensors(db, nowMs), nowMs });
  };

  api.get('/air', 'look', async (_req, res) => {
    res.json(await told());
  });
  /** Asks them now, without waiting for the next time. */
  api.post('/air/poll', 'build', async (_req, res) => {
    await poll(db, Date.now());
    res.json(await told());
  });
  api.put('/air/:sensorId/plays', 'build', ...smallJson('1kb'), async (req, res) => {
    const { sensorId } = SensorParams.parse(req.params);
    if (!(await play(db, sensorId, Play.parse(req.body).fault, Date.now()))) throw noSuchSensor();
    res.json(await told());
  });
  api.post('/air/readings', 'build', ...smallJson('3mb'), async (req, res) => {
    await addReadings(db, NewReadings.parse(req.body), Date.now());
    res.status(201).json(await told());
  });
  api.delete('/air/:sensorId', 'delete', async (req, res) => {
    const { sensorId } = SensorParams.parse(req.params);
    if (!(await removeSensor(db, sensorId))) throw noSuchSensor();
    res.json(await told());
  });
  return api;
}
