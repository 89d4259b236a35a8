<script setup lang="ts">
import { offered } from '@spare-acre/core/catalogue';
import { computed } from 'vue';
import { LIMITS } from '@spare-acre/core/plan/fields';
import { type Laid, type Surface, laidIn } from '@spare-acre/core/plan';
import ChoiceField from '../../ui/fields/ChoiceField.vue';
import LengthField from '../../ui/fields/LengthField.vue';
import NumberField from '../../ui/fields/NumberField.vue';
import TickField from '../../ui/fields/TickField.vue';
import TintFields from './TintFields.vue';
import { useCatalogue } from '../../stores/workshop/catalogue';
import { usePlan } from '../../stores/board/plan';

/** What the surface is laid in, where it is: units, their sizes, where they begin and how they are turned, and their colours. */
const props = defineProps<{ surface: Surface }>();
const store = usePlan();
const catalogue = computed(() => useCatalogue().catalogue!);
const laid = computed(() => props.surface.laid);
const patterns = computed(() => [
  { value: '', text: 'no pattern' },
  ...offered(catalogue.value, 'patterns', laid.value?.patternId).map(({ id, name }) => ({ value: id, text: name })),
]);
const put = (next: Laid | null, what: string): string =>
  store.edit({ code: 'surface/change', surfaceId: props.surface.id, change: { laid: next }, what });
function choose(patternId: string): void {
  const pattern = catalogue.value.patterns.find(({ id }) => id === patternId);
  const scale = store.plan!.figureHeightMm / catalogue.value.bench.personMm.value;
  put(pattern === undefined ? null : { ...laidIn(pattern, scale), tints: laid.value?.tints ?? [] }, 'Apply pattern');
}
const change = (some: Partial<Laid>): string => put({ ...laid.value!, ...some }, 'Change pattern');
const floors = computed(() => (store.slices.floors ?? []).filter(({ surfaceId }) => surfaceId === props.surface.id));
</script>

<template>
  <h3>Pattern</h3>
  <ChoiceField label="Pattern" hide-label :value="laid?.patternId ?? ''" :options="patterns" @choose="choose" />
  <template v-if="laid !== null">
    <LengthField
      label="Length"
      :mm="laid.longMm"
      :system="store.plan!.units"
      :limits="LIMITS.unitMm"
      :take="(longMm) => change({ longMm })"
    />
    <LengthField
      label="Width"
      :mm="laid.wideMm"
      :system="store.plan!.units"
      :limits="LIMITS.unitMm"
      :take="(wideMm) => change({ wideMm })"
    />
    <LengthField
      label="Joint"
      :mm="laid.jointMm"
      :system="store.plan!.units"
      :limits="LIMITS.jointMm"
      :take="(jointMm) => change({ jointMm })"
    />
    <NumberField label="Rotation" :value="laid.turnDeg" unit="°" :limits="LIMITS.turnDeg" :take="(turnDeg) => change({ turnDeg })" />
    <LengthField
      label="Start, across"
      :mm="laid.at.x"
      :system="store.plan!.units"
      :limits="LIMITS.coordinateMm"
      :take="(x) => change({ at: { x, y: laid!.at.y } })"
    />
    <LengthField
      label="Start, down"
      :mm="laid.at.y"
      :system="store.plan!.units"
      :limits="LIMITS.coordinateMm"
      :take="(y) => change({ at: { x: laid!.at.x, y } })"
    />
    <TickField label="Follow a track" :is-on="laid.followsLine" @toggle="(followsLine) => change({ followsLine })" />
    <TintFields label="Tints of the units, in parts" :tint="laid.tints" :hex="null" @take="(tints) => change({ tints })" />
    <dl class="counts">
      <div v-for="(floor, i) in floors" :key="i">
        <dt>{{ floor.name }}</dt>
        <dd class="num" data-testid="units">
          {{ floor.whole }} whole, {{ floor.cut }} cut <span class="quiet">{{ floor.unitsName }}</span>
          <span v-if="floor.counts.length > 0" class="quiet">; by tint {{ floor.counts.join(', ') }}</span>
          <span v-if="floor.fault !== ''" class="attention">{{ floor.fault }}</span>
        </dd>
      </div>
    </dl>
  </template>
</template>
