export { aligned, boxOfAll, mirrored, repeated, turned } from './arranging';
export type { Alignment } from './arranging';
export type { Board, BoardDraft } from './board';
export { coatsOn, kindCoats, laidIn, plainCoat, starterCoats, starterSurface } from './coats';
export { newPassage, rimBoards, rimOf } from './fresh';
export { sealedAt } from './layer-ref';
export type { GluePlace, LayerRef } from './layer-ref';
export { isSamePlan, mergePlans } from './merge';
export type { Merged, TooMany } from './merge';
export { migrated } from './migrations';
export { evenSplit, newPlan, planAgain } from './new-plan';
export type { NewBoard } from './new-plan';
export { hasTable, tableDepthMm, tableWidthMm } from './plan';
export type {
  Calendar,
  Climate,
  Coat,
  Cutting,
  Facing,
  GlueSpread,
  GroundLayer,
  Laid,
  OwnPaint,
  Passage,
  Piece,
  Plan,
  PlanDraft,
  PlayRules,
  Sealed,
  Split,
  Stack,
  Surface,
  Table,
  TestPiece,
  Tint,
} from './plan';
export { snapLines, snapped } from './snap';
