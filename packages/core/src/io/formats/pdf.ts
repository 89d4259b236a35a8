import fontkit from '@pdf-lib/fontkit';
import { PDFDocument, type PDFFont, type PDFPage, type RGB, rgb } from 'pdf-lib';
import type { CutJob } from '../../build/cutting/job';
import { type Mark, placedParts } from '../../build/cutting/bench';
import type { Point, Ring } from '../../base/geometry';

/** What all our PDF pages share: millimetres, one embedded font, lines, and a bar to check the printer by. */

export const PT_PER_MM = 72 / 25.4;
export const pt = (mm: number): number => mm * PT_PER_MM;
const INK = rgb(0.14, 0.19, 0.17);
const SOFT = rgb(0.45, 0.48, 0.46);
export const COLOURS = { ink: INK, soft: SOFT } as const;

/** A bar this long stands on every page: if it does not measure that, the page was not printed at true scale. */
export const CHECK_BAR_MM = 100;
const BAR_TICK_MM = 3;
const HAIR_MM = 0.15;

/** A page measured in mm from its left top corner, downwards. */
export interface Sheet {
  readonly page: PDFPage;
  readonly font: PDFFont;
  readonly tallMm: number;
}

/** A new document with its font. @param font bytes of a .woff or .ttf */
export async function newPdf(title: string, font: Uint8Array): Promise<{ readonly pdf: PDFDocument; readonly font: PDFFont }> {
  const pdf = await PDFDocument.create();
  pdf.registerFontkit(fontkit);
  pdf.setTitle(title);
  return { pdf, font: await pdf.embedFont(font, { subset: true }) };
}

export function newSheet(pdf: PDFDocument, font: PDFFont, wideMm: number, tallMm: number): Sheet {
  return { page: pdf.addPage([pt(wideMm), pt(tallMm)]), font, tallMm };
}

export function line({ page, tallMm }: Sheet, from: Point, to: Point, widthMm = HAIR_MM, color: RGB = INK): void {
  page.drawLine({
    start: { x: pt(from.x), y: pt(tallMm - from.y) },
    end: { x: pt(to.x), y: pt(tallMm - to.y) },
    thickness: pt(widthMm),
    color,
  });
}

/** Closed outlines, moved by an offset. */
export function outlines({ page, tallMm }: Sheet, rings: readonly Ring[], dx: number, dy: number, widthMm = 0.25): void {
  const d = rings.map((ring) => `M${ring.map(({ x, y }) => `${(x + dx).toFixed(4)} ${(y + dy).toFixed(4)}`).join('L')}Z`).join('');
  // Paths run downwards from the point they are set at; a unit is a mm, and so is the width of their line.
  if (d !== '') page.drawSvgPath(d, { x: 0, y: pt(tallMm), scale: PT_PER_MM, borderColor: INK, borderWidth: widthMm });
}

/** Lines that are folded along or scored, and the outline of a leaning edge on the other side: not cut through, so each dashed in its own way. */
const DASHES_MM = { far: [0.6, 1], fold: [4, 1.2], score: [1.6, 0.8] } as const;
export function markLine({ page, tallMm }: Sheet, { what, points }: Mark, dx: number, dy: number): void {
  const d = `M${points.map(({ x, y }) => `${(x + dx).toFixed(4)} ${(y + dy).toFixed(4)}`).join('L')}`;
  const border = { borderColor: INK, borderWidth: 0.18, borderDashArray: [...DASHES_MM[what]] };
  page.drawSvgPath(d, { x: 0, y: pt(tallMm), scale: PT_PER_MM, ...border });
}

/** How words are set. */
interface Lettering {
  readonly sizeMm: number;
  readonly color: RGB;
}

/** Words with their foot at a height. @throws RangeError for signs of measure that the font lacks */
export function words(
  { page, font, tallMm }: Sheet,
  text: string,
  x: number,
  y: number,
  { sizeMm = 3.2, color = INK }: Partial<Lettering> = {},
): void {
  page.drawText(printable(text, font), { x: pt(x), y: pt(tallMm - y), size: pt(sizeMm), font, color });
}

export const widthMm = (text: string, font: PDFFont, sizeMm: number): number =>
  font.widthOfTextAtSize(printable(text, font), pt(sizeMm)) / PT_PER_MM;

/** Signs of ours that fonts often lack, and what says the same. */
const LIKE: Readonly<Record<string, string>> = { '−': '-', '⌀': 'ø', '≤': '<=', '≥': '>=', '→': '>', '½': '1/2', '¼': '1/4', '¾': '3/4' };

/**
 * A text in signs the font has. Spaces of every width are spaces, and signs of measure are said otherwise; a letter of somebody's own name that the font lacks
 * becomes a question mark.
 * @throws RangeError for a sign of measure, number or money that can be said no other way: a wrong digit costs a sheet
 */
export function printable(text: string, font: PDFFont): string {
  const known = new Set(font.getCharacterSet());
  const has = (signs: string): boolean => [...signs].every((sign) => known.has(sign.codePointAt(0)!));
  return [...text]
    .map((sign) => {
      if (has(sign)) return sign;
      if (/\p{Zs}/u.test(sign)) return ' ';
      const like = LIKE[sign];
      if (like !== undefined && has(like)) return like;
      if (/[\p{Sm}\p{Sc}\p{No}\p{Zl}\p{Zp}]/u.test(sign))
        throw new RangeError(`“${text}” cannot be printed: the font has no sign “${sign}”. Write it another way.`);
      return '?';
    })
    .join('');
}

/** The check bar with its words, its left end at a point. */
export function checkBar(sheet: Sheet, x: number, y: number): void {
  line(sheet, { x, y }, { x: x + CHECK_BAR_MM, y }, 0.35);
  for (const at of [0, CHECK_BAR_MM]) line(sheet, { x: x + at, y: y - BAR_TICK_MM / 2 }, { x: x + at, y: y + BAR_TICK_MM / 2 }, 0.35);
  words(sheet, `${CHECK_BAR_MM} mm: measure it before you cut from this page`, x + CHECK_BAR_MM + 3, y + 1.1, { sizeMm: 2.8, color: SOFT });
}

const MARGIN_MM = 10;
const FOOT_MM = 16;
const LABEL_MM = 5;
const MIN_LABEL_MM = 1.8;
const INSET_MM = 3;

/** One sheet at true scale on a page of its own, with its parts, their labels and the check bar. */
export async function sheetPdf(job: CutJob, index: number, fontBytes: Uint8Array): Promise<Uint8Array> {
  const { stock } = job.layout.sheets[index]!;
  const title = `${job.name}, sheet ${index + 1} of ${job.layout.sheets.length}`;
  const { pdf, font } = await newPdf(title, fontBytes);
  const sheet = newSheet(pdf, font, stock.widthMm + 2 * MARGIN_MM, stock.depthMm + 2 * MARGIN_MM + FOOT_MM);
  const corners = [
    { x: 0, y: 0 },
    { x: stock.widthMm, y: 0 },
    { x: stock.widthMm, y: stock.depthMm },
    { x: 0, y: stock.depthMm },
  ];
  outlines(sheet, [corners], MARGIN_MM, MARGIN_MM, 0.35);
  for (const { rings, marks, number, name, leftMm, topMm, widthMm: wideMm } of placedParts(job, index)) {
    outlines(sheet, rings, MARGIN_MM, MARGIN_MM);
    for (const mark of marks) markLine(sheet, mark, MARGIN_MM, MARGIN_MM);
    // A name that would run into the next part is made smaller, as far as it can be read.
    const label = `${number}  ${name}`;
    const room = (wideMm - 2 * INSET_MM) / widthMm(label, font, LABEL_MM);
    const sizeMm = Math.max(MIN_LABEL_MM, Math.min(1, room) * LABEL_MM);
    words(sheet, label, MARGIN_MM + leftMm + INSET_MM, MARGIN_MM + topMm + INSET_MM + sizeMm, { sizeMm });
  }
  const footMm = stock.depthMm + 2 * MARGIN_MM;
  words(sheet, title, MARGIN_MM, footMm + 2, { sizeMm: 4 });
  checkBar(sheet, MARGIN_MM, footMm + 9);
  return pdf.save();
}
