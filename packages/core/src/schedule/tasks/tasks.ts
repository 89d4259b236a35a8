import type { Hollow } from '../../build/cutting/parts';
import { type BoardStack, jointShares } from '../../build/stack';
import type { GluePlace, Plan } from '../../plan';
import type { Catalogue } from '../../catalogue';
import type { DryingPlaces } from '../drying';
import type { CoatNeed, SealNeed } from '../../finishing/coats';
import { partJoints } from '../../build/cutting/joints';
import type { CutJob } from '../../build/cutting/job';
import type { Ground, SurfaceAreas, Zones } from '../../terrain/ground';
import { listedBy } from '../../base/grouping';
import type { Figure } from '../../base/units';
import type { Joint } from '../../build/stack/joint';
import { coatSteps } from './steps/coat-steps';
import { cutStep, hollowStep, trimStep } from './steps/cut-steps';
import { type GlueInputs, glueStep, sealStep } from './steps/glue-steps';
import type { FixedPiece, PieceWork } from '../../build/pieces';
import type { OnTile } from '../../terrain/tiling';
import { mendSteps } from './steps/mend-steps';
import { fixStep, pieceSteps } from './steps/piece-steps';
import { type Step, inOrderOfWork } from './step';

/** What the steps of work follow from. */
export interface StepInputs {
  readonly edges: Plan['stack']['edges'];
  readonly weighed: boolean;
  readonly mends: Plan['mends'];
  readonly spots: DryingPlaces;
  readonly topMaterialId: string | null;
  /** Whether two can work on one workpiece. */
  readonly isTwo: boolean;
  readonly ground: Ground;
  readonly zones: Zones;
  readonly areas: SurfaceAreas;
  readonly joints: BoardStack['joints'];
  readonly hollows: readonly Hollow[];
  readonly pieces: readonly PieceWork[];
  readonly fixed: readonly (FixedPiece & OnTile)[];
  readonly jobs: readonly CutJob[];
  /** Of cutting every part. */
  readonly minutes: ReadonlyMap<string, Figure<'min'>>;
  readonly coats: readonly CoatNeed[];
  readonly sealing: SealNeed | null;
  readonly catalogue: Catalogue;
}

/** Every step in the order of work, with its task on each workpiece. @source craft.md, the order of work */
export function stepsOf(inputs: StepInputs): readonly Step[] {
  const { edges, ground, joints, jobs, hollows, pieces, fixed, minutes, sealing, spots, isTwo, catalogue } = inputs;
  const byPlace = listedBy(joints, ({ place }) => place.part);
  const jointsOf = (part: GluePlace['part']): readonly Joint[] => byPlace.get(part) ?? [];
  const parts = listedBy(
    jobs.flatMap((job) => job.parts.map((part) => ({ job, part }))),
    // A rim is cut with the ground it goes round.
    ({ part }) => (part.stage === 'rim' ? 'base' : part.stage),
  );
  // A board too big for one is handled by two where there are two.
  const big = new Set(
    ground.tiles
      .filter(({ box: { left, top, right, bottom } }) => Math.max(right - left, bottom - top) > catalogue.bench.oneHandMm.value)
      .map(({ id }) => id),
  );
  const handsFor = (workpieceId: string): number => (isTwo && big.has(workpieceId) ? 2 : 1);
  const joined = partJoints(jobs.flatMap((job) => job.parts));
  const gluing: GlueInputs = { ...inputs, partJoints: joined, handsFor, shares: jointShares(inputs) };
  const cutting = { workpieces: ground.tiles, minutes, spots, handsFor, catalogue };
  const cuttingPieces = { ...cutting, workpieces: pieces.map(({ pieceId }) => ({ id: pieceId })) };
  const workpieceIds = new Set([...ground.tiles.map(({ id }) => id), ...pieces.map(({ pieceId }) => pieceId)]);
  return inOrderOfWork(
    [
      ...mendSteps(inputs.mends, workpieceIds, spots, catalogue),
      cutStep('base', parts.get('base') ?? [], cutting),
      ...(sealing === null ? [] : [sealStep(sealing, inputs)]),
      glueStep('base', jointsOf('ground'), gluing),
      ...(edges === 'trim-after' && jointsOf('ground').length > 0 ? [trimStep(ground.tiles, spots, catalogue)] : []),
      hollowStep(hollows, ground.tiles, spots, catalogue),
      cutStep('raised', parts.get('raised') ?? [], cutting),
      glueStep('raised', jointsOf('raised'), gluing),
      cutStep('facing', parts.get('facing') ?? [], cutting),
      glueStep('facing', jointsOf('facing'), gluing),
      cutStep('piece', parts.get('piece') ?? [], cuttingPieces),
      ...pieceSteps(pieces, spots, catalogue),
      fixStep(fixed, spots, catalogue),
      ...coatSteps(inputs),
    ],
    catalogue,
  );
}
