import { type Region, areaMm2, clippedTo, edgeMm, intersection, pieces, regionBox } from '../../../base/geometry';
import { cutMm } from '../../../base/rounding';
import type { Split } from '../../../plan';
import type { Part } from './part';

/** Slivers under this break off in the hand and are not parts. */
const SLIVER_MM2 = 25;

/** What a part is, but for its outline. */
export type PartOf = Pick<Part, 'name' | 'workpieceId' | 'featureId' | 'stage' | 'materialId' | 'thicknessMm' | 'level' | 'grain'>;

/** Each separate piece of a region becomes a part, moved so that its box starts at 0, 0. @param within what of it stays, where it is trimmed later */
export const cutOut = (region: Region, id: string, of: PartOf, within: Region | null = null): Part[] =>
  inOutlines(region, id, of.name, within).map((own) => ({ ...of, ...own, wholeId: own.id, wholeName: own.name }));

type Outlined = Pick<Part, 'id' | 'name' | 'at' | 'widthMm' | 'depthMm' | 'outline' | 'areaMm2' | 'staysMm2' | 'cutMm'>;
function inOutlines(region: Region, id: string, name: string, within: Region | null): Outlined[] {
  const all = pieces(region).filter((piece) => areaMm2(piece) >= SLIVER_MM2);
  return all.map((piece, i): Outlined => {
    const { left, top, right, bottom } = regionBox(piece);
    const whole = areaMm2(piece);
    return {
      id: `${id}-${i}`,
      name: name + (all.length === 1 ? '' : ` (${i + 1} of ${all.length})`),
      at: { x: cutMm(left), y: cutMm(top) },
      widthMm: cutMm(right - left),
      depthMm: cutMm(bottom - top),
      outline: { rings: piece.rings.map((ring) => ring.map(({ x, y }) => ({ x: cutMm(x - left), y: cutMm(y - top) }))) },
      areaMm2: whole,
      staysMm2: within === null ? whole : areaMm2(intersection(piece, within)),
      cutMm: edgeMm(piece),
    };
  });
}

/** A part in the pieces its splits make of it, each of which may be split again. Joints off the part make none. */
export function inPieces(part: Part, splits: readonly Split[]): readonly Part[] {
  const split = splits.find(({ partId }) => partId === part.id);
  if (split === undefined) return [part];
  const isX = split.along === 'x';
  const sizeMm = isX ? part.widthMm : part.depthMm;
  const lines = [...new Set(split.atMm)].filter((mm) => mm > 1 && mm < sizeMm - 1).sort((a, b) => a - b);
  if (lines.length === 0) return [part];
  const edges = [0, ...lines, sizeMm];
  const { at } = part;
  // Of an oversize part each piece stays by as much as of the whole.
  const share = part.staysMm2 / part.areaMm2;
  return edges.slice(1).flatMap((to, i) => {
    const from = edges[i]!;
    const strip = isX ? { left: from, right: to, top: 0, bottom: part.depthMm } : { left: 0, right: part.widthMm, top: from, bottom: to };
    const name = `${part.name}, piece ${i + 1} of ${edges.length - 1}`;
    return inOutlines(clippedTo(part.outline, strip), `${part.id}/${i + 1}`, name, null).flatMap((own) => {
      const moved = at === null ? null : { x: at.x + own.at!.x, y: at.y + own.at!.y };
      return inPieces({ ...part, ...own, at: moved, staysMm2: own.areaMm2 * share }, splits);
    });
  });
}
