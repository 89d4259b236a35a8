import { type Bare, type Quantity, show } from '../../base/units';
import type { AgendaDay } from '../../schedule/tasks';
import { COLOURS, line, newPdf, newSheet, words } from './pdf';

const [WIDE_MM, TALL_MM, MARGIN_MM] = [210, 297, 16];
const ROW_MM = 5.4;

/** What an agenda is printed from. */
export interface AgendaSheet {
  readonly boardName: string;
  readonly agenda: readonly Bare<AgendaDay>[];
  readonly stepName: (stepId: string) => string;
  readonly workpieceName: (id: string) => string;
  /** Who does it; empty where there is only one. */
  readonly personName: (id: string) => string;
}

/** Evening by evening what is done, with a box to tick, on paper for the bench. */
export async function agendaPdf(
  { boardName, agenda, stepName, workpieceName, personName }: AgendaSheet,
  fontBytes: Uint8Array,
): Promise<Uint8Array> {
  const { pdf, font } = await newPdf('Schedule', fontBytes);
  let sheet = newSheet(pdf, font, WIDE_MM, TALL_MM);
  let y = MARGIN_MM + 6;
  words(sheet, `${boardName}: evenings`, MARGIN_MM, y, { sizeMm: 5.5 });
  y += 10;
  for (const { text, entries } of agenda) {
    if (y + ROW_MM * (Math.min(entries.length, 6) + 2) > TALL_MM - MARGIN_MM) {
      sheet = newSheet(pdf, font, WIDE_MM, TALL_MM);
      y = MARGIN_MM + 6;
    }
    words(sheet, text, MARGIN_MM, y, { sizeMm: 4.2 });
    y += 2;
    line(sheet, { x: MARGIN_MM, y }, { x: WIDE_MM - MARGIN_MM, y });
    y += ROW_MM - 0.5;
    for (const entry of entries) {
      if (y > TALL_MM - MARGIN_MM) {
        sheet = newSheet(pdf, font, WIDE_MM, TALL_MM);
        y = MARGIN_MM + 6;
      }
      const who = entry.people.map(personName).filter((name) => name !== '');
      words(sheet, '[  ]', MARGIN_MM, y, { sizeMm: 3.2 });
      words(sheet, `${entry.fromText}–${entry.toText}`, MARGIN_MM + 8, y, { sizeMm: 3.2 });
      words(sheet, clipped(stepName(entry.stepId), 44), MARGIN_MM + 32, y, { sizeMm: 3.4 });
      words(sheet, clipped([...entry.workpieces.map(workpieceName), ...who].join(', '), 38), MARGIN_MM + 104, y, { sizeMm: 3.2 });
      const dries = entry.wait === null ? 'never dries in these conditions' : entry.wait.value > 0 ? `dries ${said(entry.wait)}` : '';
      words(sheet, dries, MARGIN_MM + 154, y, { sizeMm: 2.9, color: COLOURS.soft });
      y += ROW_MM;
    }
    y += 4;
  }
  return pdf.save();
}
const clipped = (text: string, letters: number): string => (text.length > letters ? `${text.slice(0, letters - 1)}…` : text);
const said = (quantity: Quantity): string => {
  const { number, unit } = show(quantity, { currency: 'EUR', system: 'metric' });
  return `${number}${unit === '' ? '' : ` ${unit}`}`;
};
