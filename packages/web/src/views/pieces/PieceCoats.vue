<script setup lang="ts">
import { offered } from '@spare-acre/core/catalogue';
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { BTableSimple } from 'bootstrap-vue-next/components/BTable';
import { computed, ref } from 'vue';
import { cladZonesOf, usualCoats } from '@spare-acre/core/build/pieces';
import { type Piece, plainCoat } from '@spare-acre/core/plan';
import ChoiceField from '../../ui/fields/ChoiceField.vue';
import FigureCell from '../../ui/values/FigureCell.vue';
import { useCatalogue } from '../../stores/workshop/catalogue';
import { usePlan } from '../../stores/board/plan';
import type { Slices } from '../../workers/slices';

/** What the outside of a piece is coated with, in order, and how much of each it takes. */
const props = defineProps<{ piece: Piece; made: NonNullable<Slices['bench']>[number] }>();
const store = usePlan();
const catalogue = computed(() => useCatalogue().catalogue!);
const rows = computed(() =>
  props.piece.coats.map((coat) => ({
    ...coat,
    coating: catalogue.value.coatings.find(({ id }) => id === coat.coatingId)!.name,
    method: catalogue.value.methods.find(({ id }) => id === coat.methodId)!.name,
    amount: props.made.coats.find(({ coatId }) => coatId === coat.id)?.amount ?? null,
  })),
);
/** Water is poured into ground, not onto a piece. */
const choices = computed(() =>
  offered(catalogue.value, 'coatings')
    .filter(({ spread }) => spread.by !== 'depth')
    .map(({ id, name }) => ({ value: id, text: name })),
);
const ways = computed(() => offered(catalogue.value, 'methods').map(({ id, name }) => ({ value: id, text: name })));
/** The whole outside, and every face its family tells apart: each may wear a surface of the board. */
const faces = computed(() => [
  { shows: null, name: 'Outside', worn: props.piece.surfaceId ?? '' },
  ...cladZonesOf(props.piece).map(({ shows, name }) => ({
    shows,
    name,
    worn: props.piece.faces.find((face) => face.shows === shows)?.surfaceId ?? '',
  })),
]);
const surfaces = (shows: string | null) => [
  { value: '', text: shows === null ? 'its own coats' : 'same as outside' },
  ...store.plan!.surfaces.map(({ id, name }) => ({ value: id, text: name })),
];
const wear = (shows: string | null, surfaceId: string): string =>
  store.edit({ code: 'piece/wear', pieceId: props.piece.id, shows, surfaceId: surfaceId === '' ? null : surfaceId });
const coatingId = ref('');
const methodId = ref('');
const take = (coats: Piece['coats']): string =>
  store.edit({ code: 'piece/change', pieceId: props.piece.id, change: { coats }, what: 'Change the coats of' });
function add(): void {
  const id = `coat-${1 + Math.max(0, ...props.piece.coats.map((coat) => Number(/\d+$/.exec(coat.id)?.[0] ?? 0)))}`;
  take([...props.piece.coats, { ...plainCoat({ coatingId: coatingId.value, methodId: methodId.value }), id }]);
}
function shift(from: number, by: number): void {
  const coats = [...props.piece.coats];
  const [one] = coats.splice(from, 1);
  take(coats.toSpliced(from + by, 0, one!));
}
</script>

<template>
  <div class="sheet-scroll" tabindex="0" role="region" aria-label="Coats">
    <dl v-if="made.faces.length > 0" class="counts">
      <div v-for="face in made.faces" :key="face.surfaceId">
        <dt>{{ face.name === piece.name ? 'outside, all copies' : face.name }}</dt>
        <dd><FigureCell :figure="face.coated" /></dd>
      </div>
    </dl>
    <section class="which" aria-label="Finish">
      <ChoiceField
        v-for="face in faces"
        :key="face.shows ?? 'outside'"
        :label="`Finish of ${face.name}`"
        :value="face.worn"
        :options="surfaces(face.shows)"
        @choose="(id) => wear(face.shows, id)"
      />
    </section>
    <p v-if="rows.length === 0" class="quiet">No coats. Its own material stays visible.</p>
    <BTableSimple v-else class="ledger">
      <thead>
        <tr>
          <th scope="col" class="num">Coat</th>
          <th scope="col">Of</th>
          <th scope="col">Method</th>
          <th scope="col" class="num">Needed</th>
          <th scope="col"><span class="visually-hidden">to do</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(row, i) in rows" :key="row.id" data-testid="coat">
          <td class="num">{{ i + 1 }}</td>
          <td>{{ row.coating }}</td>
          <td>{{ row.method }}</td>
          <td class="num"><FigureCell v-if="row.amount !== null" :figure="row.amount" /></td>
          <td class="do">
            <BButton variant="key" :disabled="i === 0" :aria-label="`${row.coating} earlier`" @click="shift(i, -1)">↑</BButton>
            <BButton variant="key" :disabled="i === rows.length - 1" :aria-label="`${row.coating} later`" @click="shift(i, 1)">↓</BButton>
            <BButton variant="key" :aria-label="`Remove ${row.coating}`" @click="take(piece.coats.filter(({ id }) => id !== row.id))"
              >Remove</BButton
            >
          </td>
        </tr>
      </tbody>
    </BTableSimple>
    <section class="which">
      <ChoiceField label="Add coat" :value="coatingId" :options="choices" @choose="(id) => (coatingId = id)" />
      <ChoiceField label="Method" :value="methodId" :options="ways" @choose="(id) => (methodId = id)" />
      <div class="d-flex gap-2 mt-2">
        <BButton variant="key" :disabled="coatingId === '' || methodId === ''" @click="add">Add coat</BButton>
        <BButton variant="key" @click="take(usualCoats(catalogue))">Use default coats</BButton>
      </div>
    </section>
  </div>
</template>

<style scoped>
.which {
  max-width: 430px;
  margin-top: 12px;
}
.counts dt {
  font-weight: normal;
  color: var(--ink-soft);
  font-size: 0.9rem;
}
.counts dd {
  margin: 0;
}
.do {
  white-space: nowrap;
  text-align: right;
}
.do button + button {
  margin-left: 4px;
}
</style>
