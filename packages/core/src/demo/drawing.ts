import type { Feature, FeatureKind } from '../plan/features';
import { type Outline, type Strip, rectangle } from '../plan/shapes';

/** Short hand for writing demo boards down: the shapes, and a feature with what all features share. */
export type Line = readonly (readonly [number, number])[];
const points = (line: Line): { x: number; y: number }[] => line.map(([x, y]) => ({ x, y }));

export const box = (x: number, y: number, widthMm: number, depthMm: number): Outline =>
  rectangle({ x, y }, { x: x + widthMm, y: y + depthMm });
export const outline = (line: Line): Outline => ({ form: 'outline', points: points(line) });
export const strip = (line: Line, widthMm: number, bendMm = 0): Strip => ({ form: 'strip', points: points(line), widthMm, bendMm });
export const round = (x: number, y: number, radiusMm: number): { form: 'round'; centre: { x: number; y: number }; radiusMm: number } => ({
  form: 'round',
  centre: { x, y },
  radiusMm,
});

type Of<K extends FeatureKind> = Extract<Feature, { kind: K }>;
type Own<K extends FeatureKind> = Omit<Of<K>, 'id' | 'name' | 'kind' | 'locked' | 'hidden' | 'surfaceId'>;
/** A feature of a kind with the numbers of its kind. */
export const a = <K extends FeatureKind>(kind: K, id: string, name: string, own: Own<K>): Feature =>
  ({ id, name, locked: false, hidden: false, surfaceId: null, kind, ...own }) as unknown as Feature;

/** A plain path: one lane, no kerbs. */
export const path = (id: string, name: string, shape: Strip, junctionMm = 20): Feature =>
  a('route', id, name, { shape, lanes: 1, marking: 'none', kerbMm: 0, kerbWidthMm: 0, junctionMm });
/** Sheer-sided raised ground. */
export const mound = (id: string, name: string, shape: Own<'raised'>['shape'], heightMm: number): Feature =>
  a('raised', id, name, { shape, heightMm, steps: 1, stepInMm: 0 });
export const basin = (id: string, name: string, shape: Own<'water'>['shape'], depthMm: number, waterMm: number): Feature =>
  a('water', id, name, { shape, depthMm, waterMm, floor: 'flat', cutThrough: false });
