import { remembered } from '../../../base/memory';
import { type Catalogue, type Sheet, materialBy } from '../../../catalogue';
import type { Ground } from '../../../terrain/ground';
import type { Cutting, Split } from '../../../plan';
import type { Offcut, Shop } from '../../../plan/workshop';
import { type Stock, blankOf, fitsOn } from '../nesting';
import { type CanCut, type Part, asSplit, isNextLayer, isPieceOf, proposedSplits } from '../parts';
import { cutWith, jobKey, newSheet, offcutAsStock, offcutsFor, sheetsHad } from '../to-cut-with';

/** What joints are laid from where nobody said how. */
export interface JointInputs {
  readonly whole: readonly Part[];
  readonly ground: Pick<Ground, 'onTile'>;
  readonly cutting: Pick<Cutting, 'trimMm' | 'tools' | 'splits' | 'joints' | 'withoutSheetIds'>;
  readonly offcuts: Shop['offcuts'];
  readonly cut: Shop['cutSheets'];
  readonly catalogue: Catalogue;
}

const NONE: readonly Split[] = [];

/**
 * Splits of every part that goes on no sheet to be had and on no offcut: as few pieces as will do, joints clear of pits and of worked edges, and staggered
 * against those of the layer under it. Layer upon layer, so that each sees the joints of the one it lies on.
 * @returns none for a part that is cut already, or that no split helps
 * @source craft.md §4
 */
export function laidSplits({ whole, ground, cutting, offcuts, cut, catalogue }: JointInputs): readonly Split[] {
  if (cutting.joints === 'asked') return NONE;
  const done = new Set(cut.flatMap(({ places }) => places.map(({ partId }) => partId)));
  const stocks = new Map<string, ToCutFrom>();
  const fromWhat = ({ materialId, thicknessMm }: Part): ToCutFrom => {
    const key = jobKey(materialId, thicknessMm);
    let from = stocks.get(key);
    if (from === undefined) {
      from = {
        kerfMm: cutWith(materialBy(catalogue, materialId), key, cutting, catalogue).kerfMm,
        trimMm: cutting.trimMm,
        sizes: sheetsHad(catalogue, materialId, thicknessMm, cutting),
        rack: offcutsFor(offcuts, materialId, thicknessMm).filter(({ id }) => !cut.some(({ offcutId }) => offcutId === id)),
      };
      stocks.set(key, from);
    }
    return from;
  };
  // What the plan splits may still be too large: its pieces are split in turn.
  const asAsked = asSplit(whole, cutting.splits);
  const large = asAsked.filter((part) => !done.has(part.id) && !goesOn(part, fromWhat(part)));
  if (large.length === 0) return NONE;
  const laid: Split[] = [];
  const inPieces = new Map<string, readonly Part[]>();
  for (const part of [...large].sort((a, b) => a.level - b.level)) {
    const near = asAsked.filter((other) => isNextLayer(part, other) && (isPieceOf(other) || inPieces.has(other.id)));
    const parts = near.flatMap((other) => inPieces.get(other.id) ?? [other]);
    const own = splitsOf(part, { ...fromWhat(part), parts, lands: ground.onTile.get(part.workpieceId), catalogue });
    laid.push(...own);
    inPieces.set(part.id, asSplit([part], own));
  }
  return laid;
}

/** Sheets and offcuts of one material and thickness. */
interface ToCutFrom {
  readonly kerfMm: number;
  readonly trimMm: number;
  readonly sizes: readonly Sheet[];
  readonly rack: readonly Offcut[];
}
const stockOf = ({ trimMm, sizes, rack }: ToCutFrom): readonly Stock[] => [
  ...sizes.map((sheet) => newSheet(sheet, trimMm)),
  ...rack.map(offcutAsStock),
];

/** Whether a part goes on one of them; what nothing is stocked for is no matter of joints. */
const goesOn = remembered((part: Part, from: ToCutFrom): boolean => {
  const stock = stockOf(from);
  return stock.length === 0 || stock.some((one) => fitsOn(blankOf(part), one, from.kerfMm));
});

interface Among extends ToCutFrom {
  readonly parts: readonly Part[];
  readonly lands: ReturnType<Ground['onTile']['get']>;
  readonly catalogue: Catalogue;
}
/** Joints seek their place with some care: a part whose surroundings stay keeps its own. */
const splitsOf = remembered((part: Part, { parts, lands, catalogue, ...from }: Among): readonly Split[] => {
  const stock = stockOf(from);
  const canCut: CanCut = (widthMm, depthMm) => stock.some((one) => fitsOn(blankOf({ ...part, widthMm, depthMm }), one, from.kerfMm));
  return proposedSplits(part, canCut, {
    parts,
    ground: { onTile: new Map(lands === undefined ? [] : [[part.workpieceId, lands]]) },
    catalogue,
  });
});
