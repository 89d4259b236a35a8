// Its main file is marked as a module and is none; the other one is.
import { MaxRectsPacker } from 'maxrects-packer/dist/maxrects-packer.mjs';
import { sheetsOf } from '@spare-acre/core/catalogue';
import { WORKSHOP_CATALOGUE as catalogue } from '@spare-acre/core/catalogue/workshop';
import {
  type Blank,
  type LayoutTask,
  type SheetRule,
  type Stock,
  blankOf,
  improveFreeform,
  improveLayout,
  layOut,
  layoutCost,
  leastCost,
} from '@spare-acre/core/cutting/nesting';
import type { Part } from '@spare-acre/core/cutting/parts';
import { areaMm2, regionBox, regionOf } from '@spare-acre/core/base/geometry';
import { type Random, seeded } from '@spare-acre/core/base/random';
import { ms, timed } from './timed';

/** How good the layouts are: beside bounds, known numbers and a general packer. */

/** A job on new sheets of one size, as many as it takes. */
const jobOn = (blanks: readonly Blank[], { widthMm, depthMm, trimMm, kerfMm }: SheetRule): LayoutTask => ({
  blanks,
  stock: [{ widthMm, depthMm, trimMm, offcutId: null, priceMinor: 100 }],
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
  const rule: SheetRule = { widthMm: 1250, depthMm: 600, trimMm: 5, kerfMm: 1 };
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
 * Sheets cut up at random by straight cuts, then every part shrunk so that a share of the area is waste: the number of sheets is known. Evenly shrunk, sides
 * still match and joining finds them; builders' parts have sizes of their own, each side shrunk by its own chance.
 */
function cutUp(seed: number, waste: number, how: 'evenly' | 'own'): { readonly blanks: Blank[]; readonly known: number } {
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
  const even = Math.sqrt(1 - waste);
  // A side loses between nothing and the whole share: on the mean the area loses the share.
  const cut = (mm: number): number => Math.floor(mm * (how === 'evenly' ? even : 1 - waste * random()) * 1_000) / 1_000;
  return { known, blanks: rects.map(({ w, h }, i) => ({ id: `p${i}`, widthMm: cut(w), depthMm: cut(h), mayTurn: true })) };
}
const CUT_UP: SheetRule = { widthMm: 1250, depthMm: 600, trimMm: 0, kerfMm: 0 };
export const SEARCH_MS = 2_000;

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

const KNOWN = [
  { waste: 0.04, how: 'own', jobs: 30, name: '4 % waste, each side by its own chance', wanted: '≥ 90 %, never more than one over' },
  { waste: 0.02, how: 'own', jobs: 30, name: '2 % waste, each side by its own chance', wanted: 'the share' },
  { waste: 0.04, how: 'evenly', jobs: 30, name: '4 % waste, evenly: sides still match', wanted: 'the share' },
  { waste: 0, how: 'evenly', jobs: 30, name: 'no waste', wanted: 'the share' },
] as const;

export function knownRows(): string[][] {
  return KNOWN.map(({ waste, how, jobs, name, wanted }) => {
    let [reached, oneOver, more] = [0, 0, 0];
    for (let seed = 1; seed <= jobs; seed++) {
      const { blanks, known } = cutUp(seed, waste, how);
      const over = searched(blanks, CUT_UP, known) - known;
      if (over <= 0) reached += 1;
      else if (over === 1) oneOver += 1;
      else more += 1;
    }
    return [`${name}, ${jobs} jobs`, `${Math.round((reached / jobs) * 100)} %`, String(oneOver), String(more), wanted];
  });
}

/** Everyday jobs beside a general rectangle packer, which is free of the straight-cut rule. */
export function packerRows(): string[][] {
  const rule: SheetRule = { widthMm: 1250, depthMm: 600, trimMm: 5, kerfMm: 1 };
  return [15, 30, 60].map((count) => {
    const jobs = 20;
    let [own, packer, bound, worse] = [0, 0, 0, 0];
    for (let seed = 1; seed <= jobs; seed++) {
      const random = seeded(seed * 1000 + count);
      const blanks = everyday(count, random);
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
export function mixedRows(): string[][] {
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
      const blanks = everyday(count, random);
      const rack = [0, 1].map((i): Stock => ({
        widthMm: 200 + Math.round(random() * 400),
        depthMm: 150 + Math.round(random() * 300),
        trimMm: 0,
        offcutId: `o${i}`,
        priceMinor: 0,
      }));
      const task: LayoutTask = { blanks, stock: [...sizes, ...rack], kerfMm: 1, aim: 'cheapest', pinned: [] };
      quick += layoutCost(layOut(task).sheets, 'cheapest');
      const until = performance.now() + SEARCH_MS;
      let last = { cost: Infinity, bound: 0, isProven: false };
      for (const progress of improveLayout(task, seeded(1))) {
        last = progress;
        if (progress.isProven || performance.now() > until) break;
      }
      own += last.cost;
      bound += last.bound;
      proven += Number(last.isProven);
    }
    const over = (cost: number): string => `${((cost / bound - 1) * 100).toFixed(1)} %`;
    return [`${count} parts, ${jobs} jobs`, over(quick), over(own), `${Math.round((proven / jobs) * 100)} %`];
  });
}

/** Parts of free outline (crescents, angles, wedges) laid by their boxes with through cuts, and by their outlines. */
export function shapedRows(): string[][] {
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
      free += run2s(improveFreeform(task, parts, true, seeded(1)));
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
