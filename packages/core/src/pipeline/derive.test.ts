import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { planDays } from '../schedule/tasks';
import { brinefold, larkstone } from '../demo';
import { type Feature, reshaped } from '../plan/features';
import type { Plan } from '../plan';
import { rectangle } from '../plan/shapes';
import { checkPlan } from '../plan/stored/file';
import { CATALOGUE, aBoard, aMound, aPool, aTrack } from '../testing';
import { type Figure, working } from '../base/units';
import { derivePipeline } from './full';

const deriveFresh = (plan: Plan) => derivePipeline()(plan, CATALOGUE);

describe('Brinefold Saltworks', () => {
  const derivation = deriveFresh(brinefold(CATALOGUE));

  test('is a sound plan with one thing to look at', () => {
    expect(checkPlan(brinefold(CATALOGUE), CATALOGUE)).toMatchObject({ ok: true });
    expect(derivation.warnings.map(({ id }) => id)).toEqual(['pit/too-deep settling']);
  });

  test.each(['sheets', 'mass', 'adhesive', 'paint', 'cost', 'handsOn', 'ready'] as const)(
    'the working of %s, worked out by hand from what it shows, gives the figure',
    (name) => {
      expectHandSumsToHold(derivation.tally[name]!);
    },
  );

  test('so do the workings of every feature', () => {
    for (const { figures } of derivation.needs) figures.forEach(expectHandSumsToHold);
  });

  test('a channel 30 mm wider takes more water and pour, and less adhesive, and is ready at another time', () => {
    const wider = {
      ...brinefold(CATALOGUE),
      features: brinefold(CATALOGUE).features.map((feature) =>
        feature.id === 'channel' && feature.shape.form === 'strip' ? reshaped(feature, { ...feature.shape, widthMm: 92 }) : feature,
      ),
    };
    const after = deriveFresh(wider);
    expect(after.zones.byKind.water.surface.value).toBeGreaterThan(derivation.zones.byKind.water.surface.value);
    expect(after.tally.adhesive.value).toBeLessThan(derivation.tally.adhesive.value);
    expect(after.tally.cost.value).toBeGreaterThan(derivation.tally.cost.value);
    expect(after.tally.paint.value).not.toBe(derivation.tally.paint.value);
    expect(after.tally.ready!.value).not.toBe(derivation.tally.ready!.value);
  });
});

/** Reads each line as a person would: the rounded numbers shown, the sign shown, and nothing else. */
function expectHandSumsToHold(figure: Figure): void {
  const { lines, inputs } = working(figure, 'EUR');
  const known = new Set(inputs.map(({ amount }) => amount));
  for (const { label, expression, result } of lines) {
    const numbers = expression.split(/ (?:×|÷|⌈÷⌉|\+|−|or, if (?:larger|smaller),|to the power) /).map(read);
    const sign = / (×|÷|⌈÷⌉|\+|−|or, if larger,|or, if smaller,|to the power) /.exec(expression)?.[1];
    const [a = 0, b = 0] = numbers;
    const byHand = {
      '×': a * b,
      '÷': a / b,
      '⌈÷⌉': Math.ceil(a / b - 1e-6),
      '−': a - b,
      '+': numbers.reduce((x, y) => x + y, 0),
      'or, if larger,': Math.max(a, b),
      'or, if smaller,': Math.min(a, b),
      'to the power': a ** b,
    }[sign ?? '+']!;
    const expected = expression === 'nothing to add' ? 0 : byHand;
    // Seven digits are shown; a difference of large numbers may lose a few of them.
    expect(Math.abs(expected - read(result)), `${label} = ${expression} = ${result}`).toBeLessThanOrEqual(
      2e-6 * Math.max(...numbers.map(Math.abs), Math.abs(read(result))) + 0.006,
    );
    for (const amount of expression === 'nothing to add'
      ? []
      : expression.split(/ (?:×|÷|⌈÷⌉|\+|−|or, if (?:larger|smaller),|to the power) /))
      expect(known.has(amount), `${amount} in ${label} comes from nowhere`).toBe(true);
    known.add(result);
  }
}
const read = (shown: string): number => Number(/^[−\d.\u202f]+/.exec(shown)![0].replaceAll('\u202f', '').replace('−', '-'));

describe('a board of 1200 × 800 in four tiles, worked out a second way', () => {
  // A mound of 40 mm wholly on A1, a pool across the seam of A2 and B2, a track along the back of B1.
  const plan = aBoard(
    {},
    aMound([100, 100, 300, 200], 40),
    aPool([450, 500, 300, 180], 10, 6),
    aTrack(
      [
        [650, 50],
        [1150, 50],
      ],
      60,
    ),
  );
  const derivation = deriveFresh(plan);
  const table = 1200 * 800;
  const [mound, pool, track] = [300 * 200, 300 * 180, 500 * 60];
  const open = (table - mound - pool - track) / 1e6;
  const moundAll = (mound + 2 * 500 * 40) / 1e6;
  const poolAll = (pool + 2 * 480 * 10) / 1e6;
  const trackAll = track / 1e6;
  const all = open + moundAll + trackAll;
  const needOf = (id: string): number => derivation.supplies.rows.find((row) => row.id === id)!.need.value;

  test('adhesive: white glue under all the foam, construction adhesive under the one sheet of the mound', () => {
    // Under the foam, and a fifth of the sealing glue from the same tub.
    expect(needOf('white-glue')).toBeCloseTo((table / 1e6) * 180 * 1.1 + (((all + poolAll) * 300 * 1.05) / 5) * 1.08, 2);
    expect(needOf('foam-safe-construction')).toBeCloseTo((mound / 1e6) * 350 * 1.1, 2);
  });

  test('texture, sealer, paint and pour', () => {
    expect(needOf('light-filler')).toBeCloseTo((open + moundAll) * 1.15 * 1.5 * 1000 * 1.1, 1);
    expect(needOf('joint-compound')).toBeCloseTo(trackAll * 1.2 * 1.5 * 1000 * 1.1, 1);
    // What is mixed is bought by its parts: an eighth of the wash, half of the resin.
    expect(needOf('masonry-paint')).toBeCloseTo(((all + poolAll) / 5) * 1000 * 1.1, 1);
    expect(needOf('craft-acrylic')).toBeCloseTo((all / 6) * 1000 * 0.35 * 1.1, 1);
    expect(needOf('stuff acrylic')).toBeCloseTo(((all / 11) * 1000 * 1.1) / 8, 1);
    expect(needOf('pale-acrylic')).toBeCloseTo((all / 6) * 1000 * 0.08 * 1.1, 1);
    expect(needOf('stuff resin')).toBeCloseTo((pool * 6 * 0.001 * 1.08) / 2, 1);
  });

  test('sheets: substrate, ground, and one of 40 mm for the mound', () => {
    expect(derivation.jobs.map(({ name, layout }) => [name, layout.sheets.length])).toEqual([
      ['MDF, 6 mm', 2],
      ['XPS insulation foam, 30 mm', 2],
      ['XPS insulation foam, 40 mm', 1],
    ]);
    expect(derivation.jobs.every(({ layout }) => layout.tooLarge.length === 0)).toBe(true);
  });

  test('mass: layers by volume and density, less the pool, plus the mound and what dries on or cures', () => {
    const foam = (table * 30 - pool * 10 + mound * 40) * 33e-6; // mm³ × kg/m³ = g × 1e-6
    const substrate = table * 6 * 750e-6;
    const coats = derivation.coatings.reduce((sum, { dryMass }) => sum + dryMass.value, 0);
    // White glue under the table, half of it water; construction adhesive under the mound, a fifth of it gone.
    const adhesives = (table * 180 * 0.5 + mound * 350 * 0.8) * 1e-6;
    expect(derivation.tally.mass.value).toBeCloseTo(foam + substrate + adhesives + coats, 1);
  });

  test('the tiles together weigh what the board does', () => {
    const tiles = derivation.tiles.reduce((sum, { mass }) => sum + mass.value, 0);
    expect(tiles).toBeGreaterThan(derivation.tally.mass.value * 0.995);
    expect(tiles).toBeLessThan(derivation.tally.mass.value * 1.005);
  });

  test('cost: whole sheets, and of every package the share that goes in', () => {
    const { rows, used, buy } = derivation.supplies;
    expect(used.value).toBeCloseTo(
      rows.reduce((sum, row) => sum + row.used.value, 0),
      6,
    );
    expect(buy.value).toBeGreaterThanOrEqual(used.value);
    for (const row of rows) {
      const bought = row.packs.reduce((sum, { count, amount }) => sum + count * amount.value, 0);
      if (row.group !== 'sheets') expect(bought).toBeGreaterThanOrEqual(row.need.value - 1e-6);
    }
  });
});

test('a board of one bare tile is still reckoned', () => {
  const { tally, warnings } = deriveFresh(aBoard({ widthMm: 300, depthMm: 300, columns: 1, rows: 1 }));
  expect(tally.sheets.value).toBe(2);
  expect(tally.readyText).not.toBe('');
  expect(warnings).toEqual([]);
});

test('without a substrate there is no joint under the ground and no glue for it', () => {
  const plan = aBoard();
  const { stack, tally } = deriveFresh({ ...plan, stack: { ...plan.stack, substrate: null } });
  expect(stack.joints).toEqual([]);
  expect(tally.adhesive.value).toBe(0);
});

/** Edits such as a hand makes, one after another. */
const anyEdits = fc.array(
  fc.record({
    which: fc.integer({ min: 0, max: 3 }),
    x: fc.integer({ min: 0, max: 1000 }),
    y: fc.integer({ min: 0, max: 600 }),
    size: fc.integer({ min: 20, max: 300 }),
    what: fc.constantFrom('shape', 'glue', 'air', 'trim', 'tiles'),
  }),
  { minLength: 1, maxLength: 6 },
);

/** All that a person would see of a derivation, without the workings. */
const digest = ({ tally, warnings, supplies, jobs, days, needs, zones }: ReturnType<typeof deriveFresh>): unknown => ({
  tally: Object.values(tally).map((entry) => (typeof entry === 'object' ? (entry?.value ?? null) : entry)),
  warnings: warnings.map(({ id, mends }) => [id, mends]),
  supplies: supplies.rows.map(({ id, need, buy, used }) => [id, need.value, buy.value, used.value]),
  layouts: jobs.map(({ key, layout }) => [key, layout]),
  slots: days.slots.map(({ task, startMin, curedMin }) => [task.id, startMin, curedMin]),
  needs: needs.map(({ featureId, tiles, figures }) => [featureId, tiles, figures.map(({ value }) => value)]),
  zones: zones.byTile,
});

test('a pipeline that has seen other plans answers as a fresh one would', () => {
  fc.assert(
    fc.property(anyEdits, (edits) => {
      const derive = derivePipeline();
      let plan: Plan = aBoard(
        {},
        aMound([0, 0, 90, 90], 20, 'a'),
        aPool([300, 300, 90, 90], 8, 4, 'b'),
        aTrack(
          [
            [0, 500],
            [900, 500],
          ],
          40,
          'c',
        ),
        aMound([600, 100, 200, 90], 30, 'd'),
      );
      for (const { which, x, y, size, what } of edits) {
        plan = edited(plan, which, x, y, size, what);
        const [incremental, fresh] = [derive(plan, CATALOGUE), deriveFresh(plan)];
        expect(digest(incremental)).toEqual(digest(fresh));
      }
    }),
    { numRuns: 15 },
  );
}, 30_000);

function edited(plan: Plan, which: number, x: number, y: number, size: number, what: string): Plan {
  switch (what) {
    case 'glue':
      return { ...plan, stack: { ...plan.stack, raised: { ...plan.stack.raised, glueId: size % 2 === 0 ? 'white-glue' : 'foaming-pu' } } };
    case 'air':
      return { ...plan, places: plan.places.map((place) => ({ ...place, air: { ...place.air, airC: 5 + (size % 20) } })) };
    case 'trim':
      return { ...plan, cutting: { ...plan.cutting, trimMm: size % 9 } };
    case 'tiles':
      return { ...plan, table: { ...plan.table, columnWidthsMm: [400 + (size % 100), 1200 - 400 - (size % 100)] } };
    default:
      return {
        ...plan,
        features: plan.features.map((feature, i): Feature =>
          i === which ? reshaped(feature, rectangle({ x, y }, { x: x + size, y: y + size })) : feature,
        ),
      };
  }
}

test('white glue between foam and foam: days from the rim, hours between vent holes', () => {
  const plan = aBoard();
  const [ground] = plan.stack.ground;
  const glued = (spread: 'full' | 'vented'): number => {
    const upper = { ...ground!, id: 'upper', thicknessMm: 20, glueBelowId: 'white-glue', spread };
    const { steps } = deriveFresh({ ...plan, stack: { ...plan.stack, ground: [ground!, upper] } });
    return Math.max(...steps.find(({ id }) => id === 'glue-base')!.tasks.map(({ wait }) => wait.usual!.value));
  };
  // A tile of 600 × 400: 24 h at a half-width of 100, so four times that at 200; and 0.3² of it between holes 60 mm apart.
  expect(glued('full') / 60).toBeCloseTo(4 * 24, 6);
  expect(glued('vented') / 60).toBeCloseTo(0.09 * 24, 6);
});

test('left under weights, the ground waits for the full cure of its glue', () => {
  const plan = aBoard();
  const glued = (weighed: boolean) =>
    deriveFresh({ ...plan, stack: { ...plan.stack, weighed } })
      .steps.find(({ id }) => id === 'glue-base')!
      .tasks.map(({ wait }) => wait.usual!.value);
  const { fullMin, handleMin } = CATALOGUE.adhesives.find(({ id }) => id === plan.stack.ground[0]!.glueBelowId)!;
  expect(new Set(glued(true))).toEqual(new Set([fullMin]));
  expect(Math.max(...glued(false))).toBeLessThan(fullMin);
  expect(handleMin.value).toBeLessThan(fullMin);
});

test('chance in the days comes from the seed of the plan and from nothing else', () => {
  const plan = larkstone(CATALOGUE);
  const startsAt = (seed: number) => {
    const { days, steps, spots } = deriveFresh({ ...plan, seed });
    expect(days.slots, `seed ${seed}`).toEqual(planDays({ ...plan, doneTasks: {}, steps, spots, seed, catalogue: CATALOGUE }).slots);
    return days.slots.map(({ task, startMin }) => `${task.id} ${startMin}`).join();
  };
  // Else any seed would do and nothing was tried.
  expect(new Set([1, 2, 3, 4, 5].map(startsAt)).size).toBeGreaterThan(1);
});
