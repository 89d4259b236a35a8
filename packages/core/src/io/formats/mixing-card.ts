import { type Bare, type Quantity, show } from '../../base/units';
import type { Mix } from '../../finishing/mixes';
import { COLOURS, line, newPdf, newSheet, words } from './pdf';

/** A mix as it is printed: the cautions in words. */
export type CardMix = Pick<Bare<Mix>, 'name' | 'by' | 'volume' | 'batches' | 'inBatch' | 'tintDrops' | 'potLife'> & {
  readonly cautions: readonly string[];
};

const [WIDE_MM, TALL_MM, MARGIN_MM] = [210, 297, 16];
const ROW_MM = 6;
/** Where the columns of a card begin. */
const COLUMNS_MM = [0, 58, 88, 118, 152] as const;

/** Every mix on a card to hang over the bench: one bowl of each, measured, weighed and in spoons. */
export async function mixingCardPdf(mixes: readonly CardMix[], boardName: string, fontBytes: Uint8Array): Promise<Uint8Array> {
  const { pdf, font } = await newPdf('Mixing card', fontBytes);
  let sheet = newSheet(pdf, font, WIDE_MM, TALL_MM);
  let y = MARGIN_MM + 6;
  words(sheet, `${boardName}: mixing card`, MARGIN_MM, y, { sizeMm: 5.5 });
  y += 10;
  for (const mix of mixes) {
    const highMm = ROW_MM * (mix.inBatch.length + 4);
    if (y + highMm > TALL_MM - MARGIN_MM) {
      sheet = newSheet(pdf, font, WIDE_MM, TALL_MM);
      y = MARGIN_MM + 6;
    }
    words(sheet, mix.name, MARGIN_MM, y, { sizeMm: 4.2 });
    const pot = mix.potLife === null ? '' : `; workable ${text(mix.potLife)}`;
    words(sheet, `${text(mix.batches)} batches, ${text(mix.volume)} in total${pot}`, MARGIN_MM + 92, y, { sizeMm: 3, color: COLOURS.soft });
    y += 2;
    line(sheet, { x: MARGIN_MM, y }, { x: WIDE_MM - MARGIN_MM, y });
    y += ROW_MM - 1;
    for (const part of mix.inBatch) {
      const cells = [part.name, text(part.volume), text(part.mass), part.kitchen.metric, `US ${part.kitchen.us}`];
      cells.forEach((cell, i) =>
        words(sheet, cell, MARGIN_MM + COLUMNS_MM[i]!, y, { sizeMm: i === (mix.by === 'mass' ? 2 : 1) ? 3.9 : 3.2 }),
      );
      y += ROW_MM;
    }
    if (mix.tintDrops !== null) {
      words(sheet, `Tint: ${text(mix.tintDrops)} drops per batch`, MARGIN_MM, y, { sizeMm: 3.2 });
      y += ROW_MM;
    }
    for (const caution of mix.cautions) {
      words(sheet, caution, MARGIN_MM, y, { sizeMm: 2.5, color: COLOURS.soft });
      y += ROW_MM - 1.5;
    }
    y += 5;
  }
  words(sheet, 'Follow the ratio and times on the product label first.', MARGIN_MM, TALL_MM - MARGIN_MM, {
    sizeMm: 2.8,
    color: COLOURS.soft,
  });
  return pdf.save();
}

const text = (quantity: Quantity): string => {
  const { number, unit } = show(quantity, { currency: 'EUR', system: 'metric' });
  return `${number}${unit === '' ? '' : ` ${unit}`}`;
};
