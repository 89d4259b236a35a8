import { describe, expect, test } from 'vitest';
import { looseLot } from '../demo';
import { type Plan, newPlan } from '../plan';
import { checkPlan } from '../plan/stored/file';
import { CATALOGUE, derived } from '../testing';
import { STAGES } from './derive';

const lot = looseLot(CATALOGUE);
/** Numbers in an answer, wherever they lie. */
function* numbersIn(value: unknown): Generator<number> {
  if (typeof value === 'number') yield value;
  else if (value instanceof Map) for (const entry of value) yield* numbersIn(entry);
  else if (typeof value === 'object' && value !== null) for (const inner of Object.values(value)) yield* numbersIn(inner);
}

describe('a lot of pieces without a table', () => {
  test('is a sound plan', () => {
    expect(checkPlan(lot, CATALOGUE)).toMatchObject({ ok: true });
  });

  test.each(['columnWidthsMm', 'rowDepthsMm'] as const)('none of %s beside some of the others is refused by name', (side) => {
    const half = { ...lot, table: { ...lot.table, columnWidthsMm: [300], rowDepthsMm: [300], [side]: [] } };
    const checked = checkPlan(half as Plan, CATALOGUE);
    expect(checked.ok ? '' : checked.problem.issues[0]!.path).toBe(`table.${side}`);
  });

  test('every stage answers, in finite numbers', () => {
    const all = derived(lot) as unknown as Record<string, unknown>;
    for (const name of STAGES.names) for (const number of numbersIn(all[name])) expect(Number.isNaN(number), name).toBe(false);
  });

  test('is cut, bought for, weighed and ready on a day; nothing is made for a table', () => {
    const { jobs, supplies, days, tally, ground } = derived(lot);
    expect(ground.tiles).toEqual([]);
    const workpieces = new Set(days.slots.map(({ task }) => task.workpieceId));
    expect([...workpieces].sort()).toEqual(lot.pieces.map(({ id }) => id).sort());
    expect(jobs.flatMap(({ parts }) => parts).every(({ stage }) => stage === 'piece')).toBe(true);
    expect(supplies.rows.map(({ group }) => group).sort()).toEqual(['adhesive', 'paint', 'paint', 'paint', 'sheets', 'stuffs', 'varnish']);
    expect(tally.readyText).toMatch(/^\w+ \d+ Dec/);
    expect(tally.mass.value).toBeGreaterThan(20);
  });

  test('an empty lot has nothing to do', () => {
    const empty = newPlan(
      { name: 'Lot', units: 'metric', widthMm: 0, depthMm: 0, columns: 0, rows: 0, figureHeightMm: 28, startsOn: '2026-12-02' },
      CATALOGUE,
    );
    expect(derived(empty).tally).toMatchObject({ ready: null, sheets: { value: 0 } });
  });
});
