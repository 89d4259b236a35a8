import type { Feature } from '../features';
import { describe, expect, test } from 'vitest';
import { CATALOGUE, aBoard, aMound, aPool } from '../../testing';
import { checkPlan } from './file';

const issuesOf = (raw: unknown): string[] => {
  const checked = checkPlan(raw, CATALOGUE);
  return checked.ok ? [] : checked.problem.issues.map(({ path, message }) => `${path}: ${message}`);
};
/** A plan's JSON with one place in it changed. */
function changed(path: string, value: unknown): unknown {
  const plan: unknown = JSON.parse(JSON.stringify(aBoard({}, aMound([100, 100, 200, 100], 20))));
  const keys = path.split('.');
  const last = keys.pop()!;
  const parent = keys.reduce((at, key) => (at as Record<string, unknown>)[key], plan);
  (parent as Record<string, unknown>)[last] = value;
  return plan;
}

test('a new board is sound', () => {
  expect(issuesOf(aBoard())).toEqual([]);
});

describe('a bad plan is refused with the path, the value and what would do', () => {
  test.each([
    [0, 'table.columnWidthsMm.0: got 0. Enter 40 to 3000 mm'],
    [-5, 'table.columnWidthsMm.0: got -5. Enter 40 to 3000 mm'],
    [1e9, 'table.columnWidthsMm.0: got 1000000000. Enter 40 to 3000 mm'],
    ['abc', 'table.columnWidthsMm.0: got "abc". Enter 40 to 3000 mm'],
    [null, 'table.columnWidthsMm.0: got null. Enter 40 to 3000 mm'],
  ])('a column of %j', (width, said) => {
    expect(issuesOf(changed('table.columnWidthsMm.0', width))).toEqual([said]);
  });

  test.each([
    [
      'a point that stands twice',
      [
        [0, 0],
        [0, 0],
        [90, 0],
        [90, 90],
      ],
      'corner 2 repeats corner 1 at 0, 0 mm. Remove one',
    ],
    [
      'the first point again at the end',
      [
        [0, 0],
        [90, 0],
        [90, 90],
        [0, 0],
      ],
      'corner 4 repeats the first corner. Remove it; the outline closes automatically',
    ],
    [
      'points on one line',
      [
        [0, 0],
        [40, 0],
        [90, 0],
      ],
      'all 3 corners lie on one line. Move one of them',
    ],
  ])('%s is named for what it is', (_what, corners, message) => {
    const points = corners.map(([x, y]) => ({ x: x!, y: y! }));
    const feature = { ...aMound([0, 0, 50, 50], 20), shape: { form: 'outline', points } } as Feature;
    expect(issuesOf(aBoard({}, feature))).toEqual([`features.0.shape.points: ${message}`]);
  });

  test('brackets five thousand deep are refused like anything else, a part id with a zero character too', () => {
    const deep: unknown = JSON.parse('['.repeat(5_000) + ']'.repeat(5_000));
    for (const path of ['name', 'features', 'section']) expect(issuesOf(changed(path, deep))[0]).toContain(path);
    for (const partId of ['a\u0000b', 'a\ud800b'])
      expect(issuesOf(changed('cutting.splits', [{ partId, wholeId: 'a', along: 'x', atMm: [5] }]))[0]).toContain(
        'cutting.splits.0.partId',
      );
  });

  test('an outline that crosses itself', () => {
    const points = [
      { x: 0, y: 0 },
      { x: 100, y: 100 },
      { x: 100, y: 0 },
      { x: 0, y: 100 },
    ];
    const raw = changed('features.0.shape', { form: 'outline', points });
    expect(issuesOf(raw)).toEqual([
      'features.0.shape.points: the outline crosses itself: side 1 crosses side 3. Move a corner so that no sides cross',
    ]);
  });

  test('a material the catalogue lacks', () => {
    expect(issuesOf(changed('stack.raised.materialId', 'cheese'))).toEqual([
      'stack.raised.materialId: the catalogue has no material “cheese”',
    ]);
  });

  test('a plan of a later version, and a file of something else', () => {
    expect(issuesOf(changed('version', 15))).toEqual(['version: got 15; this program reads versions 1 to 14']);
    expect(issuesOf({ format: 'recipe' })[0]).toContain('this file is not a plan of this program');
    for (const raw of [null, [], 'plan', 7, {}]) expect(issuesOf(raw).length).toBeGreaterThan(0);
  });

  test('text that no database holds: a zero character, half a surrogate pair', () => {
    for (const name of ['a\u0000b', 'a\ud800b', '']) expect(issuesOf(changed('name', name))[0]).toMatch(/^name: /);
  });

  test('keys that do not belong, polluting ones among them', () => {
    const raw = JSON.parse(JSON.stringify(aBoard()).replace('{', '{"__proto__":{"polluted":1},"constructor":1,')) as unknown;
    expect(issuesOf(raw).length).toBeGreaterThan(0);
    expect(({} as Record<string, unknown>)['polluted']).toBeUndefined();
  });

  test('a 30th of February, an evening that ends before it begins, two features of one id', () => {
    expect(issuesOf(changed('calendar.startsOn', '2026-02-30'))).toEqual([
      'calendar.startsOn: got "2026-02-30", which is not a day of the calendar. Enter 2026-11-30',
    ]);
    expect(issuesOf(changed('calendar.hours', [{ weekday: 1, fromMin: 900, toMin: 800 }]))[0]).toContain('at least 15 minutes');
    expect(issuesOf(aBoard({}, aPool([0, 0, 50, 50], 5, 2, 'a'), aPool([90, 0, 50, 50], 5, 2, 'a')))).toEqual([
      'features.1.id: a appears twice',
    ]);
  });

  test('twelve columns of 3 m are more than a table', () => {
    expect(
      issuesOf(
        changed(
          'table.columnWidthsMm',
          Array.from({ length: 12 }, () => 3000),
        ),
      ),
    ).toEqual(['table.columnWidthsMm: add up to 36000 mm. The limit is 12000 mm']);
  });
});
