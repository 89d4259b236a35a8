<script setup lang="ts">
import { offered } from '@spare-acre/core/catalogue';
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { computed, ref } from 'vue';
import { VueDraggable } from 'vue-draggable-plus';
import { type Coat, type Surface, plainCoat } from '@spare-acre/core/plan';
import { type GroundKind, GROUND_KIND_NAMES, GROUND_KINDS, RELIEFS } from '@spare-acre/core/plan/surfaces';
import ChoiceField from '../../ui/fields/ChoiceField.vue';
import TextField from '../../ui/fields/TextField.vue';
import { useCatalogue } from '../../stores/workshop/catalogue';
import { InTurn } from '../../ui/InTurn';
import { usePlan } from '../../stores/board/plan';
import CoatFields from './CoatFields.vue';
import LaidFields from './LaidFields.vue';
import { chosenSurfaceId } from './surfaceChoice';

/** One surface as a recipe: its name, its relief, what it is laid in, its coats in order. */
const props = defineProps<{ surface: Surface }>();
const store = usePlan();
const catalogue = computed(() => useCatalogue().catalogue!);
const plan = computed(() => store.plan!);
const openId = ref<string | null>(null);
const rows = computed(() =>
  props.surface.coats.map((coat) => ({
    id: coat.id,
    coat,
    coating: catalogue.value.coatings.find(({ id }) => id === coat.coatingId)!.name,
    method: catalogue.value.methods.find(({ id }) => id === coat.methodId)!.name,
  })),
);
/** The list as it is dragged; an edit when it is let go. */
const dragged = computed({ get: () => rows.value.map((row) => ({ ...row })), set: (list) => order(list.map(({ id }) => id)) });
const order = (coatIds: readonly string[]): string => store.edit({ code: 'coats/order', surfaceId: props.surface.id, coatIds });
function shift(from: number, by: number): void {
  const ids = rows.value.map(({ id }) => id);
  const [one] = ids.splice(from, 1);
  order(ids.toSpliced(from + by, 0, one!));
}
const change = (changed: Partial<Pick<Surface, 'name' | 'relief' | 'laid'>>, what: string): string =>
  store.edit({ code: 'surface/change', surfaceId: props.surface.id, change: changed, what });
const reliefs = RELIEFS.map((relief) => ({ value: relief, text: relief }));
const wornBy = computed(() => GROUND_KINDS.filter((kind) => plan.value.wears[kind] === props.surface.id));
const kinds = computed(() => [
  { value: '', text: 'Apply to …' },
  ...GROUND_KINDS.filter((kind) => !wornBy.value.includes(kind)).map((kind) => ({ value: kind, text: GROUND_KIND_NAMES[kind] })),
]);
const wear = (kind: string): string => store.edit({ code: 'surface/wear', groundKind: kind as GroundKind, surfaceId: props.surface.id });

const coatingId = ref('');
const methodId = ref('');
const coatings = computed(() => offered(catalogue.value, 'coatings').map(({ id, name }) => ({ value: id, text: name })));
const methods = computed(() => offered(catalogue.value, 'methods').map(({ id, name }) => ({ value: id, text: name })));
function add(): void {
  const coat: Coat = plainCoat(
    { coatingId: coatingId.value, methodId: methodId.value },
    props.surface.coats.map(({ id }) => id),
  );
  if (store.edit({ code: 'coats/insert', surfaceId: props.surface.id, coat, beforeId: null }) === '') openId.value = coat.id;
}
function remove(): void {
  store.edit({ code: 'surface/remove', surfaceId: props.surface.id });
  chosenSurfaceId.value = null;
}
</script>

<template>
  <h2>{{ surface.name }}</h2>
  <InTurn>
    <TextField label="Name" :value="surface.name" :take="(name) => change({ name }, 'Rename')" />
    <ChoiceField label="Relief" :value="surface.relief" :options="reliefs" @choose="(relief) => change({ relief }, 'Set the relief of')" />
    <p class="sub">
      {{
        wornBy.length === 0
          ? 'Used only where a patch, feature or piece selects it'
          : `Used on ${wornBy.map((kind) => GROUND_KIND_NAMES[kind].toLowerCase()).join(', ')}`
      }}
    </p>
    <ChoiceField label="Apply to" hide-label value="" :options="kinds" @choose="wear" />
  </InTurn>

  <h3>Coats, first to last</h3>
  <VueDraggable v-model="dragged" tag="ol" class="coats" handle=".grip" :animation="120" :aria-label="`Coats of ${surface.name}`">
    <li v-for="(row, i) in dragged" :key="row.id" :data-coat="row.id">
      <div class="head">
        <span class="grip" aria-hidden="true">⠿</span>
        <BButton variant="bare" class="what" :aria-expanded="openId === row.id" @click="openId = openId === row.id ? null : row.id">
          {{ i + 1 }}. {{ row.coating }} <small class="quiet">{{ row.method }}</small>
        </BButton>
        <BButton variant="key" :disabled="i === 0" :aria-label="`${row.coating} earlier`" @click="shift(i, -1)">↑</BButton>
        <BButton variant="key" :disabled="i === rows.length - 1" :aria-label="`${row.coating} later`" @click="shift(i, 1)">↓</BButton>
      </div>
      <CoatFields v-if="openId === row.id" :surface-id="surface.id" :coat="row.coat" />
    </li>
  </VueDraggable>
  <p v-if="rows.length === 0" class="quiet">No coats yet.</p>
  <InTurn>
    <ChoiceField label="Add coat" :value="coatingId" :options="coatings" @choose="(id) => (coatingId = id)" />
    <ChoiceField label="Method" :value="methodId" :options="methods" @choose="(id) => (methodId = id)" />
    <BButton variant="key" class="mt-2" :disabled="coatingId === '' || methodId === ''" @click="add">Add coat</BButton>
  </InTurn>

  <InTurn><LaidFields :surface="surface" /></InTurn>
  <BButton v-if="wornBy.length === 0" variant="key" class="mt-3" @click="remove">Remove this surface</BButton>
</template>

<style scoped>
.coats {
  list-style: none;
  margin: 4px 0 8px;
  padding: 0;
}
.coats li {
  border-bottom: 1px solid var(--rule);
}
.head {
  display: flex;
  align-items: center;
  gap: 5px;
}
.grip {
  cursor: grab;
  color: var(--ink-soft);
}
.what {
  flex: 1 1 auto;
  text-align: left;
  padding: 4px 0;
}
.what small {
  display: block;
}
</style>
