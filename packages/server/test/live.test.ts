import { afterEach, expect, test } from 'vitest';
import type { LiveEvent } from '@spare-acre/core/io/wire';
import { aPlan, aServer, anotherServer } from './server';

const here = aServer();
const there = anotherServer(here);
const open: AbortController[] = [];
afterEach(() => open.splice(0).forEach((one) => one.abort()));

/** What a page that has a board open is told through a server. */
async function listen(
  port: number,
  board: string,
  tab: string,
): Promise<{ next: (kind: LiveEvent['kind']) => Promise<LiveEvent>; leave: () => void }> {
  const control = new AbortController();
  open.push(control);
  const answer = await fetch(`http://127.0.0.1:${port}/api/boards/${board}/live?tab=${tab}`, { signal: control.signal });
  expect(answer.headers.get('content-type')).toBe('text/event-stream');
  const told: LiveEvent[] = [];
  let wake = (): void => undefined;
  void (async () => {
    let text = '';
    for await (const chunk of answer.body!) {
      text += Buffer.from(chunk as Uint8Array).toString();
      const lines = text.split('\n\n');
      text = lines.pop()!;
      for (const line of lines) if (line.startsWith('data: ')) told.push(JSON.parse(line.slice(6)) as LiveEvent);
      wake();
    }
  })().catch(() => undefined);
  return {
    async next(kind) {
      for (;;) {
        const at = told.findIndex((event) => event.kind === kind);
        if (at >= 0) return told.splice(at, 1)[0]!;
        await new Promise<void>((done) => (wake = done));
      }
    },
    leave: () => control.abort(),
  };
}
const aBoard = async (): Promise<string> => ((await here.call('POST', '/boards', { plan: aPlan() })).body as { id: string }).id;

test('a save through one server is seen through the other within a second, and so are ticks', async () => {
  const id = await aBoard();
  const page = await listen(there.port(), id, 'phone');
  expect(await page.next('at')).toMatchObject({ revision: 1, what: 'now' });
  const at = Date.now();
  await here.call('PUT', `/boards/${id}/plan`, { revision: 1, plan: aPlan('Second') });
  expect(await page.next('at')).toMatchObject({ revision: 2, what: 'plan' });
  expect(Date.now() - at).toBeLessThan(1_000);
  await here.call('PUT', `/boards/${id}/cut-sheets/s1`, {
    id: 's1',
    materialId: 'xps-foam',
    thicknessMm: 30,
    number: 1,
    widthMm: 1250,
    depthMm: 600,
    offcutId: null,
    places: [{ partId: 'p', xMm: 5, yMm: 6, areaMm2: 250, turned: true, half: false, boxWidthMm: 50, boxDepthMm: 5 }],
  });
  expect(await page.next('at')).toMatchObject({ revision: 2, what: 'record' });
});

test('who else has the board open is told on both servers, and when they go', async () => {
  const id = await aBoard();
  const desk = await listen(here.port(), id, 'desk');
  const phone = await listen(there.port(), id, 'phone');
  expect(await desk.next('here')).toEqual({ kind: 'here', others: [{ person: null, device: 'desk' }] });
  expect(await phone.next('here')).toMatchObject({ others: [{ person: null }] });
  phone.leave();
  expect(await desk.next('here')).toEqual({ kind: 'here', others: [] });
});

test('a page is told when its board is put away, and nothing of other boards', async () => {
  const [id, other] = [await aBoard(), await aBoard()];
  const page = await listen(there.port(), id, 'a');
  await page.next('at');
  await here.call('PUT', `/boards/${other}/plan`, { revision: 1, plan: aPlan('Other') });
  await here.call('PUT', `/boards/${id}/put-away`);
  expect(await page.next('away')).toEqual({ kind: 'away' });
  await here.call('DELETE', `/boards/${id}/put-away`);
  expect(await page.next('at')).toMatchObject({ revision: 1 });
});

test('a server whose ear in the database was cut off listens again, and says where boards stand', async () => {
  const id = await aBoard();
  const page = await listen(there.port(), id, 'a');
  await page.next('at');
  await here.db().raw("select pg_terminate_backend(pid) from pg_stat_activity where datname = current_database() and query like 'listen%'");
  await here.call('PUT', `/boards/${id}/plan`, { revision: 1, plan: aPlan('While deaf') });
  expect(await page.next('at')).toMatchObject({ revision: 2 });
});

test('a board that nobody has, and a tab without a name, are refused', async () => {
  const of = (path: string) => here.call('GET', path).then(({ status }) => status);
  expect(await of('/boards/3f0c1f8e-0d7e-4a57-9d2f-6a4bb5a0c111/live?tab=a')).toBe(404);
  expect(await of(`/boards/${await aBoard()}/live`)).toBe(400);
});
