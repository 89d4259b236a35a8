import { z } from 'zod';

/** The kinds of ground, in the order they are shown. Each starts with coats of its own. */
export const GROUND_KINDS = ['open', 'raised', 'route', 'pit', 'water', 'plot', 'field'] as const;
export type GroundKind = (typeof GROUND_KINDS)[number];

/** What each kind of ground is called on screen. */
export const GROUND_KIND_NAMES: Readonly<Record<GroundKind, string>> = {
  open: 'Open ground',
  raised: 'Raised ground',
  route: 'Routes',
  pit: 'Pits',
  water: 'Water beds',
  plot: 'Plots',
  field: 'Fields',
};

/** One of something for every kind of ground. */
export const byGroundKind = <T>(of: (kind: GroundKind) => T): Record<GroundKind, T> =>
  Object.fromEntries(GROUND_KINDS.map((kind) => [kind, of(kind)])) as Record<GroundKind, T>;

/** A schema for a document that holds one of something for every kind of ground. */
export const everyGroundKind = <S extends z.ZodType>(schema: S): z.ZodObject<Record<GroundKind, S>, z.core.$strict> =>
  z.strictObject(byGroundKind(() => schema));
