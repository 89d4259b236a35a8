import { beforeEach, describe, expect, test } from 'vitest';
import type { Role } from '@spare-acre/core/io/wire';
import { ACTIONS, can } from '../src/access/may';
import { setPassphrase } from '../src/access/passphrase';
import { sweepSessions } from '../src/access/sessions';
import { sweepDeleted } from '../src/deleted/deleted';
import { guardedApi } from '../src/routes';
import { aPlan, aServer } from './server';

const server = aServer({ isBeyond: true, isSecure: true });
const { call, db, port } = server;
const PASSPHRASE = 'seven grey herons';
const SOMEWHERE = '3f0c1f8e-0d7e-4a57-9d2f-6a4bb5a0c111';
beforeEach(async () => {
  for (const table of ['people', 'invitations', 'sessions', 'access_record', 'sign_in_attempts', 'shelf_moves', 'offcuts', 'pictures'])
    await db()(table).delete();
  await setPassphrase(db(), PASSPHRASE);
});
interface Cookie {
  readonly Cookie: string;
}
async function signIn(person = 'Ida', passphrase = PASSPHRASE, more: Record<string, string> = {}): Promise<Cookie> {
  const { status, headers } = await call('POST', '/session', { person, passphrase }, more);
  expect(status).toBe(200);
  return { Cookie: headers.get('set-cookie')!.split(';')[0]! };
}
const as = (who: Cookie): Record<string, string> => ({ ...who });
/** Somebody invited by an owner, with a passphrase of their own. */
async function aPerson(role: Role, name: string, owner?: Cookie): Promise<Cookie> {
  const by = owner ?? (await signIn('Owner'));
  const { token } = (await call('POST', '/people/invitations', { role, days: 7 }, as(by))).body as { token: string };
  const joined = await call('POST', '/session/join', { token, person: name, passphrase: `${name} keeps geese` });
  expect(joined).toMatchObject({ status: 201, body: { person: name, role } });
  return { Cookie: joined.headers.get('set-cookie')!.split(';')[0]! };
}
const recorded = async (): Promise<string[]> => ((await db()('access_record').orderBy('id')) as { what: string }[]).map(({ what }) => what);

describe('roles', () => {
  test('every route says what it lets somebody do, and whoever may not is refused before anything is read', async () => {
    const routes = guardedApi({ db: db(), keeper: null, readers: null, hub: null, access: {}, reach: {} } as never).flatMap(
      ({ listed }) => listed,
    );
    expect(routes.length).toBeGreaterThan(60);
    const people = { guest: await aPerson('guest', 'Gus'), builder: await aPerson('builder', 'Bo') };
    for (const { method, path, action } of routes) {
      expect(ACTIONS).toContain(action);
      const at = path.replaceAll(/:\w+/g, SOMEWHERE);
      for (const role of ['guest', 'builder'] as const) {
        if (path.endsWith('/live') || (method === 'DELETE' && path === '/sessions/:sessionId')) continue;
        const { status } = await call(method, at, method === 'GET' || method === 'DELETE' ? undefined : {}, as(people[role]));
        if (can(role, action)) expect([path, status]).not.toEqual([path, 403]);
        else expect([method, path, role, status]).toEqual([method, path, role, 403]);
      }
    }
  });

  test('a guest looks at everything and changes nothing; what a builder may not is told in words', async () => {
    const guest = await aPerson('guest', 'Gus');
    expect((await call('GET', '/boards', undefined, as(guest))).status).toBe(200);
    const refused = await call('POST', '/boards', { plan: aPlan() }, as(guest));
    expect(refused).toMatchObject({
      status: 403,
      body: { detail: 'As a guest you can view everything, but you cannot change anything. Ask an owner of this server.' },
    });
    const builder = await aPerson('builder', 'Bo');
    expect((await call('POST', '/boards', { plan: aPlan() }, as(builder))).status).toBe(201);
    expect((await call('GET', '/people', undefined, as(builder))).status).toBe(403);
  });

  test('another role counts at once: what was open ends', async () => {
    const owner = await signIn('Owner');
    const builder = await aPerson('builder', 'Bo', owner);
    const { people } = (await call('GET', '/people', undefined, as(owner))).body as { people: { id: string; name: string }[] };
    await call('PUT', `/people/${people[0]!.id}/role`, { role: 'guest' }, as(owner));
    expect((await call('GET', '/boards', undefined, as(builder))).status).toBe(401);
    const again = await signIn('Bo', 'Bo keeps geese');
    expect((await call('POST', '/boards', { plan: aPlan() }, as(again))).status).toBe(403);
  });
});

describe('invitations', () => {
  test('are used once, end, can be withdrawn, and their token is stored nowhere', async () => {
    const owner = await signIn('Owner');
    const made = (await call('POST', '/people/invitations', { role: 'builder', days: 7 }, as(owner))).body as { id: string; token: string };
    expect(JSON.stringify(await db()('invitations').select())).not.toContain(made.token);
    const joining = (token: string, person: string) => call('POST', '/session/join', { token, person, passphrase: 'four wet boots' });
    expect((await joining(made.token, 'Bo')).status).toBe(201);
    expect((await joining(made.token, 'Cy')).status).toBe(410);
    const late = (await call('POST', '/people/invitations', { role: 'guest', days: 1 }, as(owner))).body as { token: string };
    await db()('invitations').update({ ends_at: '2026-01-01' });
    expect((await joining(late.token, 'Cy')).status).toBe(410);
    const gone = (await call('POST', '/people/invitations', { role: 'guest', days: 1 }, as(owner))).body as { id: string; token: string };
    await call('DELETE', `/people/invitations/${gone.id}`, undefined, as(owner));
    expect((await joining(gone.token, 'Cy')).status).toBe(410);
  });
  test('a name that somebody has is refused, and the invitation is still there', async () => {
    const owner = await signIn('Owner');
    await aPerson('builder', 'Bo', owner);
    const { token } = (await call('POST', '/people/invitations', { role: 'guest', days: 1 }, as(owner))).body as { token: string };
    const joining = (person: string) => call('POST', '/session/join', { token, person, passphrase: 'four wet boots' });
    expect((await joining('BO')).status).toBe(409);
    expect((await joining('Cy')).status).toBe(201);
  });
  test.each([
    [{ role: 'king', days: 7 }, 'role'],
    [{ role: 'guest', days: 90 }, 'days'],
  ])('%j is refused by field', async (body, path) => {
    const owner = await signIn('Owner');
    expect(await call('POST', '/people/invitations', body, as(owner))).toMatchObject({ status: 400, body: { issues: [{ path }] } });
  });
});

describe('passphrases of one’s own', () => {
  test('the one of the server does not open a name that has its own', async () => {
    await aPerson('guest', 'Gus');
    expect((await call('POST', '/session', { person: 'gus', passphrase: PASSPHRASE })).status).toBe(403);
    expect((await call('POST', '/session', { person: 'gus', passphrase: 'Gus keeps geese' })).body).toMatchObject({
      person: 'Gus',
      role: 'guest',
    });
  });
  test('a changed one ends other sessions of the same person and no others; the old one has to be right', async () => {
    const owner = await signIn('Owner');
    const one = await aPerson('builder', 'Bo', owner);
    const other = await signIn('Bo', 'Bo keeps geese');
    expect((await call('PUT', '/session/passphrase', { old: 'wrong', passphrase: 'nine tin lids' }, as(one))).status).toBe(403);
    expect((await call('PUT', '/session/passphrase', { old: 'Bo keeps geese', passphrase: 'nine tin lids' }, as(one))).status).toBe(204);
    expect((await call('GET', '/boards', undefined, as(one))).status).toBe(200);
    expect((await call('GET', '/boards', undefined, as(other))).status).toBe(401);
    expect((await call('GET', '/boards', undefined, as(owner))).status).toBe(200);
    expect((await call('PUT', '/session/passphrase', { old: PASSPHRASE, passphrase: 'nine tin lids' }, as(owner))).status).toBe(409);
  });
});

describe('sessions', () => {
  test('are listed and ended; an owner sees everybody’s, others their own', async () => {
    const owner = await signIn('Owner');
    const builder = await aPerson('builder', 'Bo', owner);
    const listed = async (who: Cookie) =>
      ((await call('GET', '/sessions', undefined, as(who))).body as { sessions: { id: string; person: string; isThis: boolean }[] })
        .sessions;
    expect((await listed(owner)).map(({ person }) => person).sort()).toEqual(['Bo', 'Owner']);
    expect((await listed(builder)).map(({ person, isThis }) => [person, isThis])).toEqual([['Bo', true]]);
    const own = (await listed(owner)).find(({ isThis }) => isThis)!;
    expect((await call('DELETE', `/sessions/${own.id}`, undefined, as(builder))).status).toBe(404);
    const theirs = (await listed(builder))[0]!;
    expect((await call('DELETE', `/sessions/${theirs.id}`, undefined, as(owner))).status).toBe(204);
    expect((await call('GET', '/boards', undefined, as(builder))).status).toBe(401);
  });
  test('signing in again ends the session that the browser had', async () => {
    const first = await signIn();
    await signIn('Ida', PASSPHRASE, as(first));
    expect((await call('GET', '/boards', undefined, as(first))).status).toBe(401);
    expect(await db()('sessions').count({ n: '*' })).toEqual([{ n: '1' }]);
  });
  test('ninety days after it began a session is over, however much it is used', async () => {
    const ida = await signIn();
    await db()('sessions').update({ begun_at: db().raw(`now() - interval '89 days'`) });
    expect((await call('GET', '/boards', undefined, as(ida))).status).toBe(200);
    await db()('sessions').update({ begun_at: db().raw(`now() - interval '91 days'`) });
    expect((await call('GET', '/boards', undefined, as(ida))).status).toBe(401);
    await sweepSessions(db());
    expect(await db()('sessions').count({ n: '*' })).toEqual([{ n: '0' }]);
  });
  test('what a session listens to ends when it signs out, and other people’s goes on', async () => {
    const [ida, per] = [await signIn('Ida'), await signIn('Per')];
    const { id } = (await call('POST', '/boards', { plan: aPlan() }, as(ida))).body as { id: string };
    const listening = async (who: Cookie, tab: string) =>
      (await fetch(`http://127.0.0.1:${port()}/api/boards/${id}/live?tab=${tab}`, { headers: as(who) })).body!.getReader();
    const [mine, theirs] = [await listening(ida, 'a'), await listening(per, 'b')];
    await call('DELETE', '/session', undefined, as(ida));
    let isDone = false;
    while (!isDone) isDone = (await mine.read()).done;
    expect((await theirs.read()).done).toBe(false);
    await theirs.cancel();
  });
});

describe('guessing', () => {
  const guess = (person: string, i: number) => call('POST', '/session', { person, passphrase: `wrong ${i}` });
  test('at one name locks that name from that address, and nobody else', async () => {
    await aPerson('builder', 'Bo');
    for (let i = 0; i < 6; i++) await guess('Bo', i);
    expect((await guess('Bo', 7)).status).toBe(429);
    expect((await call('POST', '/session', { person: 'Ida', passphrase: PASSPHRASE })).status).toBe(200);
  });
  test('whatever the names, an address has so many tries', async () => {
    const names = Array.from({ length: 8 }, (_, i) => `Somebody ${i}`);
    for (const name of names) await aPerson('guest', name);
    await db()('sign_in_attempts').delete();
    const statuses: number[] = [];
    for (let i = 0; i < 32; i++) statuses.push((await guess(names[i % 8]!, i)).status);
    expect(statuses.filter((status) => status === 403)).toHaveLength(20);
  });
  test('sixty guesses from everywhere at one name do not keep out who came from here before', async () => {
    await signIn('Ida');
    const sixty = { key: 'for server', hits: 70, resets_at: db().raw(`now() + interval '10 minutes'`) };
    await db()('sign_in_attempts').insert(sixty).onConflict('key').merge();
    expect((await call('POST', '/session', { person: 'Ida', passphrase: PASSPHRASE })).status).toBe(200);
    expect((await call('POST', '/session', { person: 'Nobody yet', passphrase: PASSPHRASE })).status).toBe(429);
  });
});

describe('what is deleted', () => {
  const move = { stockId: 'adhesives.superglue', kind: 'bought', amount: 20, day: '2026-12-01', boardId: null, paidMinor: null, note: '' };
  const deleted = async (who: Cookie) =>
    ((await call('GET', '/deleted', undefined, as(who))).body as { deleted: { kind: string; id: string; by: string }[] }).deleted;

  test('stays for 30 days with who did it, and comes back: shelf, offcut, log and picture', async () => {
    const ida = await signIn('Ida');
    const board = (await call('POST', '/boards', { plan: aPlan() }, as(ida))).body as { id: string };
    const [line, entry] = ['00000000-0000-4000-8000-000000000001', '00000000-0000-4000-8000-000000000002'];
    await call('POST', '/shelf', { moves: [{ ...move, id: line }] }, as(ida));
    const offcut = (
      await call('POST', '/rack', { materialId: 'xps-foam', thicknessMm: 20, widthMm: 300, depthMm: 200, from: null }, as(ida))
    ).body as { id: string };
    const note = {
      id: entry,
      taskId: null,
      name: 'Note',
      day: '2026-12-01',
      who: '',
      figures: [],
      note: 'It ran',
      photoIds: [],
      air: null,
      mishap: null,
    };
    await call('POST', `/boards/${board.id}/log`, { entries: [note] }, as(ida));
    await db()('pictures').insert({ id: SOMEWHERE, media_type: 'image/png', width_px: 4, height_px: 4, body: Buffer.from('x') });
    const places = [`/shelf/${line}`, `/rack/${offcut.id}`, `/boards/${board.id}/log/${entry}`, `/pictures/${SOMEWHERE}`];
    for (const place of places) expect((await call('DELETE', place, undefined, as(ida))).status).toBeLessThan(300);
    expect((await call('GET', '/shelf', undefined, as(ida))).body).toEqual({ moves: [] });
    expect((await call('GET', '/rack', undefined, as(ida))).body).toEqual({ offcuts: [] });
    expect((await call('GET', `/boards/${board.id}/log`, undefined, as(ida))).body).toMatchObject({ entries: [], deletedIds: [entry] });
    expect((await call('GET', `/pictures/${SOMEWHERE}`, undefined, as(ida))).status).toBe(404);
    const gone = await deleted(ida);
    expect(gone.map(({ kind, by }) => [kind, by]).sort()).toEqual([
      ['log', 'Ida'],
      ['offcut', 'Ida'],
      ['picture', 'Ida'],
      ['shelf', 'Ida'],
    ]);
    for (const { kind, id } of gone) expect((await call('POST', `/deleted/${kind}/${id}/restore`, undefined, as(ida))).status).toBe(200);
    expect(await deleted(ida)).toEqual([]);
    expect((await call('GET', '/shelf', undefined, as(ida))).body).toMatchObject({ moves: [{ id: line }] });
    expect((await call('GET', `/boards/${board.id}/log`, undefined, as(ida))).body).toMatchObject({
      entries: [{ id: entry }],
      deletedIds: [],
    });
    expect(await recorded()).toEqual(['signed-in', ...Array<string>(4).fill('deleted'), ...Array<string>(4).fill('restored')]);
  });

  test('after 30 days it is gone for good', async () => {
    const ida = await signIn('Ida');
    const id = '00000000-0000-4000-8000-000000000003';
    await call('POST', '/shelf', { moves: [{ ...move, id }] }, as(ida));
    await call('DELETE', `/shelf/${id}`, undefined, as(ida));
    await sweepDeleted(db());
    expect(await deleted(ida)).toHaveLength(1);
    await db()('shelf_moves').update({ deleted_at: db().raw(`now() - interval '31 days'`) });
    await sweepDeleted(db());
    expect(await deleted(ida)).toEqual([]);
    expect((await call('POST', `/deleted/shelf/${id}/restore`, undefined, as(ida))).status).toBe(404);
  });
});

test('who came in, failed, was invited, left and exported is written down, for owners alone', async () => {
  const owner = await signIn('Owner');
  await call('POST', '/session', { person: 'Owner', passphrase: 'wrong wrong' });
  const builder = await aPerson('builder', 'Bo', owner);
  const { id } = (await call('POST', '/boards', { plan: aPlan('Quay') }, as(builder))).body as { id: string };
  await call('GET', `/boards/${id}/export`, undefined, as(builder));
  await call('DELETE', '/session', undefined, as(builder));
  expect(await recorded()).toEqual(['signed-in', 'sign-in-failed', 'invited', 'joined', 'exported', 'signed-out']);
  const { entries } = (await call('GET', '/access-record', undefined, as(owner))).body as {
    entries: { what: string; person: string; about: string }[];
  };
  expect(entries[1]).toMatchObject({ what: 'exported', person: 'Bo', about: 'Quay' });
});
