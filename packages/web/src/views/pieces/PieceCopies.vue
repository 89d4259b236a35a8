<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { BTableSimple } from 'bootstrap-vue-next/components/BTable';
import type { Piece } from '@spare-acre/core/plan';
import FigureCell from '../../ui/values/FigureCell.vue';
import { usePlan } from '../../stores/board/plan';
import type { Slices } from '../../workers/slices';

/** Casting the copies of a piece against making each, side by side. */
const props = defineProps<{ piece: Piece; copying: NonNullable<Slices['bench']>[number]['copying'] }>();
const store = usePlan();
const take = (castingId: string | null): string =>
  store.edit({
    code: 'piece/change',
    pieceId: props.piece.id,
    change: { castingId },
    what: castingId === null ? 'Make each by hand:' : 'Cast copies of',
  });
</script>

<template>
  <div class="sheet-scroll" tabindex="0" role="region" aria-label="Copies">
    <p v-if="copying === null" class="quiet">
      There is one copy. Set more copies in the panel to compare casting with making each by hand.
    </p>
    <template v-else>
      <p>One is the master; make <FigureCell :figure="copying.copies" /> more copies.</p>
      <BTableSimple class="ledger">
        <thead>
          <tr>
            <th scope="col">Copies</th>
            <th scope="col" class="num">Moulds</th>
            <th scope="col" class="num">Mould</th>
            <th scope="col" class="num">Pours</th>
            <th scope="col" class="num">Hands-on</th>
            <th scope="col" class="num">Waits</th>
            <th scope="col" class="num">Cost</th>
            <th scope="col"><span class="visually-hidden">to do</span></th>
          </tr>
        </thead>
        <tbody>
          <tr>
            <td>each by hand</td>
            <td class="num">–</td>
            <td class="num">–</td>
            <td class="num">–</td>
            <td class="num"><FigureCell :figure="copying.byHand.time" /></td>
            <td class="num">–</td>
            <td class="num"><FigureCell :figure="copying.byHand.cost" /></td>
            <td>
              <span v-if="copying.way === null" class="quiet">in use</span>
              <BButton v-else variant="key" aria-label="Make each by hand" @click="take(null)">Use it</BButton>
            </td>
          </tr>
          <tr v-for="way in copying.ways" :key="way.casting.id" :title="way.casting.remark" data-testid="cast-way">
            <td>{{ way.casting.name }}</td>
            <td class="num"><FigureCell :figure="way.moulds" /></td>
            <td class="num"><FigureCell :figure="way.mould" /></td>
            <td class="num"><FigureCell :figure="way.cast" /></td>
            <td class="num"><FigureCell :figure="way.time" /></td>
            <td class="num"><FigureCell :figure="way.wait" /></td>
            <td class="num"><FigureCell :figure="way.cost" /></td>
            <td>
              <span v-if="copying.way?.casting.id === way.casting.id" class="quiet">in use</span>
              <BButton v-else variant="key" :aria-label="`Use it: ${way.casting.name}`" @click="take(way.casting.id)">Use it</BButton>
            </td>
          </tr>
        </tbody>
      </BTableSimple>
      <p class="quiet">
        Cast only shapes that come out of the mould in one pull; undercuts and thin walls tear. Follow the product labels.
      </p>
    </template>
  </div>
</template>
