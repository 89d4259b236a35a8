import { memoize } from '../../../base/memory';
import { type Figure, calculate, given } from '../../../base/units';
import { NO_TRIM, type Stock, blankOf, isNew, layOut } from '../nesting';
import type { CutJob } from './job';

/**
 * New sheets that a job needs only because their edges are trimmed: the same parts laid out twice in the same way, on the sheets as they are trimmed and as they come.
 * @returns null for a job whose sheets are not trimmed at all
 */
export const trimCost = memoize((job: CutJob): Figure<'1'> | null => {
  if (job.stock.every(({ trim }) => isUntrimmed(trim))) return null;
  const { name, parts, kerfMm, aim, stock } = job;
  const blanks = parts.filter(({ id }) => !job.layout.tooLarge.includes(id)).map(blankOf);
  const sheets = (on: readonly Stock[]): number =>
    layOut({ blanks, stock: on, kerfMm, aim, pinned: [] }).sheets.filter((sheet) => isNew(sheet.stock)).length;
  const trimmed = sheets(stock);
  const whole = sheets(stock.map((one) => ({ ...one, trim: NO_TRIM })));
  return calculate(
    `${name}: sheets for the trim`,
    '1',
    given('Sheets as trimmed', trimmed, '1', 'layout', 'laid out at once'),
    '−',
    // What fits on trimmed sheets fits on whole ones.
    given('Sheets used to their edges', Math.min(whole, trimmed), '1', 'layout', 'the same parts, laid out at once'),
  );
});
const isUntrimmed = (trim: Stock['trim']): boolean => Object.values(trim).every((mm) => mm === 0);
