import { type Ref, computed, onScopeDispose, shallowRef, watch } from 'vue';
import type { Plan, Surface } from '@spare-acre/core/plan';
import type { Judgement, Look, SwatchNumbers, SwatchRecipe } from '@spare-acre/core/finishing/swatch';
import { useCatalogue } from '../../stores/workshop/catalogue';
import { usePlan } from '../../stores/board/plan';
import { swatches } from '../../workers/swatches';

/** A surface as the swatch bench takes it. */
export const recipeOf = ({ seed }: Plan, { relief, laid, coats }: Pick<Surface, 'relief' | 'laid' | 'coats'>): SwatchRecipe => ({
  relief,
  units: laid === null ? null : { longMm: laid.longMm, wideMm: laid.wideMm, jointMm: laid.jointMm },
  unitTints: laid?.tints ?? [],
  coats,
  seed,
});

/** A swatch on a canvas, made anew when the recipe, the step or the light is another; a late one is dropped. */
export function useSwatch(
  surface: () => Pick<Surface, 'relief' | 'laid' | 'coats'> | null,
  stage: () => number,
  look: () => Look,
  canvas: Ref<HTMLCanvasElement | null>,
): { readonly numbers: Ref<SwatchNumbers | null>; readonly isReady: Ref<boolean>; readonly fault: Ref<string> } {
  const store = usePlan();
  const numbers = shallowRef<SwatchNumbers | null>(null);
  const isReady = shallowRef(false);
  const fault = shallowRef('');
  let turn = 0;
  let isBusy = false;
  async function show(): Promise<void> {
    turn += 1;
    if (isBusy) return;
    isBusy = true;
    for (let mine = turn; ; mine = turn) {
      const of = surface();
      const plan = store.plan;
      if (of === null || plan === null || canvas.value === null) break;
      try {
        const made = await swatches(useCatalogue().catalogue!, plan.paints).show(recipeOf(plan, of), stage(), look(), plan.play.baseHex);
        numbers.value = made.numbers;
        fault.value = '';
        canvas.value.getContext('2d')?.putImageData(new ImageData(made.pixels as Uint8ClampedArray<ArrayBuffer>, made.cells), 0, 0);
        isReady.value = true;
      } catch (error) {
        fault.value = error instanceof Error ? error.message : String(error);
      }
      if (mine === turn) break;
    }
    isBusy = false;
  }
  watch([surface, stage, look, canvas, () => store.plan?.play.baseHex, () => store.plan?.paints], show, { immediate: true, flush: 'post' });
  onScopeDispose(() => (turn += 1));
  return { numbers, isReady, fault };
}

/** What is wrong with a look and what would mend it, for a surface as it is now. */
export function useJudgement(surface: () => Surface): Ref<Judgement | null> {
  const store = usePlan();
  const judgement = shallowRef<Judgement | null>(null);
  let turn = 0;
  watch(
    [surface, () => store.plan?.play.baseHex],
    async () => {
      const mine = ++turn;
      const plan = store.plan!;
      const catalogue = useCatalogue().catalogue!;
      const { darkId, paleId } = catalogue.starter.shades;
      const found = await swatches(catalogue, plan.paints).judge(recipeOf(plan, surface()), { baseHex: plan.play.baseHex, darkId, paleId });
      if (mine === turn) judgement.value = found;
    },
    { immediate: true },
  );
  return computed(() => judgement.value);
}
