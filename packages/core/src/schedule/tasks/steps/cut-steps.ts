import type { Tile } from '../../../terrain/ground';
import type { Hollow, Part } from '../../../build/cutting/parts';
import { listedBy } from '../../../base/grouping';
import { type Catalogue, estimated } from '../../../catalogue';
import type { CutJob } from '../../../build/cutting/job';
import { type Figure, given, hoursInMinutes, inMetres, inSquareMetres, calculate, total } from '../../../base/units';
import type { DryingPlaces } from '../../drying';
import { type Draft, asks, task } from '../step';

/** What is cut, and glued, in one go. */
export type Stage = 'base' | 'raised' | 'facing';
type CutStage = Stage | 'piece';
const CUT_NAMES: Readonly<Record<CutStage, string>> = {
  base: 'Cut the ground',
  raised: 'Cut raised ground',
  facing: 'Cut coverings',
  piece: 'Cut pieces',
};

interface CutInputs {
  readonly workpieces: readonly { readonly id: string }[];
  /** Of every part. */
  readonly minutes: ReadonlyMap<string, Figure<'min'>>;
  readonly spots: DryingPlaces;
  /** How many people a workpiece takes. */
  readonly handsFor: (workpieceId: string) => number;
  readonly catalogue: Catalogue;
}
interface JobPart {
  readonly job: CutJob;
  readonly part: Part;
}

/** Parts of one stage, cut workpiece by workpiece. */
export function cutStep(stage: CutStage, parts: readonly JobPart[], { workpieces, minutes, spots, handsFor, catalogue }: CutInputs): Draft {
  const name = CUT_NAMES[stage];
  const jobs = [...new Set(parts.map(({ job }) => job))];
  const byWorkpiece = listedBy(parts, ({ part }) => part.workpieceId);
  return {
    id: `cut-${stage}`,
    name,
    kind: 'cut',
    does: 'cut',
    setUp: catalogue.bench.cuttingSetUpMin,
    asks: asks({
      cautionIds: jobs.flatMap(({ tool }) => tool.cautionIds),
      isNoisy: jobs.some(({ tool }) => tool.isNoisy),
      stockIds: jobs.map(({ materialId }) => materialId),
    }),
    tasks: workpieces.flatMap(({ id }) => {
      const here = byWorkpiece.get(id) ?? [];
      if (here.length === 0) return [];
      const work = total(
        `${name}, ${id}`,
        'min',
        here.map(({ part }) => minutes.get(part.id)!),
      );
      return [task(`cut-${stage}`, id, { work, spot: spots.at(id), hands: stage === 'base' ? handsFor(id) : 1 })];
    }),
  };
}

/** Layers glued oversize are cut flush along all four sides, with the lowest as the guide. */
export function trimStep(tiles: readonly Tile[], spots: DryingPlaces, catalogue: Catalogue): Draft {
  const name = 'Trim flush';
  return {
    id: 'trim',
    name,
    kind: 'cut',
    does: 'trim',
    setUp: catalogue.bench.cuttingSetUpMin,
    asks: asks({ cautionIds: catalogue.bench.hollowCautionIds }),
    tasks: tiles.map((tile) => {
      const { left, top, right, bottom } = tile.cutBox;
      const round = inMetres(given(`${tile.id}, all round`, 2 * (right - left + bottom - top), 'mm', 'drawing'));
      const speed = estimated('Trimmed per minute', catalogue.bench.trimFlushMPerMin, 'm/min');
      return task('trim', tile.id, { work: calculate(`${name}, ${tile.id}`, 'min', round, '÷', speed), spot: spots.at(tile.id) });
    }),
  };
}

/** Pits that do not go through a layer are carved out of it. */
export function hollowStep(hollows: readonly Hollow[], tiles: readonly Tile[], spots: DryingPlaces, catalogue: Catalogue): Draft {
  const byTile = listedBy(hollows, ({ workpieceId }) => workpieceId);
  const name = 'Carve pits';
  return {
    id: 'carve',
    name,
    kind: 'cut',
    does: 'carve',
    setUp: catalogue.bench.cuttingSetUpMin,
    asks: asks({ cautionIds: catalogue.bench.hollowCautionIds }),
    tasks: tiles.flatMap((tile) => {
      const here = byTile.get(tile.id) ?? [];
      if (here.length === 0) return [];
      const area = total(
        `Floors to carve, ${tile.id}`,
        'mm²',
        here.map(({ areaMm2, featureId }) => given(`Floor in ${tile.id}, ${featureId}`, areaMm2, 'mm²', 'drawing')),
      );
      const hours = calculate(
        `${name}, ${tile.id}, hours`,
        'h',
        inSquareMetres(area),
        '÷',
        estimated('Carved per hour', catalogue.bench.hollowM2PerH, 'm²/h'),
      );
      return [task('carve', tile.id, { work: hoursInMinutes(hours, `${name}, ${tile.id}`), spot: spots.at(tile.id) })];
    }),
  };
}
