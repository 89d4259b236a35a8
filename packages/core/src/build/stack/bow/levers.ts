import { type SingleEdit, appliedTo } from '../../../plan/edits';
import { type Bow, type BowInputs, bowOf } from './bow';
import { stockRegion } from '../region';
import { type Catalogue, type StockRegion, adhesiveBy, regionOf, thicknessesOf } from '../../../catalogue';
import type { Plan } from '../../../plan';
import { type Figure, lengthWords, calculate } from '../../../base/units';
import { glueFit } from '../adhesives';
import { type GroundStack, groundStack } from '../stack';

/** What a lever does to the bow at worst. */
export interface Lever {
  readonly edit: SingleEdit;
  readonly label: string;
  readonly saves: Figure<'mm'>;
  readonly leaves: Figure<'mm'>;
  /** What is likely to be left, without its sign, mm. */
  readonly likelyMm: number;
  /** Whether every joint of the ground still holds with it. */
  readonly isSound: boolean;
}

/** A saving under this is no reason to do anything. */
const MIN_MM = 0.05;
const BATTEN_DEEP_MM = 20;

/** What a bow is lowered from. */
export interface LeverInputs extends BowInputs {
  readonly units: Plan['units'];
  readonly tableArea: Figure<'mm²'>;
}

/** Everything that would lower the bow of this board, the strongest first. @source craft.md §3 */
export function bowLevers({ bow, ...inputs }: LeverInputs & { readonly bow: Bow }): readonly Lever[] {
  const { catalogue } = inputs;
  return leversFor(inputs)
    .map(({ edit, label }): Lever => {
      const changed = builtBy(inputs, edit);
      const after = bowOf(changed);
      return {
        edit,
        label,
        isSound: isSound(changed, catalogue),
        likelyMm: Math.abs(after.likely.value),
        leaves: after.worst,
        saves: calculate(`${label}: saves`, 'mm', bow.worst, '−', after.worst),
      };
    })
    .filter(({ saves }) => saves.value > MIN_MM)
    .sort((a, b) => b.saves.value - a.saves.value);
}

/** Levers pulled one after another, at most. */
const MAX_PULLED = 4;

/** Levers to pull together where none alone brings the likely bow under a limit: each time the sound one that leaves least. Empty where even they do not. */
export function leversUnder(inputs: LeverInputs, mostMm: number): readonly Lever[] {
  const pulled: Lever[] = [];
  let now = inputs;
  while (pulled.length < MAX_PULLED) {
    const sound = bowLevers({ ...now, bow: bowOf(now) }).filter((lever) => lever.isSound);
    if (sound.length === 0) return [];
    const best = sound.reduce((a, b) => (b.likelyMm < a.likelyMm ? b : a));
    pulled.push(best);
    if (best.likelyMm <= mostMm) return pulled;
    now = builtBy(now, best.edit);
  }
  return [];
}

/** The same board with its layers changed. Pits are left out: they take glue away, not bow. */
function builtBy(inputs: LeverInputs, edit: SingleEdit): LeverInputs {
  const { stack } = appliedTo({ stack: inputs.stack }, edit);
  const { base, joints } = groundStack({ ...inputs, stack });
  return { ...inputs, stack, base, joints };
}

const isSound = ({ joints }: Pick<GroundStack, 'joints'>, catalogue: Catalogue): boolean =>
  joints.every(
    ({ place, adhesiveId, lower, upper, spread }) =>
      place.part !== 'ground' || glueFit(adhesiveBy(catalogue, adhesiveId), lower, upper, spread, catalogue) === 'holds',
  );

interface Pull {
  readonly edit: SingleEdit;
  readonly label: string;
}
function leversFor({ stack, base, joints, units, catalogue }: LeverInputs): readonly Pull[] {
  const { substrate, battens, weighed } = stack;
  const levers: Pull[] = [];
  for (const { kind, ref, sealed, materialId } of base) {
    const { swellingPct, waterPassage, name } = catalogue.materials.find((material) => material.id === materialId)!;
    if (swellingPct.value === 0 || waterPassage === 'no' || sealed === 'both') continue;
    const what = kind === 'substrate' ? 'the substrate' : name;
    const other = { none: 'both faces', top: 'the back', under: 'the glued face' }[sealed];
    levers.push({
      edit: { code: 'layer/seal', layer: ref, sealed: 'both' },
      label: `Seal ${other} of ${what}${sealed === 'none' ? '' : ' too'}`,
    });
    if (sealed === 'none')
      levers.push({ edit: { code: 'layer/seal', layer: ref, sealed: 'top' }, label: `Seal the glued face of ${what}` });
    if (sealed === 'none') levers.push({ edit: { code: 'layer/seal', layer: ref, sealed: 'under' }, label: `Seal the back of ${what}` });
  }
  if (substrate !== null) {
    const thicker = thicknessesOf(catalogue, substrate.materialId, regionOf([substrate.thicknessMm], catalogue)).find(
      (mm) => mm > substrate.thicknessMm,
    );
    if (thicker !== undefined)
      levers.push({
        edit: { code: 'substrate/set', substrate: { ...substrate, thicknessMm: thicker } },
        label: `Substrate ${lengthWords(thicker, units)} thick`,
      });
  }
  if (battens === null) levers.push(...battenLevers(stockRegion(stack, catalogue), units, catalogue));
  levers.push(...drierGlues(joints, catalogue));
  if (!weighed) levers.push({ edit: { code: 'stack/weighed', weighed: true }, label: 'Keep it under weights until dry' });
  return levers.filter(({ label }, i) => levers.findIndex((other) => other.label === label) === i);
}

/** Two strips of the stiffest substrate board that is stocked, not thinner than 9 mm where there is a choice. */
function battenLevers(region: StockRegion, units: Plan['units'], catalogue: Catalogue): readonly Pull[] {
  const boards = catalogue.materials
    .filter(({ uses }) => uses.includes('substrate'))
    .flatMap(({ id, youngMPa }) =>
      thicknessesOf(catalogue, id, region).map((thicknessMm) => ({ id, youngMPa: youngMPa.value, thicknessMm })),
    )
    .filter(({ thicknessMm }) => thicknessMm <= BATTEN_DEEP_MM);
  const best = boards.sort((a, b) => b.youngMPa - a.youngMPa || b.thicknessMm - a.thicknessMm)[0];
  return best === undefined
    ? []
    : [
        {
          edit: {
            code: 'battens/set',
            battens: { materialId: best.id, thicknessMm: best.thicknessMm, heightMm: BATTEN_DEEP_MM, count: 2 },
          },
          label: `Two battens, ${lengthWords([best.thicknessMm, BATTEN_DEEP_MM], units)}`,
        },
      ];
}

/** For each joint that wets a face, the adhesive with the least water that holds there. */
function drierGlues(joints: GroundStack['joints'], catalogue: Catalogue): readonly Pull[] {
  return joints.flatMap(({ place, adhesiveId, lower, upper, spread, label }) => {
    if (place.part !== 'ground') return [];
    const water = (id: string): number => {
      const { gPerM2, waterPct } = adhesiveBy(catalogue, id);
      return gPerM2.value * waterPct.value;
    };
    const drier = catalogue.adhesives
      .filter(
        (other) =>
          other.spreads.includes(spread) &&
          glueFit(other, lower, upper, spread, catalogue) === 'holds' &&
          water(other.id) < water(adhesiveId),
      )
      .sort((a, b) => water(a.id) - water(b.id) || b.fullMin - a.fullMin)[0];
    return drier === undefined
      ? []
      : [{ edit: { code: 'glue/set', place, adhesiveId: drier.id }, label: `${drier.name}: ${label.toLowerCase()}` }];
  });
}
