import { mount } from '@vue/test-utils';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { given } from '@spare-acre/core/base/units';
import { useDrawer } from '../drawer';
import { freshStores, someLocks } from '../../testing/world';
import FigureCell from './FigureCell.vue';

vi.mock('../../workers/reckoning', () => import('../../testing/idle-reckoning'));

beforeEach(() => {
  vi.useFakeTimers();
  someLocks();
  freshStores();
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

const paint = (ml: number) => given('Paint', ml, 'ml', 'plan');
const aCell = (ml: number) => mount(FigureCell, { props: { figure: paint(ml) } });

describe('a figure on screen', () => {
  test('shows number and unit, and opens its working', async () => {
    const cell = aCell(612.4);
    expect(cell.get('button').text().replaceAll('\u00a0', ' ')).toBe('612 ml');
    await cell.get('button').trigger('click');
    expect(useDrawer().content).toBe('working');
    expect(useDrawer().path.map(({ figure }) => figure.value)).toEqual([612.4]);
  });

  test('is read out with its name and what a press does', () => {
    expect(aCell(612).get('button').attributes('aria-label')).toBe('Paint: 612\u00a0ml. Show calculation.');
  });

  test('a change stands beside it with its sign for five seconds after the last edit', async () => {
    const cell = aCell(600);
    await cell.setProps({ figure: paint(612) });
    expect(cell.get('[data-testid=change]').text()).toBe('+12\u00a0ml');
    vi.advanceTimersByTime(4_000);
    await cell.setProps({ figure: paint(590) });
    expect(cell.get('[data-testid=change]').text()).toBe('−10\u00a0ml'); // against where the edits began
    expect(cell.get('[data-testid=change]').classes()).toContain('less');
    vi.advanceTimersByTime(4_900);
    await cell.vm.$nextTick();
    expect(cell.find('[data-testid=change]').exists()).toBe(true);
    vi.advanceTimersByTime(200);
    await cell.vm.$nextTick();
    expect(cell.find('[data-testid=change]').exists()).toBe(false);
  });

  test('a change no eye would see is not shown', async () => {
    const cell = aCell(600);
    await cell.setProps({ figure: paint(600.3) });
    expect(cell.find('[data-testid=change]').exists()).toBe(false);
  });

  test('words may stand for the number, and a count may be given its unit', () => {
    const ready = mount(FigureCell, { props: { figure: given('Ready', 27_000, 'min', 'plan'), text: 'Fri 18 Dec, 20:09' } });
    expect(ready.get('button').text()).toBe('Fri 18 Dec, 20:09');
    const sheets = mount(FigureCell, { props: { figure: given('Sheets', 3, '1', 'layout'), unit: 'sheets' } });
    expect(sheets.get('button').text().replaceAll('\u00a0', ' ')).toBe('3 sheets');
  });
});
