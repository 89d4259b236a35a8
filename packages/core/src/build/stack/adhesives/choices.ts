import { type Catalogue, adhesiveBy, materialBy, thicknessesOf, offered, regionOf } from '../../../catalogue';
import type { Facing, GlueSpread, Stack } from '../../../plan';
import type { Face } from '../joint';
import { type GlueFit, glueFit } from './glue';
import { stockRegion } from '../region';

/** Something to choose, by id. */
export interface Choice {
  readonly id: string;
  readonly name: string;
}
/** An adhesive to choose for a joint, with how it suits the faces. */
export interface GlueChoice extends Choice {
  readonly fit: GlueFit;
}

/** Materials for a use that are stocked in at least one thickness. */
export function materialChoices(catalogue: Catalogue, use: 'substrate' | 'ground' | 'facing', keptId?: string): readonly Choice[] {
  return offered(catalogue, 'materials', keptId).filter(
    ({ id, uses }) => uses.includes(use) && catalogue.sheets.some(({ materialId }) => materialId === id),
  );
}

/** Thicknesses to choose from, the present one included even where it is not stocked. */
export function thicknessChoices(catalogue: Catalogue, materialId: string, presentMm: number): readonly number[] {
  return [...new Set([...thicknessesOf(catalogue, materialId, regionOf([presentMm], catalogue)), presentMm])].sort((a, b) => a - b);
}

/** The stocked thickness nearest to the present one, for when the material changes. */
export function nearestThickness(catalogue: Catalogue, materialId: string, presentMm: number): number {
  const stocked = thicknessesOf(catalogue, materialId, regionOf([presentMm], catalogue));
  return stocked.reduce((best, mm) => (Math.abs(mm - presentMm) < Math.abs(best - presentMm) ? mm : best), stocked[0] ?? presentMm);
}

/** Adhesives for a pair of faces, those that hold first. @param keptId the one in use, offered even where it was taken out of use */
export function glueChoices(catalogue: Catalogue, lower: Face, upper: Face, spread: GlueSpread, keptId?: string): readonly GlueChoice[] {
  const choices = offered(catalogue, 'adhesives', keptId).map(({ id, name }) => ({
    id,
    name,
    fit: glueFit(adhesiveBy(catalogue, id), lower, upper, spread, catalogue),
  }));
  return choices.sort((a, b) => Number(a.fit !== 'holds') - Number(b.fit !== 'holds'));
}

/** What a ground layer lies on: the layer below, or the substrate; null where it is the lowest of all. */
export function materialBelow(stack: Stack, layerIndex: number): string | null {
  return layerIndex > 0 ? stack.ground[layerIndex - 1]!.materialId : (stack.substrate?.materialId ?? null);
}

const bare = (materialId: string, thicknessMm: number): Face => ({ materialId, thicknessMm, isSealed: false });

/** A material and thickness a new layer may start with: the thinnest stocked of what is on top now, its grain across the layer below. */
export function freshLayer(catalogue: Catalogue, stack: Stack, id: string): Stack['ground'][number] {
  const top = stack.ground.at(-1)!;
  const thicknessMm = thicknessesOf(catalogue, top.materialId, stockRegion(stack, catalogue))[0] ?? top.thicknessMm;
  const face = bare(top.materialId, thicknessMm);
  const holding = glueChoices(catalogue, face, face, 'full').filter(({ fit }) => fit === 'holds');
  // The adhesive already on the bench for raised ground, if it holds here too.
  const glue = holding.find(({ id: glueId }) => glueId === stack.raised.glueId) ?? holding[0];
  return {
    id,
    materialId: top.materialId,
    thicknessMm,
    glueBelowId: glue?.id ?? top.glueBelowId,
    spread: spreadOf(catalogue, glue?.id ?? top.glueBelowId),
    grain: materialBy(catalogue, top.materialId).hasGrain ? (top.grain === 'x' ? 'y' : 'x') : null,
    sealed: 'none',
  };
}

/** A covering to start with: the first that is stocked, on what lies under it, glued over its whole face. */
export function freshFacing(catalogue: Catalogue, lowerMaterialId: string, id: string): Facing | null {
  const all = materialChoices(catalogue, 'facing');
  // Something that is only ever a covering, and dries whatever holds it; any covering where there is none.
  const isThin = ({ id: materialId }: Choice): boolean => {
    const { uses, waterPassage } = materialBy(catalogue, materialId);
    return !uses.includes('ground') && !uses.includes('substrate') && waterPassage === 'yes';
  };
  const material = all.find(isThin) ?? all[0];
  if (material === undefined) return null;
  const thicknessMm = thicknessesOf(catalogue, material.id, 'metric')[0]!;
  const glue = glueChoices(catalogue, bare(lowerMaterialId, thicknessMm), bare(material.id, thicknessMm), 'full').find(
    ({ id: glueId, fit }) => fit === 'holds' && adhesiveBy(catalogue, glueId).spreads.includes('full'),
  );
  return {
    id,
    materialId: material.id,
    thicknessMm,
    glueBelowId: glue?.id ?? catalogue.starter.ground.glueBelowId,
    spread: 'full',
    grain: null,
  };
}

/** The usual way an adhesive is laid on. */
export const spreadOf = (catalogue: Catalogue, adhesiveId: string): GlueSpread => adhesiveBy(catalogue, adhesiveId).spreads[0]!;
