/** `npm run bench`: how fast and how good the reckoning is, written to docs/bench.md with the machine named. */
import { writeFileSync } from 'node:fs';
import { cpus, totalmem } from 'node:os';
// Its main file is marked as a module and is none; the other one is.
import { MaxRectsPacker } from 'maxrects-packer/dist/maxrects-packer.mjs';
import { WORKSHOP_CATALOGUE as catalogue } from '@spare-acre/core/catalogue/workshop';
import { sheetsOf } from '@spare-acre/core/catalogue';
import {
  type Blank,
  type LayoutTask,
  type Part,
  type SheetRule,
  type Stock,
  blankOf,
  improveFreely,
  improveLayout,
  layOut,
  layoutWeight,
  leastWeight,
} from '@spare-acre/core/cutting';
import { areaMm2, regionBox, regionOf } from '@spare-acre/core/geometry';
import { brinefold } from '@spare-acre/core/demo';
import { derivePipeline } from '@spare-acre/core/derive';
import { fieldOf, tableBox } from '@spare-acre/core/ground';
import { clearanceMap, sightMap, widestBase } from '@spare-acre/core/play';
import { countTables, puzzleOf } from '@spare-acre/core/tiling';
import { type Feature, type FeatureKind, type Plan, newFeature, newPlan, rectangle, reshaped } from '@spare-acre/core/plan';
import { seeded } from '@spare-acre/core/random';

const WARM_ROUNDS = 30;
const ROUNDS = 40;

/** Median and 95th percentile in ms of a piece of work, each round told its number. */
function timed(work: (round: number) => void, warm = WARM_ROUNDS, rounds = ROUNDS): { median: number; p95: number } {
  for (let round = 0; round < warm; round++) work(round);
  const times = Array.from({ length: rounds }, (_, round) => {
    const start = performance.now();
    work(warm + round);
    return performance.now() - start;
  }).sort((a, b) => a - b);
  return { median: times[rounds >> 1]!, p95: times[Math.floor(rounds * 0.95)]! };
}

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

/** A job on new sheets of one size, as many as it takes. */
const jobOn = (blanks: readonly Blank[], { widthMm, depthMm, trimMm, kerfMm }: SheetRule): LayoutTask => ({
  blanks,
  stock: [{ widthMm, depthMm, trimMm, offcutId: null, priceMinor: 100 }],
  kerfMm,
  aim: 'fewest',
  pinned: [],
});
const fewestSheets = (blanks: readonly Blank[], rule: SheetRule): number =>
  Math.floor(leastWeight(blanks, jobOn(blanks, rule).stock, rule.kerfMm, 'fewest'));

/** Random jobs against the area bound: no layout can take fewer sheets than that. */
function layoutRows(): string[][] {
  const rule: SheetRule = { widthMm: 1250, depthMm: 600, trimMm: 5, kerfMm: 1 };
  return [10, 30, 60].map((count) => {
    let [sheets, bound, within] = [0, 0, 0];
    const jobs = 50;
    for (let seed = 1; seed <= jobs; seed++) {
      const random = seeded(seed * 1000 + count);
      const blanks = Array.from({ length: count }, (_, i): Blank => ({
        id: `p${i}`,
        widthMm: 40 + Math.round(random() * 460),
        depthMm: 40 + Math.round(random() * 360),
        mayTurn: true,
      }));
      const used = layOut(jobOn(blanks, rule)).sheets.length;
      const fewest = fewestSheets(blanks, rule);
      sheets += used;
      bound += fewest;
      within += Number(used <= fewest + 1);
    }
    const random = seeded(count);
    const blanks = Array.from({ length: count }, (_, i): Blank => ({
      id: `p${i}`,
      widthMm: 40 + Math.round(random() * 460),
      depthMm: 40 + Math.round(random() * 360),
      mayTurn: true,
    }));
    const { median } = timed(() => void layOut(jobOn(blanks, rule)));
    return [
      `${count} parts, ${jobs} jobs`,
      String(sheets),
      String(bound),
      `${((sheets / bound - 1) * 100).toFixed(1)} %`,
      `${Math.round((within / jobs) * 100)} %`,
      ms(median),
    ];
  });
}

/** Sheets cut up at random by straight cuts, then every part shrunk so that a share of the area is waste: the number of sheets is known. */
function cutUp(seed: number, waste: number): { readonly blanks: Blank[]; readonly known: number } {
  const random = seeded(seed * 7919 + 1);
  const known = 1 + Math.floor(random() * 6);
  const count = Math.max(known * 2, 8 + Math.floor(random() * 53));
  const rects = Array.from({ length: known }, () => ({ w: CUT_UP.widthMm, h: CUT_UP.depthMm }));
  while (rects.length < count) {
    let pick = random() * rects.reduce((sum, { w, h }) => sum + w * h, 0);
    const i = rects.findIndex(({ w, h }) => (pick -= w * h) <= 0);
    const { w, h } = rects[i]!;
    const share = 0.2 + 0.6 * random();
    if (random() < w / (w + h)) rects.splice(i, 1, { w: w * share, h }, { w: w * (1 - share), h });
    else rects.splice(i, 1, { w, h: h * share }, { w, h: h * (1 - share) });
  }
  const shrink = Math.sqrt(1 - waste);
  const cut = (mm: number): number => Math.floor(mm * shrink * 1_000) / 1_000;
  return { known, blanks: rects.map(({ w, h }, i) => ({ id: `p${i}`, widthMm: cut(w), depthMm: cut(h), mayTurn: true })) };
}
const CUT_UP: SheetRule = { widthMm: 1250, depthMm: 600, trimMm: 0, kerfMm: 0 };
const SEARCH_MS = 2_000;

/** The best layout after the time, or as soon as it takes no more sheets than wanted. */
function searched(blanks: readonly Blank[], rule: SheetRule, wanted: number): number {
  const until = performance.now() + SEARCH_MS;
  let sheets = Infinity;
  for (const { layout } of improveLayout(jobOn(blanks, rule), seeded(1))) {
    sheets = layout.sheets.length;
    if (sheets <= wanted || performance.now() > until) break;
  }
  return sheets;
}

function knownRows(): string[][] {
  const jobs = 60;
  return [0.04, 0].map((waste) => {
    let [reached, oneOver, more] = [0, 0, 0];
    for (let seed = 1; seed <= jobs; seed++) {
      const { blanks, known } = cutUp(seed, waste);
      const over = searched(blanks, CUT_UP, known) - known;
      if (over <= 0) reached += 1;
      else if (over === 1) oneOver += 1;
      else more += 1;
    }
    return [
      `${waste * 100} % waste, ${jobs} jobs`,
      `${Math.round((reached / jobs) * 100)} %`,
      String(oneOver),
      String(more),
      waste > 0 ? '≥ 90 %, never more than one over' : 'the share',
    ];
  });
}

/** Everyday jobs beside a general rectangle packer, which is free of the straight-cut rule. */
function packerRows(): string[][] {
  const rule: SheetRule = { widthMm: 1250, depthMm: 600, trimMm: 5, kerfMm: 1 };
  return [15, 30, 60].map((count) => {
    const jobs = 20;
    let [own, packer, bound, worse] = [0, 0, 0, 0];
    for (let seed = 1; seed <= jobs; seed++) {
      const random = seeded(seed * 1000 + count);
      const blanks = Array.from({ length: count }, (_, i): Blank => ({
        id: `p${i}`,
        widthMm: 40 + Math.round(random() * 460),
        depthMm: 40 + Math.round(random() * 360),
        mayTurn: true,
      }));
      const fewest = fewestSheets(blanks, rule);
      const bin = new MaxRectsPacker(rule.widthMm - 2 * rule.trimMm, rule.depthMm - 2 * rule.trimMm, rule.kerfMm, {
        smart: false,
        pot: false,
        square: false,
        allowRotation: true,
      });
      for (const { widthMm, depthMm } of [...blanks].sort((a, b) => b.widthMm * b.depthMm - a.widthMm * a.depthMm))
        bin.add(widthMm, depthMm, null);
      const mine = searched(blanks, rule, fewest);
      own += mine;
      packer += bin.bins.length;
      bound += fewest;
      worse += Number(mine > bin.bins.length);
    }
    return [`${count} parts, ${jobs} jobs`, String(own), String(packer), String(bound), String(worse)];
  });
}

/** Everyday jobs on the stocked sizes of one foam with a rack of offcuts, beside the least money that the area alone would take. */
function mixedRows(): string[][] {
  const sizes = sheetsOf(catalogue, 'xps-foam', 30).map(({ widthMm, depthMm, priceMinor }): Stock => ({
    widthMm,
    depthMm,
    trimMm: 5,
    offcutId: null,
    priceMinor,
  }));
  return [8, 30, 60].map((count) => {
    const jobs = 20;
    let [quick, own, bound, proven] = [0, 0, 0, 0];
    for (let seed = 1; seed <= jobs; seed++) {
      const random = seeded(seed * 1000 + count);
      const blanks = Array.from({ length: count }, (_, i): Blank => ({
        id: `p${i}`,
        widthMm: 40 + Math.round(random() * 460),
        depthMm: 40 + Math.round(random() * 360),
        mayTurn: true,
      }));
      const rack = [0, 1].map((i): Stock => ({
        widthMm: 200 + Math.round(random() * 400),
        depthMm: 150 + Math.round(random() * 300),
        trimMm: 0,
        offcutId: `o${i}`,
        priceMinor: 0,
      }));
      const task: LayoutTask = { blanks, stock: [...sizes, ...rack], kerfMm: 1, aim: 'cheapest', pinned: [] };
      quick += layoutWeight(layOut(task).sheets, 'cheapest');
      const until = performance.now() + SEARCH_MS;
      let last = { weight: Infinity, bound: 0, isProven: false };
      for (const progress of improveLayout(task, seeded(1))) {
        last = progress;
        if (progress.isProven || performance.now() > until) break;
      }
      own += last.weight;
      bound += last.bound;
      proven += Number(last.isProven);
    }
    const over = (weight: number): string => `${((weight / bound - 1) * 100).toFixed(1)} %`;
    return [`${count} parts, ${jobs} jobs`, over(quick), over(own), `${Math.round((proven / jobs) * 100)} %`];
  });
}

/** Parts of free outline (crescents, angles, wedges) laid by their boxes with through cuts, and by their outlines. */
function shapedRows(): string[][] {
  const rule: SheetRule = { widthMm: 1200, depthMm: 600, trimMm: 5, kerfMm: 1 };
  return [16, 32].map((count) => {
    const jobs = 6;
    let [boxes, free, bound] = [0, 0, 0];
    for (let seed = 1; seed <= jobs; seed++) {
      const random = seeded(seed * 100 + count);
      const parts = Array.from({ length: count }, (_, i) => shapedPart(`p${i}`, i % 3, 120 + random() * 220, 100 + random() * 160));
      const task = jobOn(parts.map(blankOf), rule);
      const run2s = (search: Generator<{ layout: { sheets: readonly unknown[] } }>): number => {
        const until = performance.now() + SEARCH_MS;
        let sheets = Infinity;
        for (const { layout } of search) {
          sheets = layout.sheets.length;
          if (performance.now() > until) break;
        }
        return sheets;
      };
      boxes += run2s(improveLayout(task, seeded(1)));
      free += run2s(improveFreely(task, parts, true, seeded(1)));
      bound += Math.ceil(parts.reduce((sum, { areaMm2 }) => sum + areaMm2, 0) / (1190 * 590));
    }
    return [`${count} parts, ${jobs} jobs`, String(boxes), String(free), String(bound)];
  });
}

function shapedPart(id: string, form: number, w: number, h: number): Part {
  const arc = (radius: number, from: number, to: number): { x: number; y: number }[] =>
    Array.from({ length: 13 }, (_, i) => {
      const turn = ((from + ((to - from) * i) / 12) * Math.PI) / 180;
      return { x: w / 2 + radius * Math.cos(turn), y: w / 2 - radius * Math.sin(turn) };
    });
  const corners = (points: readonly (readonly [number, number])[]): { x: number; y: number }[] => points.map(([x, y]) => ({ x, y }));
  const ring =
    form === 0
      ? [...arc(w / 2, 0, 180), ...arc(w / 3.2, 180, 0)]
      : form === 1
        ? corners([
            [0, 0],
            [w, 0],
            [w, h * 0.35],
            [w * 0.3, h * 0.35],
            [w * 0.3, h],
            [0, h],
          ])
        : corners([
            [0, 0],
            [w, 0],
            [0, h],
          ]);
  const raw = regionOf(ring);
  const { left, top, right, bottom } = regionBox(raw);
  const outline = { rings: raw.rings.map((each) => each.map(({ x, y }) => ({ x: x - left, y: y - top }))) };
  return {
    id,
    name: id,
    tileId: 'A1',
    featureId: null,
    stage: 'raised',
    materialId: 'xps-foam',
    thicknessMm: 30,
    level: 0,
    grain: null,
    at: null,
    widthMm: right - left,
    depthMm: bottom - top,
    outline,
    areaMm2: areaMm2(outline),
    staysMm2: areaMm2(outline),
    cutMm: 0,
  };
}

const ms = (value: number): string => `${value.toFixed(1)} ms`;
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
