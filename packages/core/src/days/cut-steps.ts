import { type Catalogue, estimated } from '../catalogue';
import type { CutJob, PartList } from '../cutting';
import type { Ground } from '../ground';
import type { Joint } from '../stack';
import { type Figure, given, hoursInMinutes, inMetres, inSquareMetres, reckon, total } from '../units';
import { type Draft, NO_WAIT, task } from './step';

/** What is cut, and glued, in one go. */
export type Stage = 'base' | 'raised' | 'facing';
const CUT_NAMES: Readonly<Record<Stage, string>> = { base: 'Cut the ground', raised: 'Cut raised ground', facing: 'Cut coverings' };

/** Parts of one stage, cut tile by tile. @param minutes of every part */
export function cutStep(
  stage: Stage,
  ground: Ground,
  jobs: readonly CutJob[],
  minutes: ReadonlyMap<string, Figure<'min'>>,
  catalogue: Catalogue,
): Draft {
  const name = CUT_NAMES[stage];
  // A rim is cut with the ground it goes round.
  const mine = jobs.map((job) => ({ job, parts: job.parts.filter((part) => (part.stage === 'rim' ? 'base' : part.stage) === stage) }));
  return {
    id: `cut-${stage}`,
    name,
    kind: 'cut',
    setUp: catalogue.bench.cuttingSetUpMin,
    cautionIds: mine.filter(({ parts }) => parts.length > 0).flatMap(({ job }) => job.tool.cautionIds),
    tasks: ground.tiles.flatMap((tile) => {
      const here = mine.flatMap(({ parts }) => parts.filter(({ tileId }) => tileId === tile.id));
      if (here.length === 0) return [];
      const work = total(
        `${name}, ${tile.id}`,
        'min',
        here.map(({ id }) => minutes.get(id)!),
      );
      return [task(`cut-${stage}`, tile.id, work, NO_WAIT)];
    }),
  };
}

/** Layers glued oversize are cut flush along all four sides, with the lowest as the guide. */
export function trimStep(joints: readonly Joint[], ground: Ground, catalogue: Catalogue): Draft {
  const name = 'Trim flush';
  return {
    id: 'trim',
    name,
    kind: 'cut',
    setUp: catalogue.bench.cuttingSetUpMin,
    cautionIds: catalogue.bench.hollowCautionIds,
    tasks:
      joints.length === 0
        ? []
        : ground.tiles.map((tile) => {
            const { left, top, right, bottom } = tile.cutBox;
            const round = inMetres(given(`${tile.id}, all round`, 2 * (right - left + bottom - top), 'mm', 'drawing'));
            const speed = estimated('Trimmed in a minute', catalogue.bench.trimFlushMPerMin, 'm/min');
            return task('trim', tile.id, reckon(`${name}, ${tile.id}`, 'min', round, '÷', speed), NO_WAIT);
          }),
  };
}

/** Pits that do not go through a layer are carved out of it. */
export function hollowStep(ground: Ground, { hollows }: PartList, catalogue: Catalogue): Draft {
  const name = 'Carve pits';
  return {
    id: 'carve',
    name,
    kind: 'cut',
    setUp: catalogue.bench.cuttingSetUpMin,
    cautionIds: catalogue.bench.hollowCautionIds,
    tasks: ground.tiles.flatMap((tile) => {
      const here = hollows.filter(({ tileId }) => tileId === tile.id);
      if (here.length === 0) return [];
      const area = total(
        `Floors to carve, ${tile.id}`,
        'mm²',
        here.map(({ areaMm2, featureId }) => given(`Floor in ${tile.id}, ${featureId}`, areaMm2, 'mm²', 'drawing')),
      );
      const hours = reckon(
        `${name}, ${tile.id}, hours`,
        'h',
        inSquareMetres(area),
        '÷',
        estimated('Carved in an hour', catalogue.bench.hollowM2PerH, 'm²/h'),
      );
      return [task('carve', tile.id, hoursInMinutes(hours), NO_WAIT)];
    }),
  };
}
