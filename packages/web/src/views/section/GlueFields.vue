<script setup lang="ts">
import { computed } from 'vue';
import type { GlueSpread } from '@spare-acre/core/plan';
import type { Face } from '@spare-acre/core/build/stack/joint';
import ChoiceField from '../../ui/fields/ChoiceField.vue';
import { useStackEdits } from './useStackEdits';

/** What holds one face to another, and how it is laid on. */
const props = defineProps<{ lower: Face; upper: Face; adhesiveId: string; spread: GlueSpread }>();
const emit = defineEmits<{ choose: [adhesiveId: string, spread: GlueSpread] }>();
const { glues, spreads, usualSpread } = useStackEdits();
const ways = computed(() => spreads(props.adhesiveId));
const shown = computed(() => (ways.value.some(({ value }) => value === props.spread) ? props.spread : usualSpread(props.adhesiveId)));
</script>

<template>
  <ChoiceField
    label="Adhesive"
    :value="adhesiveId"
    :options="glues(lower, upper, shown, adhesiveId)"
    @choose="(id) => emit('choose', id, usualSpread(id))"
  />
  <ChoiceField
    v-if="ways.length > 1"
    label="Applied as"
    :value="shown"
    :options="ways"
    @choose="(way) => emit('choose', adhesiveId, way)"
  />
</template>
