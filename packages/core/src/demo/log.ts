import type { LogEntry } from '../learning/logbook';

type Said = Pick<LogEntry, 'day' | 'name' | 'note'> & Partial<LogEntry>;
const entry = (id: string, said: Said): LogEntry => ({
  id,
  taskId: null,
  who: 'You',
  figures: [],
  photoIds: [],
  air: null,
  mishap: null,
  ...said,
});
const minutes = (planned: number, real: number): LogEntry['figures'][number] => ({
  name: 'Minutes',
  unit: 'min',
  planned,
  real,
  implied: null,
});

/** What was tried on scrap before Brinefold was begun: it says how it went, and nothing that its figures are reckoned anew from. */
export const BRINEFOLD_LOG: readonly LogEntry[] = [
  entry('trial-cut', {
    day: '2026-11-21',
    name: 'Trial: two strips cut and glued',
    note: 'The second strip came 1 mm short: measured from the cut and not from the edge.',
    figures: [minutes(15, 22), { name: 'White glue', unit: 'g', planned: 12, real: 15, implied: null }],
  }),
  entry('trial-paste', {
    day: '2026-11-22',
    name: 'Trial: paste on a scrap, 3 mm',
    note: 'Cracked overnight where it lay thick over the step.',
    figures: [minutes(20, 26), { name: 'Light filler, ready mixed', unit: 'ml', planned: 60, real: 71, implied: null }],
    air: { airC: 18.5, humidityPct: 58 },
    mishap: { mishapId: 'cracked', causeId: 'thick' },
  }),
  entry('trial-again', {
    day: '2026-11-26',
    name: 'Trial: the same in two thin coats',
    note: 'No cracks. The second went on after a night.',
    figures: [minutes(30, 31), { name: 'Light filler, ready mixed', unit: 'ml', planned: 60, real: 58, implied: null }],
    air: { airC: 19, humidityPct: 55 },
  }),
  entry('trial-paint', {
    day: '2026-11-28',
    name: 'Trial: base coat, wash and drybrush on the scrap',
    note: 'Paler dry than it looked wet. The wash a little thinner next time.',
    figures: [minutes(35, 38)],
  }),
];
