import type { Blank } from './layout';
import type { Part } from './parts';

/** Whether a part has to lie turned by a quarter for its grain to run along the sheet, which has it along its width. */
export const liesAcross = ({ grain }: Part): boolean => grain === 'y';

/** A part as the layout sees it: already lying the way its grain wants, and free to turn only where it has none. */
export const blankOf = (part: Part): Blank => ({
  id: part.id,
  widthMm: liesAcross(part) ? part.depthMm : part.widthMm,
  depthMm: liesAcross(part) ? part.widthMm : part.depthMm,
  mayTurn: part.grain === null,
});
