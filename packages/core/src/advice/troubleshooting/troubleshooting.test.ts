import { describe, expect, test } from 'vitest';
import { brinefold, larkstone } from '../../demo';
import { newPiece, pieceScale } from '../../build/pieces';
import { derivePipeline } from '../../pipeline';
import type { Coat, Plan } from '../../plan';
import { type WorkshopState, EMPTY_WORKSHOP } from '../../plan/workshop';
import { CATALOGUE, aBoard, aMound, aPool } from '../../testing';
import { MISHAPS } from './causes';
import { diagnosed, mishapNames } from './index';

type Change = (plan: Plan) => Plan;
const derive = derivePipeline();
const factsOf = (plan: Plan, log: Parameters<typeof diagnosed>[1]['log'] = [], shop: WorkshopState = EMPTY_WORKSHOP) => {
  const { warnings, stack, coats, spots, pieces, supplies } = derive(plan, CATALOGUE, shop);
  return { plan, warnings, joints: stack.joints, coats, spots, made: pieces.made, supplies, log, catalogue: CATALOGUE };
};
const all =
  (...changes: readonly Change[]): Change =>
  (plan) =>
    changes.reduce((own, change) => change(own), plan);

/** Nothing of note: sealed on both sides, weighed, warm and dry, coats as they should be. */
const coat = (coatingId: string, methodId: string, change: Partial<Coat> = {}): Coat => ({
  id: `${coatingId}-${methodId}`,
  coatingId,
  methodId,
  filmMm: null,
  tint: [],
  before: 'dry',
  coverPct: 100,
  goes: 1,
  thin: 0,
  strewn: null,
  ...change,
});
const coated =
  (...coats: readonly Coat[]): Change =>
  (plan) => ({
    ...plan,
    surfaces: plan.surfaces.map((one) => ({ ...one, laid: null, coats })),
    pieces: plan.pieces.map((piece) => ({ ...piece, coats: [], faces: [], surfaceId: plan.surfaces[0]!.id })),
  });
const air =
  (airC: number, humidityPct: number): Change =>
  (plan) => ({
    ...plan,
    places: plan.places.map((place) => ({ ...place, spells: [], air: { ...place.air, by: 'typed' as const, airC, humidityPct } })),
  });
const stack =
  (change: Partial<Plan['stack']>): Change =>
  (plan) => ({ ...plan, stack: { ...plan.stack, ...change } });
const layers =
  (change: Partial<Plan['stack']['ground'][number]>): Change =>
  (plan) =>
    stack({ ground: plan.stack.ground.map((layer) => ({ ...layer, ...change })) })(plan);
const base = (materialId: string, thicknessMm: number, sealed: 'none' | 'both'): Change =>
  stack({ substrate: { materialId, thicknessMm, sealed, grain: null } });
const adhesive = (is: (one: (typeof CATALOGUE.adhesives)[number]) => boolean): string => CATALOGUE.adhesives.find(is)!.id;
const water = adhesive(({ family }) => family === 'water');
const safe = adhesive(({ family, hasSolvent }) => family === 'polyurethane' && !hasSolvent);
const method = (does: string): string => CATALOGUE.methods.find((one) => one.does === does)!.id;
const coating = (is: (one: (typeof CATALOGUE.coatings)[number]) => boolean): string => CATALOGUE.coatings.find(is)!.id;
const paste = coating(({ family, spread }) => family === 'texture' && spread.by === 'film');
const grain = coating(({ family, spread }) => family === 'grain' && spread.by !== 'count');
const sealer = CATALOGUE.bench.sealerId;
const paint = coating(({ family, hasSolvent, minC }) => family === 'paint' && !hasSolvent && minC !== null);

const SOUND = all(
  air(21, 45),
  base('xps-foam', 20, 'none'),
  layers({ glueBelowId: safe, sealed: 'none' }),
  stack({ weighed: true, battens: null }),
  (plan) => ({
    ...plan,
    stack: { ...plan.stack, raised: { ...plan.stack.raised, glueId: safe } },
    features: [],
    buying: { ofHundred: 95, own: [] },
  }),
  coated(coat(sealer, method('lock'), { goes: 2 }), coat(paint, 'base'), coat(paint, method('wash'))),
);
const resin = coating(({ family, drying, recipe }) => family === 'water' && drying.how === 'chemical' && recipe !== null);
const POURED = [coat(sealer, method('lock'), { goes: 2 }), coat(paint, 'base'), coat(resin, method('pour'), { before: 'cured' })];
/** A pond that lies on a tile, with what is poured into it. */
const pond =
  (...coats: readonly Coat[]): Change =>
  (plan) =>
    coated(...coats)({ ...plan, features: [aPool([60, 60, 120, 120], 8, 4)] });
const filmOf = (id: string): number => {
  const { spread, drying } = CATALOGUE.coatings.find((one) => one.id === id)!;
  return spread.by === 'film' ? spread.filmMm.value : drying.perFilm!.refMm;
};
const WAXY = CATALOGUE.materials.find(({ grip, uses }) => grip === 'waxy' && uses.includes('substrate'))!;
const logged = (factor: number) =>
  [1, 2, 3].map((n) => ({
    id: `00000000-0000-4000-8000-00000000000${n}`,
    taskId: null,
    name: 'Glue',
    day: '2026-11-30',
    who: '',
    figures: [{ name: 'White glue', unit: 'g' as const, planned: 100, real: 100 * factor, implied: null }],
    note: '',
    photoIds: [],
    air: null,
    mishap: null,
  }));

/** Boards made to have a cause, by mishap and cause. */
const MADE: Readonly<Record<string, Change>> = {
  'bowed one-face': all(base('mdf', 3, 'none'), layers({ glueBelowId: water })),
  'bowed unweighed': stack({ weighed: false }),
  'bowed damp': air(20, 86),
  'tacky sealed-in': layers({ glueBelowId: water, spread: 'full' }),
  'tacky cold': air(3, 50),
  'tacky damp': air(21, 93),
  'tacky thick': coated(coat(paste, 'spread', { filmMm: filmOf(paste) * 4 })),
  'flaking loose-grain': coated(coat(grain, method('grain')), coat(paint, 'base')),
  'flaking cold': air(3, 50),
  'dissolved glue': layers({ glueBelowId: adhesive(({ hasSolvent }) => hasSolvent) }),
  'dissolved coat': coated(
    coat(
      coating(({ hasSolvent }) => hasSolvent),
      'spray',
    ),
  ),
  'mouldy damp': all(air(20, 93), base('mdf', 6, 'none')),
  'mouldy sealed-in': layers({ glueBelowId: water, spread: 'full' }),
  'cracked thick': coated(coat(paste, 'spread', { filmMm: filmOf(paste) * 3 })),
  'cracked fast': (plan) => ({
    ...plan,
    drying: { ...plan.drying, airId: CATALOGUE.airs.toSorted((a, b) => a.factor.value - b.factor.value)[0]!.id },
  }),
  'tape-lift uncured': coated(
    coat(sealer, method('lock'), { goes: 2 }),
    coat(paint, 'base'),
    coat(
      coating(({ spread }) => spread.by === 'edge'),
      'tape',
    ),
  ),
  'tape-lift loose': coated(coat(grain, method('grain')), coat(paint, 'base')),
  'stones-off skinned': coated(
    coat(paste, 'spread'),
    coat(
      coating(({ family, spread }) => family === 'grain' && spread.by === 'count'),
      'set-in',
      { before: 'dry' },
    ),
    coat(sealer, method('lock'), { goes: 2 }),
  ),
  'stones-off once': coated(coat(grain, method('grain')), coat(paint, 'base')),
  'stones-off thin': coated(
    coat(paste, 'spread'),
    coat(grain, method('grain'), { before: 'wet' }),
    coat(sealer, method('lock'), { goes: 2, thin: 9 }),
  ),
  'cloudy-pour cold': all(pond(...POURED), air(9, 45)),
  'cloudy-pour damp': all(pond(...POURED), air(21, 92)),
  'cloudy-pour parts': pond(...POURED),
  'leak edge': (plan) => coated(...POURED)({ ...plan, features: [aPool([60, 60, 120, 120], 8, 12)] }),
  'leak bed': pond(coat(resin, method('pour'))),
  'seam loose': (plan) => ({ ...plan, table: { ...plan.table, join: { ...plan.table.join, methodId: 'loose' } } }),
  'drift one-edge': (plan) => ({
    ...plan,
    surfaces: plan.surfaces.map((one) => ({
      ...one,
      laid: { patternId: 'squares', at: { x: 0, y: 0 }, turnDeg: 0, followsLine: false, longMm: 20, wideMm: 20, jointMm: 1, tints: [] },
    })),
  }),
  'mitre adds-up': (plan) => ({
    ...plan,
    pieces: [newPiece('tower', 'pump', pieceScale(plan.figureHeightMm, plan.play.baseMm, CATALOGUE), [], CATALOGUE)],
  }),
  'sheet-loose slips': all(
    base(WAXY.id, 4, 'none'),
    layers({ glueBelowId: adhesive(({ grips, leastSkinMm }) => !grips.includes('waxy') && leastSkinMm === 0) }),
  ),
  'sheet-loose unweighed': stack({ weighed: false }),
  'wet-smell sealed-in': layers({ glueBelowId: water, spread: 'full' }),
  'wet-smell damp': air(20, 85),
  'ran-out no-margin': (plan) => ({ ...plan, buying: { ofHundred: null, own: [] } }),
  'colour-shouts no-wash': coated(coat(sealer, method('lock'), { goes: 2 }), coat(paint, 'base')),
  'grain-coarse scale': (plan) =>
    coated(coat(grain, method('grain')), coat(sealer, method('lock'), { goes: 2 }))({ ...plan, figureHeightMm: 6 }),
  'grain-coarse dry-brush': coated(coat(paint, 'drybrush')),
  'topples rough': (plan) =>
    coated(
      coat(paste, 'spread'),
      coat(
        coating(({ grainMm, spread }) => grainMm !== null && spread.by === 'count' && grainMm.most > 3),
        'set-in',
        { before: 'wet' },
      ),
    )({ ...plan, play: { ...plan.play, baseMm: 20 } }),
};
const BOARDS: readonly (readonly [string, Plan])[] = [
  ['a board', aBoard()],
  ['a long one', aBoard({ widthMm: 1500, depthMm: 500, columns: 3, rows: 1 }, aMound([40, 40, 300, 200], 40))],
  ['Brinefold', brinefold(CATALOGUE)],
  ['Larkstone', larkstone(CATALOGUE)],
];

describe('a board made to have a cause names it first', () => {
  const told = Object.entries(MADE).map(([key, change]) => {
    const [mishapId, causeId] = key.split(' ') as [string, string];
    const firsts = BOARDS.map(([, plan]) => diagnosed(mishapId, factsOf(change(SOUND(plan))))!.causes[0]!);
    return { key, mishapId, firsts, hits: firsts.filter(({ cause, weight }) => cause.id === causeId && weight > 0).length };
  });
  test.each(told.map((one) => [one.key, one] as const))('%s', (_key, { hits, firsts }) => {
    expect(firsts.map(({ cause, weight }) => `${cause.id} ${weight.toFixed(2)}`).join(', ')).toBeTruthy();
    expect(
      hits / BOARDS.length,
      firsts.map(({ cause, evidence }) => `${cause.id}: ${evidence.join('; ')}`).join(' | '),
    ).toBeGreaterThanOrEqual(0.8);
  });
  test('by mishap, and on all together', () => {
    for (const id of new Set(told.map(({ mishapId }) => mishapId))) {
      const own = told.filter(({ mishapId }) => mishapId === id);
      expect(own.reduce((sum, { hits }) => sum + hits, 0) / (own.length * BOARDS.length), id).toBeGreaterThanOrEqual(0.8);
    }
  });
});

test('the log speaks too: what took more than planned is why it ran out', () => {
  const [, plan] = BOARDS[0]!;
  const { causes } = diagnosed('ran-out', factsOf(SOUND(plan), logged(1.4)))!;
  expect(causes[0]).toMatchObject({ cause: { id: 'hand' }, evidence: ['White glue: 40 % more than planned in 3 entries of the log'] });
  expect(diagnosed('ran-out', factsOf(SOUND(plan), logged(1.02)))!.causes[0]!.weight).toBe(0);
});

test('a sound board says of most mishaps that they are not from its plan', () => {
  const facts = factsOf(SOUND(aBoard()));
  const not = MISHAPS.filter(({ id }) => diagnosed(id, facts)!.isNotFromPlan).map(({ id }) => id);
  expect(not).toEqual(
    expect.arrayContaining(['tacky', 'dissolved', 'mouldy', 'cracked', 'leak', 'cloudy-pour', 'wet-smell', 'ran-out', 'mitre', 'topples']),
  );
});

test('all that can be seen is told apart, each with causes that say what to do now and what to change', () => {
  expect(mishapNames()).toHaveLength(19);
  for (const { causes } of MISHAPS) {
    expect(new Set(causes.map(({ id }) => id)).size).toBe(causes.length);
    for (const { now, next } of causes) expect([now.length > 3, next.length > 3]).toEqual([true, true]);
  }
  expect(diagnosed('rained-on', factsOf(SOUND(aBoard())))).toBeNull();
});

test('each further trace of a cause counts a quarter of the one before', () => {
  const facts = factsOf(all(base('mdf', 6, 'none'), air(8, 85))(brinefold(CATALOGUE)));
  let severalTraces = 0;
  for (const { id, causes } of MISHAPS)
    for (const { traces, name } of causes) {
      const weights = traces(facts)
        .map(({ weight }) => weight)
        .sort((a, b) => b - a);
      if (weights.length > 1) severalTraces++;
      const ranked = diagnosed(id, facts)!.causes.find(({ cause }) => cause.name === name)!;
      expect(ranked.weight).toBeCloseTo(
        weights.reduce((sum, own, i) => sum + own / 4 ** i, 0),
        9,
      );
    }
  expect(severalTraces).toBeGreaterThan(2);
});
