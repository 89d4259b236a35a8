import { gzipSync } from 'node:zlib';
import { describe, expect, test } from 'vitest';
import { aPlan, aServer } from './server';

const server = aServer();
const { call } = server;
interface Board {
  readonly id: string;
  readonly revision: number;
  readonly plan: { readonly name: string };
}
const create = async (name?: string): Promise<Board> => (await call('POST', '/boards', { plan: aPlan(name) })).body as Board;

describe('boards', () => {
  test('health and the catalogue answer', async () => {
    expect(await call('GET', '/health')).toMatchObject({ status: 200, body: { ok: true, database: 'up' } });
    expect(await call('GET', '/catalogue')).toMatchObject({ status: 200, body: { catalogue: { version: 1, currency: 'EUR' } } });
  });

  test('a board is created, listed, read and saved; every revision is kept', async () => {
    const { id, revision } = await create('First');
    expect(revision).toBe(1);
    const saved = await call('PUT', `/boards/${id}/plan`, { revision: 1, plan: aPlan('Second') });
    expect(saved).toMatchObject({ status: 200, body: { revision: 2 } });
    expect(await call('GET', `/boards/${id}`)).toMatchObject({ body: { revision: 2, plan: { name: 'Second' } } });
    expect(await call('GET', '/boards')).toMatchObject({ body: { boards: [{ id, revision: 2 }] } });
    expect(await call('GET', `/boards/${id}/history`)).toMatchObject({ body: { revisions: [{ revision: 2 }, { revision: 1 }] } });
    expect(
      await call('PUT', `/boards/${id}/plan`, { revision: 2, plan: aPlan('Third'), changes: ['Rename', 'Widen the channel'] }),
    ).toMatchObject({ status: 200 });
    expect((await call('GET', `/boards/${id}/history`)).body).toMatchObject({
      revisions: [{ revision: 3, changes: ['Rename', 'Widen the channel'] }, { changes: [] }, { changes: [] }],
    });
    expect(await call('GET', `/boards/${id}/history/1`)).toMatchObject({ body: { revision: 1, plan: { name: 'First' } } });
  });

  test('a plan comes back as it was sent', async () => {
    const plan = aPlan();
    const { id } = await create();
    expect((await call('GET', `/boards/${id}`)).body).toMatchObject({ plan });
  });

  test('a stale save is refused with what is stored, and changes nothing', async () => {
    const { id } = await create('First');
    await call('PUT', `/boards/${id}/plan`, { revision: 1, plan: aPlan('Theirs') });
    const stale = await call('PUT', `/boards/${id}/plan`, { revision: 1, plan: aPlan('Mine') });
    expect(stale).toMatchObject({
      status: 409,
      body: { title: 'Someone else saved this board', stored: { revision: 2, plan: { name: 'Theirs' } } },
    });
    expect(await call('GET', `/boards/${id}`)).toMatchObject({ body: { revision: 2, plan: { name: 'Theirs' } } });
  });

  test('of ten saves at once from one revision exactly one wins', async () => {
    const { id } = await create();
    const saves = await Promise.all(
      Array.from({ length: 10 }, (_, i) => call('PUT', `/boards/${id}/plan`, { revision: 1, plan: aPlan(`Hand ${i}`) })),
    );
    expect(saves.map(({ status }) => status).sort()).toEqual([200, ...Array.from({ length: 9 }, () => 409)]);
    expect((await call('GET', `/boards/${id}/history`)).body).toMatchObject({ revisions: [{ revision: 2 }, { revision: 1 }] });
  });

  test('a stored plan that cannot be read is named, its file still exported, and hides no other board', async () => {
    const [damaged, sound] = [await create('Damaged'), await create('Sound')];
    await server
      .db()('boards')
      .where({ id: damaged.id })
      .update({ plan: JSON.stringify({ ...aPlan('Damaged'), table: 'gone' }) });
    const list = await call('GET', '/boards');
    expect(list).toMatchObject({
      status: 200,
      body: { boards: [{ id: sound.id }], unreadable: [{ id: damaged.id, name: 'Damaged', issues: [{ path: 'plan.table' }] }] },
    });
    const issues = [expect.objectContaining({ path: 'plan.table' })];
    expect(await call('GET', `/boards/${damaged.id}`)).toMatchObject({
      status: 500,
      body: { title: 'The stored plan cannot be read', issues },
    });
    expect((await call('GET', `/boards/${damaged.id}/export`)).body).toMatchObject({ name: 'Damaged', table: 'gone' });
  });

  test('what is exported can be imported again', async () => {
    const { id } = await create('Brine & salt');
    const exported = await call('GET', `/boards/${id}/export`);
    expect(exported.headers.get('content-disposition')).toBe('attachment; filename=brine-salt.spare-acre.json');
    const imported = await call('POST', '/boards/import', exported.body);
    const { record, ...plan } = exported.body as { record: object };
    expect(imported).toMatchObject({ status: 201, body: { revision: 1, plan, record } });
    expect((imported.body as Board).id).not.toBe(id);
  });

  test('a board put away is gone from the list and comes back whole', async () => {
    const { id } = await create();
    expect((await call('PUT', `/boards/${id}/put-away`)).status).toBe(204);
    expect(await call('GET', '/boards')).toMatchObject({ body: { boards: [] } });
    expect((await call('GET', `/boards/${id}`)).status).toBe(404);
    expect((await call('PUT', `/boards/${id}/plan`, { revision: 1, plan: aPlan() })).status).toBe(404);
    expect(await call('GET', '/boards/put-away')).toMatchObject({ body: { boards: [{ id, name: aPlan().name }] } });
    expect((await call('DELETE', `/boards/${id}/put-away`)).status).toBe(204);
    expect(await call('GET', '/boards')).toMatchObject({ body: { boards: [{ id }] } });
    expect(await call('GET', '/boards/put-away')).toMatchObject({ body: { boards: [] } });
  });
});

describe('the database keeps its own rules', () => {
  test('a revision under one, and a second catalogue, are refused', async () => {
    const { id } = await create();
    await expect(server.db()('boards').where({ id }).update({ revision: 0 })).rejects.toThrow('boards_revision_counts_from_one');
    await expect(server.db()('catalogue').insert({ id: 2, body: '{}' })).rejects.toThrow('catalogue_is_one');
  });

  test('migrations go down and up again', async () => {
    await server.db().migrate.rollback();
    expect(await server.db().schema.hasTable('boards')).toBe(false);
    await server.db().migrate.latest();
    expect(await server.db().schema.hasTable('boards')).toBe(true);
  });
});

test('three hundred boards are one answer of under 60 kB as it is sent, each with what its card shows', async () => {
  const { id } = await create('First');
  const { db } = server;
  await db().raw(
    `insert into boards (id, name, revision, plan, checked, card, done_tasks)
    select gen_random_uuid(), 'Board ' || n, 1, plan, checked, card, '{"t":{}}' from boards, generate_series(1, 299) as n where id = ?`,
    [id],
  );
  const answer = await fetch(`http://127.0.0.1:${server.port()}/api/boards`, { headers: { 'Accept-Encoding': 'gzip' } });
  const { boards } = (await answer.json()) as { boards: { id: string; name: string; doneTasks: number; summary: object }[] };
  expect(boards).toHaveLength(300);
  expect(boards.find(({ name }) => name === 'Board 7')).toMatchObject({
    doneTasks: 1,
    summary: { widthMm: 1200, depthMm: 800, areas: [] },
  });
  expect(answer.headers.get('content-encoding')).toBe('gzip');
  const sent = gzipSync(JSON.stringify({ boards })).length;
  expect(sent).toBeLessThan(60_000);
});

test('a board from before cards were kept is listed with one, and keeps it', async () => {
  const { id } = await create('Older');
  await server.db()('boards').where({ id }).update({ card: null });
  const got = await call('GET', '/boards');
  const { boards } = got.body as { boards: { summary: { widthMm: number } }[] };
  expect(got).toMatchObject({ status: 200 });
  expect(boards[0]!.summary.widthMm).toBe(1200);
  expect((await server.db()('boards').first('card').where({ id })) as { card: object }).toMatchObject({ card: { widthMm: 1200 } });
});
