import { type EditCode, applied, EDIT_CODES } from '../plan/edits';
import { describe, expect, test } from 'vitest';
import { seeded } from '../base/random';
import type { Board } from '../plan';
import { checkBoardFile } from '../plan/stored/file';
import type { FeatureOf } from '../plan/features';
import { newPiece } from '../build/pieces';
import { NOTHING_DONE, EMPTY_WORKSHOP } from '../plan/workshop';
import { aBank, aBoard, aCrater, aHill, aMound, aPit, aPlot, aPool, aTrack, CATALOGUE, derived, sampleEdit, someLights } from '../testing';
import { STAGES } from './derive';
import { derivePipeline } from './full';

/** A board with something of most things on it, so that every stage has something to say. */
const SCALE = { figureMm: 28, baseMm: 25, ratio: 28 / 1650 };
const BOARD: Board = {
  plan: {
    ...aBoard(
      {},
      { ...(aPlot([900, 650, 140, 110], 30, 'yard') as FeatureOf<'plot'>), pieceId: 'hut' },
      aMound([0, 0, 190, 150], 20, 'low'),
      aMound([30, 30, 80, 70], 40, 'high'),
      aHill([850, 420, 300, 300], 10, [0, 50, 100]),
      aPool([300, 300, 190, 130], 8, 4, 'pool'),
      aPit([700, 60, 120, 90], 12, 'pit'),
      aCrater([1000, 150], 60, 8, 5),
      aTrack(
        [
          [0, 500],
          [900, 500],
        ],
        40,
        'track',
      ),
      aTrack(
        [
          [620, 350],
          [620, 780],
        ],
        40,
        'lane',
      ),
      aBank(
        [
          [250, 650],
          [480, 700],
        ],
        50,
        20,
        10,
      ),
      someLights(
        [
          [40, 300],
          [220, 330],
        ],
        2,
      ),
    ),
    pieces: [newPiece('shed', 'hut', SCALE, [], CATALOGUE), newPiece('fence', 'fence', SCALE, [], CATALOGUE)],
  },
  record: NOTHING_DONE,
};

/** Every output of every stage, workings and all; functions aside. */
function everything(board: Board, derive: (...of: Parameters<ReturnType<typeof derivePipeline>>) => object): Record<string, unknown> {
  const answers = derive(board.plan, CATALOGUE, { ...EMPTY_WORKSHOP, ...board.record }) as Readonly<Record<string, unknown>>;
  return Object.fromEntries(STAGES.names.map((name) => [name, answers[name]]));
}
const fresh = (board: Board): Record<string, unknown> =>
  // Copied, so that nothing is remembered of any part of it.
  everything(structuredClone(board), (...of) => derivePipeline()(...of));

/** Every output of a stage is the same down to its last working. Workings share their steps: each pair is looked at once. */
function expectSame(a: unknown, b: unknown, what: string): void {
  const seen = new WeakMap<object, unknown>();
  const differs = (one: unknown, other: unknown): boolean => {
    if (Object.is(one, other)) return false;
    if (typeof one !== 'object' || typeof other !== 'object' || one === null || other === null)
      return typeof one !== 'function' || typeof other !== 'function';
    if (seen.get(one) === other) return false;
    seen.set(one, other);
    const [mine, theirs] = [entriesOf(one), entriesOf(other)];
    return mine.length !== theirs.length || mine.some(([key, inner], i) => key !== theirs[i]![0] || differs(inner, theirs[i]![1]));
  };
  // Only a difference is worth the long way of telling it.
  if (differs(a, b)) expect(a, what).toEqual(b);
}
const entriesOf = (data: object): readonly (readonly [unknown, unknown])[] => (data instanceof Map ? [...data] : Object.entries(data));

/** Follows edits with one pipeline, and compares each answer with a fresh one. */
function follow(seed: number, codes: readonly EditCode[]): void {
  const random = seeded(seed);
  const derive = derivePipeline();
  let board = BOARD;
  everything(board, derive);
  for (const code of codes) {
    const edit = sampleEdit(code, board, random);
    if (edit === null) continue;
    const next = applied(board, edit);
    if (!checkBoardFile({ ...next.plan, record: next.record }, CATALOGUE).ok) continue;
    board = next;
    const [remembered, afresh] = [everything(board, derive), fresh(board)];
    for (const name of STAGES.names) expectSame(remembered[name], afresh[name], `${name} after ${code}, seed ${seed}`);
  }
}

describe('what is remembered is what would be reckoned afresh, in every output', () => {
  test.each(EDIT_CODES)('after %s, seed 7', (code) => follow(7, [code]));

  test.each([1])(
    'after every other kind of edit in an order of chance, seed %i',
    (seed) => {
      const random = seeded(seed);
      follow(
        seed,
        EDIT_CODES.filter((_, i) => i % 2 === 0)
          .map((code) => ({ code, at: random() }))
          .sort((a, b) => a.at - b.at)
          .map(({ code }) => code),
      );
    },
    120_000,
  );

  test('there and back again is the first answer', () => {
    const derive = derivePipeline();
    const first = everything(BOARD, derive);
    everything(applied(BOARD, { code: 'feature/move', featureId: 'high', dxMm: 400, dyMm: 90 }), derive);
    const again = everything(BOARD, derive);
    for (const name of STAGES.names) expectSame(again[name], first[name], name);
  });
});

test('an edit costs what it touches: stages that pick nothing of it keep their very answer', () => {
  const derive = derivePipeline();
  const before = everything(BOARD, derive);
  const kept = (after: Record<string, unknown>): string[] => STAGES.names.filter((name) => after[name] === before[name]);
  expect(kept(everything(applied(BOARD, { code: 'board/rename', name: 'Other' }), derive))).toEqual(STAGES.names);
  const moved = applied(BOARD, { code: 'section/end', end: 'to', at: { x: 10, y: 700 } });
  expect(STAGES.names.filter((name) => !kept(everything(moved, derive)).includes(name))).toEqual(['section']);
});

describe('another first day', () => {
  const later = (board: Board, startsOn: string): Board => applied(board, { code: 'calendar/first-day', startsOn });
  const first = later(BOARD, '2026-11-02');
  test('of the same month keeps the steps and plans the evenings anew; of another season it does not', () => {
    const derive = derivePipeline();
    const [before, after] = [derive(first.plan, CATALOGUE), derive(later(first, '2026-11-06').plan, CATALOGUE)];
    expect(after.spots).toBe(before.spots);
    expect(after.steps).toBe(before.steps);
    expect(after.days.slots.map(({ startMin }) => startMin)).not.toEqual(before.days.slots.map(({ startMin }) => startMin));
    expect(derive(later(first, '2026-12-01').plan, CATALOGUE).spots).not.toBe(before.spots);
  });
  test('moves a cold spell against the work', () => {
    const places = first.plan.places.map((place) => ({
      ...place,
      spells: [{ id: 'frost', from: '2026-11-04', to: '2026-11-20', airC: 2, humidityPct: 80 }],
    }));
    const cold: Board = { ...first, plan: { ...first.plan, places } };
    const derive = derivePipeline();
    const courseOf = (startsOn: string) => derive(later(cold, startsOn).plan, CATALOGUE).spots.usual.course;
    const [early, late] = [courseOf('2026-11-02'), courseOf('2026-11-06')];
    expect(late.at(600).airC).toBe(2);
    expect(early.at(600).airC).toBeGreaterThan(2);
  });
});

test('the tally weighs what stands on the board with it', () => {
  const { tally, mass, pieces } = derivePipeline()(BOARD.plan, CATALOGUE);
  expect(pieces.masses.map(({ value }) => value > 0)).toEqual([true, true]);
  expect(tally.mass.value).toBeCloseTo(
    pieces.masses.reduce((sum, { value }) => sum + value, mass.all.value),
    6,
  );
});

test('a drag keeps the lands, edges and parts that it does not touch', () => {
  const derive = derivePipeline();
  const before = derive(BOARD.plan, CATALOGUE);
  const beforeLands = new Set(before.ground.lands);
  const beforeParts = new Set(before.partList.parts);
  const after = derive(applied(BOARD, { code: 'feature/move', featureId: 'pit', dxMm: 3, dyMm: 2 }).plan, CATALOGUE);
  const news = after.ground.lands.filter((land) => !beforeLands.has(land)).map(({ id }) => id);
  expect(news).toEqual(['pit']);
  expect(after.partList.parts.filter((part) => !beforeParts.has(part)).every(({ workpieceId }) => workpieceId === 'B1')).toBe(true);
  expect(derived(BOARD.plan).ground.lands.length).toBe(before.ground.lands.length);
});
