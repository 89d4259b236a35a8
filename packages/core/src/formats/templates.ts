import { type PDFOperator, clip, endPath, popGraphicsState, pushGraphicsState, rectangle } from 'pdf-lib';
import type { Part } from '../cutting/parts';
import { wholeUp } from '../base/units';
import { COLOURS, type Sheet, checkBar, line, newPdf, newSheet, outlines, pt, words } from './pdf';

/** Papers a home printer takes, upright, mm. */
export const PAPERS = { a4: { name: 'A4', wideMm: 210, tallMm: 297 }, letter: { name: 'Letter', wideMm: 215.9, tallMm: 279.4 } } as const;
export type Paper = keyof typeof PAPERS;

/** No home printer prints to the edge. */
const MARGIN_MM = 12;
/** Kept free under the drawing for the check bar and the page's name. */
const FOOT_MM = 18;
/** Neighbouring pages show this much of each other, to be laid over it. */
export const OVERLAP_MM = 10;
const CROSS_MM = 6;
const KEY_CELL_MM = 3.2;

/** Where one page lies on a part: what of the part's box it shows. */
export interface TemplatePage {
  readonly column: number;
  readonly row: number;
  readonly leftMm: number;
  readonly topMm: number;
}
/** How a part is spread over pages. */
export interface TemplatePlan {
  readonly columns: number;
  readonly rows: number;
  readonly viewWideMm: number;
  readonly viewTallMm: number;
  readonly pages: readonly TemplatePage[];
}

/** Pages that show all of a box at true scale, each overlapping the next. */
export function templatePlan(widthMm: number, depthMm: number, paper: Paper): TemplatePlan {
  const { wideMm, tallMm } = PAPERS[paper];
  const [viewWideMm, viewTallMm] = [wideMm - 2 * MARGIN_MM, tallMm - 2 * MARGIN_MM - FOOT_MM];
  const count = (sizeMm: number, viewMm: number): number => Math.max(1, wholeUp((sizeMm - OVERLAP_MM) / (viewMm - OVERLAP_MM)));
  const [columns, rows] = [count(widthMm, viewWideMm), count(depthMm, viewTallMm)];
  const pages = Array.from({ length: rows * columns }, (_, i): TemplatePage => {
    const [column, row] = [i % columns, Math.floor(i / columns)];
    return { column, row, leftMm: column * (viewWideMm - OVERLAP_MM), topMm: row * (viewTallMm - OVERLAP_MM) };
  });
  return { columns, rows, viewWideMm, viewTallMm, pages };
}

/** Parts as paper templates at true scale: every page with overlap, registration crosses, a key of the pages, and the check bar. */
export async function templatesPdf(parts: readonly Part[], paper: Paper, fontBytes: Uint8Array): Promise<Uint8Array> {
  const { pdf, font } = await newPdf('Templates', fontBytes);
  const { wideMm, tallMm } = PAPERS[paper];
  for (const part of parts) {
    const plan = templatePlan(part.widthMm, part.depthMm, paper);
    plan.pages.forEach((page, i) => {
      const sheet = newSheet(pdf, font, wideMm, tallMm);
      drawView(sheet, part, plan, page);
      crosses(sheet, plan, page);
      const footMm = tallMm - MARGIN_MM - FOOT_MM + 7;
      const place =
        plan.pages.length === 1 ? '' : `, page ${i + 1} of ${plan.pages.length}: row ${page.row + 1}, column ${page.column + 1}`;
      words(sheet, `${part.name}${place}`, MARGIN_MM, footMm, { sizeMm: 3.6 });
      words(sheet, 'Print at 100 %, not fitted to the page. Lay pages over each other until the crosses meet.', MARGIN_MM, footMm + 4.6, {
        sizeMm: 2.6,
        color: COLOURS.soft,
      });
      checkBar(sheet, MARGIN_MM, footMm + 9.5);
      if (plan.pages.length > 1) pageKey(sheet, plan, page, wideMm - MARGIN_MM, footMm - 4);
    });
  }
  return pdf.save();
}

/** What the page shows of the outline, cut off at the edge of the view. */
function drawView(sheet: Sheet, part: Part, { viewWideMm, viewTallMm }: TemplatePlan, { leftMm, topMm }: TemplatePage): void {
  const { page, tallMm } = sheet;
  const frame: PDFOperator[] = [
    pushGraphicsState(),
    rectangle(pt(MARGIN_MM), pt(tallMm - MARGIN_MM - viewTallMm), pt(viewWideMm), pt(viewTallMm)),
    clip(),
    endPath(),
  ];
  page.pushOperators(...frame);
  outlines(sheet, part.outline.rings, MARGIN_MM - leftMm, MARGIN_MM - topMm, 0.3);
  page.pushOperators(popGraphicsState());
}

/** A cross in the middle of the overlap wherever four pages, or two, meet: the same point of the part on each of them. */
function crosses(
  sheet: Sheet,
  { columns, rows, viewWideMm, viewTallMm }: TemplatePlan,
  { column, row, leftMm, topMm }: TemplatePage,
): void {
  const lines = (index: number, count: number, startMm: number, viewMm: number): number[] => [
    ...(index > 0 ? [startMm + OVERLAP_MM / 2] : []),
    ...(index < count - 1 ? [startMm + viewMm - OVERLAP_MM / 2] : []),
  ];
  const xs = lines(column, columns, leftMm, viewWideMm);
  const ys = lines(row, rows, topMm, viewTallMm);
  // Pages that meet one way only get their crosses near the ends of the seam.
  const atX = xs.length > 0 ? xs : ys.length > 0 ? [leftMm + CROSS_MM, leftMm + viewWideMm - CROSS_MM] : [];
  const atY = ys.length > 0 ? ys : xs.length > 0 ? [topMm + CROSS_MM, topMm + viewTallMm - CROSS_MM] : [];
  for (const partX of atX) {
    for (const partY of atY) {
      const [x, y] = [MARGIN_MM + partX - leftMm, MARGIN_MM + partY - topMm];
      line(sheet, { x: x - CROSS_MM / 2, y }, { x: x + CROSS_MM / 2, y }, 0.2);
      line(sheet, { x, y: y - CROSS_MM / 2 }, { x, y: y + CROSS_MM / 2 }, 0.2);
    }
  }
}

/** All pages as small boxes, this one filled in by its diagonals: told apart without colour. */
function pageKey(sheet: Sheet, { columns, rows, pages }: TemplatePlan, own: TemplatePage, rightMm: number, topMm: number): void {
  const left = rightMm - columns * KEY_CELL_MM;
  const top = Math.min(topMm, topMm + FOOT_MM - 6 - rows * KEY_CELL_MM);
  for (const { column, row } of pages) {
    const [x, y] = [left + column * KEY_CELL_MM, top + row * KEY_CELL_MM];
    const corner = (dx: number, dy: number): { x: number; y: number } => ({ x: x + dx * KEY_CELL_MM, y: y + dy * KEY_CELL_MM });
    outlines(sheet, [[corner(0, 0), corner(1, 0), corner(1, 1), corner(0, 1)]], 0, 0, 0.15);
    if (column === own.column && row === own.row) {
      line(sheet, corner(0, 0), corner(1, 1), 0.3);
      line(sheet, corner(1, 0), corner(0, 1), 0.3);
    }
  }
}
