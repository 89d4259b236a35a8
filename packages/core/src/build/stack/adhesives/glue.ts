import { memoize } from '../../../base/memory';
import { type Adhesive, type Catalogue, adhesiveBy, estimated, materialBy } from '../../../catalogue';
import type { GlueSpread } from '../../../plan';
import { type Figure, given, inMetres, inSquareMetres, calculate, total } from '../../../base/units';
import type { Face, Joint } from '../joint';

/** What one adhesive has to cover on the whole board. */
export interface GlueNeed {
  readonly adhesiveId: string;
  readonly name: string;
  readonly mass: Figure<'g'>;
}

/** How an adhesive suits a pair of faces; `slips`: it does not grip one of them, `buckles`: it lifts a thin layer. */
export type GlueFit = 'holds' | 'never-dries' | 'dissolves' | 'slips' | 'buckles';

/** What an adhesive does between two faces, in a word or two. */
export const GLUE_FIT_WORDS: Readonly<Record<GlueFit, string>> = {
  holds: 'holds',
  'never-dries': 'stays wet',
  dissolves: 'dissolves it',
  slips: 'does not stick',
  buckles: 'makes it buckle',
};

/** Grams of each adhesive: by the face or by the bead, with what is lost. */
export function glueNeeds({
  joints,
  catalogue,
}: {
  readonly joints: readonly Joint[];
  readonly catalogue: Catalogue;
}): readonly GlueNeed[] {
  const ids = [...new Set(joints.map(({ adhesiveId }) => adhesiveId))];
  return ids.map((adhesiveId) => {
    const adhesive = adhesiveBy(catalogue, adhesiveId);
    const facesOf = (spread: 'full' | 'beads'): Figure<'mm²'> =>
      total(
        `${adhesive.name}, ${spread === 'full' ? 'glued faces' : 'faces in beads'}`,
        'mm²',
        joints
          .filter((joint) => joint.adhesiveId === adhesiveId && (joint.spread === 'beads') === (spread === 'beads'))
          .map(({ area }) => area),
      );
    const [full, beads] = [facesOf('full'), facesOf('beads')];
    if (beads.value === 0) return { adhesiveId, name: adhesive.name, mass: glueMass(adhesive.name, adhesive, full, 'full', catalogue) };
    const inBeads = glueMass(`${adhesive.name}, in beads`, adhesive, beads, 'beads', catalogue);
    if (full.value === 0) return { adhesiveId, name: adhesive.name, mass: { ...inBeads, label: adhesive.name } };
    const onFaces = glueMass(`${adhesive.name}, whole faces`, adhesive, full, 'full', catalogue);
    return { adhesiveId, name: adhesive.name, mass: calculate(adhesive.name, 'g', onFaces, '+', inBeads) };
  });
}

/** Grams of an adhesive for a face: over all of it, or in beads a stated pitch apart. */
export function glueMass(label: string, adhesive: Adhesive, face: Figure<'mm²'>, spread: GlueSpread, catalogue: Catalogue): Figure<'g'> {
  const { value, low, high, origin } = catalogue.bench.glueLossPct;
  const loss = given(`Factor for ${value} % lost`, 1 + value / 100, '1', 'catalogue', `${origin}, ${low} to ${high} % lost`);
  return calculate(label, 'g', netGlue(label, adhesive, face, spread, catalogue), '×', loss);
}

/** Grams of adhesive that stay in one joint once it has cured; what is lost in laying it on stays nowhere. */
export const curedGlue = memoize((joint: Joint, catalogue: Catalogue): Figure<'g'> => {
  const adhesive = adhesiveBy(catalogue, joint.adhesiveId);
  const { value, low, high, origin } = adhesive.staysPct;
  const stays = given(`${adhesive.name}, share left when dry`, value / 100, '1', 'catalogue', `${origin}, ${low} to ${high} %`);
  return calculate(`${joint.label}, cured`, 'g', netGlue(joint.label, adhesive, joint.area, joint.spread, catalogue), '×', stays);
});

function netGlue(label: string, adhesive: Adhesive, face: Figure<'mm²'>, spread: GlueSpread, catalogue: Catalogue): Figure<'g'> {
  if (spread === 'beads' && adhesive.beadGPerM !== null) {
    const run = calculate(`${label}, beads end to end`, 'mm', face, '÷', estimated('Bead spacing', catalogue.bench.beadPitchMm, 'mm'));
    return calculate(`${label}, on the faces`, 'g', inMetres(run), '×', estimated(`${adhesive.name}, a bead`, adhesive.beadGPerM, 'g/m'));
  }
  const rate = estimated(`${adhesive.name}, spread`, adhesive.gPerM2, 'g/m²');
  return calculate(`${label}, on the faces`, 'g', inSquareMetres(face), '×', rate);
}

/** Whether water gets out through a face. */
export const passesWater = (face: Face, catalogue: Catalogue): boolean =>
  !face.isSealed && materialBy(catalogue, face.materialId).waterPassage !== 'no';

/** What of a face decides whether glue holds on it. */
export interface FaceMatter {
  readonly thicknessMm: number;
  readonly grip: Adhesive['grips'][number];
  readonly passesWater: boolean;
  readonly isHurtBySolvent: boolean;
}
export const matterOf = (face: Face, catalogue: Catalogue): FaceMatter => ({
  thicknessMm: face.thicknessMm,
  grip: gripOf(face, catalogue),
  passesWater: passesWater(face, catalogue),
  isHurtBySolvent: !face.isSealed && materialBy(catalogue, face.materialId).isHurtBySolvent,
});

/** Whether an adhesive can do its work between two faces, by their properties alone. @source craft.md §3 */
export const glueFit = (adhesive: Adhesive, lower: Face, upper: Face, spread: GlueSpread, catalogue: Catalogue): GlueFit =>
  fitOf(adhesive, matterOf(lower, catalogue), matterOf(upper, catalogue), spread);
export function fitOf(adhesive: Adhesive, lower: FaceMatter, upper: FaceMatter, spread: GlueSpread): GlueFit {
  const faces = [lower, upper];
  if (adhesive.hasSolvent && faces.some(({ isHurtBySolvent }) => isHurtBySolvent)) return 'dissolves';
  if (faces.some(({ grip }) => !adhesive.grips.includes(grip))) return 'slips';
  if (upper.thicknessMm < adhesive.leastSkinMm) return 'buckles';
  // Beads leave air beside them for the water to go into, vent holes a way out above them.
  if (adhesive.needsWaterPath && spread === 'full' && !faces.some((face) => face.passesWater)) return 'never-dries';
  return 'holds';
}

/** A sealed face is a closed skin, whatever is under it. */
function gripOf(face: Face, catalogue: Catalogue): Adhesive['grips'][number] {
  const { grip } = materialBy(catalogue, face.materialId);
  return face.isSealed && grip === 'open' ? 'smooth' : grip;
}
