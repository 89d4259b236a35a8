import type { GroundKind } from '../surfaces';
import type { GluePlace, LayerRef } from '../layer-ref';
import type { Facing, GlueSpread, GroundLayer, PlanDraft, Sealed, Stack } from '../plan';
import { edit } from './edit-definition';

type StackDraft = PlanDraft['stack'];
type LayerDraft = StackDraft['ground'][number];
type Sheet = { readonly materialId: string; readonly thicknessMm: number };

/** The layer that is meant; null where it is gone. */
function layerAt({ substrate, ground }: StackDraft, ref: LayerRef): LayerDraft | NonNullable<StackDraft['substrate']> | null {
  return ref.kind === 'substrate' ? substrate : (ground.find(({ id }) => id === ref.layerId) ?? null);
}
/** What holds the adhesive of a joint. */
function gluedAt(
  { ground, raised, facings }: StackDraft,
  place: GluePlace,
): LayerDraft | StackDraft['raised'] | StackDraft['facings'][GroundKind][number] | undefined {
  switch (place.part) {
    case 'ground':
      return ground.find(({ id }) => id === place.layerId);
    case 'raised':
      return raised;
    case 'facing':
      return facings[place.groundKind].find(({ id }) => id === place.layerId);
    default:
      throw place satisfies never;
  }
}
const inOrder = <T extends { readonly id: string }>(list: T[], ids: readonly string[]): T[] =>
  list.sort((a, b) => ids.indexOf(a.id) - ids.indexOf(b.id));

/** Heights within this are one height for what they are built of. */
const SAME_HEIGHT_MM = 0.05;

/** Changes to what the board is built of and how it is held together. */
export const stackEdits = {
  'layer/add': edit<{ readonly layer: GroundLayer }>('Add a layer', ({ plan }, { layer }) => void plan.stack.ground.push({ ...layer })),
  'layer/remove': edit<{ readonly layerId: string }>(
    'Remove a layer',
    ({ plan: { stack } }, { layerId }) => void (stack.ground = stack.ground.filter(({ id }) => id !== layerId)),
  ),
  /** @param layerIds from the bottom up */
  'layer/order': edit<{ readonly layerIds: readonly string[] }>(
    'Reorder layers',
    ({ plan }, { layerIds }) => void inOrder(plan.stack.ground, layerIds),
  ),
  'layer/sheet': edit<{ readonly layer: LayerRef } & Sheet>(
    ({ layer, materialId }, { stack }) => {
      const own = layer.kind === 'substrate' ? stack.substrate : stack.ground.find(({ id }) => id === layer.layerId);
      return own?.materialId === materialId
        ? 'Change a thickness'
        : layer.kind === 'substrate'
          ? 'Change the substrate'
          : 'Change the foam';
    },
    ({ plan }, { layer, materialId, thicknessMm }) => {
      const own = layerAt(plan.stack, layer);
      if (own !== null) [own.materialId, own.thicknessMm] = [materialId, thicknessMm];
    },
  ),
  'layer/grain': edit<{ readonly grains: readonly { readonly layer: LayerRef; readonly grain: 'x' | 'y' | null }[] }>(
    'Turn a layer',
    ({ plan }, { grains }) => {
      for (const { layer, grain } of grains) {
        const own = layerAt(plan.stack, layer);
        if (own !== null) own.grain = grain;
      }
    },
  ),
  'layer/seal': edit<{ readonly layer: LayerRef; readonly sealed: Sealed }>(
    ({ layer }) => (layer.kind === 'substrate' ? 'Seal the substrate' : 'Seal a layer'),
    ({ plan }, { layer, sealed }) => {
      const own = layerAt(plan.stack, layer);
      if (own !== null) own.sealed = sealed;
    },
  ),
  'substrate/set': edit<{ readonly substrate: Stack['substrate'] }>(
    'Change the substrate',
    ({ plan }, { substrate }) => void (plan.stack.substrate = substrate === null ? null : { ...substrate }),
  ),
  'raised/material': edit<{ readonly materialId: string }>('Change the raised foam', ({ plan: { stack } }, { materialId }) => {
    stack.raised.materialId = materialId;
    // What was at hand of the other, and built of it, says nothing of this one.
    [stack.raised.atHandMm, stack.raised.picks] = [[], []];
  }),
  'raised/cross-grain': edit<{ readonly crossGrain: boolean }>(
    'Turn raised layers',
    ({ plan }, { crossGrain }) => void (plan.stack.raised.crossGrain = crossGrain),
  ),
  'raised/at-hand': edit<{ readonly atHandMm: readonly number[] }>(
    'Change what is available',
    ({ plan }, { atHandMm }) => void (plan.stack.raised.atHandMm = [...atHandMm]),
  ),
  /** How one height is built; null for as it is reckoned. */
  'raised/pick': edit<{ readonly heightMm: number; readonly thicknessesMm: readonly number[] | null }>(
    'Change layers of a height',
    ({ plan: { stack } }, { heightMm, thicknessesMm }) => {
      const others = stack.raised.picks.filter((one) => Math.abs(one.heightMm - heightMm) > SAME_HEIGHT_MM);
      stack.raised.picks = thicknessesMm === null ? others : [...others, { heightMm, thicknessesMm: [...thicknessesMm] }];
    },
  ),
  'facing/add': edit<{ readonly groundKind: GroundKind; readonly facing: Facing }>(
    'Add a covering',
    ({ plan }, { groundKind, facing }) => void plan.stack.facings[groundKind].push({ ...facing }),
  ),
  'facing/remove': edit<{ readonly groundKind: GroundKind; readonly layerId: string }>(
    'Remove a covering',
    ({ plan: { stack } }, { groundKind, layerId }) =>
      void (stack.facings[groundKind] = stack.facings[groundKind].filter(({ id }) => id !== layerId)),
  ),
  /** @param layerIds from the ground up */
  'facing/order': edit<{ readonly groundKind: GroundKind; readonly layerIds: readonly string[] }>(
    'Reorder coverings',
    ({ plan }, { groundKind, layerIds }) => void inOrder(plan.stack.facings[groundKind], layerIds),
  ),
  'facing/sheet': edit<{ readonly groundKind: GroundKind; readonly layerId: string } & Sheet>(
    'Change a covering',
    ({ plan }, { groundKind, layerId, materialId, thicknessMm }) => {
      const own = plan.stack.facings[groundKind].find(({ id }) => id === layerId);
      if (own !== undefined) [own.materialId, own.thicknessMm] = [materialId, thicknessMm];
    },
  ),
  /** What holds a joint, how it is laid on, or both. */
  'glue/set': edit<{ readonly place: GluePlace; readonly adhesiveId?: string; readonly spread?: GlueSpread }>(
    'Change the adhesive',
    ({ plan }, { place, adhesiveId, spread }) => {
      const glued = gluedAt(plan.stack, place);
      if (glued === undefined) return;
      if (spread !== undefined) glued.spread = spread;
      if (adhesiveId === undefined) return;
      if ('glueId' in glued) glued.glueId = adhesiveId;
      else glued.glueBelowId = adhesiveId;
    },
  ),
  'battens/set': edit<{ readonly battens: Stack['battens'] }>(
    'Change the battens',
    ({ plan }, { battens }) => void (plan.stack.battens = battens === null ? null : { ...battens }),
  ),
  'stack/edges': edit<{ readonly edges: Stack['edges'] }>('Change the edges', ({ plan }, { edges }) => void (plan.stack.edges = edges)),
  'stack/allowance': edit<{ readonly mm: number }>('Change the allowance', ({ plan }, { mm }) => void (plan.stack.allowanceMm = mm)),
  'stack/weighed': edit<{ readonly weighed: boolean }>(
    'Change the weights',
    ({ plan }, { weighed }) => void (plan.stack.weighed = weighed),
  ),
  /** The whole stack built another way. */
  'stack/build': edit<{ readonly stack: Stack; readonly way: string }>(
    ({ way }) => `Use option: ${way}`,
    ({ plan }, { stack }) => void (plan.stack = stack as StackDraft),
  ),
};
