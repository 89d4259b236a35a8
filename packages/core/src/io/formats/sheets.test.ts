import DxfParser from 'dxf-parser';
import { createSVGWindow } from 'svgdom';
import svgpath from 'svgpath';
import { describe, expect, test } from 'vitest';
import type { CutJob } from '../../build/cutting/job';
import { cutSheets } from '../../build/cutting';
import { placedParts } from '../../build/cutting/bench';
import { brinefold } from '../../demo';
import { newPiece } from '../../build/pieces';
import { derivePipeline } from '../../pipeline';
import { type Point, areaMm2 } from '../../base/geometry';
import { CATALOGUE, aBoard } from '../../testing';
import { sheetDxf, sheetSvg } from './sheets';

const jobs = derivePipeline()(brinefold(CATALOGUE), CATALOGUE).jobs;
const sheets = jobs.flatMap((job) => job.layout.sheets.map((_, index) => ({ job, index, what: `${job.name}, sheet ${index + 1}` })));
const NEAR_MM = 0.01;
const stockOf = (job: CutJob, index: number) => job.layout.sheets[index]!.stock;

/** Where the outlines must be, worked out from the placements alone. */
function expected(job: CutJob, index: number): Point[][] {
  return [...job.layout.sheets[index]!.placements]
    .sort((a, b) => a.yMm - b.yMm || a.xMm - b.xMm)
    .flatMap(({ blankId, xMm, yMm, widthMm, turned }) => {
      const part = job.parts.find(({ id }) => id === blankId)!;
      // A part whose grain runs across its box is handed to the layout lying turned already.
      const isTurned = turned !== (part.grain === 'y');
      return part.outline.rings.map((ring) =>
        ring.map(({ x, y }) => (isTurned ? { x: xMm + widthMm - y, y: yMm + x } : { x: xMm + x, y: yMm + y })),
      );
    });
}
function expectSame(read: readonly (readonly Point[])[], wanted: readonly (readonly Point[])[]): void {
  expect(read.map((ring) => ring.length)).toEqual(wanted.map((ring) => ring.length));
  read.forEach((ring, i) =>
    ring.forEach(({ x, y }, j) => expect(Math.hypot(x - wanted[i]![j]!.x, y - wanted[i]![j]!.y)).toBeLessThan(NEAR_MM)),
  );
}

describe('a sheet read back by other libraries has the same outlines within 0.01 mm', () => {
  test.each(sheets)('DXF: $what', ({ job, index }) => {
    const { header, entities } = new DxfParser().parseSync(sheetDxf(job, index))!;
    expect(header['$INSUNITS']).toBe(4);
    type Line = {
      readonly type: string;
      readonly layer: string;
      readonly vertices: Point[];
      readonly shape: boolean;
      readonly text: string;
    };
    const drawn = entities as unknown as Line[];
    const rings = (layer: string): Point[][] =>
      drawn
        .filter((one) => one.layer === layer && one.type === 'LWPOLYLINE' && one.shape)
        .map(({ vertices }) => vertices.map(({ x, y }) => ({ x, y: stockOf(job, index).depthMm - y })));
    expectSame(rings('Parts'), expected(job, index));
    expect(areaMm2({ rings: rings('Sheet') })).toBeCloseTo(stockOf(job, index).widthMm * stockOf(job, index).depthMm, 3);
    const labels = drawn.filter(({ layer }) => layer === 'Labels').map(({ text }) => text);
    expect(labels).toEqual(placedParts(job, index).map(({ number, name }) => `${number} ${name}`));
  });

  test.each(sheets)('SVG: $what', ({ job, index }) => {
    const { document } = createSVGWindow();
    document.documentElement.innerHTML = sheetSvg(job, index).replace(/^<\?xml.*?\?>/, '');
    const page = document.querySelector('svg svg');
    expect([page.getAttribute('width'), page.getAttribute('height')]).toEqual([
      `${stockOf(job, index).widthMm}mm`,
      `${stockOf(job, index).depthMm}mm`,
    ]);
    expect(page.getAttribute('viewBox')).toBe(`0 0 ${stockOf(job, index).widthMm} ${stockOf(job, index).depthMm}`);
    const rings: Point[][] = [];
    for (const path of document.querySelectorAll('#Parts path')) {
      svgpath(path.getAttribute('d')!).iterate(([command, x, y]) => {
        if (command === 'M') rings.push([]);
        if (command !== 'Z') rings.at(-1)!.push({ x: Number(x), y: Number(y) });
      });
    }
    expectSame(rings, expected(job, index));
  });
});

describe('what is marked on parts of pieces and not cut through', () => {
  const scale = { figureMm: 28, baseMm: 25, ratio: 28 / 1_650 };
  const fresh = newPiece('shed', 'one', scale, [], CATALOGUE);
  const folded = { ...fresh, settings: { ...fresh.settings, corners: 'fold', roof: 'flat' } };
  const tower = newPiece('tower', 'two', scale, [], CATALOGUE);
  const all = derivePipeline()({ ...aBoard(), pieces: [folded, tower] }, CATALOGUE).jobs.flatMap((job) =>
    job.layout.sheets.map((_, index) => ({ job, index })),
  );
  const marksOn = ({ job, index }: (typeof all)[number], what: string): (readonly Point[])[] =>
    placedParts(job, index).flatMap(({ marks }) => marks.filter((mark) => mark.what === what).map(({ points }) => points));

  test.each([
    ['fold', 'Folds'],
    ['far', 'Other side'],
  ] as const)('%s lines lie on the layer %s of the DXF, where they lie on the sheet', (what, layer) => {
    expect(all.flatMap((sheet) => marksOn(sheet, what)).length).toBeGreaterThan(0);
    for (const sheet of all) {
      const { entities } = new DxfParser().parseSync(sheetDxf(sheet.job, sheet.index))!;
      const read = (entities as unknown as { readonly layer: string; readonly vertices: Point[] }[])
        .filter((one) => one.layer === layer)
        .map(({ vertices }) => vertices.map(({ x, y }) => ({ x, y: stockOf(sheet.job, sheet.index).depthMm - y })));
      expectSame(read, marksOn(sheet, what));
    }
  });

  test('in the SVG they are groups of their own, never among the parts', () => {
    for (const sheet of all) {
      const svg = sheetSvg(sheet.job, sheet.index);
      expect(svg.includes('id="Folds"')).toBe(marksOn(sheet, 'fold').length > 0);
      expect(svg.split('id="Other-side"').length - 1).toBe(marksOn(sheet, 'far').length > 0 ? 1 : 0);
    }
  });
});

test('a part that lies turned is turned, not flipped over: its outline runs the same way round', () => {
  const corner = {
    rings: [
      [
        [0, 0],
        [900, 0],
        [900, 80],
        [100, 80],
        [100, 500],
        [0, 500],
      ].map(([x, y]) => ({ x: x!, y: y! })),
    ],
  };
  const [part] = jobs[0]!.parts;
  const job = cutSheets({
    parts: [{ ...part!, grain: null, widthMm: 900, depthMm: 500, outline: corner, areaMm2: areaMm2(corner) }],
    laid: [],
    saving: [],
    cutting: aBoard().cutting,
    system: 'metric',
    catalogue: CATALOGUE,
    offcuts: [],
    cut: [],
  })[0]!;
  const [placement] = job.layout.sheets[0]!.placements;
  const sheet = { ...job.layout.sheets[0]!, placements: [{ ...placement!, widthMm: 500, depthMm: 900, turned: true }] };
  const [turned] = placedParts({ ...job, layout: { ...job.layout, sheets: [sheet] } }, 0);
  const way = (ring: readonly Point[]): number =>
    Math.sign(ring.reduce((sum, { x, y }, i) => sum + x * ring[(i + 1) % ring.length]!.y - ring[(i + 1) % ring.length]!.x * y, 0));
  expect(way(turned!.rings[0]!)).toBe(way(corner.rings[0]!));
  const xs = turned!.rings[0]!.map(({ x }) => x - turned!.leftMm);
  expect([Math.min(...xs), Math.max(...xs)]).toEqual([0, 500]);
});

test('a name of any signs leaves both files sound', () => {
  const [job] = jobs;
  const odd = { ...job!, parts: job!.parts.map((part) => ({ ...part, name: 'Quay & <mole> "Ü"' })) };
  const { document } = createSVGWindow();
  document.documentElement.innerHTML = sheetSvg(odd, 0);
  expect(document.querySelector('#Labels text').textContent).toBe('1 Quay & <mole> "Ü"');
  expect(sheetDxf(odd, 0)).toBe(sheetDxf(odd, 0));
  const { entities } = new DxfParser().parseSync(sheetDxf(odd, 0))!;
  expect(entities.filter(({ type }) => type === 'TEXT')[0]).toMatchObject({ text: '1 Quay & <mole> "Ü"' });
});

test('every label stands inside its own part, by its left and upper edge, whichever way up the format is', () => {
  for (const { job, index } of sheets) {
    const { depthMm } = stockOf(job, index);
    const labels = new DxfParser().parseSync(sheetDxf(job, index))!.entities.filter(({ type }) => type === 'TEXT') as unknown as {
      text: string;
      startPoint: Point;
    }[];
    const parts = placedParts(job, index);
    expect(labels).toHaveLength(parts.length);
    for (const { number, name, leftMm, topMm } of parts) {
      const { x, y } = labels.find(({ text }) => text === `${number} ${name}`)!.startPoint;
      expect(x).toBeCloseTo(leftMm + 4, 6);
      expect(depthMm - y).toBeCloseTo(topMm + 4, 6);
    }
  }
});
