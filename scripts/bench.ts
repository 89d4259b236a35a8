/** `npm run bench`: how fast and how good the reckoning is, written to docs/bench.md with the machine named. */
import { writeFileSync } from 'node:fs';
import { cpus, totalmem } from 'node:os';
import { WORKSHOP_CATALOGUE as catalogue } from '@spare-acre/core/catalogue/workshop';
import { brinefold } from '@spare-acre/core/demo';
import { derivePipeline } from '@spare-acre/core/derive';
import { fieldOf, tableBox } from '@spare-acre/core/ground';
import { clearanceMap, sightMap, widestBase } from '@spare-acre/core/play';
import { countTables, puzzleOf } from '@spare-acre/core/tiling';
import { SEARCH_MS, knownRows, layoutRows, mixedRows, packerRows, shapedRows } from './bench/layouts';
import { ROUNDS, WARM_ROUNDS, ms, timed } from './bench/timed';
import { type Feature, type FeatureKind, type Plan, newFeature, newPlan, rectangle, reshaped } from '@spare-acre/core/plan';
import { seeded } from '@spare-acre/core/random';

/** 24 tiles with 200 features of all kinds and shapes. */
function crowdedBoard(): Plan {
  const random = seeded(7);
  const board = newPlan(
    { name: 'Crowded', units: 'metric', widthMm: 3000, depthMm: 2000, columns: 6, rows: 4, figureHeightMm: 28, startsOn: '2026-11-30' },
    catalogue,
  );
  const features = Array.from({ length: 200 }, (_, i): Feature => {
    const [x, y] = [Math.round(random() * 2800), Math.round(random() * 1800)];
    const shapes: Feature['shape'][] = [
      {
        form: 'strip',
        points: [
          { x, y },
          { x: x + 200, y: y + 120 },
          { x: x + 450, y },
        ],
        widthMm: 30 + Math.round(random() * 40),
        bendMm: 60,
      },
      { form: 'round', centre: { x, y }, radiusMm: 20 + Math.round(random() * 60) },
      rectangle({ x, y }, { x: x + 150, y: y + 90 }),
    ];
    const kinds: FeatureKind[] = ['raised', 'pit', 'water', 'route'];
    return newFeature(board, kinds[i % 4]!, shapes[i % 3]!, `f${i}`, catalogue);
  });
  return { ...board, features };
}

/** The plan with one feature moved a little, as a drag does it. */
const nudged = (plan: Plan, index: number, round: number): Plan => ({
  ...plan,
  features: plan.features.map((feature, i) =>
    i === index && feature.shape.form === 'strip' ? reshaped(feature, { ...feature.shape, widthMm: 40 + (round % 30) }) : feature,
  ),
});

function deriveRows(): string[][] {
  const rows: string[][] = [];
  for (const [name, plan, index, limit] of [
    ['Brinefold, 6 tiles', brinefold(catalogue), 7, 30],
    ['24 tiles, 200 features', crowdedBoard(), 3, 150],
  ] as const) {
    const fresh = timed(() => void derivePipeline()(plan, catalogue));
    const derive = derivePipeline();
    derive(plan, catalogue);
    const drag = timed((round) => void derive(nudged(plan, index, round), catalogue));
    rows.push([`${name}, from nothing`, ms(fresh.median), ms(fresh.p95), `${limit} ms`]);
    rows.push([`${name}, one feature dragged`, ms(drag.median), ms(drag.p95), `${limit} ms`]);
  }
  return rows;
}

/** 1800 × 1200 mm with sixty features of all kinds: the table that the play checks are measured on. */
function largeTable(): Plan {
  const random = seeded(11);
  const board = newPlan(
    { name: 'Large', units: 'metric', widthMm: 1800, depthMm: 1200, columns: 3, rows: 2, figureHeightMm: 28, startsOn: '2026-11-30' },
    catalogue,
  );
  const kinds: FeatureKind[] = ['raised', 'pit', 'bank', 'plot', 'wall', 'water'];
  const features = Array.from({ length: 60 }, (_, i): Feature => {
    const [x, y] = [Math.round(random() * 1600), Math.round(random() * 1050)];
    const kind = kinds[i % kinds.length]!;
    const line = [
      { x, y },
      { x: x + 150, y: y + 60 },
    ];
    const shape: Feature['shape'] =
      kind === 'bank' || kind === 'wall'
        ? { form: 'strip', points: line, widthMm: kind === 'wall' ? 8 : 50, bendMm: 0 }
        : rectangle({ x, y }, { x: x + 120, y: y + 80 });
    return newFeature(board, kind, shape, `f${i}`, catalogue);
  });
  return { ...board, features };
}

const run = <Answer>(search: Generator<unknown, Answer, void>): Answer => {
  for (;;) {
    const step = search.next();
    if (step.done) return step.value;
  }
};

/** Nine square tiles: bare edges (the most tables), roads of four sorts of edge (few), and one that fits in no way. */
function nineTiles(sort: 'bare' | 'roads'): Plan {
  const board = newPlan(
    { name: sort, units: 'metric', widthMm: 1200, depthMm: 1200, columns: 3, rows: 3, figureHeightMm: 28, startsOn: '2026-11-30' },
    catalogue,
  );
  const features = Array.from({ length: 9 }, (_, i): Feature[] => {
    const [left, top] = [(i % 3) * 400, Math.floor(i / 3) * 400];
    const mound = newFeature(
      board,
      'raised',
      rectangle({ x: left + 90 + i * 6, y: top + 110 }, { x: left + 190 + i * 9, y: top + 180 + i * 4 }),
      `m${i}`,
      catalogue,
    );
    if (sort === 'bare') return [mound];
    const road = (id: string, from: readonly [number, number], to: readonly [number, number]): Feature =>
      newFeature(
        board,
        'route',
        { form: 'strip', points: [from, to].map(([x, y]) => ({ x: left + x, y: top + y })), widthMm: 60, bendMm: 0 },
        id,
        catalogue,
      );
    return [
      mound,
      ...(i % 2 === 0 ? [road(`x${i}`, [0, 300], [400, 300])] : []),
      ...(i % 3 === 0 ? [road(`y${i}`, [200, 0], [200, 400])] : []),
    ];
  }).flat();
  return { ...board, features };
}

function groundRows(): string[][] {
  const plan = largeTable();
  const { ground } = derivePipeline()(plan, catalogue);
  const table = tableBox(plan.table);
  const field = fieldOf(ground, table, 4);
  const rows: string[][] = [];
  const measure = (name: string, limit: string, work: () => unknown): void => {
    const { median, p95 } = timed(() => void work(), 3, 12);
    rows.push([name, ms(median), ms(p95), limit]);
  };
  measure('height field, 60 features', '150 ms', () => fieldOf(ground, table, 4));
  measure('clearance map', '200 ms', () => clearanceMap(field, plan.play));
  measure('widest base from side to side, with its way', '–', () => widestBase(field, plan.play, 'left', 'right'));
  measure('sight from all four sides', '2 s', () => run(sightMap(field, plan.figureHeightMm)));
  return rows;
}

function tableRows(): string[][] {
  return (['bare', 'roads'] as const).map((sort) => {
    const puzzle = puzzleOf(derivePipeline()(nineTiles(sort), catalogue).ground);
    const count = run(countTables(puzzle));
    const { median } = timed(() => void run(countTables(puzzle)), 1, 5);
    const name = { bare: 'all different, bare edges', roads: 'all different, roads over some edges' }[sort];
    return [
      name,
      count.known === 'too-large' ? 'given up' : `${count.known === 'over' ? 'over ' : ''}${count.tables.toLocaleString('en-GB')}`,
      ms(median),
      '2 s',
    ];
  });
}

const table = (head: readonly string[], rows: readonly (readonly string[])[]): string =>
  [
    `| ${head.join(' | ')} |`,
    `| ${head.map((_, i) => (i === 0 ? '---' : '---:')).join(' | ')} |`,
    ...rows.map((row) => `| ${row.join(' | ')} |`),
  ].join('\n');

const machine = `${cpus()[0]?.model ?? 'unknown processor'}, ${cpus().length} cores, ${Math.round(totalmem() / 2 ** 30)} GiB, Node ${process.version}`;
const text = `# Bench

Made by \`npm run bench\` on: ${machine}. Median and 95th percentile of ${ROUNDS} runs after ${WARM_ROUNDS} to warm up.

## Deriving a plan

The whole pipeline, searches left out. A drag must fit between two frames of the drawing, which itself never waits for it.

${table(['board', 'median', '95 %', 'wanted'], deriveRows())}

## The ground of 1800 × 1200 mm in cells of 4 mm

Each in one go, on one core; in the app they run in a worker.

${table(['what', 'median', '95 %', 'wanted'], groundRows())}

## Other tables from nine square tiles in four turns

Counted exactly up to a million, tables that are the same when turned once.

${table(['tiles', 'tables', 'time', 'wanted'], tableRows())}

## Laying parts on sheets

Random everyday parts (40–500 × 40–400 mm, seeded) on sheets of 1250 × 600 mm, trim 5, kerf 1, straight-through cuts, beside the area
bound that no layout can beat.

${table(['job', 'sheets', 'bound', 'over the bound', 'within one sheet of it', 'time'], layoutRows())}

## Searching for a better layout

${SEARCH_MS / 1_000} s a job at most, straight-through cuts. Jobs made by cutting up 1 to 6 whole sheets at random into 8 to 60 parts, so that the number of sheets is known:

${table(['job', 'known number reached', 'one over', 'more', 'wanted'], knownRows())}

Everyday parts beside a general rectangle packer (maxrects-packer), which need not keep to straight cuts:

${table(['job', 'sheets', 'packer', 'area bound', 'worse than the packer'], packerRows())}

The same parts on the stocked sizes of one foam, with two offcuts in the rack, for the least money:

${table(['job', 'quick layout over the bound', 'search over the bound', 'proven best'], mixedRows())}

Crescents, angles and wedges by their boxes with straight cuts, and by their true outlines with a wire:

${table(['job', 'sheets, boxes', 'sheets, outlines', 'bound of the true areas'], shapedRows())}
`;
writeFileSync(new URL('../docs/bench.md', import.meta.url), text);
console.log(text);
