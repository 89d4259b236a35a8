import { DxfWriter, TextVerticalAlignment, Units, point2d, point3d } from '@tarikjabiri/dxf';
import { XMLBuilder } from 'fast-xml-parser';
import type { CutJob } from '../../build/cutting/job';
import { placedParts } from '../../build/cutting/bench';
import type { Point } from '../../base/geometry';

/** Sheets as drawing files at true scale, for a cutting service or a machine: the sheet, the true outlines and the labels, apart from each other. */

const LABEL_MM = 8;
/** Text of a label is set this far into its part. */
const INSET_MM = 4;
const LAYERS = { sheet: 'Sheet', parts: 'Parts', labels: 'Labels' } as const;
/** What is marked on parts of pieces and not cut through, each on a layer of its own. */
const MARKS = { far: 'Other side', fold: 'Folds', score: 'Scores' } as const;
const MARK_COLOURS = { far: 8, fold: 3, score: 6 } as const;
const MARK_STROKES = { far: 'grey', fold: 'green', score: 'magenta' } as const;
const MARK_NAMES = ['far', 'fold', 'score'] as const;
/** Colours of the format's own index: white or black, red, blue. */
const LAYER_COLOURS = { sheet: 7, parts: 1, labels: 5 } as const;
/** Decimals of a mm kept in SVG paths. */
const DECIMALS = 4;

/** One sheet as DXF in mm, `y` upwards from the near edge as the format has it. */
export function sheetDxf(job: CutJob, sheetIndex: number): string {
  const { widthMm, depthMm } = job.layout.sheets[sheetIndex]!.stock;
  const writer = new DxfWriter();
  writer.setUnits(Units.Millimeters);
  for (const layer of ['sheet', 'parts', 'labels'] as const) writer.addLayer(LAYERS[layer], LAYER_COLOURS[layer], 'Continuous');
  const ring = (points: readonly Point[]): void =>
    void writer.addLWPolyline(
      points.map(({ x, y }) => ({ point: point2d(x, depthMm - y) })),
      { flags: 1 },
    );
  writer.setCurrentLayerName(LAYERS.sheet);
  ring(corners(widthMm, depthMm));
  writer.setCurrentLayerName(LAYERS.parts);
  const parts = placedParts(job, sheetIndex);
  for (const { rings } of parts) rings.forEach(ring);
  for (const what of MARK_NAMES) {
    const lines = parts.flatMap(({ marks }) => marks.filter((mark) => mark.what === what));
    if (lines.length === 0) continue;
    writer.addLayer(MARKS[what], MARK_COLOURS[what], 'Continuous');
    writer.setCurrentLayerName(MARKS[what]);
    for (const { points } of lines) writer.addLWPolyline(points.map(({ x, y }) => ({ point: point2d(x, depthMm - y) })));
  }
  writer.setCurrentLayerName(LAYERS.labels);
  for (const { number, name, leftMm, topMm } of parts) {
    const at = point3d(leftMm + INSET_MM, depthMm - topMm - INSET_MM, 0);
    writer.addText(at, LABEL_MM, `${number} ${name}`, { verticalAlignment: TextVerticalAlignment.Top, secondAlignmentPoint: at });
  }
  return writer.stringify();
}

/** One sheet as SVG, a unit of its viewBox being 1 mm of its page. */
export function sheetSvg(job: CutJob, sheetIndex: number): string {
  const { widthMm, depthMm } = job.layout.sheets[sheetIndex]!.stock;
  const parts = placedParts(job, sheetIndex);
  const outlined = { '@fill': 'none', '@stroke-width': 0.2 };
  const builder = new XMLBuilder({ ignoreAttributes: false, attributeNamePrefix: '@', format: true });
  return builder.build({
    svg: {
      '@xmlns': 'http://www.w3.org/2000/svg',
      '@width': `${widthMm}mm`,
      '@height': `${depthMm}mm`,
      '@viewBox': `0 0 ${widthMm} ${depthMm}`,
      title: `Sheet ${sheetIndex + 1}, ${job.name}`,
      g: [
        { '@id': LAYERS.sheet, ...outlined, '@stroke': 'black', path: { '@d': pathOf([corners(widthMm, depthMm)]) } },
        {
          '@id': LAYERS.parts,
          ...outlined,
          '@stroke': 'red',
          path: parts.map(({ number, rings }) => ({ '@id': `part-${number}`, '@d': pathOf(rings) })),
        },
        ...MARK_NAMES.flatMap((what) => {
          const lines = parts.flatMap(({ marks }) => marks.filter((mark) => mark.what === what));
          if (lines.length === 0) return [];
          const path = lines.map(({ points }) => ({ '@d': openPathOf(points) }));
          return [{ '@id': MARKS[what].replace(' ', '-'), ...outlined, '@stroke': MARK_STROKES[what], path }];
        }),
        {
          '@id': LAYERS.labels,
          '@font-family': 'sans-serif',
          '@font-size': LABEL_MM,
          '@fill': 'blue',
          text: parts.map(({ number, name, leftMm, topMm }) => ({
            '@x': leftMm + INSET_MM,
            '@y': topMm + INSET_MM + LABEL_MM,
            '#text': `${number} ${name}`,
          })),
        },
      ],
    },
  });
}

const corners = (widthMm: number, depthMm: number): readonly Point[] => [
  { x: 0, y: 0 },
  { x: widthMm, y: 0 },
  { x: widthMm, y: depthMm },
  { x: 0, y: depthMm },
];
const pathOf = (rings: readonly (readonly Point[])[]): string => rings.map((ring) => `${openPathOf(ring)}Z`).join('');
function openPathOf(points: readonly Point[]): string {
  return `M${points.map(({ x, y }) => `${+x.toFixed(DECIMALS)} ${+y.toFixed(DECIMALS)}`).join('L')}`;
}
