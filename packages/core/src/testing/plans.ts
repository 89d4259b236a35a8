import { WORKSHOP_CATALOGUE } from '../catalogue/workshop';
import { type Feature, type NewBoard, type Plan, newPlan, rectangle } from '../plan';

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
const shapeAt = ([x, y, w, h]: Place): Feature['shape'] => rectangle({ x, y }, { x: x + w, y: y + h });

export const aMound = (place: Place, heightMm: number, id = 'mound'): Feature => ({
  id,
  name: id,
  kind: 'raised',
  shape: shapeAt(place),
  heightMm,
});
export const aPit = (place: Place, depthMm: number, id = 'pit', cutThrough = false): Feature => ({
  id,
  name: id,
  kind: 'pit',
  shape: shapeAt(place),
  depthMm,
  cutThrough,
});
export const aPool = (place: Place, depthMm: number, waterMm: number, id = 'pool'): Feature => ({
  id,
  name: id,
  kind: 'water',
  shape: shapeAt(place),
  depthMm,
  waterMm,
  cutThrough: false,
});
export const aTrack = (points: readonly (readonly [number, number])[], widthMm: number, id = 'track'): Feature => ({
  id,
  name: id,
  kind: 'route',
  shape: { form: 'strip', points: points.map(([x, y]) => ({ x, y })), widthMm, bendMm: 0 },
});
