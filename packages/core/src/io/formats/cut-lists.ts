import papaparse from 'papaparse';
import type { CutJob } from '../../build/cutting/job';
import { type CutRow, type ListedParts, type StripSegments, cutSteps, listedParts, stepWords } from '../../build/cutting/bench';
import { type PDFDocument, type PDFFont, breakTextIntoLines } from 'pdf-lib';
import { COLOURS, type Sheet, line, newPdf, newSheet, printable, widthMm, words } from './pdf';
import { type MeasureSystem, lengthText, lengthUnit, lengthUnitName } from '../../base/units';
import { PAPERS, type Paper } from './templates';

const mm = (value: number): string => (Math.abs(value - Math.round(value)) < 0.05 ? value.toFixed(0) : value.toFixed(1));

/** Cuts, parts and segments of all sheets of some jobs as one CSV table, line by line as the other lists have them. Cells that a spreadsheet would run as a formula are made text. */
export function cutListCsv(jobs: readonly CutJob[]): string {
  const rows = jobs.flatMap((job) =>
    job.layout.sheets.flatMap(({ stock }, index) => {
      const sheet = {
        material: job.name,
        sheet: index + 1,
        stock: `${stock.widthMm} x ${stock.depthMm}${stock.offcutId === null ? '' : ' offcut'}`,
        tool: job.tool.name,
      };
      const line = { step: '', count: '', says: '', gives: '', from: '', at_mm: '', passes: '', part: '', numbers: '' };
      const size = { width_mm: '', depth_mm: '', left_mm: '', top_mm: '', turned: '', marks: '' };
      const parts = listedParts(job, index);
      return [
        ...cutSteps(job, index).map((step) => {
          const { cut, gives } = stepWords(step, 'metric');
          return {
            ...sheet,
            kind: 'cut',
            ...line,
            step: String(step.step),
            count: String(step.cuts.length),
            says: cut,
            gives,
            from: step.from,
            at_mm: mm(step.atMm),
            passes: String(step.passes),
            ...size,
          };
        }),
        ...parts.map(({ rows: own, name, numbers, marks, at }) => {
          const [{ widthMm: wide, depthMm, turned }] = own as readonly [CutRow];
          return {
            ...sheet,
            kind: 'part',
            ...line,
            count: String(own.length),
            part: name,
            numbers,
            width_mm: mm(wide),
            depth_mm: mm(depthMm),
            left_mm: at === null ? '' : mm(at.leftMm),
            top_mm: at === null ? '' : mm(at.topMm),
            turned: turned ? 'yes' : 'no',
            marks,
          };
        }),
        ...segmentLines(parts).map((segment) => ({
          ...sheet,
          kind: 'segment',
          ...line,
          count: String(segment.count * segment.strips),
          part: `${segment.strip}: ${segment.name}`,
          says: fromStrips(segment),
          ...size,
          width_mm: mm(segment.lengthMm),
        })),
      ];
    }),
  );
  return papaparse.unparse(rows, { newline: '\r\n', escapeFormulae: true });
}

/** What is cut from the strips of a sheet once they are glued. */
const segmentLines = (parts: readonly ListedParts[]): readonly (StripSegments & { readonly strip: string })[] =>
  parts.flatMap(({ name, segments }) => segments.map((segment) => ({ ...segment, strip: name })));
/** `24 × Straight: wall, 12 from each of 2 strips`. */
const fromStrips = ({ strips, count }: StripSegments): string =>
  strips === 1 ? 'from one strip' : `${count} from each of ${strips} strips`;

const MARGIN_MM = 15;
const ROW_MM = 5.4;
const SIZE_MM = 3.2;
/** Where what is told begins, behind its number. */
const LEAD_MM = 12;

/** Writes lines down a page, and on to the next. */
class Writer {
  private sheet: Sheet;
  private atMm = MARGIN_MM;

  constructor(
    private readonly pdf: PDFDocument,
    private readonly font: PDFFont,
    private readonly paper: Paper,
  ) {
    this.sheet = this.turnPage();
  }
  private turnPage(): Sheet {
    const { wideMm, tallMm } = PAPERS[this.paper];
    this.sheet = newSheet(this.pdf, this.font, wideMm, tallMm);
    this.atMm = MARGIN_MM;
    return this.sheet;
  }
  private room(neededMm: number): void {
    if (this.atMm + neededMm > PAPERS[this.paper].tallMm - MARGIN_MM) this.turnPage();
  }
  heading(text: string): void {
    this.room(ROW_MM * 4);
    this.atMm += ROW_MM * 1.4;
    words(this.sheet, text, MARGIN_MM, this.atMm, { sizeMm: 4.6 });
    this.atMm += 2;
    line(this.sheet, { x: MARGIN_MM, y: this.atMm }, { x: PAPERS[this.paper].wideMm - MARGIN_MM, y: this.atMm });
  }
  /** Cells at stated places from the left margin; those marked `right` end there. */
  row(cells: readonly { readonly text: string; readonly atMm: number; readonly right?: boolean }[], isSoft = false): void {
    this.room(ROW_MM);
    this.atMm += ROW_MM;
    for (const { text, atMm, right } of cells) {
      const x = MARGIN_MM + atMm - (right === true ? widthMm(text, this.font, SIZE_MM) : 0);
      words(this.sheet, text, x, this.atMm, { sizeMm: SIZE_MM, color: isSoft ? COLOURS.soft : COLOURS.ink });
    }
  }
  /** A line of the list: its number or count, what it says, and smaller what comes of it; on as many lines as it takes. */
  told(lead: string, says: string, more: string): void {
    const wideMm = PAPERS[this.paper].wideMm - 2 * MARGIN_MM - LEAD_MM;
    const broken = (text: string): string[] =>
      breakTextIntoLines(printable(text, this.font), [' '], wideMm, (words_) => widthMm(words_, this.font, SIZE_MM));
    const [said, then] = [broken(says), more === '' ? [] : broken(more)];
    this.room(ROW_MM * (said.length + then.length));
    said.forEach((text, i) => this.row([...(i === 0 ? [{ text: lead, atMm: LEAD_MM - 3, right: true }] : []), { text, atMm: LEAD_MM }]));
    for (const text of then) this.row([{ text, atMm: LEAD_MM }], true);
  }
}

/** The cut list of one job for the bench: every sheet with its cuts in order and its parts, in the board's measures. */
export async function cutListPdf(job: CutJob, paper: Paper, system: MeasureSystem, fontBytes: Uint8Array): Promise<Uint8Array> {
  const [unit, unitName] = [lengthUnit(system), lengthUnitName(system)];
  const length = (value: number): string => lengthText(value, system);
  const { pdf, font } = await newPdf(`Cut list, ${job.name}`, fontBytes);
  const writer = new Writer(pdf, font, paper);
  job.layout.sheets.forEach(({ stock }, index) => {
    const what = stock.offcutId === null ? 'new sheet' : 'offcut';
    writer.heading(
      `${job.name}: sheet ${index + 1} of ${job.layout.sheets.length}, ${length(stock.widthMm)} × ${length(stock.depthMm)} ${unit}, ${what}`,
    );
    const steps = cutSteps(job, index);
    const isThrough = steps.length > 0;
    writer.row(
      [
        {
          text: isThrough
            ? `${job.tool.name}, ${job.passes.value === 1 ? 'one pass' : `${job.passes.value} passes`}; each cut measured from one edge of the piece you are cutting, in ${unitName}`
            : `${job.tool.name}: cut round each part.`,
          atMm: 0,
        },
      ],
      isThrough,
    );
    for (const step of steps) {
      const { cut, gives } = stepWords(step, system);
      writer.told(String(step.step), cut, gives);
    }
    writer.row([{ text: `Parts: size${isThrough ? '' : ', then left and top edge on the sheet'}, in ${unitName}`, atMm: 0 }], true);
    const parts = listedParts(job, index);
    for (const { rows, name, numbers, marks, at } of parts) {
      const [{ widthMm: wide, depthMm }] = rows as readonly [CutRow];
      writer.told(
        rows.length === 1 ? '' : `${rows.length} ×`,
        `${name}, ${length(wide)} × ${length(depthMm)}${at === null || isThrough ? '' : `, at ${length(at.leftMm)}, ${length(at.topMm)}`}`,
        [`Number ${numbers} on the drawing`, marks].filter((text) => text !== '').join('; '),
      );
    }
    const segments = segmentLines(parts);
    if (segments.length > 0) writer.row([{ text: `From the strips, once they are glued and dry: length, in ${unitName}`, atMm: 0 }], true);
    for (const segment of segments)
      writer.told(
        `${segment.count * segment.strips} ×`,
        `${segment.name}, ${length(segment.lengthMm)}`,
        `${segment.strip}: ${fromStrips(segment)}`,
      );
  });
  return pdf.save();
}
