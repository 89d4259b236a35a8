import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import type { Surface } from '@spare-acre/core/plan';
import type { GroundKind } from '@spare-acre/core/plan/surfaces';
import { anOpenBoard, shown } from '../../testing/ground-world';
import { freshStores, someLocks } from '../../testing/world';
import SurfacePanel from './SurfacePanel.vue';
import { chosenSurfaceId } from './surfaceChoice';

vi.mock('../../workers/reckoning', () => import('../../testing/idle-reckoning'));
vi.mock('vue-router', async () => (await import('../../testing/ground-world')).routerMock);
beforeEach(() => {
  someLocks();
  freshStores();
});
afterEach(() => vi.unstubAllGlobals());

type Store = Awaited<ReturnType<typeof anOpenBoard>>;
type Panel = ReturnType<typeof shown>;
/** What most of the ground wears. */
const openGround = (store: Store): Surface => store.plan!.surfaces.find(({ id }) => id === store.plan!.wears.open)!;
const coatIds = (store: Store): string[] => openGround(store).coats.map(({ id }) => id);
const field = (panel: Panel, label: string) => {
  const found = panel.findAll('.field').find((one) => one.find('label').text() === label);
  if (found === undefined) throw new Error(`no field ${label}`);
  return found.find<HTMLInputElement | HTMLSelectElement>('select, input');
};
const button = (panel: Panel, text: string) => panel.findAll('button').find((one) => one.text() === text)!;

describe('the coats of a surface', () => {
  test('stand in their order; one goes earlier or later by its buttons, never past the ends', async () => {
    const store = await anOpenBoard();
    const panel = shown(SurfacePanel, { surface: openGround(store) });
    const before = coatIds(store);
    expect(panel.findAll('li').map((row) => row.attributes('data-coat'))).toEqual(before);
    const [earlier, later] = ['earlier', 'later'].map((way) => panel.findAll(`button[aria-label$=" ${way}"]`));
    expect(earlier!.map((one) => one.attributes('disabled') !== undefined)).toEqual(before.map((_, i) => i === 0));
    expect(later!.map((one) => one.attributes('disabled') !== undefined)).toEqual(before.map((_, i) => i === before.length - 1));
    await later![0]!.trigger('click');
    expect(coatIds(store)).toEqual([before[1], before[0], ...before.slice(2)]);
    store.undo();
    expect(coatIds(store)).toEqual(before);
  });

  test('another is laid on last once both what and how are chosen, and opens for its fields', async () => {
    const store = await anOpenBoard();
    const panel = shown(SurfacePanel, { surface: openGround(store) });
    const before = coatIds(store);
    expect(button(panel, 'Add coat').attributes('disabled')).toBeDefined();
    await field(panel, 'Add coat').setValue('light-filler');
    expect(button(panel, 'Add coat').attributes('disabled')).toBeDefined();
    const methodId = openGround(store).coats[0]!.methodId;
    await field(panel, 'Method').setValue(methodId);
    await button(panel, 'Add coat').trigger('click');
    const added = openGround(store).coats.at(-1)!;
    expect(coatIds(store)).toEqual([...before, added.id]);
    expect([added.coatingId, added.methodId]).toEqual(['light-filler', methodId]);
    await panel.setProps({ surface: openGround(store) });
    expect(panel.get(`[data-coat="${added.id}"] button[aria-expanded]`).attributes('aria-expanded')).toBe('true');
  });
});

describe('a surface', () => {
  test('is given another name and relief; one without a name is refused at its field', async () => {
    const store = await anOpenBoard();
    const panel = shown(SurfacePanel, { surface: openGround(store) });
    const name = field(panel, 'Name');
    await name.setValue('Salt marsh');
    await name.trigger('keydown', { key: 'Enter' });
    expect(openGround(store).name).toBe('Salt marsh');
    await name.setValue('');
    await name.trigger('keydown', { key: 'Enter' });
    expect(openGround(store).name).toBe('Salt marsh');
    expect(panel.get('[role="alert"]').text()).toContain('Name');
    const other = [...field(panel, 'Relief').findAll('option')]
      .map((one) => one.element.value)
      .find((one) => one !== openGround(store).relief)!;
    await field(panel, 'Relief').setValue(other);
    expect(openGround(store).relief).toBe(other);
  });

  test('that something wears says by what and cannot go; one that nothing wears can, and none is chosen then', async () => {
    const store = await anOpenBoard();
    const panel = shown(SurfacePanel, { surface: openGround(store) });
    expect(panel.get('.sub').text()).toMatch(/^Used on /);
    expect(button(panel, 'Remove this surface')).toBeUndefined();

    const { surfaces, wears } = store.plan!;
    const spare: Surface = { ...openGround(store), id: 'spare', name: 'Spare', coats: [] };
    expect(store.edit({ code: 'surface/add', surface: spare })).toBe('');
    chosenSurfaceId.value = 'spare';
    const other = shown(SurfacePanel, { surface: spare });
    expect(other.text()).toContain('No coats yet.');
    await button(other, 'Remove this surface').trigger('click');
    expect(store.plan!.surfaces).toEqual(surfaces);
    expect(store.plan!.wears).toEqual(wears);
    expect(chosenSurfaceId.value).toBeNull();
  });

  test('is laid on another kind of ground, which wears it from then on', async () => {
    const store = await anOpenBoard();
    const surface = openGround(store);
    const panel = shown(SurfacePanel, { surface });
    const kinds = field(panel, 'Apply to')
      .findAll('option')
      .flatMap((one) => (one.element as HTMLOptionElement).value || []);
    expect(kinds).not.toContain('open');
    const kind = kinds[0] as GroundKind;
    await field(panel, 'Apply to').setValue(kind);
    expect(store.plan!.wears[kind]).toBe(surface.id);
  });
});
