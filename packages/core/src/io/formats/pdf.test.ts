import font from '@fontsource/ibm-plex-sans-condensed/files/ibm-plex-sans-condensed-latin-400-normal.woff?inline';
import { OPS, getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { describe, expect, test } from 'vitest';
import type { CutJob } from '../../build/cutting/job';
import type { Part } from '../../build/cutting/parts';
import { cutSteps, listedParts, placedParts, stepWords } from '../../build/cutting/bench';
import { brinefold, larkstone, looseLot } from '../../demo';
import { derivePipeline } from '../../pipeline';
import { type Point, boxAround } from '../../base/geometry';
import { CATALOGUE } from '../../testing';
import { CHECK_BAR_MM, sheetPdf } from './pdf';
import { makePiece, newPiece } from '../../build/pieces';
import { OVERLAP_MM, PAPERS, templateOf, templatePlan, templatesPdf } from './templates';
import { cutListCsv, cutListPdf } from './cut-lists';

const FONT = Uint8Array.from(atob(font.split(',')[1]!), (sign) => sign.charCodeAt(0));
const MM_PER_PT = 25.4 / 72;
const { jobs } = derivePipeline()(brinefold(CATALOGUE), CATALOGUE);
const foam = jobs.find(({ materialId }) => materialId === 'xps-foam')!;
const flat = (text: string): string => text.replace(/\s+/g, ' ');

type Matrix = readonly [number, number, number, number, number, number];
const IDENTITY: Matrix = [1, 0, 0, 1, 0, 0];
const times = ([a, b, c, d, e, f]: Matrix, [a2, b2, c2, d2, e2, f2]: Matrix): Matrix => [
  a2 * a + b2 * c,
  a2 * b + b2 * d,
  c2 * a + d2 * c,
  c2 * b + d2 * d,
  e2 * a + f2 * c + e,
  e2 * b + f2 * d + f,
];

/** Every line drawn on a page, in mm from its left top corner, read from the page's own operators by another library. */
interface ReadPage {
  readonly wideMm: number;
  readonly tallMm: number;
  readonly paths: readonly (readonly Point[])[];
  readonly text: string;
}
async function read(bytes: Uint8Array): Promise<ReadPage[]> {
  const document = await getDocument({ data: bytes.slice(), useSystemFonts: false, disableFontFace: true, verbosity: 0 }).promise;
  const pages: ReadPage[] = [];
  for (let number = 1; number <= document.numPages; number++) {
    const page = await document.getPage(number);
    const { width, height } = page.getViewport({ scale: 1 });
    const { fnArray, argsArray } = await page.getOperatorList();
    const stack: Matrix[] = [];
    let now = IDENTITY;
    const paths: Point[][] = [];
    fnArray.forEach((operator, i) => {
      const args = argsArray[i] as never[];
      if (operator === OPS.save) stack.push(now);
      else if (operator === OPS.restore) now = stack.pop()!;
      else if (operator === OPS.transform) now = times(now, args as unknown as Matrix);
      else if (operator === OPS.constructPath) {
        const [operators, numbers] = args as unknown as [number[], number[]];
        const at = (): Point => {
          const [x, y] = numbers.splice(0, 2);
          const [a, b, c, d, e, f] = now;
          return { x: (a * x! + c * y! + e) * MM_PER_PT, y: (height - (b * x! + d * y! + f)) * MM_PER_PT };
        };
        for (const own of operators) {
          if (own === OPS.moveTo) paths.push([at()]);
          else if (own === OPS.lineTo) paths.at(-1)!.push(at());
          else if (own === OPS.rectangle) numbers.splice(0, 4);
        }
      }
    });
    const { items } = await page.getTextContent();
    pages.push({
      wideMm: width * MM_PER_PT,
      tallMm: height * MM_PER_PT,
      paths,
      text: items.map((item) => ('str' in item ? item.str : '')).join(' '),
    });
  }
  return pages;
}
/** The check bar: the one level line with a tick up and down at both its ends. */
function barMm({ paths }: ReadPage): number {
  const straight = paths.filter((path) => path.length === 2);
  const isTick = (at: Point): boolean =>
    straight.some(([a, b]) => Math.abs(a!.x - b!.x) < 1e-3 && Math.abs(a!.x - at.x) < 1e-3 && Math.abs((a!.y + b!.y) / 2 - at.y) < 1e-3);
  const bars = straight.filter(([a, b]) => Math.abs(a!.y - b!.y) < 1e-3 && isTick(a!) && isTick(b!));
  expect(bars).toHaveLength(1);
  return Math.abs(bars[0]![1]!.x - bars[0]![0]!.x);
}
const size = (points: readonly Point[]): number[] => {
  const { left, top, right, bottom } = boxAround(points);
  return [right - left, bottom - top];
};

describe('a sheet as PDF', () => {
  test('has its bar of 100 mm at 100 mm, and every outline where it lies, within 0.01 mm', async () => {
    const [page] = await read(await sheetPdf(foam, 0, FONT));
    expect(barMm(page!)).toBeCloseTo(CHECK_BAR_MM, 3);
    const { stock } = foam.layout.sheets[0]!;
    const drawn = page!.paths.filter((path) => path.length > 2);
    expect(size(drawn[0]!)).toEqual([expect.closeTo(stock.widthMm, 2), expect.closeTo(stock.depthMm, 2)]);
    const corner = boxAround(drawn[0]!);
    const wanted = placedParts(foam, 0).flatMap(({ rings }) => rings);
    expect(drawn.length - 1).toBe(wanted.length);
    wanted.forEach((ring, i) =>
      ring.forEach(({ x, y }, k) => {
        const at = drawn[i + 1]![k]!;
        expect(Math.hypot(at.x - corner.left - x, at.y - corner.top - y)).toBeLessThan(0.01);
      }),
    );
    for (const { name } of placedParts(foam, 0)) expect(flat(page!.text)).toContain(name);
  });
  test('a figure is printed digit by digit on every list of every demo board: no sign is replaced', async () => {
    for (const make of [brinefold, larkstone, looseLot]) {
      const plan = make(CATALOGUE);
      for (const job of derivePipeline()(plan, CATALOGUE).jobs) {
        const prints = [await cutListPdf(job, 'a4', plan.units, FONT)];
        for (const index of job.layout.sheets.keys()) prints.push(await sheetPdf(job, index, FONT));
        for (const bytes of prints) for (const { text } of await read(bytes)) expect(text).not.toContain('?');
      }
    }
  }, 60_000);
  test('a sign of measure that the font lacks is refused, not replaced', async () => {
    const odd: CutJob = { ...foam, parts: foam.parts.map((part) => ({ ...part, name: 'Wall ∛8' })) };
    await expect(sheetPdf(odd, 0, FONT)).rejects.toThrow('the font has no sign “∛”');
  });
  test('letters the font lacks are left as a question mark, and nothing breaks', async () => {
    const odd: CutJob = { ...foam, parts: foam.parts.map((part) => ({ ...part, name: 'Quay Ω\u4e16 ü' })) };
    const [page] = await read(await sheetPdf(odd, 0, FONT));
    expect(flat(page!.text)).toContain('Quay ?? ü');
  });
});

const square = (sizeMm: number, depthMm = sizeMm): Part => ({
  ...foam.parts[0]!,
  name: 'Square',
  widthMm: sizeMm,
  depthMm,
  outline: {
    rings: [
      [
        { x: 0, y: 0 },
        { x: sizeMm, y: 0 },
        { x: sizeMm, y: depthMm },
        { x: 0, y: depthMm },
      ],
    ],
  },
});

describe('templates', () => {
  test.each(['a4', 'letter'] as const)('on %s: pages overlap by 10 mm and cover all of a part of 500 × 420', (paper) => {
    const { columns, rows, viewWideMm, viewTallMm, pages } = templatePlan(500, 420, paper);
    expect(pages).toHaveLength(columns * rows);
    expect(columns * (viewWideMm - OVERLAP_MM) + OVERLAP_MM).toBeGreaterThanOrEqual(500);
    expect(rows * (viewTallMm - OVERLAP_MM) + OVERLAP_MM).toBeGreaterThanOrEqual(420);
    expect((columns - 1) * (viewWideMm - OVERLAP_MM) + OVERLAP_MM).toBeLessThan(500);
  });
  test('every page is that paper, with its bar at 100 mm and its place; a part of 150 mm takes one, at true size', async () => {
    const pages = await read(await templatesPdf([square(150), square(300)], 'a4', FONT));
    expect(pages).toHaveLength(1 + 4);
    for (const page of pages) {
      expect([page.wideMm, page.tallMm]).toEqual([expect.closeTo(PAPERS.a4.wideMm, 2), expect.closeTo(PAPERS.a4.tallMm, 2)]);
      expect(barMm(page)).toBeCloseTo(100, 3);
    }
    const drawn = pages[0]!.paths.filter((path) => path.length > 2);
    expect(size(drawn[0]!)).toEqual([expect.closeTo(150, 2), expect.closeTo(150, 2)]);
    expect(flat(pages[2]!.text)).toContain('page 2 of 4: row 1, column 2');
  });
  test('small parts share a page at true size, apart from each other, each with its name', async () => {
    const parts = [square(60), square(35, 80), square(44), square(90, 30)].map((part, i) => ({ ...part, name: `Part ${'abcd'[i]}` }));
    const [page, ...more] = await read(await templatesPdf(parts, 'a4', FONT));
    expect(more).toEqual([]);
    const boxes = page!.paths.filter((path) => path.length > 2).map((path) => boxAround(path));
    expect(boxes.map(({ left, right }) => Math.round(right - left)).sort((a, b) => a - b)).toEqual([35, 44, 60, 90]);
    boxes.forEach((a, i) =>
      boxes.slice(i + 1).forEach((b) => {
        const gapMm = Math.max(b.left - a.right, a.left - b.right, b.top - a.bottom, a.top - b.bottom);
        expect(gapMm).toBeGreaterThan(2.9);
      }),
    );
    for (const { name } of parts) expect(flat(page!.text)).toContain(name);
  });
  test('a part of a piece shows what it is folded along and how far its edges lean', async () => {
    const scale = { figureMm: 28, baseMm: 25, ratio: 28 / 1_650 };
    const basin = makePiece(newPiece('basin', 'one', scale, [], CATALOGUE), scale, CATALOGUE).objects[0]!;
    const leaning = basin.sheets.find(({ bevels }) => bevels.length > 0)!;
    const [page] = await read(await templatesPdf([templateOf(leaning, 'Side')], 'a4', FONT));
    const [outline, ...marks] = page!.paths.filter((path) => path.length > 2);
    expect(marks.length).toBe(leaning.drawn.length + leaning.far.length);
    const drawn = boxAround(leaning.drawn[0]!);
    const at = boxAround(outline!);
    const [left, top] = [Math.min(...marks.flat().map(({ x }) => x)), Math.min(...marks.flat().map(({ y }) => y))];
    expect(left).toBeCloseTo(at.left + Math.min(drawn.left, boxAround(leaning.far[0]!).left), 2);
    expect(top).toBeCloseTo(at.top + Math.min(drawn.top, boxAround(leaning.far[0]!).top), 2);
    expect(flat(page!.text)).toContain('dotted: both faces of a leaning edge');
  });
  test('crosses of neighbouring pages mark the same point of the part', async () => {
    const pages = await read(await templatesPdf([square(300)], 'a4', FONT));
    const { pages: plan } = templatePlan(300, 300, 'a4');
    const MARGIN_MM = 12;
    const marks = (page: ReadPage, i: number): string[] =>
      page.paths
        .filter((path) => path.length === 2 && Math.abs(path[0]!.y - path[1]!.y) < 1e-3)
        .map(([a, b]) => ({
          x: (a!.x + b!.x) / 2 - MARGIN_MM + plan[i]!.leftMm,
          y: a!.y - MARGIN_MM + plan[i]!.topMm,
          long: Math.abs(a!.x - b!.x),
        }))
        .filter(({ long }) => Math.abs(long - 6) < 1e-3)
        .map(({ x, y }) => `${x.toFixed(2)} ${y.toFixed(2)}`);
    const all = pages.map(marks);
    // two by two pages: one point, seen on all four
    expect(new Set(all.flat()).size).toBe(1);
    expect(all.map((own) => own.length)).toEqual([1, 1, 1, 1]);
  });
});

describe('the cut list', () => {
  test('as CSV has a row for every step and every sort of part, and a name that looks like a formula is made text', () => {
    const lines = cutListCsv([foam]).split('\r\n');
    const cuts = foam.layout.sheets.reduce((sum, _, i) => sum + cutSteps(foam, i).length, 0);
    const parts = foam.layout.sheets.reduce((sum, _, i) => sum + listedParts(foam, i).length, 0);
    expect(lines).toHaveLength(1 + cuts + parts);
    expect(lines[0]).toContain('at_mm');
    const sly: CutJob = { ...foam, parts: foam.parts.map((part) => ({ ...part, name: '=SUM(A1)' })) };
    expect(cutListCsv([sly])).not.toMatch(/,"?=SUM/);
  });
  test('as PDF names every sheet, cut and part, on as many pages as it takes', async () => {
    const pages = await read(await cutListPdf(foam, 'letter', 'imperial', FONT));
    const text = flat(pages.map((page) => page.text).join(' '));
    foam.layout.sheets.forEach((_, i) => expect(text).toContain(`sheet ${i + 1} of ${foam.layout.sheets.length}`));
    expect(text).toContain('47 1/4 × 23 5/8 in'); // 1200 × 600 mm
    foam.layout.sheets.forEach((_, i) => {
      for (const { name, numbers } of listedParts(foam, i)) for (const told of [name, `Number ${numbers}`]) expect(text).toContain(told);
      for (const step of cutSteps(foam, i)) expect(text).toContain(stepWords(step, 'imperial').cut.split('edge')[0]!.split('through')[0]);
    });
    expect(pages.every(({ wideMm }) => Math.abs(wideMm - 215.9) < 0.01)).toBe(true);
  });
});
