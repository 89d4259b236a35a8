export { aligned, boxOfAll, mirrored, repeated, turned } from './arranging';
export type { Alignment } from './arranging';
export type { Board, BoardDraft } from './board';
export { blockedChanges, changesBetween, reversed, subjectsOf, withChanges } from './changes';
export type { Change, Step } from './changes';
export { coatsOn, kindCoats, laidIn, plainCoat, starterCoats, starterSurface } from './coats';
export { newPassage, rimBoards, rimOf } from './fresh';
export { sealedAt } from './layer-ref';
export type { GluePlace, LayerRef } from './layer-ref';
export { planLike } from './like';
export type { LikeThat } from './like';
export { mergePlans } from './stored/merge';
export type { Merged, TooMany } from './stored/merge';
export { migrated } from './stored/migrations';
export { evenSplit, newPerson, newPlace, newPlan, planAgain } from './new-plan';
export type { NewBoard } from './new-plan';
export { hasTable, tableDepthMm, tableWidthMm } from './plan';
export type {
  ArrangedTask,
  Calendar,
  Coat,
  Cutting,
  DryingSpot,
  Facing,
  GlueSpread,
  GroundLayer,
  Laid,
  Mended,
  TableNote,
  OwnPaint,
  Passage,
  Person,
  Piece,
  Place,
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
export { isSamePlan } from './same';
export { snapLines, snapped } from './snap';
