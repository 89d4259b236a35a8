import { listedBy } from '../../../base/grouping';
import { memoize } from '../../../base/memory';
import { type Figure, calculate, given, inSquareMetres } from '../../../base/units';
import { type Adhesive, estimated } from '../../../catalogue';
import type { Part } from '../parts';

/** Edges that are glued to make one part of several, on one tile. */
export interface PartJoint {
  readonly workpieceId: string;
  readonly stage: Part['stage'];
  readonly materialId: string;
  readonly thicknessMm: number;
  readonly lengthMm: number;
}

/** The joints of all parts that are cut in pieces: half of what the pieces measure round more than what they make together. */
export const partJoints = memoize((parts: readonly Part[]): readonly PartJoint[] =>
  [...listedBy(parts, ({ wholeId }) => wholeId).values()].flatMap((pieces): PartJoint[] => {
    const [{ workpieceId, stage, materialId, thicknessMm, at }] = pieces as readonly [Part];
    if (pieces.length < 2 || at === null) return [];
    const reach = (of: (part: Part) => readonly [number, number]): number =>
      Math.max(...pieces.map((part) => of(part)[1])) - Math.min(...pieces.map((part) => of(part)[0]));
    const wideMm = reach((part) => [part.at!.x, part.at!.x + part.widthMm]);
    const deepMm = reach((part) => [part.at!.y, part.at!.y + part.depthMm]);
    const round = pieces.reduce((sum, { widthMm, depthMm }) => sum + widthMm + depthMm, 0);
    return [{ workpieceId, stage, materialId, thicknessMm, lengthMm: Math.max(0, round - wideMm - deepMm) }];
  }),
);

/** What glues such edges: one side of each is spread. */
export function edgeGlue(label: string, joints: readonly PartJoint[], adhesive: Adhesive): Figure<'g'> {
  const mm2 = joints.reduce((sum, { lengthMm, thicknessMm }) => sum + lengthMm * thicknessMm, 0);
  const faces = inSquareMetres(given(`${label}: edges`, mm2, 'mm²', 'drawing', `${joints.length} joints, one side of each`));
  return calculate(label, 'g', faces, '×', estimated(`${adhesive.name}, spread`, adhesive.gPerM2, 'g/m²'));
}
