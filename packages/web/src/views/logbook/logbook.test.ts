import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { nextTick } from 'vue';
import type { KeptDeed } from '@spare-acre/core/schedule/bench';
import { mishapNames } from '@spare-acre/core/advice/troubleshooting';
import { EMPTY_STOCK, NOTHING_DONE } from '@spare-acre/core/plan/workshop';
import type { LogEntry } from '@spare-acre/core/learning/logbook';
import { useBench } from '../../stores/bench';
import { anOpenBoard, shown } from '../../testing/ground-world';
import { type Asked, BOARD_ID, CATALOGUE, CATALOGUE_ANSWER, aServer, aStoredBoard, freshStores, someLocks } from '../../testing/world';
import { ALL_UNITS, LoadedUnits } from '@spare-acre/core/pipeline';
import { BoardCopy } from '../../workers/board-copy';
import { diagnose } from '../../workers/searches/diagnose';
import MishapDesk from './MishapDesk.vue';
import TableNotes from './TableNotes.vue';
import WriteDown from './WriteDown.vue';

/** The board that the searches know. */
const { copies } = vi.hoisted(() => ({ copies: [] as unknown[] }));
vi.mock('../../workers/reckoning', () => import('../../testing/reckoning-here'));
vi.mock('../../workers/searches', () => ({
  searches: () => ({
    diagnose: (...[mishapId, on, log]: [string, string, LogEntry[]]) =>
      Promise.resolve(diagnose(copies.at(-1) as BoardCopy, mishapId, on, log)),
  }),
}));
vi.mock('vue-router', async () => (await import('../../testing/ground-world')).routerMock);
beforeEach(() => {
  someLocks();
  freshStores();
});
afterEach(() => vi.unstubAllGlobals());

/** What reached the server of what was written down. */
let written: LogEntry[];
function answer({ method, path, body }: Asked): { status: number; body: unknown } {
  const ok = (told: unknown) => ({ status: 200, body: told });
  if (path.endsWith('/catalogue')) return ok(CATALOGUE_ANSWER);
  if (path.endsWith('/rack')) return ok({ offcuts: [] });
  if (path.endsWith('/hand')) return ok({ corrections: [], refused: [] });
  if (path.endsWith('/log')) return ok({ entries: written });
  if (path.includes('/deeds') && method === 'POST') {
    const sent = (body as { deeds: KeptDeed['deed'][] }).deeds;
    for (const { act } of sent) if (act.kind === 'note') written.push(act.entry);
    return ok({ deeds: sent.map((deed, i) => ({ turn: written.length + i, deed })) });
  }
  return path.includes('/deeds') ? ok({ deeds: [] }) : ok(aStoredBoard());
}
async function aBench() {
  written = [];
  const store = await anOpenBoard();
  aServer(answer);
  const bench = useBench();
  await vi.waitFor(() => expect(bench.boardId).toBe(BOARD_ID), { timeout: 5_000 });
  store.look(['tasks', 'byWorkpiece'], []);
  return store;
}
type Desk = ReturnType<typeof shown>;
const field = (desk: Desk, label: string) => {
  const found = desk.findAll('label').find((one) => one.text().startsWith(label));
  if (found === undefined) throw new Error(`no field ${label}`);
  const id = found.attributes('for');
  return id === undefined ? found.find('input, textarea') : desk.get(`[id="${id}"]`);
};
const alert = (desk: Desk): string => desk.find('[role="alert"]').text();

describe('what a task really took', () => {
  test('nothing, or what is no number, is refused in words, and what was typed stays', async () => {
    await aBench();
    const desk = shown(WriteDown, {});
    await desk.get('form').trigger('submit');
    await vi.waitFor(() => expect(alert(desk)).toContain('Enter a time'));
    const task = desk
      .findAll('option')
      .find((one) => one.text().startsWith('✓') === false && (one.element as HTMLOptionElement).value !== '')!;
    await field(desk, 'Task').setValue((task.element as HTMLOptionElement).value);
    await field(desk, 'Actual time').setValue('an hour');
    await desk.get('form').trigger('submit');
    await vi.waitFor(() => expect(alert(desk)).toContain('an hour'));
    expect((field(desk, 'Actual time').element as HTMLInputElement).value).toBe('an hour');
    await field(desk, 'Actual time').setValue('30');
    await field(desk, 'Humidity').setValue('180');
    await desk.get('form').trigger('submit');
    await vi.waitFor(() => expect(alert(desk)).toContain('Humidity'));
    expect(written).toEqual([]);
  });

  test('minutes and a note go to the log with the plan beside them; the fields are free for the next', async () => {
    const store = await aBench();
    const desk = shown(WriteDown, {});
    const { taskId, work } = store.slices.tasks![0]!;
    await field(desk, 'Task').setValue(taskId);
    await field(desk, 'Actual time').setValue('47');
    await field(desk, 'Note').setValue('The knife was blunt.');
    // Pressed twice it is written down once.
    await Promise.all([desk.get('form').trigger('submit'), desk.get('form').trigger('submit')]);
    await vi.waitFor(() => expect(written.length).toBeGreaterThan(0), { timeout: 5_000 });
    await vi.waitFor(() => expect(useBench().waiting).toEqual([]), { timeout: 5_000 });
    expect(written).toHaveLength(1);
    const [entry] = written;
    expect([entry!.taskId, entry!.name, entry!.note]).toEqual([taskId, work.label, 'The knife was blunt.']);
    expect(entry!.figures.map(({ name, unit, planned, real }) => [name, unit, planned, real])).toEqual([
      ['Minutes', 'min', work.value, 47],
    ]);
    expect(entry!.air!.humidityPct).toBeGreaterThan(0);
    expect((field(desk, 'Actual time').element as HTMLInputElement).value).toBe('');
    expect((field(desk, 'Note').element as HTMLTextAreaElement).value).toBe('');
  });
});

describe('the mishap desk', () => {
  test('ranks what it may come of, plans the mend before what is left, and writes it down', async () => {
    const store = await aBench();
    const copy = new BoardCopy(new LoadedUnits(ALL_UNITS));
    copy.take({ whole: { board: { plan: store.plan!, record: NOTHING_DONE }, catalogue: CATALOGUE, stock: EMPTY_STOCK } });
    copies.push(copy);
    const desk = shown(MishapDesk, {});
    expect(desk.text()).toContain('Choose what went wrong.');
    const withMend = mishapNames().find(({ id }) => diagnose(copy, id, 'A1', [])!.causes.some(({ work }) => work !== null))!;
    const causes = diagnose(copy, withMend.id, 'A1', [])!.causes;
    await field(desk, 'What went wrong?').setValue(withMend.id);
    await vi.waitFor(() => expect(desk.findAll('[data-testid="cause"]')).toHaveLength(causes.length));
    expect(desk.findAll('[data-testid="cause"] h3').map((one) => one.text())).toEqual(causes.map(({ cause }) => cause.name));

    const { work } = causes.find((one) => one.work !== null)!;
    await desk
      .findAll('button')
      .find((one) => one.text().startsWith('Plan it:'))!
      .trigger('click');
    expect(store.plan!.mends.map(({ name, workpieceId }) => [name, workpieceId])).toEqual([[work!.name, work!.workpieceId]]);
    expect(desk.get('[role="status"]').text()).toContain('Planned');
    await vi.waitFor(() => expect(written).toHaveLength(1), { timeout: 5_000 });
    expect(written[0]!.mishap!.mishapId).toBe(withMend.id);
    await desk
      .findAll('button')
      .find((one) => one.text() === 'Remove it')!
      .trigger('click');
    expect(store.plan!.mends).toEqual([]);
  });
});

describe('after playing', () => {
  test('a note is pinned where the plan was pressed, else in the middle; settled, and taken off', async () => {
    const store = await aBench();
    const desk = shown(TableNotes, {});
    await desk.get('form').trigger('submit');
    await nextTick();
    expect(alert(desk)).toContain('Enter a few words');
    const words = field(desk, 'What was missed');
    await words.setValue('No cover by the pans');
    await desk.get('form').trigger('submit');
    const { table } = store.plan!;
    const [width, depth] = [table.columnWidthsMm, table.rowDepthsMm].map((list) => list.reduce((sum, mm) => sum + mm, 0));
    expect(store.plan!.tableNotes.map(({ at, words: said }) => [at, said])).toEqual([
      [{ x: width! / 2, y: depth! / 2 }, 'No cover by the pans'],
    ]);

    const svg = desk.get('svg');
    vi.spyOn(svg.element, 'getBoundingClientRect').mockReturnValue(new DOMRect(10, 20, 300, 200));
    await svg.trigger('click', { clientX: 10 + 75, clientY: 20 + 50 });
    await words.setValue('Too narrow here');
    await desk.get('form').trigger('submit');
    expect(store.plan!.tableNotes[1]!.at).toEqual({ x: Math.round(width! / 4), y: Math.round(depth! / 4) });

    await desk.findAll('input[type="checkbox"]')[0]!.setValue(true);
    expect(store.plan!.tableNotes.map(({ isDone }) => isDone)).toEqual([true, false]);
    await desk.get('button[aria-label="Remove: Too narrow here"]').trigger('click');
    expect(store.plan!.tableNotes.map(({ words: said }) => said)).toEqual(['No cover by the pans']);
  });
});
