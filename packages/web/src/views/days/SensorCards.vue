<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { BFormFile } from 'bootstrap-vue-next/components/BFormFile';
import { BTableSimple } from 'bootstrap-vue-next/components/BTable';
import { format } from 'date-fns';
import { onMounted, ref } from 'vue';
import { FAULT_WORDS } from '@spare-acre/core/schedule/air';
import { cutText } from '@spare-acre/core/base/text';
import { given } from '@spare-acre/core/base/units';
import { PLAYED, type Played } from '@spare-acre/core/io/wire';
import ChoiceField from '../../ui/fields/ChoiceField.vue';
import FigureCell from '../../ui/values/FigureCell.vue';
import { saveFile } from '../../ui/saveFile';
import { useAir } from '../../stores/workshop/air';
import type { JudgedSensor } from '../../stores/board/judged';
import { readInWorker } from '../../workers/reading';

/** Sensors: what each says, whether it is believed, and its readings in and out. */
const heard = useAir();
onMounted(() => void heard.load());
const PLAYS: Readonly<Record<Played, string>> = {
  none: 'None',
  stuck: 'Stuck',
  spike: 'Spikes',
  'out-of-range': 'Out of range',
  clock: 'Clock wrong',
  gap: 'Silent',
};
const plays = PLAYED.map((value) => ({ value, text: PLAYS[value] }));
const celsius = (value: number, label: string) => given(label, value, '°C', 'calendar');
const percent = (value: number) => given('Humidity', value, '%', 'calendar');
const MOST_SHOWN = 12;
/** The last that were not believed, the newest first. */
const lies = ({ readings }: JudgedSensor) =>
  readings
    .filter(({ fault }) => fault !== null)
    .slice(-MOST_SHOWN)
    .reverse();

async function toFile({ name, readings }: JudgedSensor): Promise<void> {
  const { readingsCsv } = await import('@spare-acre/core/io/formats');
  saveFile(new Blob([readingsCsv(readings)], { type: 'text/csv' }), `${name} readings`, 'csv');
}
const said = ref('');
const fault = ref('');
const chosenFile = ref<File | null>(null);
async function fromFile(chosen: File | readonly File[] | null): Promise<void> {
  const file = chosen instanceof File ? chosen : chosen?.[0];
  if (file == null) return;
  [said.value, fault.value] = ['', ''];
  const text = await file.text();
  const offsetMin = -new Date().getTimezoneOffset();
  const read = await readInWorker(file, (reader) => reader.readingsFromCsv(text, offsetMin)).catch((error: Error) => error.message);
  chosenFile.value = null;
  if (typeof read === 'string') return void (fault.value = read);
  if (!read.ok) {
    fault.value = `${file.name}: ${read.problem.message}`;
    return;
  }
  const { readings, bad } = read.value;
  await heard.add({
    name: cutText(file.name.replace(/\.csv$/i, ''), 60),
    readings: readings.map(({ atMs, ...air }) => ({ atMs: Math.round(atMs), ...air })),
  });
  const left = bad.slice(0, 3).map(({ line, message }) => `line ${line}: ${message}`);
  said.value = `${readings.length} readings imported${bad.length > 0 ? `, ${bad.length} skipped: ${left.join('; ')}` : ''}.`;
}
</script>

<template>
  <h3 class="over">Sensors</h3>
  <p v-if="heard.fault !== ''" role="alert">{{ heard.fault }}</p>
  <section v-for="sensor in heard.sensors" :key="sensor.id" class="sensor" :data-sensor="sensor.id" :aria-label="sensor.name">
    <h4>
      {{ sensor.name }} <small v-if="sensor.isSimulated" class="quiet">simulated, for practice</small>
      <span v-if="sensor.state.fault !== null" class="lying" data-testid="sensor-fault">⚠ {{ FAULT_WORDS[sensor.state.fault] }}</span>
    </h4>
    <p v-if="sensor.state.last !== null">
      Last accepted reading, {{ format(sensor.state.last.atMs, 'EEE d MMM, HH:mm') }}:
      <FigureCell :figure="celsius(sensor.state.last.airC, 'Temperature')" />,
      <FigureCell :figure="percent(sensor.state.last.humidityPct)" />, dew at
      <FigureCell :figure="celsius(sensor.state.dewC!, 'Dew point')" />. {{ sensor.readings.length }} readings in eight days,
      {{ sensor.state.lies }} of them rejected.
    </p>
    <p v-else class="quiet">No accepted reading yet. Your own values are used instead.</p>
    <details v-if="sensor.state.lies > 0">
      <summary>Rejected readings</summary>
      <BTableSimple class="ledger" responsive small>
        <thead>
          <tr>
            <th scope="col">Received</th>
            <th scope="col" class="num">Temperature</th>
            <th scope="col" class="num">Humidity</th>
            <th scope="col">Reason</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="reading in lies(sensor)" :key="reading.heardMs">
            <td>{{ format(reading.heardMs, 'EEE d MMM, HH:mm') }}</td>
            <td class="num"><FigureCell :figure="celsius(reading.airC, 'Temperature')" /></td>
            <td class="num"><FigureCell :figure="percent(reading.humidityPct)" /></td>
            <td>{{ FAULT_WORDS[reading.fault!] }}</td>
          </tr>
        </tbody>
      </BTableSimple>
    </details>
    <div class="deeds">
      <ChoiceField
        v-if="sensor.isSimulated"
        label="Simulate fault"
        :value="sensor.plays"
        :options="plays"
        @choose="(own) => heard.play(sensor.id, own)"
      />
      <BButton size="sm" variant="key" @click="heard.poll()">Read now</BButton>
      <BButton size="sm" variant="key" @click="toFile(sensor)">Export readings (CSV)</BButton>
      <BButton v-if="!sensor.isSimulated" size="sm" variant="key" @click="heard.remove(sensor.id)">Remove</BButton>
    </div>
  </section>
  <BFormFile
    v-model="chosenFile"
    label="Readings from a file (CSV: time, air °C, humidity %)"
    accept=".csv,text/csv"
    @update:model-value="fromFile"
  />
  <p v-if="said !== ''" role="status">{{ said }}</p>
  <p v-if="fault !== ''" role="alert">{{ fault }}</p>
</template>

<style scoped>
.over {
  font-size: 1.1rem;
  margin-top: 10px;
}
.sensor {
  border-left: 3px solid var(--rule);
  padding-left: 10px;
  margin: 8px 0;
  max-width: 720px;
}
.sensor h4 {
  font-size: 1rem;
  margin: 0;
}
.lying {
  color: var(--clay);
}
.deeds {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: end;
}
</style>
