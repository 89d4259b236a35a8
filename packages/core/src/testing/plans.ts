import type { QuickFix } from '../advice/checks';
import { type Derivation, derivePipeline } from '../pipeline';
import { appliedTo } from '../plan/edits';
import type { WorkshopState } from '../plan/workshop';
import { WORKSHOP_CATALOGUE } from '../catalogue/workshop';
import type { Feature } from '../plan/features';
import { type Coat, type NewBoard, type Plan, coatsOn, newPlan, plainCoat } from '../plan';
import type { GroundKind } from '../plan/surfaces';
import { type Outline, type Strip, rectangle } from '../plan/shapes';

/** Builders for worked examples; every test says only what matters to it. */
export const CATALOGUE = WORKSHOP_CATALOGUE;

/** A board of 1200 × 800 mm in four tiles unless said otherwise. */
export function aBoard(change: Partial<NewBoard> = {}, ...features: readonly Feature[]): Plan {
  const board: NewBoard = {
    name: 'Test board',
    units: 'metric',
    widthMm: 1200,
    depthMm: 800,
    columns: 2,
    rows: 2,
    figureHeightMm: 28,
    startsOn: '2026-11-30',
    ...change,
  };
  return { ...newPlan(board, CATALOGUE), features };
}

/** Left, top, width, depth in mm. */
export type Place = readonly [leftMm: number, topMm: number, widthMm: number, depthMm: number];
const shapeAt = ([x, y, w, h]: Place): Outline => rectangle({ x, y }, { x: x + w, y: y + h });

const named = (id: string) => ({ id, name: id, locked: false, hidden: false, surfaceId: null });
const along = (points: readonly (readonly [number, number])[], widthMm: number, bendMm = 0): Strip => ({
  form: 'strip',
  points: points.map(([x, y]) => ({ x, y })),
  widthMm,
  bendMm,
});
type Line = readonly (readonly [number, number])[];

export const aMound = (place: Place, heightMm: number, id = 'mound'): Feature => ({
  ...named(id),
  kind: 'raised',
  shape: shapeAt(place),
  heightMm,
  steps: 1,
  stepInMm: 0,
});
/** A square hill in steps, each set in as much as said. */
export const aHill = ([x, y, w, h]: Place, stepMm: number, insets: readonly number[], id = 'hill'): Feature => ({
  ...named(id),
  kind: 'hill',
  shape: { form: 'contours', levels: insets.map((by) => [rectangle({ x: x + by, y: y + by }, { x: x + w - by, y: y + h - by }).points]) },
  stepMm,
});
export const aRamp = (points: Line, widthMm: number, fromMm: number, toMm: number, id = 'ramp'): Feature => ({
  ...named(id),
  kind: 'ramp',
  shape: along(points, widthMm),
  fromMm,
  toMm,
});
export const aBank = (points: Line, widthMm: number, heightMm: number, crownMm: number, id = 'bank'): Feature => ({
  ...named(id),
  kind: 'bank',
  shape: along(points, widthMm),
  heightMm,
  crownMm,
});
export const aWall = (points: Line, widthMm: number, heightMm: number, id = 'wall'): Feature => ({
  ...named(id),
  kind: 'wall',
  shape: along(points, widthMm),
  heightMm,
});
export const aPlot = (place: Place, heightMm: number, id = 'plot'): Feature => ({
  ...named(id),
  kind: 'plot',
  shape: shapeAt(place),
  heightMm,
  pieceId: null,
  pieceTurnDeg: 0,
});
export const aField = (place: Place, rowMm: number, id = 'field'): Feature => ({
  ...named(id),
  kind: 'field',
  shape: shapeAt(place),
  rowMm,
  rowTurnDeg: 0,
  plantMm: 8,
});
export const aClearing = (place: Place, id = 'clear'): Feature => ({ ...named(id), kind: 'clear', shape: shapeAt(place) });
export const aCrater = ([x, y]: readonly [number, number], radiusMm: number, depthMm: number, rimMm = 0): Feature => ({
  ...named('crater'),
  kind: 'crater',
  shape: { form: 'round', centre: { x, y }, radiusMm },
  depthMm,
  rimMm,
  rimWidthMm: 10,
  cutThrough: false,
});
export const someLights = (points: Line, lamps: number, id = 'lights'): Feature => ({
  ...named(id),
  kind: 'light',
  shape: along(points, 4),
  grooveMm: 5,
  lamps,
  batteryId: CATALOGUE.starter.light.batteryId,
  lampId: CATALOGUE.starter.light.lampId,
});
export const aPit = (place: Place, depthMm: number, id = 'pit', cutThrough = false): Feature => ({
  ...named(id),
  kind: 'pit',
  shape: shapeAt(place),
  depthMm,
  floor: 'flat',
  cutThrough,
});
export const aPool = (place: Place, depthMm: number, waterMm: number, id = 'pool'): Feature => ({
  ...named(id),
  kind: 'water',
  shape: shapeAt(place),
  depthMm,
  waterMm,
  floor: 'flat',
  cutThrough: false,
});
export const aTrack = (points: Line, widthMm: number, id = 'track'): Feature => ({
  ...named(id),
  kind: 'route',
  shape: along(points, widthMm),
  lanes: 1,
  marking: 'none',
  kerbMm: 0,
  kerbWidthMm: 0,
  junctionMm: 0,
});

/** The plan with a mend applied. */
export const mended = (plan: Plan, { edit }: QuickFix): Plan => appliedTo(plan, edit);
/** Everything that follows from a plan, reckoned afresh. */
export const derived = (plan: Plan, shop?: WorkshopState): Derivation => derivePipeline()(plan, CATALOGUE, shop);

/** A coat with nothing said of it but what and how, unless told. */
export const aCoat = (coatingId: string, methodId: string, change: Partial<Coat> = {}): Coat => ({
  ...plainCoat({ coatingId, methodId }),
  ...change,
});
/** The coats of a kind of ground. */
export const coatsOf = (plan: Plan, kind: GroundKind): readonly Coat[] => coatsOn(plan, kind);
/** The board with other coats on a kind of ground. */
export const withCoats = (plan: Plan, kind: GroundKind, coats: readonly Coat[]): Plan => ({
  ...plan,
  surfaces: plan.surfaces.map((surface) => (surface.id === plan.wears[kind] ? { ...surface, coats } : surface)),
});
/** A patch of another surface over the ground. */
export const aPatch = (place: Place, surfaceId: string, id = 'patch', softMm = 0): Feature => ({
  ...named(id),
  kind: 'patch',
  shape: shapeAt(place),
  softMm,
  surfaceId,
});
