<script setup lang="ts">
import { computed, ref } from 'vue';
import { type CutJob, leftoversOf } from '@spare-acre/core/cutting';
import { lengthUnit, lengthWords, parseLength } from '@spare-acre/core/units';
import { useCatalogue } from '../stores/catalogue';
import { usePlan } from '../stores/plan';
import { useRack } from '../stores/rack';

/** The rack of offcuts: what this sheet leaves goes in with one tick, what lies there is used first. */
const props = defineProps<{ job: CutJob; index: number }>();
const store = usePlan();
const rack = useRack();
const catalogues = useCatalogue();
const system = computed(() => store.plan!.units);
const unit = computed(() => lengthUnit(system.value));
const size = ({ widthMm, depthMm }: { readonly widthMm: number; readonly depthMm: number }): string =>
  lengthWords([widthMm, depthMm], system.value);
const here = computed(() =>
  rack.offcuts.filter(({ materialId, thicknessMm }) => materialId === props.job.materialId && thicknessMm === props.job.thicknessMm),
);
const used = computed(() => new Set(props.job.layout.sheets.flatMap(({ stock }) => (stock.offcutId === null ? [] : [stock.offcutId]))));
/** Every sheet with the pieces it leaves, and those of them that lie in the rack already. */
const leftovers = computed(() =>
  props.job.layout.sheets.map((sheet, i) => {
    const name = `${props.job.key} sheet ${i + 1}`;
    return {
      name,
      number: i + 1,
      left: leftoversOf(props.job, sheet, catalogues.catalogue!),
      racked: rack.offcuts.filter(({ boardId, sheet: own }) => boardId === store.boardId && own?.startsWith(`${name},`)),
    };
  }),
);
async function toggle({ name, left, racked }: (typeof leftovers.value)[number]): Promise<void> {
  if (racked.length > 0) for (const { id } of racked) await rack.remove(id);
  else for (const [k, piece] of left.entries()) await rack.add({ ...piece, boardId: store.boardId, sheet: `${name}, piece ${k + 1}` });
}
const typed = ref({ width: '', depth: '' });
const problem = ref('');
const LIMIT = { min: 20, max: 3_000 };
async function add(): Promise<void> {
  const width = parseLength(typed.value.width, 'Width', system.value, LIMIT);
  const depth = parseLength(typed.value.depth, 'Depth', system.value, LIMIT);
  problem.value = !width.ok ? width.problem.message : !depth.ok ? depth.problem.message : '';
  if (!width.ok || !depth.ok) return;
  const { materialId, thicknessMm } = props.job;
  await rack.add({ materialId, thicknessMm, widthMm: width.value, depthMm: depth.value, boardId: null, sheet: null });
  if (rack.fault === '') typed.value = { width: '', depth: '' };
}
</script>

<template>
  <section>
    <h3>When it is cut</h3>
    <p v-if="leftovers.every(({ left, racked }) => left.length + racked.length === 0)" class="quiet m-0">
      No sheet leaves a piece worth keeping.
    </p>
    <template v-for="leftover in leftovers" :key="leftover.name">
      <label
        v-if="leftover.left.length + leftover.racked.length > 0"
        class="tick"
        :class="{ own: leftover.number === index + 1 }"
        data-testid="leftover"
      >
        <input type="checkbox" :checked="leftover.racked.length > 0" @change="toggle(leftover)" />
        <span
          >Sheet {{ leftover.number }} is cut; back to the rack:
          {{ (leftover.racked.length > 0 ? leftover.racked : leftover.left).map(size).join(', ') }}</span
        >
      </label>
    </template>
  </section>
  <section>
    <h3>Rack, {{ job.name }}</h3>
    <p v-if="here.length === 0" class="quiet m-0">Nothing of this lies in the rack. What does is cut up first.</p>
    <ul v-else class="rack" data-testid="rack">
      <li v-for="offcut in here" :key="offcut.id">
        <span>{{ size(offcut) }}</span>
        <span class="quiet">{{ used.has(offcut.id) ? 'used here' : offcut.boardId === store.boardId ? 'left by this board' : '' }}</span>
        <button type="button" class="key" :aria-label="`Take ${size(offcut)} out of the rack`" @click="rack.remove(offcut.id)">
          Take out
        </button>
      </li>
    </ul>
    <form class="measures" @submit.prevent="add">
      <label>Width <input v-model="typed.width" inputmode="decimal" autocomplete="off" /></label>
      <label>Depth <input v-model="typed.depth" inputmode="decimal" autocomplete="off" /></label>
      <span class="quiet">{{ unit }}</span>
      <button type="submit" class="key">Put in</button>
    </form>
    <p v-if="problem !== '' || rack.fault !== ''" class="attention m-0" role="alert">{{ problem || rack.fault }}</p>
  </section>
</template>

<style scoped>
.tick {
  display: flex;
  gap: 8px;
  align-items: baseline;
  padding: 2px 0;
}
.own {
  font-weight: 500;
}
.rack {
  list-style: none;
  padding: 0;
  margin: 0 0 6px;
}
.rack li {
  display: flex;
  gap: 8px;
  align-items: baseline;
  padding: 2px 0;
  border-bottom: 1px solid var(--rule);
}
.rack li > :first-child {
  flex: 1 1 auto;
}
</style>
