import { type Catalogue, regionOf, thicknessesOf } from '../../catalogue';
import type { Facing, GroundLayer, Stack } from '../../plan';
import type { GroundKind } from '../../plan/surfaces';
import { nearestThickness } from './adhesives';
import type { Face } from './joint';
import { isSealedOn } from './stack';

type Side = 'top' | 'under';
/** A face of a layer. */
export const faceOfLayer = (layer: Pick<GroundLayer, 'materialId' | 'thicknessMm' | 'sealed'>, side: Side): Face => ({
  materialId: layer.materialId,
  thicknessMm: layer.thicknessMm,
  isSealed: isSealedOn(layer.sealed, side),
});
/** The face a ground layer is glued to; null for the lowest of all. */
export function faceUnderLayer({ substrate, ground }: Stack, layerId: string): Face | null {
  const index = ground.findIndex(({ id }) => id === layerId);
  const below = index > 0 ? ground[index - 1]! : substrate;
  return below === null ? null : faceOfLayer(below, 'top');
}

/** Coverings are bare on both sides. */
export const faceOfFacing = ({ materialId, thicknessMm }: Facing): Face => ({ materialId, thicknessMm, isSealed: false });
/** The face a covering is glued to: the one below it, or the ground. @param layerId null for one that is still to be laid on top */
export function faceUnderFacing({ ground, raised, facings }: Stack, kind: GroundKind, layerId: string | null): Face {
  const own = facings[kind];
  const index = layerId === null ? own.length : own.findIndex(({ id }) => id === layerId);
  if (index > 0) return faceOfFacing(own[index - 1]!);
  const top = ground.at(-1)!;
  return kind === 'raised' ? { materialId: raised.materialId, thicknessMm: top.thicknessMm, isSealed: false } : faceOfLayer(top, 'top');
}

/** The faces that meet under raised ground. */
export function facesOfRaised(catalogue: Catalogue, { ground, raised }: Stack): { readonly lower: Face; readonly upper: Face } {
  const top = ground.at(-1)!;
  const [thinnest = top.thicknessMm] = thicknessesOf(catalogue, raised.materialId, regionOf([top.thicknessMm], catalogue));
  return { lower: faceOfLayer(top, 'top'), upper: { materialId: raised.materialId, thicknessMm: thinnest, isSealed: false } };
}

/** The substrate in another material, as near its thickness as is stocked; a fresh one where there was none. */
export function substrateOf(catalogue: Catalogue, present: Stack['substrate'], materialId: string): NonNullable<Stack['substrate']> {
  const { thicknessMm, sealed, grain } = present ?? { ...catalogue.starter.substrate, sealed: 'none', grain: null };
  return { materialId, thicknessMm: nearestThickness(catalogue, materialId, thicknessMm), sealed, grain };
}

/** What battens start with. */
const BATTENS = { thicknessMm: 9, heightMm: 20, count: 2 };
/** Battens in another board, as near their thickness as is stocked; fresh ones where there were none. */
export function battensOf(catalogue: Catalogue, present: Stack['battens'], materialId: string): NonNullable<Stack['battens']> {
  const { thicknessMm, heightMm, count } = present ?? BATTENS;
  return { materialId, thicknessMm: nearestThickness(catalogue, materialId, thicknessMm), heightMm, count };
}
