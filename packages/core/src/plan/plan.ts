import type { DeepReadonly } from '../base/readonly';
import type { z } from 'zod';
import type { PlanSchema } from './schema';

type Mutable = z.infer<typeof PlanSchema>;
/** The plan document, version 13: see docs/plan-format.md. Never edited in place. */
export type Plan = DeepReadonly<Mutable>;
/** A plan inside a recipe, where assignments are recorded and a new plan comes out. */
export type PlanDraft = Mutable;
export type Table = Plan['table'];
export type Passage = Table['passages'][number];
export type Underlay = NonNullable<Plan['underlay']>;
export type PlayRules = Plan['play'];
export type Stack = Plan['stack'];
export type GroundLayer = Stack['ground'][number];
export type Facing = Stack['facings']['open'][number];
export type Sealed = GroundLayer['sealed'];
export type GlueSpread = GroundLayer['spread'];
export type Cutting = Plan['cutting'];
export type Split = Cutting['splits'][number];
export type SavedLayout = Cutting['saved'][number];
export type Surface = Plan['surfaces'][number];
export type Coat = Surface['coats'][number];
export type Laid = NonNullable<Surface['laid']>;
export type Tint = Coat['tint'];
export type OwnPaint = Plan['paints'][number];
export type TestPiece = Plan['testPieces'][number];
export type Piece = Plan['pieces'][number];
export type Calendar = Plan['calendar'];
export type Place = Plan['places'][number];
export type DryingSpot = Plan['drying'];
export type Person = Plan['people'][number];
export type ArrangedTask = Calendar['tasks'][number];

/** False for a loose lot: pieces made without a board under them. */
export const hasTable = ({ columnWidthsMm }: Table): boolean => columnWidthsMm.length > 0;
/** mm, left to right over all tiles. */
export const tableWidthMm = (table: Pick<Table, 'columnWidthsMm'>): number => table.columnWidthsMm.reduce((sum, width) => sum + width, 0);
/** mm, back to front over all tiles. */
export const tableDepthMm = (table: Pick<Table, 'rowDepthsMm'>): number => table.rowDepthsMm.reduce((sum, depth) => sum + depth, 0);
export type Mended = Plan['mends'][number];
export type TableNote = Plan['tableNotes'][number];
