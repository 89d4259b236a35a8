import { MaxRectsPacker, Rectangle } from 'maxrects-packer/dist/maxrects-packer.mjs';
import { type PDFOperator, clip, endPath, popGraphicsState, pushGraphicsState, rectangle } from 'pdf-lib';
import { regionBox } from '../../base/geometry';
import { marksOf } from '../../build/cutting/bench';
import type { Part } from '../../build/cutting/parts';
import type { FlatPart } from '../../build/shell';
import { ceilTolerant } from '../../base/units';
import { COLOURS, type Sheet, checkBar, line, markLine, newPdf, newSheet, outlines, pt, widthMm, words } from './pdf';

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
  const count = (sizeMm: number, viewMm: number): number => Math.max(1, ceilTolerant((sizeMm - OVERLAP_MM) / (viewMm - OVERLAP_MM)));
  const [columns, rows] = [count(widthMm, viewWideMm), count(depthMm, viewTallMm)];
  const pages = Array.from({ length: rows * columns }, (_, i): TemplatePage => {
    const [column, row] = [i % columns, Math.floor(i / columns)];
    return { column, row, leftMm: column * (viewWideMm - OVERLAP_MM), topMm: row * (viewTallMm - OVERLAP_MM) };
  });
  return { columns, rows, viewWideMm, viewTallMm, pages };
}

/** A part as it is drawn on paper: its outline from 0, 0, and what is marked on it. */
export interface Template extends Pick<Part, 'name' | 'widthMm' | 'depthMm' | 'outline'> {
  readonly marks?: Part['marks'];
}
/** A flat part of a piece as it is drawn on paper. */
export function templateOf(flat: FlatPart, name: string): Template {
  const { right, bottom } = regionBox(flat.blank);
  return { name, widthMm: right, depthMm: bottom, outline: flat.blank, marks: flat };
}

/** Under every part of a page that several share, for its name. */
const LABEL_MM = 5;
const LABEL_SIZE_MM = 2.8;
const MIN_LABEL_MM = 1.6;
const NARROWEST_MM = 16;
const APART_MM = 3;
const PRINT_WORDS = 'Print at 100 %, not fitted to the page.';

/**
 * Parts as paper templates at true scale, to be glued on the sheet or drawn round: small ones share a page; a large one goes over several, each with
 * overlap, registration crosses and a key. Every page has the check bar.
 */
export async function templatesPdf(parts: readonly Template[], paper: Paper, fontBytes: Uint8Array): Promise<Uint8Array> {
  const { pdf, font } = await newPdf('Templates', fontBytes);
  const { wideMm, tallMm } = PAPERS[paper];
  const page = (): Sheet => newSheet(pdf, font, wideMm, tallMm);
  const footMm = tallMm - MARGIN_MM - FOOT_MM + 7;
  const foot = (sheet: Sheet, title: string, says: string): void => {
    words(sheet, title, MARGIN_MM, footMm, { sizeMm: 3.6 });
    words(sheet, says, MARGIN_MM, footMm + 4.6, { sizeMm: 2.3, color: COLOURS.soft });
    checkBar(sheet, MARGIN_MM, footMm + 9.5);
  };
  const small = parts.filter(({ widthMm, depthMm }) => sharesAPage(widthMm, depthMm, paper));
  const shared = sharedPages(small, paper);
  shared.forEach((placed, i) => {
    const sheet = page();
    for (const { part, xMm, yMm } of placed) drawShared(sheet, part, MARGIN_MM + xMm, MARGIN_MM + yMm);
    const title = `${placed.length === 1 ? '1 part' : `${placed.length} parts`}, page ${i + 1} of ${shared.length}`;
    foot(sheet, title, `${PRINT_WORDS} ${markWords(placed.map(({ part }) => part))}`);
  });
  for (const part of parts.filter((one) => !small.includes(one))) {
    const plan = templatePlan(part.widthMm, part.depthMm, paper);
    plan.pages.forEach((own, i) => {
      const sheet = page();
      drawView(sheet, part, plan, own);
      crosses(sheet, plan, own);
      const place = plan.pages.length === 1 ? '' : `, page ${i + 1} of ${plan.pages.length}: row ${own.row + 1}, column ${own.column + 1}`;
      foot(sheet, `${part.name}${place}`, `${PRINT_WORDS} Overlap the pages until the crosses align. ${markWords([part])}`);
      if (plan.pages.length > 1) pageKey(sheet, plan, own, wideMm - MARGIN_MM, footMm - 4);
    });
  }
  return pdf.save();
}

const pageView = (paper: Paper): { readonly wideMm: number; readonly tallMm: number } => {
  const { viewWideMm, viewTallMm } = templatePlan(0, 0, paper);
  return { wideMm: viewWideMm, tallMm: viewTallMm };
};
const sharesAPage = (widthMm: number, depthMm: number, paper: Paper): boolean => {
  const { wideMm, tallMm } = pageView(paper);
  return widthMm <= wideMm && depthMm + LABEL_MM <= tallMm;
};

/** Small parts on few pages, none of them turned: their names stay upright. */
function sharedPages(
  parts: readonly Template[],
  paper: Paper,
): { readonly part: Template; readonly xMm: number; readonly yMm: number }[][] {
  const { wideMm, tallMm } = pageView(paper);
  const packer = new MaxRectsPacker<Rectangle & { part: Template }>(wideMm, tallMm, APART_MM, { smart: false, pot: false, square: false });
  packer.addArray(
    parts.map((part) => {
      const room = new Rectangle(Math.max(part.widthMm, Math.min(NARROWEST_MM, wideMm)), part.depthMm + LABEL_MM);
      return Object.assign(room, { part });
    }),
  );
  return packer.bins.map(({ rects }) => rects.map(({ part, x, y }) => ({ part, xMm: x, yMm: y })));
}

function drawShared(sheet: Sheet, { name, widthMm: wideMm, depthMm, outline, marks }: Template, x: number, y: number): void {
  outlines(sheet, outline.rings, x, y, 0.3);
  for (const mark of marksOf(marks)) markLine(sheet, mark, x, y);
  const room = Math.max(wideMm, NARROWEST_MM) / widthMm(name, sheet.font, LABEL_SIZE_MM);
  words(sheet, name, x, y + depthMm + LABEL_MM - 1.4, { sizeMm: Math.max(MIN_LABEL_MM, Math.min(1, room) * LABEL_SIZE_MM) });
}

/** What the lines on some parts mean; nothing where there is nothing but outlines. */
function markWords(parts: readonly Template[]): string {
  const seen = new Set(parts.flatMap(({ marks }) => marksOf(marks).map(({ what }) => what)));
  const says = [
    ...(seen.has('far') ? ['dotted: both faces of a leaning edge'] : []),
    ...(seen.has('fold') ? ['long dashes: fold'] : []),
    ...(seen.has('score') ? ['short dashes: score'] : []),
  ];
  return says.length === 0 ? '' : `Solid: cut; ${says.join('; ')}.`;
}

/** What the page shows of a part, cut off at the edge of the view. */
function drawView(sheet: Sheet, part: Template, { viewWideMm, viewTallMm }: TemplatePlan, { leftMm, topMm }: TemplatePage): void {
  const { page, tallMm } = sheet;
  const frame: PDFOperator[] = [
    pushGraphicsState(),
    rectangle(pt(MARGIN_MM), pt(tallMm - MARGIN_MM - viewTallMm), pt(viewWideMm), pt(viewTallMm)),
    clip(),
    endPath(),
  ];
  page.pushOperators(...frame);
  outlines(sheet, part.outline.rings, MARGIN_MM - leftMm, MARGIN_MM - topMm, 0.3);
  for (const mark of marksOf(part.marks)) markLine(sheet, mark, MARGIN_MM - leftMm, MARGIN_MM - topMm);
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
