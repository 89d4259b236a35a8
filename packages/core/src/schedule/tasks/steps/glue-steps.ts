import { type Draft, type TaskDraft, asks, coldest, task } from '../step';
import { type Ground, type Tile, tileShare } from '../../../terrain/ground';
import { isEmpty, regionBox } from '../../../base/geometry';
import { type Catalogue, adhesiveBy, estimated } from '../../../catalogue';
import type { SealNeed } from '../../../finishing/coats';
import { type DryingPlaces, type Wait, coatWaits, fullGlueWait, glueWait, longer } from '../../drying';
import type { Plan } from '../../../plan';
import type { Joint } from '../../../build/stack/joint';
import type { PartJoint } from '../../../build/cutting/joints';
import { glueFit } from '../../../build/stack/adhesives';
import { type Figure, given, inMetres, inSquareMetres, calculate, total } from '../../../base/units';
import type { Stage } from './cut-steps';

const GLUE_NAMES: Readonly<Record<Stage, string>> = {
  base: 'Glue the ground, weigh down',
  raised: 'Glue raised ground, weigh down',
  facing: 'Glue coverings, weigh down',
};

interface SealInputs {
  readonly spots: DryingPlaces;
  readonly ground: Ground;
  readonly catalogue: Catalogue;
}
export interface GlueInputs extends SealInputs {
  readonly edges: Plan['stack']['edges'];
  readonly weighed: boolean;
  /** How many people a workpiece takes. */
  readonly handsFor: (workpieceId: string) => number;
  /** Edges of parts that are glued of several. */
  readonly partJoints: readonly PartJoint[];
  /** How much of a joint lies on a tile. */
  readonly shares: (joint: Joint, tileId: string) => number;
}

/** Faces that are sealed before anything is glued to them. */
export function sealStep({ coating, faces }: SealNeed, { spots, ground, catalogue }: SealInputs): Draft {
  const name = `Seal boards, ${coating.name.toLowerCase()}`;
  return {
    id: 'seal',
    name,
    kind: 'coat',
    does: 'seal',
    setUp: catalogue.bench.glueSetUpMin,
    asks: asks({ cautionIds: coating.cautionIds, leastC: coating.minC, stockIds: [coating.id] }),
    tasks: ground.tiles.map((tile) => {
      const share = given(`${tile.id}: share of the table`, tileShare(tile, ground), '1', 'drawing');
      const here = calculate(`${tile.id}: faces to seal`, 'm²', inSquareMetres(faces), '×', share);
      const rate = estimated('Sealing a square metre', catalogue.bench.sealMinPerM2, 'min/m²');
      const spot = spots.at(tile.id);
      const { recoat, touch } = coatWaits(coating, null, spot, catalogue, 'drinks');
      return task('seal', tile.id, {
        work: calculate(`${name}, ${tile.id}`, 'min', here, '×', rate),
        spot,
        wait: recoat,
        touch,
        isFlat: true,
      });
    }),
  };
}

/** All joints of a tile are glued in one go; the slowest of them sets the wait. */
export function glueStep(stage: Stage, joints: readonly Joint[], inputs: GlueInputs): Draft {
  const { edges, ground, shares, spots, handsFor, catalogue } = inputs;
  const name = GLUE_NAMES[stage];
  const adhesives = [...new Set(joints.map(({ adhesiveId }) => adhesiveId))].map((id) => adhesiveBy(catalogue, id));
  const tasks = ground.tiles.flatMap((tile): TaskDraft[] => {
    const faces = joints
      .map((joint) => ({ joint, areaMm2: joint.area.value * shares(joint, tile.id) }))
      .filter(({ areaMm2 }) => areaMm2 > 1);
    if (faces.length === 0) return [];
    const spreading = faces.map(({ joint, areaMm2 }) => {
      const adhesive = adhesiveBy(catalogue, joint.adhesiveId);
      const face = inSquareMetres(given(`${joint.label}, ${tile.id}`, areaMm2, 'mm²', 'drawing'));
      return calculate(
        `${joint.label}, ${tile.id}: spreading`,
        'min',
        face,
        '×',
        given(`${adhesive.name}, a square metre`, adhesive.spreadMinPerM2, 'min/m²', 'catalogue', 'our default value'),
      );
    });
    const weights = given(
      'Placing and removing weights',
      Math.max(...faces.map(({ joint }) => adhesiveBy(catalogue, joint.adhesiveId).weightsMin)),
      'min',
      'catalogue',
      'our default value',
    );
    // Cut to size, every layer has to be brought flush by hand before the glue takes.
    const aligning =
      stage === 'base' && edges === 'cut-first'
        ? [
            calculate(
              `${tile.id}: layers trimmed flush`,
              'min',
              given('Layers', faces.length + 1, '1', 'plan', 'the lowest too: both edges of a joint have to meet'),
              '×',
              estimated('Each', catalogue.bench.alignMinPerLayer, 'min'),
            ),
          ]
        : [];
    const wait = faces.map(({ joint }) => jointWait(joint, tile, inputs)).reduce(longer);
    const widest = faces.reduce((a, b) => (b.areaMm2 > a.areaMm2 ? b : a));
    const load = inSquareMetres(given(`${widest.joint.label}, ${tile.id}`, widest.areaMm2, 'mm²', 'drawing'));
    const work = total(`${name}, ${tile.id}`, 'min', [...spreading, ...aligning, ...joiningOf(stage, tile, inputs), weights]);
    const own = {
      work,
      spot: spots.at(tile.id),
      wait,
      touch: wait,
      isFlat: true,
      hands: stage === 'base' ? handsFor(tile.id) : 1,
      weights:
        weights.value === 0
          ? null
          : calculate(`Weights on ${tile.id}`, 'kg', load, '×', estimated('On a square metre', catalogue.bench.weightKgPerM2, 'kg/m²')),
    };
    return [task(`glue-${stage}`, tile.id, own)];
  });
  return {
    id: `glue-${stage}`,
    name,
    kind: 'glue',
    does: 'glue',
    setUp: catalogue.bench.glueSetUpMin,
    asks: asks({
      cautionIds: adhesives.flatMap(({ cautionIds }) => cautionIds),
      leastC: coldest(adhesives.map(({ minC }) => minC)),
      stockIds: adhesives.map(({ id }) => id),
    }),
    tasks,
  };
}

/** Parts that are cut in pieces are glued edge to edge, taped, filled and sanded. */
function joiningOf(stage: Stage, tile: Tile, { partJoints, catalogue }: GlueInputs): readonly Figure<'min'>[] {
  const own = partJoints.filter((joint) => joint.stage === stage && joint.workpieceId === tile.id);
  if (own.length === 0) return [];
  const length = inMetres(
    given(
      `${tile.id}: joints in parts`,
      own.reduce((sum, { lengthMm }) => sum + lengthMm, 0),
      'mm',
      'drawing',
      'glued edge to edge',
    ),
  );
  const pace = estimated('Glued, taped and filled', catalogue.bench.partJoinedMPerMin, 'm/min');
  return [calculate(`${tile.id}: parts joined`, 'min', length, '÷', pace)];
}

function jointWait(joint: Joint, tile: Tile, { spots, weighed, ground, catalogue }: GlueInputs): Wait {
  const adhesive = adhesiveBy(catalogue, joint.adhesiveId);
  const spot = spots.at(tile.id);
  if (weighed && joint.place.part === 'ground') return fullGlueWait(adhesive, spot);
  const isSealedIn = glueFit(adhesive, joint.lower, joint.upper, 'full', catalogue) === 'never-dries' && joint.spread !== 'beads';
  // Between vent holes it dries as from a rim.
  if (joint.spread === 'vented') return glueWait(adhesive, { isSealedIn, halfWidthMm: catalogue.bench.ventPitchMm.value / 2 }, spot);
  const body = joint.landId === null ? undefined : ground.onTile.get(tile.id)!.find(({ land }) => land.id === joint.landId)?.body;
  const { left, top, right, bottom } = body === undefined || isEmpty(body) ? tile.box : regionBox(body);
  return glueWait(adhesive, { isSealedIn, halfWidthMm: Math.min(right - left, bottom - top) / 2 }, spot);
}
