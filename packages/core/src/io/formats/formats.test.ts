import { DxfWriter, Units, point2d, point3d } from '@tarikjabiri/dxf';
import { SVG, registerWindow } from '@svgdotjs/svg.js';
import { PNG } from 'pngjs';
import { createSVGWindow } from 'svgdom';
import { describe, expect, test } from 'vitest';
import { areaMm2, boxAround } from '../../base/geometry';
import { levelRegion } from '../../plan/shapes';
import type { ImportedDrawing } from './imported';
import { contoursOfHeightmap, readHeightmap } from './heightmap';
import { readDxf } from './dxf';
import { readSvg } from './svg';

const size = ({ box }: ImportedDrawing): number[] => [box.right - box.left, box.bottom - box.top].map((mm) => Math.round(mm * 100) / 100);
const read = (drawing: ReturnType<typeof readSvg>): ImportedDrawing => {
  if (!drawing.ok) throw new Error(drawing.problem.message);
  return drawing.value;
};
const why = (drawing: { ok: boolean; problem?: { code: string; message: string } }): string =>
  `${drawing.problem?.code}: ${drawing.problem?.message}`;

/** An SVG made by a common drawing library. */
function svgOf(draw: (page: ReturnType<typeof SVG>) => void, width = '210mm', viewBox = '0 0 2100 2970'): string {
  const window = createSVGWindow();
  registerWindow(window as never, window.document as never);
  const page = SVG().addTo(window.document.documentElement as never);
  page.attr({ width, height: '297mm', viewBox });
  draw(page);
  return (page as unknown as { svg: () => string }).svg();
}

describe('SVG', () => {
  test('a rectangle of 1200 × 800 units on a page of 210 mm for 2100 units is 120 × 80 mm', () => {
    const drawing = read(
      readSvg(
        svgOf(
          (page) =>
            void (page as never as { rect: (w: number, h: number) => { move: (x: number, y: number) => void } })
              .rect(1200, 800)
              .move(100, 50),
        ),
      ),
    );
    expect(size(drawing)).toEqual([120, 80]);
    expect(drawing.box.left).toBeCloseTo(10, 6);
    expect(drawing.scaleNote).toBe('page 210mm wide');
  });
  test('a circle, a polygon and a path with curves, each to its own size', () => {
    const drawing = read(
      readSvg(
        svgOf((page) => {
          const pen = page as never as {
            circle: (d: number) => { center: (x: number, y: number) => void };
            polygon: (points: string) => void;
            path: (d: string) => void;
          };
          pen.circle(500).center(400, 400);
          pen.polygon('1000,100 1300,100 1150,400');
          pen.path('M 100 1000 C 100 1300 600 1300 600 1000 Z');
        }),
      ),
    );
    const areas = drawing.outlines.map((ring) => areaMm2({ rings: [ring] }));
    expect(areas[0]).toBeCloseTo(Math.PI * 25 * 25, -1);
    expect(areas[1]).toBeCloseTo((30 * 30) / 2, 3);
    // A cubic whose handles hang straight down encloses 0.6 × width × length of the handles.
    expect(areas[2]! / (0.6 * 50 * 30)).toBeCloseTo(1, 2);
  });
  test('groups that move and turn, innermost first', () => {
    const svg =
      '<svg xmlns="http://www.w3.org/2000/svg" width="100mm" viewBox="0 0 100 100"><g transform="translate(50 0)"><rect width="20" height="10" transform="rotate(90)"/></g></svg>';
    const { box } = read(readSvg(svg));
    expect([box.left, box.right, box.top, box.bottom].map((mm) => Math.round(mm))).toEqual([40, 50, 0, 20]);
  });
  test('inches on the page, and no page at all', () => {
    expect(size(read(readSvg('<svg width="2in" viewBox="0 0 200 200"><rect width="100" height="50"/></svg>')))).toEqual([25.4, 12.7]);
    const bare = read(readSvg('<svg><rect width="96" height="48"/></svg>'));
    expect(size(bare)).toEqual([25.4, 12.7]);
    expect(bare.scaleNote).toContain('96 px');
  });
  test('broken, empty, foreign and hostile files are refused with the reason', () => {
    expect(why(readSvg('<svg><rect', 'torn.svg'))).toMatch(/format\/broken: torn\.svg is not valid XML: line 1/);
    expect(why(readSvg('<html></html>', 'page.svg'))).toContain('contains no <svg>');
    expect(why(readSvg('<svg><text>hello</text><line x1="0" y1="0" x2="9" y2="9"/></svg>', 'words.svg'))).toContain(
      'It holds 1 text, 1 open line, which have no area',
    );
    expect(why(readSvg('<svg width="0mm" viewBox="0 0 10 10"><rect width="5" height="5"/></svg>', 'flat.svg'))).toContain(
      'has no page size',
    );
    expect(why(readSvg('<svg><path d="M0 0 L nonsense"/></svg>', 'bad.svg'))).toContain('format/broken');
    expect(why(readSvg('<svg viewBox="0 0 9 9" width="90mm"><path d="M0 0L9 9L9 0L0 9Z"/></svg>', 'bow.svg'))).toContain(
      'outline 1 crosses itself',
    );
    const bomb = '<!DOCTYPE svg [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;">]><svg><rect width="9" height="&b;"/></svg>';
    expect(readSvg(bomb).ok).toBe(false);
  });
});

describe('DXF', () => {
  const dxfOf = (draw: (writer: DxfWriter) => void, units = Units.Millimeters): string => {
    const writer = new DxfWriter();
    writer.setUnits(units);
    draw(writer);
    return writer.stringify();
  };
  test('a closed polyline of 300 × 200 mm comes out as large, upright as drawn', () => {
    const drawing = read(
      readDxf(
        dxfOf((writer) => {
          writer.addLWPolyline(
            [{ point: point2d(0, 0) }, { point: point2d(300, 0) }, { point: point2d(300, 200) }, { point: point2d(0, 100) }],
            { flags: 1 },
          );
        }),
      ),
    );
    expect(size(drawing)).toEqual([300, 200]);
    // Upwards in the drawing is backwards on the table: the high corner on the right lies at the back.
    const [high] = [...drawing.outlines[0]!].sort((a, b) => a.y - b.y);
    expect(high!.x).toBeCloseTo(300, 6);
  });
  test('inches are taken as inches', () => {
    const drawing = read(readDxf(dxfOf((writer) => void writer.addCircle(point3d(0, 0), 2), Units.Inches)));
    expect(Math.abs(size(drawing)[0]! - 4 * 25.4)).toBeLessThan(0.2); // chords within 0.1 mm
    expect(drawing.scaleNote).toBe('drawn in inches');
  });
  test.each([
    [Units.Feet, 304.8],
    [Units.Millimeters, 1],
    [Units.Centimeters, 10],
    [Units.Meters, 1000],
  ])('a square of twenty of unit %i has sides of 20 × %d mm', (units, mm) => {
    const square = [point2d(0, 0), point2d(20, 0), point2d(20, 20), point2d(0, 20)].map((point) => ({ point }));
    const drawing = read(readDxf(dxfOf((writer) => void writer.addLWPolyline(square, { flags: 1 }), units)));
    expect(size(drawing)[0]).toBeCloseTo(20 * mm, 6);
    expect(size(drawing)[1]).toBeCloseTo(20 * mm, 6);
  });
  test('lines and an arc that meet end to end are one outline: a rectangle with a round end', () => {
    const drawing = read(
      readDxf(
        dxfOf((writer) => {
          writer.addLine(point3d(0, 0), point3d(100, 0));
          writer.addArc(point3d(100, 25), 25, 270, 90);
          writer.addLine(point3d(100, 50), point3d(0, 50));
          writer.addLine(point3d(0, 50), point3d(0, 0));
        }),
      ),
    );
    expect(drawing.outlines).toHaveLength(1);
    expect(areaMm2({ rings: drawing.outlines })).toBeCloseTo(100 * 50 + (Math.PI * 625) / 2, -1);
  });
  test('a polyline with a bulge of 1 is a half circle', () => {
    const drawing = read(
      readDxf(dxfOf((writer) => void writer.addLWPolyline([{ point: point2d(0, 0), bulge: 1 }, { point: point2d(80, 0) }], { flags: 1 }))),
    );
    expect(areaMm2({ rings: drawing.outlines }) / ((Math.PI * 40 * 40) / 2)).toBeCloseTo(1, 2);
  });
  test.each([1e-16, -1e-12, 1e-300, 1e9])('a bulge of %s is a leg or an arc of a bounded number of chords', (bulge) => {
    const drawing = read(
      readDxf(
        dxfOf(
          (writer) =>
            void writer.addLWPolyline([{ point: point2d(0, 0), bulge }, { point: point2d(80, 0) }, { point: point2d(40, 60) }], {
              flags: 1,
            }),
        ),
      ),
    );
    expect(drawing.outlines[0]!.length).toBeLessThan(2_010);
  });
  test('open lines alone, and a file that breaks off, are refused with the reason', () => {
    expect(
      why(
        readDxf(
          dxfOf((writer) => void writer.addLine(point3d(0, 0), point3d(9, 9))),
          'line.dxf',
        ),
      ),
    ).toContain('has no closed outline. It holds 1 open line');
    expect(why(readDxf('0\nSECTION\n2\nENTITIES\n0\nLWPOLY', 'torn.dxf'))).toContain('torn.dxf cannot be read as DXF');
    expect(readDxf('not a drawing').ok).toBe(false);
  });
});

describe('heightmaps', () => {
  /** A grey cone, white in the middle, black at its rim of 40 px, made by another PNG library. */
  const cone = (options: { colorType?: number; bitDepth?: number } = {}): Uint8Array => {
    const png = new PNG({ width: 100, height: 80, ...options } as never);
    const is16 = options.bitDepth === 16;
    const data = is16 ? new Uint16Array(100 * 80 * 4) : png.data;
    const full = is16 ? 65_535 : 255;
    for (let y = 0; y < 80; y++) {
      for (let x = 0; x < 100; x++) {
        const grey = Math.max(0, Math.round(full * (1 - Math.hypot(x - 49.5, y - 39.5) / 40)));
        data.set([grey, grey, grey, full], (y * 100 + x) * 4);
      }
    }
    if (is16) png.data = Buffer.from(data.buffer);
    return new Uint8Array(PNG.sync.write(png, options as never));
  };
  const hill = (bytes: Uint8Array, use = { widthMm: 400, heightMm: 40, stepMm: 10 }) => {
    const map = readHeightmap(bytes, 'cone.png');
    if (!map.ok) throw new Error(map.problem.message);
    return contoursOfHeightmap(map.value, use, 'cone.png');
  };
  test('a cone 40 mm high over 400 mm in steps of 10: four contours, step k as wide as the cone is (k − ½) steps up', () => {
    const made = hill(cone());
    if (!made.ok) throw new Error(made.problem.message);
    const radii = made.value.levels.map((rings) => Math.sqrt(areaMm2(levelRegion(rings)) / Math.PI));
    // 4 mm a pixel, 160 mm radius: a step's edge lies where 40·(1 − r/160) is 5, 15, 25 and 35 mm.
    [140, 100, 60, 20].forEach((r, i) => expect(Math.abs(radii[i]! - r)).toBeLessThan(2.5));
    const { left, right } = boxAround(made.value.levels[0]!.flat());
    expect((left + right) / 2).toBeCloseTo(200, 0);
  });
  test('grey, coloured and 16-bit pictures give the same hill', () => {
    const plain = hill(cone());
    for (const options of [{ colorType: 0 }, { colorType: 0, bitDepth: 16 }, { colorType: 2 }]) {
      const other = hill(cone(options));
      if (!plain.ok || !other.ok) throw new Error('no hill');
      other.value.levels.forEach((rings, i) =>
        expect(areaMm2(levelRegion(rings)) / areaMm2(levelRegion(plain.value.levels[i]!))).toBeCloseTo(1, 1),
      );
    }
  });
  test('a torn picture, one of another kind, one too large and a black one are refused with the reason', () => {
    expect(why(readHeightmap(new Uint8Array([0xff, 0xd8, 0xff]), 'photo.png'))).toBe('format/broken: photo.png is not a PNG picture.');
    expect(why(readHeightmap(cone().slice(0, 200), 'torn.png'))).toContain('torn.png cannot be read as PNG');
    const huge = cone();
    new DataView(huge.buffer, huge.byteOffset).setUint32(16, 600_000);
    expect(why(readHeightmap(huge, 'huge.png'))).toContain('600000 × 80 pixels. Enter up to 16 million');
    expect(why(hill(cone(), { widthMm: 400, heightMm: 4, stepMm: 10 }))).toContain('less than half a step');
    expect(why(hill(cone(), { widthMm: 400, heightMm: 400, stepMm: 5 }))).toContain('80 steps. Enter up to 24');
  });
});
