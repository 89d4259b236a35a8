import { type VueWrapper, mount } from '@vue/test-utils';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { type Field, blankOf } from '@spare-acre/core/catalogue/editing';
import { useCatalogue } from '../../stores/workshop/catalogue';
import { CATALOGUE_ANSWER, aServer, freshStores, someLocks } from '../../testing/world';
import EntryField from './EntryField.vue';

beforeEach(async () => {
  someLocks();
  freshStores();
  aServer(() => ({ status: 200, body: CATALOGUE_ANSWER }));
  await useCatalogue().load();
});
afterEach(() => vi.unstubAllGlobals());

const asked = (field: Field, value: unknown): VueWrapper => mount(EntryField, { props: { name: 'Value', field, value } });
const type = async (field: VueWrapper, words: string, at = 0): Promise<void> => {
  const input = field.findAll('input')[at]!;
  await input.setValue(words);
  await input.trigger('keydown', { key: 'Enter' });
};
const taken = (field: VueWrapper): unknown => field.emitted('change')?.at(-1)?.[0];
const said = (field: VueWrapper): string => field.find('[role="alert"]').text();

describe('a number', () => {
  const whole: Field = { is: 'number', unit: '1', least: 0, most: 40, isWhole: true, isAbove: true };
  test.each([
    ['2.5', 'not whole'],
    ['0', 'Enter more than 0'],
    ['41', 'too large'],
    ['a few', 'a few'],
  ])('of whole ones above nothing, %s is refused at the field', async (words, why) => {
    const field = asked(whole, 4);
    await type(field, words);
    expect(said(field)).toContain(why);
    expect(taken(field)).toBeUndefined();
  });
  test('that will do is taken', async () => {
    const field = asked(whole, 4);
    await type(field, '12');
    expect(taken(field)).toBe(12);
  });
});

describe('words, money and what may be left out', () => {
  const words: Field = { is: 'words', most: 5, mayBeEmpty: false } as Field;
  test.each([
    ['', 'is empty'],
    ['sixsix', 'has 6 letters. Enter up to 5'],
  ])('words “%s” are refused', async (typed, why) => {
    const field = asked(words, 'old');
    await type(field, typed);
    expect(said(field)).toContain(why);
    expect(taken(field)).toBeUndefined();
  });
  test('words as long as they may be are taken', async () => {
    const field = asked(words, 'old');
    await type(field, 'fives');
    expect(taken(field)).toBe('fives');
  });
  test.each([
    [false, '0', undefined],
    [true, '0', 0],
    [false, '1.25', 125],
  ])('money that may be free (%s): %s gives %s', async (mayBeFree, typed, minor) => {
    const field = asked({ is: 'money', mayBeFree } as Field, 300);
    await type(field, typed);
    expect(taken(field)).toBe(minor);
  });
  test('what is not there is asked for once it is ticked, and goes when the tick does', async () => {
    const inner: Field = { is: 'number', unit: 'mm', least: 1, most: 9, isWhole: false, isAbove: false } as Field;
    const maybe = { is: 'maybe', inner } as Field;
    const absent = asked(maybe, null);
    expect(absent.findAll('input:not([type=checkbox])')).toHaveLength(0);
    await absent.get('input[type=checkbox]').setValue(true);
    expect(taken(absent)).toEqual(blankOf(inner));
    const present = asked(maybe, 4);
    expect(present.findAll('input:not([type=checkbox])')).toHaveLength(1);
    await present.get('input[type=checkbox]').setValue(false);
    expect(taken(present)).toEqual(blankOf(maybe));
  });
});

describe('a figure with its least and most', () => {
  test.each([
    [0, 'value'],
    [1, 'low'],
    [2, 'high'],
  ])('the field at place %s sets its %s', async (at, key) => {
    const field = asked({ is: 'figure', unit: 'mm' }, { value: 3, low: 1, high: 9, origin: 'usual' });
    await type(field, key === 'low' ? '2' : '5', at);
    expect(taken(field)).toMatchObject({ value: 3, low: 1, high: 9, [key]: key === 'low' ? 2 : 5 });
  });

  const figure: Field = { is: 'figure', unit: 'mm' };
  const start = { value: 3, low: 2, high: 4, origin: 'usual' };
  test('a value outside its ends takes the nearer one along, and is yours from then on', async () => {
    const field = asked(figure, start);
    await type(field, '6');
    expect(taken(field)).toMatchObject({ value: 6, low: 2, high: 6, origin: 'yours' });
  });
  test('ends that do not hold the value are refused, and say what would do', async () => {
    const field = asked(figure, start);
    await type(field, '3.5', 1);
    expect(said(field)).toContain('Enter lowest, value, highest');
    expect(taken(field)).toBeUndefined();
  });
});

describe('words, a colour, money', () => {
  test('what is empty, too long or no colour is refused in words', async () => {
    const words = asked({ is: 'words', most: 5, mayBeEmpty: false }, 'Foam');
    await type(words, '');
    expect(said(words)).toContain('Enter a few words');
    await type(words, 'Foam board');
    expect(said(words)).toContain('Enter up to 5');
    const colour = asked({ is: 'colour' }, '#7a6f52');
    await type(colour, 'mud');
    expect(said(colour)).toContain('a colour such as');
    expect([taken(words), taken(colour)]).toEqual([undefined, undefined]);
    await type(colour, '#112233');
    expect(taken(colour)).toBe('#112233');
  });
  test('a price is asked for in money and kept in its smallest coin; nothing is no price where it may not be free', async () => {
    const field = asked({ is: 'money', mayBeFree: false }, 250);
    expect(field.find('input').element.value).toBe('2.5');
    await type(field, '0');
    expect(said(field)).toContain('Enter a value above 0');
    await type(field, '3.49');
    expect(taken(field)).toBe(349);
  });
});

describe('a list', () => {
  const list: Field = { is: 'list', least: 1, of: { is: 'number', unit: 'mm', least: 1, most: 900, isWhole: false, isAbove: false } };
  test('grows by its button, shrinks to no fewer than must be, and each is asked for by its number', async () => {
    const field = asked(list, [300, 600]);
    expect(field.findAll('label').map((one) => one.text())).toEqual(['Value 1', 'Value 2']);
    await field.get('button[aria-label="Remove Value 1"]').trigger('click');
    expect(taken(field)).toEqual([600]);
    await field.setProps({ value: [600] });
    expect(field.find('button[aria-label^="Remove"]').exists()).toBe(false);
    await field
      .findAll('button')
      .find((one) => one.text() === 'Add to Value')!
      .trigger('click');
    expect(taken(field)).toEqual([600, blankOf(list.is === 'list' ? list.of : list)]);
  });
  test('of words that there are is ticked, each on its own', async () => {
    const field = asked({ is: 'list', least: 0, of: { is: 'choice', of: ['knife', 'hot wire'] } }, ['knife']);
    const ticks = field.findAll<HTMLInputElement>('input[type="checkbox"]');
    expect(ticks.map((one) => one.element.checked)).toEqual([true, false]);
    await ticks[1]!.setValue(true);
    expect(taken(field)).toEqual(['knife', 'hot wire']);
    await ticks[0]!.setValue(false);
    expect(taken(field)).toEqual([]);
  });
});
