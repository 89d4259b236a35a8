import { mount } from '@vue/test-utils';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { given, calculate, total } from '@spare-acre/core/base/units';
import type { Warning } from '@spare-acre/core/advice/checks';
import { useDrawer } from '../ui/drawer';
import { usePlan } from '../stores/board/plan';
import { freshStores, settled, someLocks } from '../testing/world';
import WarningCard from '../ui/WarningCard.vue';
import WorkingSheet from '../ui/values/WorkingSheet.vue';

vi.mock('../workers/reckoning', () => import('../testing/idle-reckoning'));
beforeEach(() => {
  someLocks();
  freshStores();
});
afterEach(() => vi.unstubAllGlobals());

const plain = (text: string): string => text.replaceAll('\u202f', '').replaceAll('\u00a0', ' ').replace(/\s+/g, ' ').trim();

describe('the sheet of a working', () => {
  const area = calculate('Pan', 'mm²', given('Width', 200, 'mm', 'plan'), '×', given('Depth', 100, 'mm', 'plan'));
  const volume = calculate('Water', 'mm³', area, '×', given('Water depth', 4, 'mm', 'plan', 'typed'));

  test('shows the last step, its parts and its result; the inputs with where they come from', () => {
    const sheet = mount(WorkingSheet, { props: { figure: volume } });
    const rows = sheet
      .get('[data-testid=last-step]')
      .findAll('tr')
      .map((row) => plain(row.text()));
    expect(rows).toEqual(['Pan20000 mm²', '×Water depth4 mm', '=80000 mm³']);
    expect(plain(sheet.text())).toContain('Water depth your plan: typed4 mm');
  });

  test('a part that was itself reckoned opens; the way back is named', async () => {
    const drawer = useDrawer();
    drawer.showWorking(volume);
    const sheet = mount(WorkingSheet, { props: { figure: volume } });
    await sheet.get('[data-testid=last-step] button').trigger('click');
    expect(drawer.path.map(({ figure }) => figure.label)).toEqual(['Water', 'Pan']);
    await sheet.setProps({ figure: area });
    expect(sheet.get('button.back').text()).toBe('Back to Water');
    await sheet.get('button.back').trigger('click');
    expect(drawer.path.map(({ figure }) => figure.label)).toEqual(['Water']);
  });

  test('a long sum is set as a column that ends in its total', () => {
    const sum = total(
      'Hands-on',
      'min',
      [10, 20, 30, 40, 50].map((value, i) => given(`Step ${i + 1}`, value, 'min', 'catalogue')),
    );
    const rows = mount(WorkingSheet, { props: { figure: sum } })
      .get('[data-testid=last-step]')
      .findAll('tr')
      .map((row) => plain(row.text()));
    expect(rows).toEqual(['Step 110 min', '+Step 220 min', '+Step 330 min', '+Step 440 min', '+Step 550 min', '=150 min']);
  });

  test('an input says where it comes from and nothing more', () => {
    const sheet = mount(WorkingSheet, { props: { figure: given('Density', 33, 'kg/m³', 'catalogue', 'our default value, 28 to 38') } });
    expect(plain(sheet.text())).toBe('33 kg/m³ From catalogue: our default value, 28 to 38');
  });
});

describe('a warning', () => {
  const warning: Warning = {
    id: 'pit/too-deep basin',
    code: 'pit/too-deep',
    severity: 'stop',
    featureId: 'basin',
    title: 'Basin',
    text: [given('Floor', 8, 'mm', 'plan'), ' of floor is left.'],
    mends: [{ edit: { code: 'feature/set', featureId: 'basin', change: { depthMm: 20 }, what: 'Sink' }, label: 'Sink it 20 mm' }],
  };

  test('says what, where and why, with figures that open and mends as buttons', async () => {
    const card = mount(WarningCard, { props: { warning } });
    expect(plain(card.text())).toBe('✕ Basin 8 mm of floor is left.Sink it 20 mm');
    expect(card.attributes('aria-label')).toBe('Cannot be built: Basin');
    await card.get('button.figure').trigger('click');
    await settled();
    expect(useDrawer().content).toBe('working');
  });

  test('one click applies its mend', async () => {
    const mend = vi.spyOn(usePlan(), 'mend').mockReturnValue('');
    await mount(WarningCard, { props: { warning } }).get('.mends button').trigger('click');
    expect(mend).toHaveBeenCalledExactlyOnceWith(warning.mends[0]);
  });

  test('trouble that can be built with is said more softly, and not by colour alone', () => {
    const card = mount(WarningCard, { props: { warning: { ...warning, severity: 'care', mends: [] } } });
    expect(card.attributes('aria-label')).toBe('Warning: Basin');
    expect(card.text()).toMatch(/^!/);
    expect(card.find('.mends').exists()).toBe(false);
  });
});
