import type { Feature, FeatureKind, Plan, Shape } from './plan';

/** What a freshly drawn feature measures until the builder says otherwise. */
const FRESH = { raisedMm: 20, pitMm: 10, waterBedMm: 8, waterMm: 4, channelWidthMm: 50, routeWidthMm: 60, bendMm: 60 } as const;

const NAMES: Readonly<Record<FeatureKind, string>> = { raised: 'Raised ground', pit: 'Pit', water: 'Water', route: 'Track' };

/** A feature as it is when its drawing is finished. The name counts on from those of its kind. */
export function newFeature(plan: Plan, kind: FeatureKind, shape: Shape, id: string): Feature {
  const common = { id, name: freshName(plan, NAMES[kind]), shape };
  switch (kind) {
    case 'raised':
      return { ...common, kind, heightMm: FRESH.raisedMm };
    case 'pit':
      return { ...common, kind, depthMm: FRESH.pitMm, cutThrough: false };
    case 'water':
      return { ...common, kind, depthMm: FRESH.waterBedMm, waterMm: FRESH.waterMm, cutThrough: false };
    case 'route':
      return { ...common, kind };
    default:
      throw kind satisfies never;
  }
}

/** Width and bends of a strip when its middle line is finished. */
export const freshStrip = (kind: FeatureKind): { readonly widthMm: number; readonly bendMm: number } => ({
  widthMm: kind === 'route' ? FRESH.routeWidthMm : FRESH.channelWidthMm,
  bendMm: FRESH.bendMm,
});

/** The same feature beside itself, under a new name and id. */
export function copyOf(plan: Plan, feature: Feature, shape: Shape, id: string): Feature {
  return { ...feature, id, shape, name: freshName(plan, feature.name.replace(/ \d+$/, '')) };
}

function freshName(plan: Plan, name: string): string {
  const taken = new Set(plan.features.map((feature) => feature.name));
  if (!taken.has(name)) return name;
  for (let n = 2; ; n++) if (!taken.has(`${name} ${n}`)) return `${name} ${n}`;
}
