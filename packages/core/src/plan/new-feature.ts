import type { Catalogue } from '../catalogue';
import type { Contours, Feature, FeatureKind, Plan, Shape, Strip } from './plan';
import { contoursWithin } from './contours';

/** What a freshly drawn feature measures until the builder says otherwise. */
const FRESH = {
  raisedMm: 20,
  hillStepMm: 10,
  hillSteps: 3,
  bankMm: 20,
  crownMm: 10,
  pitMm: 10,
  waterBedMm: 8,
  waterMm: 4,
  craterMm: 8,
  rimMm: 5,
  rimWidthMm: 15,
  wallMm: 25,
  plotMm: 60,
  rowMm: 15,
  plantMm: 8,
  grooveMm: 5,
  lamps: 3,
} as const;

/** Kinds drawn along a middle line, and how wide and bent they begin. */
const STRIPS: Partial<Record<FeatureKind, { readonly widthMm: number; readonly bendMm: number }>> = {
  water: { widthMm: 50, bendMm: 60 },
  route: { widthMm: 60, bendMm: 60 },
  bank: { widthMm: 50, bendMm: 40 },
  ramp: { widthMm: 60, bendMm: 0 },
  wall: { widthMm: 8, bendMm: 0 },
  light: { widthMm: 4, bendMm: 10 },
};

export const KIND_NAMES: Readonly<Record<FeatureKind, string>> = {
  raised: 'Raised ground',
  hill: 'Hill',
  bank: 'Bank',
  ramp: 'Ramp',
  pit: 'Pit',
  water: 'Water',
  crater: 'Crater',
  route: 'Track',
  wall: 'Wall',
  plot: 'Plot',
  field: 'Field',
  clear: 'Kept clear',
  light: 'Small lights',
};

/**
 * A feature as it is when its drawing is finished. The name counts on from those of its kind.
 * @throws TypeError when the shape is not of the form its kind is drawn in (our bug: the tool decides both)
 */
export function newFeature(plan: Plan, kind: FeatureKind, shape: Shape, id: string, catalogue: Catalogue): Feature {
  const common = { id, name: freshName(plan, KIND_NAMES[kind]), locked: false, hidden: false };
  switch (kind) {
    case 'raised':
      return { ...common, kind, shape: areaOf(shape), heightMm: FRESH.raisedMm, steps: 1, stepInMm: 0 };
    case 'hill':
      return { ...common, kind, shape: contoursOf(shape), stepMm: FRESH.hillStepMm };
    case 'bank':
      return { ...common, kind, shape: stripOf(shape), heightMm: FRESH.bankMm, crownMm: FRESH.crownMm };
    case 'ramp':
      return { ...common, kind, shape: stripOf(shape), fromMm: 0, toMm: FRESH.raisedMm };
    case 'pit':
      return { ...common, kind, shape: areaOf(shape), depthMm: FRESH.pitMm, floor: 'flat', cutThrough: false };
    case 'water':
      return { ...common, kind, shape: areaOf(shape), depthMm: FRESH.waterBedMm, waterMm: FRESH.waterMm, floor: 'flat', cutThrough: false };
    case 'crater':
      if (shape.form !== 'round') throw new TypeError(`a crater is round, got ${shape.form}`);
      return { ...common, kind, shape, depthMm: FRESH.craterMm, rimMm: FRESH.rimMm, rimWidthMm: FRESH.rimWidthMm, cutThrough: false };
    case 'route':
      return { ...common, kind, shape: areaOf(shape), lanes: 1, marking: 'none', kerbMm: 0, kerbWidthMm: 0, junctionMm: 20 };
    case 'wall':
      return { ...common, kind, shape: stripOf(shape), heightMm: FRESH.wallMm };
    case 'plot':
      return { ...common, kind, shape: areaOf(shape), heightMm: FRESH.plotMm };
    case 'field':
      return { ...common, kind, shape: areaOf(shape), rowMm: FRESH.rowMm, rowTurnDeg: 0, plantMm: FRESH.plantMm };
    case 'clear':
      return { ...common, kind, shape: areaOf(shape) };
    case 'light':
      return {
        ...common,
        kind,
        shape: stripOf(shape),
        grooveMm: FRESH.grooveMm,
        lamps: FRESH.lamps,
        batteryId: catalogue.starter.light.batteryId,
        lampId: catalogue.starter.light.lampId,
      };
    default:
      throw kind satisfies never;
  }
}

/** Width and bends of a strip when its middle line is finished. */
export const freshStrip = (kind: FeatureKind): { readonly widthMm: number; readonly bendMm: number } => STRIPS[kind] ?? STRIPS.route!;

/** The same feature beside itself, under a new name and id. */
export function copyOf<F extends Feature>(plan: Plan, feature: F, shape: Shape, id: string): F {
  return { ...feature, id, shape, locked: false, name: freshName(plan, feature.name.replace(/ \d+$/, '')) };
}

type Area = Exclude<Shape, Contours>;
function areaOf(shape: Shape): Area {
  if (shape.form === 'contours') throw new TypeError('only a hill has contours');
  return shape;
}
function stripOf(shape: Shape): Strip {
  if (shape.form !== 'strip') throw new TypeError(`drawn along a line, got ${shape.form}`);
  return shape;
}
/** A hill drawn as one outline gets its steps set in evenly to its middle. */
function contoursOf(shape: Shape): Contours {
  return shape.form === 'contours' ? shape : contoursWithin(shape, FRESH.hillSteps);
}

function freshName(plan: Plan, name: string): string {
  const taken = new Set(plan.features.map((feature) => feature.name));
  if (!taken.has(name)) return name;
  for (let n = 2; ; n++) if (!taken.has(`${name} ${n}`)) return `${name} ${n}`;
}
