import { memoize } from '../../../base/memory';
import type { Catalogue } from '../../../catalogue';
import type { Ground } from '../../../terrain/ground';
import type { Split } from '../../../plan';
import { blankOf, fitsOn } from '../nesting';
import { type CanCut, type Part, asSplit, isNextLayer, isPieceOf, proposedSplits } from '../parts';
import { type Available, type AvailableInputs, availableFor } from '../too-large';

/** What joints are laid from where nobody said how. */
export interface JointInputs extends AvailableInputs {
  readonly whole: readonly Part[];
  /** Those of `whole`, as they are split by hand, that fit on nothing. */
  readonly large: readonly Part[];
  readonly ground: Pick<Ground, 'onTile'>;
}

const NONE: readonly Split[] = [];

/**
 * Splits of every part that goes on no sheet to be had and on no offcut: as few pieces as will do, joints clear of pits and of worked edges, and staggered
 * against those of the layer under it. Layer upon layer, so that each sees the joints of the one it lies on.
 * @returns none for a part that is cut already, or that no split helps
 * @source craft.md §4
 */
export function autoSplits({ whole, large, ground, ...inputs }: JointInputs): readonly Split[] {
  if (large.length === 0) return NONE;
  const available = availableFor(inputs);
  const asAsked = asSplit(whole, inputs.splits);
  const laid: Split[] = [];
  const inPieces = new Map<string, readonly Part[]>();
  for (const part of [...large].sort((a, b) => a.level - b.level)) {
    const near = asAsked.filter((other) => isNextLayer(part, other) && (isPieceOf(other) || inPieces.has(other.id)));
    const parts = near.flatMap((other) => inPieces.get(other.id) ?? [other]);
    const own = splitsOf(part, { ...available(part), parts, lands: ground.onTile.get(part.workpieceId), catalogue: inputs.catalogue });
    laid.push(...own);
    inPieces.set(part.id, asSplit([part], own));
  }
  return laid;
}

interface Among extends Available {
  readonly parts: readonly Part[];
  readonly lands: ReturnType<Ground['onTile']['get']>;
  readonly catalogue: Catalogue;
}
/** Joints seek their place with some care: a part whose surroundings stay keeps its own. */
const splitsOf = memoize((part: Part, { parts, lands, catalogue, ...from }: Among): readonly Split[] => {
  const stock = from.stock;
  const canCut: CanCut = (widthMm, depthMm) => stock.some((one) => fitsOn(blankOf({ ...part, widthMm, depthMm }), one, from.kerfMm));
  return proposedSplits(part, canCut, {
    parts,
    ground: { onTile: new Map(lands === undefined ? [] : [[part.workpieceId, lands]]) },
    catalogue,
  });
});
