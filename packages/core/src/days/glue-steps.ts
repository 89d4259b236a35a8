import { type Adhesive, type Catalogue, adhesiveBy, estimated, stuffBy } from '../catalogue';
import type { SealNeed } from '../coats';
import { coatWaits, glueWait } from '../drying';
import { regionBox } from '../geometry';
import { type Ground, type Zones, tileShare } from '../ground';
import type { Plan } from '../plan';
import { type Joint, glueFit, jointShare } from '../stack';
import { type Figure, given, inSquareMetres, reckon, total } from '../units';
import type { Stage } from './cut-steps';
import { type Draft, type Task, task } from './step';

const GLUE_NAMES: Readonly<Record<Stage, string>> = {
  base: 'Glue the ground, weigh down',
  raised: 'Glue raised ground, weigh down',
  facing: 'Glue coverings, weigh down',
};

/** Faces that are sealed before anything is glued to them. */
export function sealStep({ stuff, faces }: SealNeed, plan: Plan, ground: Ground, catalogue: Catalogue): Draft {
  const name = `Seal boards, ${stuff.name.toLowerCase()}`;
  const waits = coatWaits(stuffBy(catalogue, stuff.id), null, plan.climate, catalogue);
  return {
    id: 'seal',
    name,
    kind: 'coat',
    setUp: catalogue.bench.glueSetUpMin,
    cautionIds: stuff.cautionIds,
    tasks: ground.tiles.map((tile) => {
      const share = given(`${tile.id}: share of the table`, tileShare(tile, ground), '1', 'drawing');
      const here = reckon(`${tile.id}: faces to seal`, 'm²', inSquareMetres(faces), '×', share);
      const rate = estimated('Sealing a square metre', catalogue.bench.sealMinPerM2, 'min/m²');
      return task('seal', tile.id, reckon(`${name}, ${tile.id}`, 'min', here, '×', rate), waits.recoat);
    }),
  };
}

/** All joints of a tile are glued in one go; the slowest of them sets the wait. */
export function glueStep(stage: Stage, joints: readonly Joint[], plan: Plan, zones: Zones, ground: Ground, catalogue: Catalogue): Draft {
  const name = GLUE_NAMES[stage];
  const adhesives = [...new Set(joints.map(({ adhesiveId }) => adhesiveId))].map((id) => adhesiveBy(catalogue, id));
  const tasks = ground.tiles.flatMap((tile): Task[] => {
    const faces = joints
      .map((joint) => ({ joint, areaMm2: joint.area.value * jointShare(joint, tile.id, zones, ground) }))
      .filter(({ areaMm2 }) => areaMm2 > 1);
    if (faces.length === 0) return [];
    const spreading = faces.map(({ joint, areaMm2 }) => {
      const adhesive = adhesiveBy(catalogue, joint.adhesiveId);
      const face = inSquareMetres(given(`${joint.label}, ${tile.id}`, areaMm2, 'mm²', 'drawing'));
      return reckon(
        `${joint.label}, ${tile.id}: spreading`,
        'min',
        face,
        '×',
        given(`${adhesive.name}, a square metre`, adhesive.spreadMinPerM2, 'min/m²', 'catalogue', 'workshop default'),
      );
    });
    const weights = given(
      'Weights on and off',
      Math.max(...faces.map(({ joint }) => adhesiveBy(catalogue, joint.adhesiveId).weightsMin)),
      'min',
      'catalogue',
      'workshop default',
    );
    // Cut to size, every layer has to be brought flush by hand before the glue takes.
    const aligning =
      stage === 'base' && plan.stack.edges === 'cut-first'
        ? [
            reckon(
              `${tile.id}: layers brought flush`,
              'min',
              given('Layers', faces.length, '1', 'plan'),
              '×',
              estimated('Each', catalogue.bench.alignMinPerLayer, 'min'),
            ),
          ]
        : [];
    const waits = faces.map(({ joint }) => jointWait(joint, adhesiveBy(catalogue, joint.adhesiveId), tile, plan, ground, catalogue));
    const slowest = waits.reduce((a, b) => (b.value > a.value ? b : a));
    const work = total(`${name}, ${tile.id}`, 'min', [...spreading, ...aligning, weights]);
    return [task(`glue-${stage}`, tile.id, work, slowest)];
  });
  return {
    id: `glue-${stage}`,
    name,
    kind: 'glue',
    setUp: catalogue.bench.glueSetUpMin,
    cautionIds: adhesives.flatMap(({ cautionIds }) => cautionIds),
    tasks,
  };
}

function jointWait(
  joint: Joint,
  adhesive: Adhesive,
  tile: Ground['tiles'][number],
  plan: Plan,
  ground: Ground,
  catalogue: Catalogue,
): Figure<'min'> {
  if (plan.stack.weighed && joint.place.part === 'ground') {
    return given(`${adhesive.name}, under weights until cured`, adhesive.fullMin, 'min', 'catalogue', 'workshop default; the label wins');
  }
  const isSealedIn = glueFit(adhesive, joint.lower, joint.upper, joint.spread, catalogue) === 'never-dries';
  const body = ground.onTile.get(tile.id)!.find(({ land }) => land.id === joint.landId)?.body;
  const { left, top, right, bottom } = body === undefined || body.rings.length === 0 ? tile.box : regionBox(body);
  return glueWait(adhesive, isSealedIn, Math.min(right - left, bottom - top) / 2, plan.climate, catalogue);
}
