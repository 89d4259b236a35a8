// Its main file is marked as a module and is none; the other one is.
import {
  evenTrim,
  type Blank,
  type LayoutTask,
  type SheetRule,
  type Stock,
  blankOf,
  layOut,
  layoutCost,
  leastCost,
} from '@spare-acre/core/build/cutting/nesting';
import { MaxRectsPacker } from 'maxrects-packer/dist/maxrects-packer.mjs';
import { sheetsOf } from '@spare-acre/core/catalogue';
import { WORKSHOP_CATALOGUE as catalogue } from '@spare-acre/core/catalogue/workshop';
import type { Part } from '@spare-acre/core/build/cutting/parts';
import { areaMm2, regionBox, regionOf } from '@spare-acre/core/base/geometry';
import { type Random, seeded } from '@spare-acre/core/base/random';
import type { LayoutWorkers } from './layout-workers';
import { ms, timed } from './timed';

/** How good the layouts are: beside bounds, known numbers and a general packer. */

/** A job on new sheets of one size, as many as it takes. */
const jobOn = (blanks: readonly Blank[], { widthMm, depthMm, trim, kerfMm }: SheetRule): LayoutTask => ({
  blanks,
  stock: [{ widthMm, depthMm, trim, offcutId: null, priceMinor: 100 }],
  kerfMm,
  aim: 'fewest',
  pinned: [],
});
const fewestSheets = (blanks: readonly Blank[], rule: SheetRule): number =>
  Math.floor(leastCost(blanks, jobOn(blanks, rule).stock, rule.kerfMm, 'fewest'));

/** Everyday parts: 40–500 × 40–400 mm. */
const everyday = (count: number, random: Random): Blank[] =>
  Array.from({ length: count }, (_, i) => ({
    id: `p${i}`,
    widthMm: 40 + Math.round(random() * 460),
    depthMm: 40 + Math.round(random() * 360),
    mayTurn: true,
  }));

/** Random jobs against the area bound: no layout can take fewer sheets than that. */
export function layoutRows(): string[][] {
  const rule: SheetRule = { widthMm: 1250, depthMm: 600, trim: evenTrim(5), kerfMm: 1 };
  return [10, 30, 60].map((count) => {
    let [sheets, bound, within] = [0, 0, 0];
    const jobs = 50;
    for (let seed = 1; seed <= jobs; seed++) {
      const random = seeded(seed * 1000 + count);
      const blanks = everyday(count, random);
      const used = layOut(jobOn(blanks, rule)).sheets.length;
      const fewest = fewestSheets(blanks, rule);
      sheets += used;
      bound += fewest;
      within += Number(used <= fewest + 1);
    }
    const random = seeded(count);
    const blanks = everyday(count, random);
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

/**
 * Sheets cut up at random by straight cuts, then every side of every part shrunk by its own chance, as builders' parts have sizes of their own: the number of sheets
 * is known, and no sides match. @param waste share of the area that is lost on the mean, 0 for none
 */
function cutUp(seed: number, waste: number, kerfMm: number): { readonly task: LayoutTask; readonly known: number } {
  const random = seeded(seed * 7919 + 1);
  const known = 1 + Math.floor(random() * 6);
  const count = Math.max(known * 2, 8 + Math.floor(random() * 53));
  const sheet: SheetRule = { widthMm: 1250, depthMm: 600, trim: evenTrim(0), kerfMm };
  const rects = Array.from({ length: known }, () => ({ w: sheet.widthMm + kerfMm, h: sheet.depthMm + kerfMm }));
  while (rects.length < count) {
    let pick = random() * rects.reduce((sum, { w, h }) => sum + w * h, 0);
    const i = rects.findIndex(({ w, h }) => (pick -= w * h) <= 0);
    const { w, h } = rects[i]!;
    const share = 0.2 + 0.6 * random();
    if (random() < w / (w + h)) rects.splice(i, 1, { w: w * share, h }, { w: w * (1 - share), h });
    else rects.splice(i, 1, { w, h: h * share }, { w, h: h * (1 - share) });
  }
  const cut = (mm: number): number => Math.max(5, Math.floor((mm * (1 - waste * random()) - kerfMm) * 1_000) / 1_000);
  const blanks = rects.map(({ w, h }, i) => ({ id: `p${i}`, widthMm: cut(w), depthMm: cut(h), mayTurn: true }));
  return { known, task: jobOn(blanks, sheet) };
}
export const SEARCH_MS = 2_000;
const LONG_MS = 10_000;

const KNOWN = [
  { from: 0.04, to: 0.04, name: '4 %, each side by its own chance', wanted: '≥ 80 %, ≥ 90 %' },
  { from: 0.01, to: 0.035, name: '1 to 3.5 %, each side by its own chance', wanted: '≥ 55 %, ≥ 80 %' },
  { from: 0, to: 0, name: 'none: perfect puzzles', wanted: '≥ 67 %, ≥ 72 %' },
] as const;
const JOBS = 20;
/** Drawn anew each time, and told. */
const SEEDS = Array.from({ length: 3 }, () => 1 + Math.floor(Math.random() * 100_000));

/** Jobs whose number of sheets is known, half of them without a kerf, half with one of 3 mm. */
export async function knownRows(workers: LayoutWorkers): Promise<string[][]> {
  const rows: string[][] = [];
  for (const { from, to, name, wanted } of KNOWN) {
    for (const seed of SEEDS) {
      let [soon, late, more] = [0, 0, 0];
      for (let i = 0; i < JOBS; i++) {
        const { task, known } = cutUp(seed + i, from + ((to - from) * i) / (JOBS - 1), i % 2 === 0 ? 0 : 3);
        const { sheets, atMs } = await workers.search(task, { seed: seed + i, ms: LONG_MS, enough: known });
        soon += Number(sheets <= known && atMs <= SEARCH_MS);
        late += Number(sheets <= known);
        more += Number(sheets > known + 1);
      }
      const share = (count: number): string => `${Math.round((count / JOBS) * 100)} %`;
      rows.push([name, String(seed), share(soon), share(late), String(more), wanted]);
    }
  }
  return rows;
}

/** Everyday jobs beside a general rectangle packer, which is free of the straight-cut rule. */
export async function packerRows(workers: LayoutWorkers): Promise<string[][]> {
  const rule: SheetRule = { widthMm: 1250, depthMm: 600, trim: evenTrim(5), kerfMm: 1 };
  const rows: string[][] = [];
  for (const count of [15, 30, 60]) {
    const jobs = 20;
    let [own, packer, bound, worse] = [0, 0, 0, 0];
    for (let seed = 1; seed <= jobs; seed++) {
      const random = seeded(seed * 1000 + count);
      const blanks = everyday(count, random);
      const fewest = fewestSheets(blanks, rule);
      const bin = new MaxRectsPacker(rule.widthMm - 10, rule.depthMm - 10, rule.kerfMm, {
        smart: false,
        pot: false,
        square: false,
        allowRotation: true,
      });
      for (const { widthMm, depthMm } of [...blanks].sort((a, b) => b.widthMm * b.depthMm - a.widthMm * a.depthMm))
        bin.add(widthMm, depthMm, null);
      const { sheets: mine } = await workers.search(jobOn(blanks, rule), { seed, ms: SEARCH_MS, enough: fewest });
      own += mine;
      packer += bin.bins.length;
      bound += fewest;
      worse += Number(mine > bin.bins.length);
    }
    rows.push([`${count} parts, ${jobs} jobs`, String(own), String(packer), String(bound), String(worse)]);
  }
  return rows;
}

/** Everyday jobs on the stocked sizes of one foam with a rack of offcuts, beside the least money that the area alone would take. */
export async function mixedRows(workers: LayoutWorkers): Promise<string[][]> {
  const sizes = sheetsOf(catalogue, 'xps-foam', 30).map(({ widthMm, depthMm, priceMinor }): Stock => ({
    widthMm,
    depthMm,
    trim: evenTrim(5),
    offcutId: null,
    priceMinor,
  }));
  const rows: string[][] = [];
  for (const count of [8, 30, 60]) {
    const jobs = 20;
    let [quick, own, bound, proven] = [0, 0, 0, 0];
    for (let seed = 1; seed <= jobs; seed++) {
      const random = seeded(seed * 1000 + count);
      const blanks = everyday(count, random);
      const rack = [0, 1].map((i): Stock => ({
        widthMm: 200 + Math.round(random() * 400),
        depthMm: 150 + Math.round(random() * 300),
        trim: evenTrim(0),
        offcutId: `o${i}`,
        priceMinor: 0,
      }));
      const task: LayoutTask = { blanks, stock: [...sizes, ...rack], kerfMm: 1, aim: 'cheapest', pinned: [] };
      quick += layoutCost(layOut(task).sheets, 'cheapest');
      const last = await workers.search(task, { seed, ms: SEARCH_MS, enough: 0 });
      own += last.cost;
      bound += last.bound;
      proven += Number(last.isProven);
    }
    const over = (cost: number): string => `${((cost / bound - 1) * 100).toFixed(1)} %`;
    rows.push([`${count} parts, ${jobs} jobs`, over(quick), over(own), `${Math.round((proven / jobs) * 100)} %`]);
  }
  return rows;
}

/** Parts of free outline (crescents, angles, wedges) laid by their boxes with through cuts, and by their outlines. */
export async function shapedRows(workers: LayoutWorkers): Promise<string[][]> {
  const rule: SheetRule = { widthMm: 1200, depthMm: 600, trim: evenTrim(5), kerfMm: 1 };
  const rows: string[][] = [];
  for (const count of [16, 32]) {
    const jobs = 6;
    let [boxes, free, bound] = [0, 0, 0];
    for (let seed = 1; seed <= jobs; seed++) {
      const random = seeded(seed * 100 + count);
      const parts = Array.from({ length: count }, (_, i) => shapedPart(`p${i}`, i % 3, 120 + random() * 220, 100 + random() * 160));
      const task = jobOn(parts.map(blankOf), rule);
      boxes += (await workers.search(task, { seed, ms: SEARCH_MS, enough: 0 })).sheets;
      free += (await workers.search(task, { seed, ms: SEARCH_MS, enough: 0, shapes: parts })).sheets;
      bound += Math.ceil(parts.reduce((sum, { areaMm2 }) => sum + areaMm2, 0) / (1190 * 590));
    }
    rows.push([`${count} parts, ${jobs} jobs`, String(boxes), String(free), String(bound)]);
  }
  return rows;
}

/** How full one sheet is laid with parts of free outline: as long as the parts are such a share of it. */
export async function fillRows(workers: LayoutWorkers): Promise<string[][]> {
  const [count, jobs, depthMm, trimMm] = [32, 6, 600, 5];
  const rows: string[][] = [];
  for (const sharePct of [65, 70, 75]) {
    let [soon, late] = [0, 0];
    for (let seed = 1; seed <= jobs; seed++) {
      const random = seeded(seed * 100 + count);
      const parts = Array.from({ length: count }, (_, i) => shapedPart(`p${i}`, i % 3, 120 + random() * 220, 100 + random() * 160));
      const filledMm2 = parts.reduce((sum, { areaMm2 }) => sum + areaMm2, 0);
      const widthMm = filledMm2 / (sharePct / 100) / (depthMm - 2 * trimMm) + 2 * trimMm;
      const task = jobOn(parts.map(blankOf), { widthMm, depthMm, trim: evenTrim(trimMm), kerfMm: 1 });
      const { sheets, atMs } = await workers.search(task, { seed, ms: LONG_MS, enough: 1, shapes: parts });
      soon += Number(sheets === 1 && atMs <= SEARCH_MS);
      late += Number(sheets === 1);
    }
    rows.push([`${sharePct} % of the sheet`, `${soon} of ${jobs}`, `${late} of ${jobs}`]);
  }
  return rows;
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
    wholeId: id,
    wholeName: id,
    workpieceId: 'A1',
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
