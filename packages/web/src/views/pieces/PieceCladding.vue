<script setup lang="ts">
import { offered } from '@spare-acre/core/catalogue';
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { BTableSimple } from 'bootstrap-vue-next/components/BTable';
import { computed } from 'vue';
import { lengthWords } from '@spare-acre/core/base/units';
import { cladZonesOf, unitsFrom, unitsFromEach } from '@spare-acre/core/build/pieces';
import type { Piece } from '@spare-acre/core/plan';
import ChoiceField from '../../ui/fields/ChoiceField.vue';
import FigureCell from '../../ui/values/FigureCell.vue';
import { useCatalogue } from '../../stores/workshop/catalogue';
import { usePlan } from '../../stores/board/plan';
import { useRack } from '../../stores/workshop/rack';
import type { Slices } from '../../workers/slices';

/** Every surface of a piece that can be clad: with what, how many of it, and the ways to put it on side by side. */
const props = defineProps<{ piece: Piece; clads: NonNullable<Slices['bench']>[number]['clads'] }>();
const store = usePlan();
const catalogue = computed(() => useCatalogue().catalogue!);
const choices = computed(() => [
  { value: '', text: 'no cladding' },
  ...offered(catalogue.value, 'claddings').map(({ id, name }) => ({ value: id, text: name })),
]);
/** An offcut such as lies about. */
const rack = useRack();
const MOST_OFFCUTS = 4;
const OFFCUT_MM = [300, 200] as const;
const zones = computed(() =>
  cladZonesOf(props.piece).map((zone) => ({ ...zone, clad: props.clads.find(({ shows }) => shows === zone.shows) ?? null })),
);
function cladWith({ shows, name }: { readonly shows: string; readonly name: string }, claddingId: string, layingId?: string): void {
  const cladding = catalogue.value.claddings.find(({ id }) => id === claddingId);
  const clad = cladding === undefined ? null : { claddingId, layingId: layingId ?? cladding.layingIds[0]! };
  store.edit({ code: 'piece/clad', pieceId: props.piece.id, shows, what: name.toLowerCase(), clad });
}
</script>

<template>
  <div class="sheet-scroll" tabindex="0" role="region" aria-label="Cladding">
    <p v-if="zones.length === 0" class="quiet">No cladding on this piece. Its own material is visible.</p>
    <section v-for="zone in zones" :key="zone.shows">
      <div class="which">
        <ChoiceField :label="zone.name" :value="zone.clad?.cladding.id ?? ''" :options="choices" @choose="(id) => cladWith(zone, id)" />
      </div>
      <template v-if="zone.clad !== null">
        <dl class="counts">
          <div>
            <dt>area to cover</dt>
            <dd><FigureCell :figure="zone.clad.area" /></dd>
          </div>
          <div>
            <dt>courses</dt>
            <dd class="num">{{ zone.clad.laid.courses }}</dd>
          </div>
          <div>
            <dt>whole, cut, halves</dt>
            <dd class="num">{{ zone.clad.laid.whole }}, {{ zone.clad.laid.cut }}, {{ zone.clad.laid.halves }}</dd>
          </div>
          <div>
            <dt>{{ zone.clad.cladding.unitsName }}</dt>
            <dd data-testid="units"><FigureCell :figure="zone.clad.units" /></dd>
          </div>
          <div>
            <dt>with waste</dt>
            <dd><FigureCell :figure="zone.clad.toBuy" /></dd>
          </div>
          <div>
            <dt>yield of an offcut of {{ lengthWords(OFFCUT_MM, store.plan!.units) }}</dt>
            <dd class="num">{{ unitsFrom(zone.clad.cladding, OFFCUT_MM[0], OFFCUT_MM[1], 0) }}</dd>
          </div>
          <div
            v-for="{ offcut, units } in unitsFromEach(zone.clad.cladding, rack.offcuts).slice(0, MOST_OFFCUTS)"
            :key="offcut.id"
            data-testid="rack-units"
          >
            <dt>{{ lengthWords([offcut.widthMm, offcut.depthMm], store.plan!.units) }} from the rack, yield</dt>
            <dd class="num">{{ units }}</dd>
          </div>
        </dl>
        <BTableSimple class="ledger">
          <thead>
            <tr>
              <th scope="col">Option</th>
              <th scope="col" class="num">Time</th>
              <th scope="col" class="num">Cost</th>
              <th scope="col" class="num">Mass</th>
              <th scope="col"><span class="visually-hidden">to do</span></th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="way in zone.clad.ways" :key="way.layingId" :title="way.remark">
              <td>{{ way.name }}</td>
              <td class="num"><FigureCell :figure="way.time" /></td>
              <td class="num"><FigureCell :figure="way.cost" /></td>
              <td class="num"><FigureCell :figure="way.mass" /></td>
              <td>
                <span v-if="way.layingId === zone.clad.way.layingId" class="quiet">in use</span>
                <BButton
                  v-else
                  variant="key"
                  :aria-label="`Use it: ${way.name}, ${zone.name}`"
                  @click="cladWith(zone, zone.clad.cladding.id, way.layingId)"
                  >Use it</BButton
                >
              </td>
            </tr>
          </tbody>
        </BTableSimple>
      </template>
    </section>
  </div>
</template>

<style scoped>
section {
  border-bottom: 1px solid var(--rule);
  padding: 8px 0 12px;
}
.which {
  max-width: 430px;
}
.counts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 26px;
  margin: 8px 0;
}
.counts dt {
  font-weight: normal;
  color: var(--ink-soft);
  font-size: 0.9rem;
}
.counts dd {
  margin: 0;
}
</style>
