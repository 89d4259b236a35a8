import { computed } from 'vue';
import type { Adhesive } from '@spare-acre/core/catalogue';
import type { GlueSpread, PlanDraft, Sealed } from '@spare-acre/core/plan';
import {
  type Face,
  type GlueFit,
  glueChoices,
  materialChoices,
  nearestThickness,
  spreadOf,
  thicknessChoices,
} from '@spare-acre/core/stack';
import { lengthWords } from '@spare-acre/core/units';
import { useCatalogue } from '../stores/catalogue';
import { usePlan } from '../stores/plan';

export interface Option<T> {
  readonly value: T;
  readonly text: string;
}
const FITS: Readonly<Record<GlueFit, string>> = {
  holds: '',
  'never-dries': ' (stays wet)',
  dissolves: ' (eats it)',
  slips: ' (does not grip)',
  buckles: ' (buckles it)',
};
export const SEALS: readonly Option<Sealed>[] = [
  { value: 'none', text: 'bare' },
  { value: 'top', text: 'sealed on top' },
  { value: 'under', text: 'sealed below' },
  { value: 'both', text: 'sealed both sides' },
];
export const SPREADS: Readonly<Record<GlueSpread, string>> = { full: 'whole face', beads: 'beads' };

/** What the fields of the stack share: the choices there are, in words, and the door for changes. */
export function useStackEdits() {
  const store = usePlan();
  const catalogue = computed(() => useCatalogue().catalogue!);
  const edit = (what: string, change: (stack: PlanDraft['stack']) => void): string => store.edit(what, (draft) => change(draft.stack));
  return {
    catalogue,
    edit,
    materials: (use: 'substrate' | 'ground' | 'facing'): Option<string>[] =>
      materialChoices(catalogue.value, use).map(({ id, name }) => ({ value: id, text: name })),
    thicknesses: (materialId: string, presentMm: number): Option<number>[] =>
      thicknessChoices(catalogue.value, materialId, presentMm).map((mm) => ({ value: mm, text: lengthWords(mm, store.plan!.units) })),
    nearest: (materialId: string, presentMm: number): number => nearestThickness(catalogue.value, materialId, presentMm),
    glues: (lower: Face, upper: Face, spread: GlueSpread): Option<string>[] =>
      glueChoices(catalogue.value, lower, upper, spread).map(({ id, name, fit }) => ({ value: id, text: name + FITS[fit] })),
    spreads: (adhesiveId: string): Option<GlueSpread>[] => adhesiveOf(adhesiveId).spreads.map((value) => ({ value, text: SPREADS[value] })),
    usualSpread: (adhesiveId: string): GlueSpread => spreadOf(catalogue.value, adhesiveId),
    hasGrain: (materialId: string): boolean => catalogue.value.materials.find(({ id }) => id === materialId)!.hasGrain,
  };

  function adhesiveOf(id: string): Adhesive {
    return catalogue.value.adhesives.find((adhesive) => adhesive.id === id)!;
  }
}
