<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { BFormFile } from 'bootstrap-vue-next/components/BFormFile';
import { BTableSimple } from 'bootstrap-vue-next/components/BTable';
import { computed, ref, shallowRef } from 'vue';
import { proxy } from 'comlink';
import { type SolvedMix, potsOf } from '@spare-acre/core/finishing/paint';
import { LIMITS } from '@spare-acre/core/plan/fields';
import type { OwnPaint } from '@spare-acre/core/plan';
import NumberField from '../../ui/fields/NumberField.vue';
import SearchProgress from '../../ui/SearchProgress.vue';
import TextField from '../../ui/fields/TextField.vue';
import TickField from '../../ui/fields/TickField.vue';
import { shortId } from '../../stores/device/name';
import { useCatalogue } from '../../stores/workshop/catalogue';
import { usePlan } from '../../stores/board/plan';
import { useLongSearch } from '../../workers/searches';
import { swatches } from '../../workers/swatches';
import HexField from './HexField.vue';

/** Paints at hand, the builder's own among them, and the mix of them that comes nearest to a wanted colour. */
const store = usePlan();
const catalogue = computed(() => useCatalogue().catalogue!);
const pots = computed(() => potsOf(catalogue.value, store.plan!.paints));
const away = ref<ReadonlySet<string>>(new Set());
const atHand = computed(() => pots.value.filter(({ id }) => !away.value.has(id)));
function setAtHand(id: string, isOn: boolean): void {
  const next = new Set(away.value);
  if (isOn) next.delete(id);
  else next.add(id);
  away.value = next;
}
const keep = (paint: OwnPaint): string => store.edit({ code: 'paint/keep', paint });
const add = (): string =>
  keep({ id: shortId(), name: `Own paint ${store.plan!.paints.length + 1}`, hex: wanted.value, tintingStrength: 1 });

const wanted = ref('#7a6f52');
const search = useLongSearch();
const mix = shallowRef<SolvedMix | null>(null);
async function solve(): Promise<void> {
  const ids = atHand.value.map(({ id }) => id);
  mix.value = await search.run((onProgress) => swatches(catalogue.value, store.plan!.paints).solve(wanted.value, ids, proxy(onProgress)));
}
const nameOf = (id: string): string => pots.value.find((pot) => pot.id === id)?.name ?? id;
const nearness = (difference: number): string =>
  difference < 1.5
    ? 'no visible difference'
    : difference < 4
      ? 'close'
      : difference < 9
        ? 'of its kind'
        : 'not close: no mix of these paints comes closer';

/** A photo to pick from: what lies under a click, the mean of a few pixels round it. */
const photo = ref<HTMLCanvasElement | null>(null);
const hasPhoto = ref(false);
const fault = ref('');
async function open(file: File | null): Promise<void> {
  fault.value = '';
  if (file === null) return;
  try {
    const picture = await createImageBitmap(file);
    const scale = Math.min(1, 420 / picture.width);
    const canvas = photo.value!;
    [canvas.width, canvas.height] = [Math.round(picture.width * scale), Math.round(picture.height * scale)];
    canvas.getContext('2d')!.drawImage(picture, 0, 0, canvas.width, canvas.height);
    hasPhoto.value = true;
  } catch {
    fault.value = `${file.name} cannot be read as a picture. Use a JPEG or PNG.`;
  }
}
function pick(event: MouseEvent): void {
  const canvas = photo.value!;
  const box = canvas.getBoundingClientRect();
  const [x, y] = [((event.clientX - box.left) / box.width) * canvas.width, ((event.clientY - box.top) / box.height) * canvas.height];
  const { data } = canvas.getContext('2d')!.getImageData(Math.max(0, Math.round(x) - 2), Math.max(0, Math.round(y) - 2), 5, 5);
  const mean = [0, 1, 2].map((c) =>
    Math.round(Array.from({ length: 25 }, (_, i) => data[i * 4 + c]!).reduce((sum, value) => sum + value, 0) / 25),
  );
  wanted.value = `#${mean.map((value) => value.toString(16).padStart(2, '0')).join('')}`;
}
</script>

<template>
  <div class="sheet-scroll" tabindex="0" role="region" aria-label="Paints">
    <section class="want">
      <h3>Match a colour</h3>
      <HexField label="Target" :hex="wanted" :take="(hex) => ((wanted = hex), '')" />
      <BFormFile accept="image/*" label="Pick from a photo" @update:model-value="(file) => open((file as File | null) ?? null)" />
      <p v-if="fault !== ''" class="attention" role="alert">{{ fault }}</p>
      <canvas v-show="hasPhoto" ref="photo" class="photo" @click="pick"></canvas>
      <div class="d-flex gap-2 mt-2">
        <BButton variant="key" :disabled="atHand.length === 0" @click="solve">Mix from available paints</BButton>
        <BButton variant="key" @click="add">Save as my paint</BButton>
      </div>
      <SearchProgress :search="search" what="Trying all mixes" />
      <div v-if="mix !== null" class="mix" data-testid="mix">
        <span class="chip" :style="{ background: wanted }" title="target"></span
        ><span class="chip" :style="{ background: mix.hex }" title="mixed"></span>
        {{ mix.parts.map(({ paintId, parts }) => `${parts} ${nameOf(paintId)}`).join(' + ') }}
        <span class="quiet">ΔE {{ mix.difference.toFixed(1) }}, {{ nearness(mix.difference) }}</span>
      </div>
    </section>
    <h3>Paints</h3>
    <BTableSimple class="ledger">
      <thead>
        <tr>
          <th scope="col">Colour</th>
          <th scope="col">Paint</th>
          <th scope="col">Available</th>
          <th scope="col"><span class="visually-hidden">to do</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="pot in pots" :key="pot.id">
          <td>
            <HexField
              v-if="store.plan!.paints.some(({ id }) => id === pot.id)"
              label="Colour"
              :hex="pot.hex"
              :take="(hex) => keep({ ...pot, hex })"
            />
            <template v-else><span class="chip" :style="{ background: pot.hex }" aria-hidden="true"></span> {{ pot.hex }}</template>
          </td>
          <td>
            <template v-if="store.plan!.paints.some(({ id }) => id === pot.id)">
              <TextField label="Name" :value="pot.name" :take="(name) => keep({ ...pot, name })" />
              <NumberField
                label="Tints"
                :value="pot.tintingStrength"
                unit="times"
                :limits="LIMITS.tinting"
                :take="(tintingStrength) => keep({ ...pot, tintingStrength })"
              />
            </template>
            <template v-else>{{ pot.name }}</template>
          </td>
          <td><TickField label="Available" :is-on="!away.has(pot.id)" @toggle="(on) => setAtHand(pot.id, on)" /></td>
          <td>
            <BButton
              v-if="store.plan!.paints.some(({ id }) => id === pot.id)"
              variant="key"
              @click="store.edit({ code: 'paint/remove', paintId: pot.id })"
              >Archive</BButton
            >
          </td>
        </tr>
      </tbody>
    </BTableSimple>
  </div>
</template>

<style scoped>
.want {
  max-width: 460px;
}
.photo {
  cursor: crosshair;
  max-width: 100%;
  margin-top: 8px;
}
.chip {
  display: inline-block;
  width: 18px;
  height: 18px;
  border: 1px solid var(--ink-soft);
  vertical-align: -4px;
  margin-right: 5px;
}
.mix {
  margin-top: 8px;
}
</style>
