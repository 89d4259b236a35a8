import { beforeEach, expect, test } from 'vitest';
import { type EffectScope, effectScope, nextTick, ref } from 'vue';
import { useSaid } from './useSaid';

let page: EffectScope;
/** A page that shows a task; closing it forgets all but what the device keeps. */
function opened(first: string) {
  page = effectScope();
  const key = ref(first);
  return { key, said: page.run(() => useSaid(() => key.value))! };
}
beforeEach(() => localStorage.clear());

test('what is half said of a task is there again when the page is, and for that task only', async () => {
  const { said } = opened('board glue-A1');
  said.value.note = 'The tub ran';
  said.value.amounts[0] = '14';
  await nextTick();
  page.stop();
  const again = opened('board cut-B1');
  expect(again.said.value).toMatchObject({ minutes: '', note: '', amounts: {} });
  again.key.value = 'board glue-A1';
  await nextTick();
  expect(again.said.value).toMatchObject({ note: 'The tub ran', amounts: { 0: '14' }, photos: [] });
});

test('looking at another task keeps both; what is written down is kept no longer', async () => {
  const { key, said } = opened('board glue-A1');
  said.value.minutes = '20';
  await nextTick();
  key.value = 'board glue-B1';
  await nextTick();
  said.value.note = 'Other';
  await nextTick();
  key.value = 'board glue-A1';
  await nextTick();
  expect(said.value).toMatchObject({ minutes: '20', note: '' });
  said.value = { minutes: '', amounts: {}, note: ' ', photos: [] };
  await nextTick();
  expect(JSON.parse(localStorage.getItem('spare-acre/half-said')!)).toEqual({
    'board glue-B1': { minutes: '', amounts: {}, note: 'Other' },
  });
});
