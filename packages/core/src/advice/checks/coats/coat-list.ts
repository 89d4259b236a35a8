import { type Catalogue, type Coating, type Method, coatingBy, materialBy, methodBy } from '../../../catalogue';
import type { PieceSurface } from '../../../finishing/coats';
import type { Basin, SurfaceArea } from '../../../terrain/ground';
import type { Coat, Piece, Plan } from '../../../plan';
import type { SingleEdit } from '../../../plan/edits';
import type { GroundKind } from '../../../plan/surfaces';

/** One list of coats in the order of work, wherever it stands: a surface of the ground, or the outside of a piece. */
export interface CoatList {
  readonly id: string;
  readonly name: string;
  readonly coats: readonly Coat[];
  /** Catalogue ids of what is coated and shows bare before the first coat. */
  readonly bareIds: readonly string[];
  readonly basins: readonly Basin[];
  /** The edit that puts another list in its place. */
  readonly put: (coats: readonly Coat[]) => SingleEdit;
}
/** A coat with what the catalogue says of it. */
export interface Told {
  readonly coat: Coat;
  readonly coating: Coating;
  readonly method: Method;
}
export const told = ({ coats }: CoatList, catalogue: Catalogue): readonly Told[] =>
  coats.map((coat) => ({ coat, coating: coatingBy(catalogue, coat.coatingId), method: methodBy(catalogue, coat.methodId) }));

export interface ListInputs {
  readonly surfaces: Plan['surfaces'];
  readonly areas: readonly SurfaceArea[];
  readonly layers: Plan['stack'];
  readonly pieces: readonly Piece[];
  readonly pieceSurfaces: readonly PieceSurface[];
}

/** Every list of coats that is put on something. */
export function coatLists({ surfaces, areas, layers, pieces, pieceSurfaces }: ListInputs): readonly CoatList[] {
  const worn = new Set(pieceSurfaces.map(({ wears }) => wears));
  const ground = surfaces.flatMap(({ id, name, coats }): CoatList[] => {
    const area = areas.find(({ surfaceId }) => (surfaceId as string) === id);
    const isLaid = area !== undefined && area.coated.value > 0;
    if (!isLaid && !worn.has(id)) return [];
    const kinds = [...new Set(area?.stretches.map(({ kind }) => kind) ?? [])];
    return [
      {
        id,
        name,
        coats,
        bareIds: [...new Set(kinds.map((kind) => uppermost(layers, kind)))],
        basins: area?.basins ?? [],
        put: (list) => ({ code: 'coats/set', surfaceId: id, coats: list }),
      },
    ];
  });
  const own = pieces.flatMap((piece): CoatList[] => {
    if (piece.coats.length === 0 || !pieceSurfaces.some(({ pieceId, wears }) => pieceId === piece.id && wears === null)) return [];
    return [
      {
        id: `piece ${piece.id}`,
        name: piece.name,
        coats: piece.coats,
        bareIds: piece.sheets.map(({ materialId }) => materialId),
        basins: [],
        put: (coats) => ({ code: 'piece/change', pieceId: piece.id, change: { coats: [...coats] }, what: 'Change the coats of' }),
      },
    ];
  });
  return [...ground, ...own];
}

/** What lies uppermost on a kind of ground. */
const uppermost = (stack: Plan['stack'], kind: GroundKind): string =>
  stack.facings[kind].at(-1)?.materialId ?? (kind === 'raised' ? stack.raised.materialId : stack.ground.at(-1)!.materialId);

/** Of what is coated, what a solvent eats. */
export const hurtBySolvent = ({ bareIds }: CoatList, catalogue: Catalogue): readonly string[] =>
  bareIds
    .map((id) => materialBy(catalogue, id))
    .filter(({ isHurtBySolvent }) => isHurtBySolvent)
    .map(({ name }) => name);

/** A list with one coat moved to stand before another place. */
export function movedTo(coats: readonly Coat[], from: number, before: number): readonly Coat[] {
  const others = coats.filter((_, i) => i !== from);
  return others.toSpliced(before > from ? before - 1 : before, 0, coats[from]!);
}
export const changed = (coats: readonly Coat[], index: number, change: Partial<Coat>): readonly Coat[] =>
  coats.map((coat, i) => (i === index ? { ...coat, ...change } : coat));
export const freshId = (coats: readonly Coat[], base: string): string => {
  for (let n = 1; ; n++) {
    const id = n === 1 ? base : `${base}-${n}`;
    if (coats.every((coat) => coat.id !== id)) return id;
  }
};
