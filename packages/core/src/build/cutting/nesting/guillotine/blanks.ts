import type { Region } from '../../../../base/geometry';
import type { Blank } from '../layout';

/** A shape to be cut: its outline starts at 0, 0; its size is the box that has to fit. */
export interface Shaped {
  readonly id: string;
  readonly widthMm: number;
  readonly depthMm: number;
  /** Way of its own box that the grain of the sheet must run; null where it may lie as it likes. */
  readonly grain: 'x' | 'y' | null;
  readonly outline: Region;
  readonly areaMm2: number;
}

/** Whether a part has to lie turned by a quarter for its grain to run along the sheet, which has it along its width. */
export const liesAcross = ({ grain }: Pick<Shaped, 'grain'>): boolean => grain === 'y';

/** A part as the layout sees it: already lying the way its grain wants, and free to turn only where it has none. */
export const blankOf = (part: Pick<Shaped, 'id' | 'widthMm' | 'depthMm' | 'grain'>): Blank => ({
  id: part.id,
  widthMm: liesAcross(part) ? part.depthMm : part.widthMm,
  depthMm: liesAcross(part) ? part.widthMm : part.depthMm,
  mayTurn: part.grain === null,
});
