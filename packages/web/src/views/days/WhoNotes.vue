<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { BFormCheckbox } from 'bootstrap-vue-next/components/BFormCheckbox';
import { computed } from 'vue';
import { ownHoursFrom, ownHoursText } from '@spare-acre/core/schedule/tasks';
import { LIMITS } from '@spare-acre/core/plan/fields';
import { type Person, newPerson } from '@spare-acre/core/plan';
import NumberField from '../../ui/fields/NumberField.vue';
import TextField from '../../ui/fields/TextField.vue';
import TickField from '../../ui/fields/TickField.vue';
import { useCatalogue } from '../../stores/workshop/catalogue';
import { usePlan } from '../../stores/board/plan';

/** Who is at the bench, when, and what they keep off. */
const store = usePlan();
const cautions = computed(() => useCatalogue().catalogue!.cautions);
const people = computed(() => store.plan!.people);
const kit = computed(() => store.plan!.kit);
const set = (personId: string, change: Partial<Omit<Person, 'id'>>): string => store.edit({ code: 'person/change', personId, change });
function takeHours({ id }: Person, typed: string): string {
  const read = ownHoursFrom(typed);
  return read.ok ? set(id, { hours: read.value }) : read.problem.message;
}
const avoid = (person: Person, id: string, isOn: boolean): string =>
  set(person.id, { avoids: isOn ? [...person.avoids, id] : person.avoids.filter((own) => own !== id) });
function add(): void {
  for (let n = people.value.length + 1; ; n++) {
    if (people.value.some(({ id }) => id === `person-${n}`)) continue;
    store.edit({ code: 'person/add', person: newPerson(`person-${n}`, `Helper ${n - 1}`) });
    return;
  }
}
</script>

<template>
  <section v-for="person in people" :key="person.id" :data-person="person.id" :aria-label="person.name">
    <h3>{{ person.name }}</h3>
    <TextField label="Name" :value="person.name" :take="(name) => set(person.id, { name })" />
    <TextField label="Own hours" :value="ownHoursText(person.hours)" :take="(typed) => takeHours(person, typed)" />
    <TickField label="Child: no blades, hot tools or sprays" :is-on="person.isChild" @toggle="(isChild) => set(person.id, { isChild })" />
    <details>
      <summary>Avoids{{ person.avoids.length > 0 ? ` (${person.avoids.length})` : '' }}</summary>
      <BFormCheckbox
        v-for="caution in cautions"
        :key="caution.id"
        :model-value="person.avoids.includes(caution.id)"
        @update:model-value="(on) => avoid(person, caution.id, on === true)"
        >{{ caution.name }}</BFormCheckbox
      >
    </details>
    <BButton v-if="people.length > 1" size="sm" variant="key" @click="store.edit({ code: 'person/remove', personId: person.id })"
      >Remove {{ person.name }}</BButton
    >
  </section>
  <BButton variant="key" class="mt-2" @click="add">Add person</BButton>
  <section>
    <h3>Available</h3>
    <NumberField
      label="Total weights"
      :value="kit.weightsKg"
      unit="kg"
      :limits="LIMITS.weightsKg"
      :take="(weightsKg) => store.edit({ code: 'kit/change', change: { weightsKg } })"
    />
    <NumberField
      label="Fans"
      :value="kit.fans"
      unit=""
      :limits="LIMITS.fans"
      :take="(fans) => store.edit({ code: 'kit/change', change: { fans } })"
    />
  </section>
</template>
