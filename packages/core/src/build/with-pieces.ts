import { listedBy } from '../base/grouping';
import { given, total } from '../base/units';
import { type Catalogue, adhesiveBy } from '../catalogue';
import { edgeGlue, partJoints } from './cutting/joints';
import { type Part, asSplit } from './cutting/parts';
import type { Pieces } from './pieces';
import type { Plan, Split } from '../plan';
import type { GlueNeed } from './stack/adhesives';
import type { Joint } from './stack/joint';

/** A board without pieces. */
export const NO_PIECES: Pieces = {
  made: [],
  parts: [],
  lengths: [],
  glues: [],
  clads: [],
  fills: [],
  casts: [],
  surfaces: [],
  work: [],
  masses: [],
  footprints: new Map(),
  standing: [],
  fixed: [],
  warnings: [],
};

interface PartsIn {
  readonly ground: readonly Part[];
  readonly pieces: readonly Part[];
}
/** Parts of the ground, and of pieces. */
export const bothParts = ({ ground, pieces }: PartsIn): readonly Part[] => (pieces.length === 0 ? ground : [...ground, ...pieces]);

/** Parts of the ground as they are cut, and of pieces with those that are split in their pieces. */
export const allParts = ({ ground, pieces, splits }: PartsIn & { readonly splits: readonly Split[] }): readonly Part[] =>
  bothParts({ ground, pieces: asSplit(pieces, splits) });

/** Parts that are cut in pieces are glued edge to edge with what their layers are glued with. */
function edgeGlues(parts: readonly Part[], joints: readonly Joint[], catalogue: Catalogue): readonly GlueNeed[] {
  const [first] = joints;
  const edges = first === undefined ? [] : partJoints(parts);
  if (edges.length === 0) return [];
  const adhesive = adhesiveBy(catalogue, first!.adhesiveId);
  return [{ adhesiveId: adhesive.id, name: adhesive.name, mass: edgeGlue(`${adhesive.name}, joined parts`, edges, adhesive) }];
}

/** What the ground is glued with, and the pieces. */
export function allGlues({
  mends,
  parts,
  joints,
  glues,
  pieceGlues,
  catalogue,
}: {
  readonly mends: Plan['mends'];
  readonly parts: readonly Part[];
  readonly joints: readonly Joint[];
  readonly glues: readonly GlueNeed[];
  readonly pieceGlues: readonly GlueNeed[];
  readonly catalogue: Catalogue;
}): readonly GlueNeed[] {
  const mending = mends.flatMap(({ name, adhesive }): GlueNeed[] =>
    adhesive === null || adhesive.grams === 0
      ? []
      : [
          {
            adhesiveId: adhesive.adhesiveId,
            name: adhesiveBy(catalogue, adhesive.adhesiveId).name,
            mass: given(name, adhesive.grams, 'g', 'plan'),
          },
        ],
  );
  const edges = edgeGlues(parts, joints, catalogue);
  if (pieceGlues.length + mending.length + edges.length === 0) return glues;
  return [...listedBy([...glues, ...edges, ...pieceGlues, ...mending], ({ adhesiveId }) => adhesiveId).values()].map((own) =>
    own.length === 1
      ? own[0]!
      : {
          ...own[0]!,
          mass: total(
            own[0]!.name,
            'g',
            own.map(({ mass }) => mass),
          ),
        },
  );
}
