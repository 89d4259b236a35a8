<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { BTableSimple } from 'bootstrap-vue-next/components/BTable';
import { computed, reactive } from 'vue';
import { cautionTexts } from '@spare-acre/core/catalogue';
import { coversWith } from '@spare-acre/core/finishing/mixes';
import { type Figure, type Quantity, type Unit, given } from '@spare-acre/core/base/units';
import ChoiceField from '../../ui/fields/ChoiceField.vue';
import FigureCell from '../../ui/values/FigureCell.vue';
import FigureLine from '../../ui/values/FigureLine.vue';
import NumberField from '../../ui/fields/NumberField.vue';
import { saveFile } from '../../ui/saveFile';
import { pageFont } from '../../ui/pageFont';
import { useCatalogue } from '../../stores/workshop/catalogue';
import { usePlan } from '../../stores/board/plan';

/** What is mixed, bowl by bowl, in ml, by weight and in spoons; and how far a tub goes. */
const store = usePlan();
const mixes = computed(() => store.slices.mixes ?? []);
const catalogue = computed(() => useCatalogue().catalogue!);
const LEFT = { min: 1, max: 100_000 };
const left = reactive(new Map<string, { partId: string; leftMl: number }>());
const tubs = (id: string): { partId: string; leftMl: number } => left.get(id) ?? { partId: '', leftMl: 250 };
const covers = (mix: (typeof mixes.value)[number]): Figure<'m²'> =>
  coversWith(
    {
      name: mix.name,
      volume: known(mix.volume),
      area: known(mix.area),
      parts: mix.parts.map((part) => ({ ...part, volume: known(part.volume), mass: known(part.mass) })),
    },
    { partId: tubs(mix.id).partId === '' ? null : tubs(mix.id).partId, leftMl: tubs(mix.id).leftMl },
  );
/** What the worker has reckoned, as an input. */
const known = <U extends Unit>({ label, value, unit }: Quantity<U>): Figure<U> =>
  given(label, value, unit, 'layout', 'as estimated in this list');
async function card(): Promise<void> {
  const { mixingCardPdf } = await import('@spare-acre/core/io/formats');
  const bytes = await mixingCardPdf(
    mixes.value.map((mix) => ({ ...mix, cautions: cautionTexts(catalogue.value, mix.cautionIds) })),
    store.plan!.name,
    await pageFont(),
  );
  saveFile(new Blob([bytes as BlobPart], { type: 'application/pdf' }), `${store.plan!.name} mixing card`, 'pdf');
}
</script>

<template>
  <div class="sheet-scroll" tabindex="0" role="region" aria-label="Mixes">
    <p v-if="mixes.length === 0" class="quiet">No coat on this board needs mixing.</p>
    <BButton v-else variant="key" class="mb-2" @click="card">Print mixing card</BButton>
    <section v-for="mix in mixes" :key="mix.id" class="mix" :data-mix="mix.id">
      <h3>{{ mix.name }}</h3>
      <div class="figures">
        <FigureLine label="Total" :figure="mix.volume" />
        <FigureLine label="Batches" :figure="mix.batches" />
        <FigureLine v-if="mix.potLife !== null" label="Pot life" :figure="mix.potLife" />
        <FigureLine v-if="mix.solids !== null" label="Coverage" :figure="mix.solids" />
      </div>
      <BTableSimple class="ledger">
        <thead>
          <tr>
            <th scope="col">Per batch{{ mix.by === 'mass' ? ', weighed' : '' }}</th>
            <th scope="col" class="num">Measure</th>
            <th scope="col" class="num">Or weigh</th>
            <th scope="col">Spoons, metric</th>
            <th scope="col">Spoons, US</th>
            <th scope="col" class="num">Total</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(part, i) in mix.inBatch" :key="part.stuffId">
            <td>{{ part.name }}</td>
            <td class="num"><FigureCell :figure="part.volume" /></td>
            <td class="num"><FigureCell :figure="part.mass" /></td>
            <td>{{ part.kitchen.metric }}</td>
            <td>{{ part.kitchen.us }}</td>
            <td class="num"><FigureCell :figure="mix.parts[i]!.volume" /></td>
          </tr>
          <tr v-if="mix.tintDrops !== null">
            <td>Tint</td>
            <td class="num"><FigureCell :figure="mix.tintDrops" unit="drops" /></td>
            <td colspan="4"></td>
          </tr>
        </tbody>
      </BTableSimple>
      <p v-if="mix.cautionIds.length > 0" class="quiet caution">{{ cautionTexts(catalogue, mix.cautionIds).join(' ') }}</p>
      <div class="tub">
        <ChoiceField
          label="Leftover"
          :value="tubs(mix.id).partId"
          :options="[{ value: '', text: 'in the mixed batch' }, ...mix.parts.map(({ stuffId, name }) => ({ value: stuffId, text: name }))]"
          @choose="(partId) => left.set(mix.id, { ...tubs(mix.id), partId })"
        />
        <NumberField
          label="Amount"
          :value="tubs(mix.id).leftMl"
          unit="ml"
          :limits="LEFT"
          :take="(leftMl) => (left.set(mix.id, { ...tubs(mix.id), leftMl }), '')"
        />
        <FigureLine label="is enough for" :figure="covers(mix)" />
      </div>
    </section>
  </div>
</template>

<style scoped>
.mix {
  border-bottom: 1px solid var(--rule);
  padding-bottom: 10px;
  margin-bottom: 12px;
}
.figures,
.tub {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 22px;
  align-items: baseline;
}
.caution {
  max-width: 620px;
}
</style>
