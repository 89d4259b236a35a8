import papaparse from 'papaparse';
import type { CutJob } from '../../build/cutting/job';
import { cutList, listedCuts } from '../../build/cutting/bench';
import type { PDFDocument, PDFFont } from 'pdf-lib';
import { COLOURS, type Sheet, line, newPdf, newSheet, widthMm, words } from './pdf';
import { type MeasureSystem, lengthText, lengthUnit, lengthUnitName } from '../../base/units';
import { PAPERS, type Paper } from './templates';

const mm = (value: number): string => (Math.abs(value - Math.round(value)) < 0.05 ? value.toFixed(0) : value.toFixed(1));

/** Cuts and parts of all sheets of some jobs as one CSV table. Cells that a spreadsheet would run as a formula are made text. */
export function cutListCsv(jobs: readonly CutJob[]): string {
  const rows = jobs.flatMap((job) =>
    job.layout.sheets.flatMap(({ stock }, index) => {
      const sheet = {
        material: job.name,
        sheet: index + 1,
        stock: `${stock.widthMm} x ${stock.depthMm}${stock.offcutId === null ? '' : ' offcut'}`,
        tool: job.tool.name,
      };
      const empty = { step: '', piece: '', cut: '', from: '', at_mm: '', length_mm: '', passes: '', leaves: '' };
      const none = { part: '', width_mm: '', depth_mm: '', left_mm: '', top_mm: '', turned: '' };
      return [
        ...listedCuts(job, index).map((cut) => ({
          ...sheet,
          kind: 'cut',
          step: cut.step,
          piece: cut.piece,
          cut: cut.way,
          from: cut.from,
          at_mm: mm(cut.atMm),
          length_mm: mm(cut.lengthMm),
          passes: cut.passes,
          leaves: cut.leaves.join(' | '),
          ...none,
        })),
        ...cutList(job, index).map((row) => ({
          ...sheet,
          kind: 'part',
          ...empty,
          part: `${row.number} ${row.part.name}`,
          width_mm: mm(row.widthMm),
          depth_mm: mm(row.depthMm),
          left_mm: mm(row.leftMm),
          top_mm: mm(row.topMm),
          turned: row.turned ? 'yes' : 'no',
        })),
      ];
    }),
  );
  return papaparse.unparse(rows, { newline: '\r\n', escapeFormulae: true });
}

const MARGIN_MM = 15;
const ROW_MM = 5.4;
const SIZE_MM = 3.2;

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
    const cuts = listedCuts(job, index);
    if (cuts.length === 0) writer.row([{ text: `${job.tool.name}: cut round each part.`, atMm: 0 }]);
    else
      writer.row(
        [
          {
            text: `${job.tool.name}, ${job.passes.value === 1 ? 'one pass' : `${job.passes.value} passes`}; each cut measured from one edge of the piece you are cutting, in ${unitName}`,
            atMm: 0,
          },
        ],
        true,
      );
    for (const { step, piece, way, from, atMm, leaves } of cuts) {
      writer.row([
        { text: String(step), atMm: 6, right: true },
        { text: piece, atMm: 10 },
        { text: `${way}, from the ${from}`, atMm: 26 },
        { text: length(atMm), atMm: 76, right: true },
        { text: leaves.join(' | '), atMm: 84 },
      ]);
    }
    writer.row([{ text: `Parts: size, then left and top edge on the sheet, in ${unitName}`, atMm: 0 }], true);
    for (const { number, part, widthMm: wide, depthMm, leftMm, topMm } of cutList(job, index)) {
      writer.row([
        { text: String(number), atMm: 6, right: true },
        { text: part.name, atMm: 10 },
        { text: `${length(wide)} × ${length(depthMm)}`, atMm: 130, right: true },
        { text: length(leftMm), atMm: 152, right: true },
        { text: length(topMm), atMm: 172, right: true },
      ]);
    }
  });
  return pdf.save();
}
