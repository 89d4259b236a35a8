import { computed } from 'vue';
import type { Adhesive } from '@spare-acre/core/catalogue';
import type { GlueSpread, Sealed } from '@spare-acre/core/plan';
import type { Face } from '@spare-acre/core/build/stack/joint';
import {
  GLUE_FIT_WORDS,
  glueChoices,
  materialChoices,
  nearestThickness,
  spreadOf,
  thicknessChoices,
} from '@spare-acre/core/build/stack/adhesives';
import { lengthWords } from '@spare-acre/core/base/units';
import { useCatalogue } from '../../stores/workshop/catalogue';
import { usePlan } from '../../stores/board/plan';

export interface Option<T> {
  readonly value: T;
  readonly text: string;
}
export const SEALS: readonly Option<Sealed>[] = [
  { value: 'none', text: 'bare' },
  { value: 'top', text: 'sealed on top' },
  { value: 'under', text: 'sealed below' },
  { value: 'both', text: 'sealed both sides' },
];
export const SPREADS: Readonly<Record<GlueSpread, string>> = { full: 'whole face', beads: 'beads', vented: 'whole face, vent holes' };

/** What the fields of the stack share: the choices there are, in words, and the door for changes. */
export function useStackEdits() {
  const store = usePlan();
  const catalogue = computed(() => useCatalogue().catalogue!);
  return {
    catalogue,
    materials: (use: 'substrate' | 'ground' | 'facing', keptId?: string): Option<string>[] =>
      materialChoices(catalogue.value, use, keptId).map(({ id, name }) => ({ value: id, text: name })),
    thicknesses: (materialId: string, presentMm: number): Option<number>[] =>
      thicknessChoices(catalogue.value, materialId, presentMm).map((mm) => ({ value: mm, text: lengthWords(mm, store.plan!.units) })),
    nearest: (materialId: string, presentMm: number): number => nearestThickness(catalogue.value, materialId, presentMm),
    glues: (lower: Face, upper: Face, spread: GlueSpread, keptId?: string): Option<string>[] =>
      glueChoices(catalogue.value, lower, upper, spread, keptId).map(({ id, name, fit }) => ({
        value: id,
        text: fit === 'holds' ? name : `${name} (${GLUE_FIT_WORDS[fit]})`,
      })),
    spreads: (adhesiveId: string): Option<GlueSpread>[] => adhesiveOf(adhesiveId).spreads.map((value) => ({ value, text: SPREADS[value] })),
    usualSpread: (adhesiveId: string): GlueSpread => spreadOf(catalogue.value, adhesiveId),
    hasGrain: (materialId: string): boolean => catalogue.value.materials.find(({ id }) => id === materialId)!.hasGrain,
  };

  function adhesiveOf(id: string): Adhesive {
    return catalogue.value.adhesives.find((adhesive) => adhesive.id === id)!;
  }
}
