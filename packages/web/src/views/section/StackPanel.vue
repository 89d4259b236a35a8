<script setup lang="ts">
import { computed } from 'vue';
import { LIMITS } from '@spare-acre/core/plan/fields';
import FigureLine from '../../ui/values/FigureLine.vue';
import LengthField from '../../ui/fields/LengthField.vue';
import TickField from '../../ui/fields/TickField.vue';
import ChoiceField from '../../ui/fields/ChoiceField.vue';
import { InTurn } from '../../ui/InTurn';
import ViewWarnings from '../../ui/ViewWarnings.vue';
import { usePlan } from '../../stores/board/plan';
import BattenFields from './BattenFields.vue';
import FacingList from './FacingList.vue';
import LayerList from './LayerList.vue';
import RaisedFields from './RaisedFields.vue';

/** The layers of the board from top to bottom, each with what holds it to the one below. */
const store = usePlan();
const stack = computed(() => store.plan!.stack);
const EDGES = [
  { value: 'cut-first', text: 'cut to size first' },
  { value: 'trim-after', text: 'trimmed flush after' },
] as const;
</script>

<template>
  <h2>Stack</h2>
  <p class="sub">from the top down; drag ground layers by their left edge</p>
  <ViewWarnings view="section" />
  <InTurn>
    <section>
      <h3>Coverings</h3>
      <FacingList />
    </section>
  </InTurn>
  <InTurn>
    <section>
      <h3>Raised ground</h3>
      <RaisedFields />
    </section>
  </InTurn>
  <InTurn>
    <section>
      <h3>Ground</h3>
      <LayerList />
    </section>
  </InTurn>
  <InTurn>
    <section>
      <h3>Underside</h3>
      <BattenFields />
    </section>
  </InTurn>
  <InTurn>
    <section>
      <h3>Construction</h3>
      <ChoiceField label="Edges" :value="stack.edges" :options="EDGES" @choose="(edges) => store.edit({ code: 'stack/edges', edges })" />
      <LengthField
        v-if="stack.edges === 'trim-after'"
        label="Allowance per side"
        :mm="stack.allowanceMm"
        :system="store.plan!.units"
        :limits="LIMITS.allowanceMm"
        :take="(mm) => store.edit({ code: 'stack/allowance', mm })"
      />
      <TickField
        label="Under weights until fully dry"
        :is-on="stack.weighed"
        @toggle="(weighed) => store.edit({ code: 'stack/weighed', weighed })"
      />
    </section>
  </InTurn>
  <section v-if="store.slices.groundHeight !== undefined">
    <h3>Height and adhesive</h3>
    <FigureLine label="Ground over the substrate" :figure="store.slices.groundHeight" />
    <FigureLine v-for="glue in store.slices.glues ?? []" :key="glue.adhesiveId" :label="glue.name" :figure="glue.mass" />
  </section>
</template>
