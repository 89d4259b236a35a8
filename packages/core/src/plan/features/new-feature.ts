import type { Catalogue } from '../../catalogue';
import type { Shape } from '../shapes';
import { type Feature, type FeatureKind, kindNamed } from './feature';

/** What there is already, so that a new name is told apart. */
interface Named {
  readonly features: readonly { readonly name: string }[];
}

/**
 * A feature as it is when its drawing is finished. The name counts on from those of its kind.
 * @throws TypeError when the shape is not of the form its kind is drawn in (our bug: the tool decides both)
 */
export function newFeature(plan: Named, kind: FeatureKind, shape: Shape, id: string, catalogue: Catalogue): Feature {
  const { name, fresh } = kindNamed(kind);
  return { id, name: freshName(plan, name), locked: false, hidden: false, surfaceId: null, kind, ...fresh(shape, catalogue) } as Feature;
}

/** What a strip starts with where a kind says nothing. */
const STRIP = { widthMm: 60, bendMm: 60 } as const;
/** Width and bends of a strip when its middle line is finished. */
export const freshStrip = (kind: FeatureKind): { readonly widthMm: number; readonly bendMm: number } => kindNamed(kind).strip ?? STRIP;

/** The same feature in another shape, under a new name and id. */
export function copyOf<F extends Feature>(plan: Named, feature: F, shape: Shape, id: string): F {
  return { ...feature, id, shape, locked: false, name: freshName(plan, feature.name.replace(/ \d+$/, '')) };
}

function freshName(plan: Named, name: string): string {
  const taken = new Set(plan.features.map((feature) => feature.name));
  if (!taken.has(name)) return name;
  for (let n = 2; ; n++) if (!taken.has(`${name} ${n}`)) return `${name} ${n}`;
}

/** The feature in another shape; whether its kind may take that form is for the schema to say. */
export const reshaped = (feature: Feature, shape: Shape): Feature => ({ ...feature, shape }) as Feature;
