import { mount } from '@vue/test-utils';
import { describe, expect, test, vi } from 'vitest';
import ChoiceField from './ChoiceField.vue';
import LengthField from './LengthField.vue';
import NumberField from './NumberField.vue';
import TextField from './TextField.vue';

const LIMITS = { min: 40, max: 3000 };
function aLength(change: Partial<{ mm: number; system: 'metric' | 'imperial'; take: (mm: number) => string }> = {}) {
  const take = vi.fn<(mm: number) => string>(() => '');
  const field = mount(LengthField, { props: { label: 'Width', mm: 600, system: 'metric', limits: LIMITS, take, ...change } });
  const input = field.get('input');
  return {
    field,
    take,
    input,
    value: () => input.element.value,
    type: (text: string) => input.setValue(text).then(() => input.trigger('change')),
  };
}

describe('a field for a length', () => {
  test('shows what is stored, and passes on what is typed, in mm', async () => {
    const { take, type, value } = aLength();
    expect(value()).toBe('600');
    await type('62 cm');
    expect(take).toHaveBeenCalledExactlyOnceWith(620);
  });

  test('in inches it is shown and read in sixteenths', async () => {
    const { take, type, value } = aLength({ mm: 17.375 * 25.4, system: 'imperial' });
    expect(value()).toBe('17 3/8');
    await type('18 1/2');
    expect(take).toHaveBeenCalledWith(expect.closeTo(469.9, 9));
  });

  test.each([
    ['abc', 'Width: “abc” is not a length'],
    ['0', 'Width: 0 is too small. Enter 40 to 3000 mm.'],
    ['-5', 'Width: -5 is too small'],
    ['1e9', 'Width: 1e9 is too large'],
  ])('“%s” is answered at the field; what was typed stays, nothing is passed on', async (typed, said) => {
    const { field, take, type, value, input } = aLength();
    await type(typed);
    expect(field.get('[role=alert]').text()).toContain(said);
    expect(value()).toBe(typed);
    expect(input.attributes('aria-invalid')).toBe('true');
    expect(input.attributes('aria-describedby')).toBe(field.get('[role=alert]').attributes('id'));
    expect(take).not.toHaveBeenCalled();
  });

  test('Escape gives up what was typed', async () => {
    const { field, type, value, input } = aLength();
    await type('abc');
    await input.trigger('keydown', { key: 'Escape' });
    expect(value()).toBe('600');
    expect(field.find('[role=alert]').exists()).toBe(false);
  });

  test('a refusal by the plan is shown in its words', async () => {
    const { field, type } = aLength({ take: () => 'the outline crosses itself' });
    await type('700');
    expect(field.get('[role=alert]').text()).toBe('the outline crosses itself');
  });

  test('a change from elsewhere replaces the text and clears the complaint', async () => {
    const { field, type, value } = aLength();
    await type('abc');
    await field.setProps({ mm: 650 });
    expect(value()).toBe('650');
    expect(field.find('[role=alert]').exists()).toBe(false);
  });

  test('the same length typed another way is nothing new', async () => {
    const { take, type } = aLength();
    await type('600');
    expect(take).not.toHaveBeenCalled();
  });
});

describe('fields for other things', () => {
  test('a number within its limits, or why not', async () => {
    const take = vi.fn(() => '');
    const field = mount(NumberField, { props: { label: 'Humidity', value: 50, unit: '%', limits: { min: 5, max: 98 }, take } });
    await field.get('input').setValue('120');
    await field.get('input').trigger('change');
    expect(field.get('[role=alert]').text()).toBe('Humidity: 120 is too large. Enter 5 to 98 %.');
    await field.get('input').setValue('60');
    await field.get('input').trigger('keydown', { key: 'Enter' });
    expect(take).toHaveBeenCalledExactlyOnceWith(60);
  });

  test('a name is trimmed, and refused with its label before the reason', async () => {
    const take = vi.fn((name: string) => (name === '' ? 'is empty. Enter a few words' : ''));
    const field = mount(TextField, { props: { label: 'Name', value: 'Mound', take } });
    await field.get('input').setValue('   ');
    await field.get('input').trigger('change');
    expect(field.get('[role=alert]').text()).toBe('Name: is empty. Enter a few words');
    await field.get('input').setValue('  Reed bank ');
    await field.get('input').trigger('change');
    expect(take).toHaveBeenLastCalledWith('Reed bank');
  });

  test('a choice gives back the value, numbers as numbers', async () => {
    const options = [10, 20, 30].map((value) => ({ value, text: `${value} mm` }));
    const field = mount(ChoiceField, { props: { label: 'Thickness', value: 20, options } });
    expect(field.get('select').element.selectedIndex).toBe(1);
    field.get('select').element.selectedIndex = 2;
    await field.get('select').trigger('change');
    expect(field.emitted('choose')).toEqual([[30]]);
  });

  test('every field is named for those who do not see it', () => {
    const { field, input } = aLength();
    expect(field.get('label').attributes('for')).toBe(input.attributes('id'));
  });
});
