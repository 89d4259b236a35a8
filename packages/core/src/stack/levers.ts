import { produce } from 'immer';
import { type Catalogue, adhesiveBy, thicknessesOf } from '../catalogue';
import type { Ground } from '../ground';
import type { Plan, PlanDraft } from '../plan';
import { type Figure, lengthWords, reckon } from '../units';
import { type Bow, bowOf } from './bow';
import { glueFit } from './glue';
import { type GroundStack, groundStack } from './stack';

/** A change that lowers the bow, by name and with what it takes, so that it can be carried out. */
export type LeverDeed =
  | { readonly code: 'stack/seal'; readonly layerId: string; readonly sealed: 'top' | 'under' | 'both' }
  | { readonly code: 'substrate/thickness'; readonly thicknessMm: number }
  | {
      readonly code: 'stack/battens';
      readonly materialId: string;
      readonly thicknessMm: number;
      readonly heightMm: number;
      readonly count: number;
    }
  | { readonly code: 'glue/ground'; readonly layerId: string; readonly adhesiveId: string }
  | { readonly code: 'stack/weighed'; readonly weighed: boolean };
/** What a lever does to the bow at worst. */
export interface Lever {
  readonly deed: LeverDeed;
  readonly label: string;
  readonly saves: Figure<'mm'>;
  readonly leaves: Figure<'mm'>;
  /** What is likely to be left, without its sign, mm. */
  readonly likelyMm: number;
  /** Whether every joint of the ground still holds with it. */
  readonly isSound: boolean;
}

/** A saving under this is no reason to do anything. */
const LEAST_MM = 0.05;
const BATTEN_DEEP_MM = 20;

/** Carries a lever out. */
export function pullLever(plan: PlanDraft, deed: LeverDeed): void {
  const { stack } = plan;
  switch (deed.code) {
    case 'stack/seal': {
      if (deed.layerId === 'substrate' && stack.substrate !== null) stack.substrate.sealed = deed.sealed;
      const layer = stack.ground.find(({ id }) => id === deed.layerId);
      if (layer !== undefined) layer.sealed = deed.sealed;
      return;
    }
    case 'substrate/thickness':
      if (stack.substrate !== null) stack.substrate.thicknessMm = deed.thicknessMm;
      return;
    case 'stack/battens': {
      const { materialId, thicknessMm, heightMm, count } = deed;
      stack.battens = { materialId, thicknessMm, heightMm, count };
      return;
    }
    case 'glue/ground': {
      const layer = stack.ground.find(({ id }) => id === deed.layerId);
      if (layer !== undefined) layer.glueBelowId = deed.adhesiveId;
      return;
    }
    case 'stack/weighed':
      stack.weighed = deed.weighed;
      return;
    default:
      deed satisfies never;
  }
}

/** Everything that would lower the bow of this board, the strongest first. @source craft.md §3 */
export function bowLevers(plan: Plan, ground: Ground, stack: GroundStack, bow: Bow, catalogue: Catalogue): readonly Lever[] {
  return deedsFor(plan, stack, catalogue)
    .map(({ deed, label }): Lever => {
      const changed = produce(plan, (draft) => pullLever(draft as PlanDraft, deed));
      const stackAfter = groundStack(changed, ground, catalogue);
      const after = bowOf(changed, ground, stackAfter, catalogue);
      return {
        deed,
        label,
        isSound: isSound(stackAfter, catalogue),
        likelyMm: Math.abs(after.likely.value),
        leaves: after.worst,
        saves: reckon(`${label}: saves`, 'mm', bow.worst, '−', after.worst),
      };
    })
    .filter(({ saves }) => saves.value > LEAST_MM)
    .sort((a, b) => b.saves.value - a.saves.value);
}

/** Levers pulled one after another, at most. */
const MOST_PULLED = 4;

/** Levers to pull together where none alone brings the likely bow under a limit: each time the sound one that leaves least. Empty where even they do not. */
export function leversUnder(plan: Plan, ground: Ground, mostMm: number, catalogue: Catalogue): readonly Lever[] {
  const pulled: Lever[] = [];
  let now = plan;
  while (pulled.length < MOST_PULLED) {
    const stack = groundStack(now, ground, catalogue);
    const sound = bowLevers(now, ground, stack, bowOf(now, ground, stack, catalogue), catalogue).filter((lever) => lever.isSound);
    if (sound.length === 0) return [];
    const best = sound.reduce((a, b) => (b.likelyMm < a.likelyMm ? b : a));
    pulled.push(best);
    if (best.likelyMm <= mostMm) return pulled;
    now = produce(now, (draft) => pullLever(draft as PlanDraft, best.deed));
  }
  return [];
}

const isSound = ({ joints }: GroundStack, catalogue: Catalogue): boolean =>
  joints.every(
    ({ place, adhesiveId, lower, upper, spread }) =>
      place.part !== 'ground' || glueFit(adhesiveBy(catalogue, adhesiveId), lower, upper, spread, catalogue) === 'holds',
  );

function deedsFor(plan: Plan, stack: GroundStack, catalogue: Catalogue): { readonly deed: LeverDeed; readonly label: string }[] {
  const { substrate, battens, weighed } = plan.stack;
  const deeds: { readonly deed: LeverDeed; readonly label: string }[] = [];
  for (const { id, sealed, materialId } of stack.base) {
    const { swellingPct, waterPassage, name } = catalogue.materials.find((material) => material.id === materialId)!;
    if (swellingPct.value === 0 || waterPassage === 'no' || sealed === 'both') continue;
    const what = id === 'substrate' ? 'the substrate' : name;
    const other = { none: 'both faces', top: 'the back', under: 'the glued face' }[sealed];
    deeds.push({
      deed: { code: 'stack/seal', layerId: id, sealed: 'both' },
      label: `Seal ${other} of ${what}${sealed === 'none' ? '' : ' too'}`,
    });
    if (sealed === 'none')
      deeds.push({ deed: { code: 'stack/seal', layerId: id, sealed: 'top' }, label: `Seal the glued face of ${what}` });
    if (sealed === 'none') deeds.push({ deed: { code: 'stack/seal', layerId: id, sealed: 'under' }, label: `Seal the back of ${what}` });
  }
  if (substrate !== null) {
    const thicker = thicknessesOf(catalogue, substrate.materialId).find((mm) => mm > substrate.thicknessMm);
    if (thicker !== undefined)
      deeds.push({
        deed: { code: 'substrate/thickness', thicknessMm: thicker },
        label: `Substrate ${lengthWords(thicker, plan.units)} thick`,
      });
  }
  if (battens === null) deeds.push(...battenDeeds(plan.units, catalogue));
  deeds.push(...drierGlues(stack, catalogue));
  if (!weighed) deeds.push({ deed: { code: 'stack/weighed', weighed: true }, label: 'Leave it under weights until dry' });
  return deeds.filter(({ label }, i) => deeds.findIndex((other) => other.label === label) === i);
}

/** Two strips of the stiffest substrate board that is stocked, not thinner than 9 mm where there is a choice. */
function battenDeeds(units: Plan['units'], catalogue: Catalogue): { readonly deed: LeverDeed; readonly label: string }[] {
  const boards = catalogue.materials
    .filter(({ uses }) => uses.includes('substrate'))
    .flatMap(({ id, youngMPa }) => thicknessesOf(catalogue, id).map((thicknessMm) => ({ id, youngMPa: youngMPa.value, thicknessMm })))
    .filter(({ thicknessMm }) => thicknessMm <= BATTEN_DEEP_MM);
  const best = boards.sort((a, b) => b.youngMPa - a.youngMPa || b.thicknessMm - a.thicknessMm)[0];
  return best === undefined
    ? []
    : [
        {
          deed: { code: 'stack/battens', materialId: best.id, thicknessMm: best.thicknessMm, heightMm: BATTEN_DEEP_MM, count: 2 },
          label: `Two battens, ${lengthWords([best.thicknessMm, BATTEN_DEEP_MM], units)}`,
        },
      ];
}

/** For each joint that wets a face, the adhesive with the least water that holds there. */
function drierGlues(stack: GroundStack, catalogue: Catalogue): { readonly deed: LeverDeed; readonly label: string }[] {
  return stack.joints.flatMap(({ place, adhesiveId, lower, upper, spread, label }) => {
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
      : [
          {
            deed: { code: 'glue/ground' as const, layerId: place.layerId, adhesiveId: drier.id },
            label: `${drier.name}: ${label.toLowerCase()}`,
          },
        ];
  });
}
