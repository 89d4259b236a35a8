import type { Plan, Sealed } from './plan';
import type { GroundKind } from './surfaces';

/** Which layer of the stack is meant. */
export type LayerRef = { readonly kind: 'substrate' } | { readonly kind: 'ground'; readonly layerId: string };

/** Where in the plan the adhesive of a joint is chosen. */
export type GluePlace =
  | { readonly part: 'ground'; readonly layerId: string }
  | { readonly part: 'raised' }
  | { readonly part: 'facing'; readonly groundKind: GroundKind; readonly layerId: string };

/** How a layer is sealed; not at all where it is gone. */
export function sealedAt({ substrate, ground }: Plan['stack'], ref: LayerRef): Sealed {
  const layer = ref.kind === 'substrate' ? substrate : ground.find(({ id }) => id === ref.layerId);
  return layer?.sealed ?? 'none';
}
