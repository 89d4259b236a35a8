<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { computed, ref } from 'vue';
import { distanceMm } from '@spare-acre/core/base/geometry';
import { LIMITS } from '@spare-acre/core/plan/fields';
import { tableWidthMm } from '@spare-acre/core/plan';
import LengthField from '../../../ui/fields/LengthField.vue';
import NumberField from '../../../ui/fields/NumberField.vue';
import { usePlan } from '../../../stores/board/plan';
import type { Sketch } from './useSketch';

/** A photo or sketch under the plan, brought to scale by two points of known distance. */
const props = defineProps<{ sketch: Sketch }>();
const store = usePlan();
const plan = computed(() => store.plan!);
const underlay = computed(() => plan.value.underlay);
const problem = ref('');
const isLoading = ref(false);
const apart = computed(() => (props.sketch.measured.value === null ? 0 : distanceMm(...props.sketch.measured.value)));

async function take(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement;
  const file = input.files?.[0];
  input.value = '';
  if (file === undefined) return;
  isLoading.value = true;
  problem.value = '';
  try {
    const { keepPicture } = await import('../../../stores/bench/pictures');
    const { id, widthPx, heightPx } = await keepPicture(file);
    const mmPerPx = tableWidthMm(plan.value.table) / widthPx;
    const laid = { imageId: id, widthPx, heightPx, at: { x: 0, y: 0 }, mmPerPx, turnDeg: 0, opacityPct: 50 };
    problem.value = store.edit({ code: 'underlay/lay', underlay: laid });
  } catch (error) {
    problem.value = `${file.name}: ${error instanceof Error ? error.message : String(error)}`;
  } finally {
    isLoading.value = false;
  }
}
/** The two points stay where the first is; the picture grows or shrinks about it. */
function scaleBy(trueMm: number): string {
  const points = props.sketch.measured.value;
  if (points === null || underlay.value === null) return '';
  const done = store.edit({ code: 'underlay/scale', points, trueMm });
  if (done === '') props.sketch.forgetMeasure();
  return done;
}
</script>

<template>
  <section>
    <h3>Background picture</h3>
    <label v-if="underlay === null" class="btn btn-key file">
      {{ isLoading ? 'Importing …' : 'Photo or sketch …' }}
      <!-- eslint-disable-next-line vue/no-restricted-html-elements -- the browser's own file picker behind our button: BFormFile brings a field of its own to look at -->
      <input type="file" accept="image/png,image/jpeg" aria-label="Picture file" class="visually-hidden" @change="take" />
    </label>
    <template v-else>
      <p v-if="sketch.measured.value !== null" class="m-0">
        These two points are now {{ Math.round(apart) }} mm apart. Enter their true distance:
      </p>
      <LengthField
        v-if="sketch.measured.value !== null"
        label="True distance"
        :mm="Math.round(apart * 10) / 10"
        :system="plan.units"
        :limits="{ min: 1, max: LIMITS.tableMm.max }"
        :take="scaleBy"
      />
      <NumberField
        label="Opacity"
        :value="underlay.opacityPct"
        unit="%"
        :limits="LIMITS.opacityPct"
        :take="(opacityPct) => store.edit({ code: 'underlay/set', change: { opacityPct } })"
      />
      <NumberField
        label="Rotation"
        :value="underlay.turnDeg"
        unit="°"
        :limits="LIMITS.turnDeg"
        :take="(turnDeg) => store.edit({ code: 'underlay/set', change: { turnDeg } })"
      />
      <LengthField
        label="From the left"
        :mm="underlay.at.x"
        :system="plan.units"
        :limits="LIMITS.coordinateMm"
        :take="(x) => store.edit({ code: 'underlay/move', to: { x } })"
      />
      <LengthField
        label="From the back"
        :mm="underlay.at.y"
        :system="plan.units"
        :limits="LIMITS.coordinateMm"
        :take="(y) => store.edit({ code: 'underlay/move', to: { y } })"
      />
      <div class="d-flex gap-2 flex-wrap mt-1">
        <BButton variant="key" @click="sketch.choose('measure')">Scale by two points</BButton>
        <BButton variant="key" @click="store.edit({ code: 'underlay/lay', underlay: null })">Remove</BButton>
      </div>
    </template>
    <p v-if="problem !== ''" class="attention m-0" role="alert">{{ problem }}</p>
  </section>
</template>

<style scoped>
.file {
  cursor: pointer;
}
.file:focus-within {
  outline: 2px solid var(--slate);
}
</style>
