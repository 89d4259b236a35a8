import { beforeEach, describe, expect, test } from 'vitest';
import { setPassphrase } from '../src/access/passphrase';
import { sweepSessions } from '../src/access/sessions';
import { aPlan, aServer } from './server';

const { call, db, port } = aServer({ isBeyond: true, isSecure: true });
const secondServer = aServer({ isBeyond: true, isSecure: false });
const PASSPHRASE = 'seven grey herons';
beforeEach(async () => {
  await setPassphrase(db(), PASSPHRASE);
  await setPassphrase(secondServer.db(), PASSPHRASE);
});
const signIn = (passphrase = PASSPHRASE, person = 'Ida') => call('POST', '/session', { person, passphrase });
/** The cookie of somebody who has signed in. */
async function aCookie(person = 'Ida'): Promise<{ Cookie: string }> {
  const { status, headers } = await signIn(PASSPHRASE, person);
  expect(status).toBe(200);
  return { Cookie: headers.get('set-cookie')!.split(';')[0]! };
}

describe('beyond this machine', () => {
  test('nothing is read or written before somebody signs in; the page learns that it is wanted', async () => {
    for (const [method, path] of [
      ['GET', '/boards'],
      ['GET', '/catalogue'],
      ['GET', '/rack'],
      ['GET', '/pictures'],
      ['GET', '/reach'],
      ['POST', '/boards'],
      ['GET', '/boards/3f0c1f8e-0d7e-4a57-9d2f-6a4bb5a0c111/live?tab=a'],
    ] as const)
      expect(await call(method, path, method === 'POST' ? { plan: aPlan() } : undefined)).toMatchObject({ status: 401 });
    expect((await call('GET', '/session')).body).toEqual({ signIn: 'wanted', person: null, role: null });
    expect(await db()('boards').count({ n: '*' })).toEqual([{ n: '0' }]);
  });

  test('the cookie is for this server’s pages alone, and each save says who made it', async () => {
    const { headers } = await signIn();
    const cookie = headers.get('set-cookie')!;
    for (const part of ['__Host-', 'HttpOnly', 'Secure', 'SameSite=Strict', 'Path=/']) expect(cookie).toContain(part);
    expect(cookie).not.toContain('Domain');
    expect(headers.get('strict-transport-security')).toBe('max-age=15552000');
    const [ida, per] = [await aCookie('Ida'), await aCookie('Per')];
    expect((await call('GET', '/session', undefined, per)).body).toEqual({ signIn: 'done', person: 'Per', role: 'owner' });
    const { id } = (await call('POST', '/boards', { plan: aPlan() }, ida)).body as { id: string };
    await call('PUT', `/boards/${id}/plan`, { revision: 1, plan: aPlan('Second') }, per);
    expect((await call('GET', `/boards/${id}/history`, undefined, ida)).body).toMatchObject({ revisions: [{ by: 'Per' }, { by: 'Ida' }] });
    expect(JSON.stringify(await db()('sessions').select())).not.toContain(ida.Cookie.split('=')[1]!);
  });

  test('without TLS the cookie goes in the clear, as it must', async () => {
    const answer = await secondServer.call('POST', '/session', { person: 'Ida', passphrase: PASSPHRASE });
    expect(answer.headers.get('set-cookie')).not.toContain('Secure');
    expect(answer.headers.get('set-cookie')).not.toContain('__Host-');
    expect(answer.headers.get('strict-transport-security')).toBeNull();
  });

  test('signed out is signed out, and a session that nobody used for long is over', async () => {
    const [ida, per] = [await aCookie('Ida'), await aCookie('Per')];
    expect((await call('DELETE', '/session', undefined, ida)).status).toBe(204);
    expect((await call('GET', '/boards', undefined, ida)).status).toBe(401);
    await db()('sessions').update({ seen_at: '2026-01-01' });
    expect((await call('GET', '/boards', undefined, per)).status).toBe(401);
    await sweepSessions(db());
    expect(await db()('sessions').count({ n: '*' })).toEqual([{ n: '0' }]);
  });

  test('a cookie from before a change of passphrase is dead', async () => {
    const ida = await aCookie();
    expect((await call('GET', '/boards', undefined, ida)).status).toBe(200);
    await setPassphrase(db(), 'another one now');
    expect((await call('GET', '/boards', undefined, ida)).status).toBe(401);
    expect((await signIn()).status).toBe(403);
    expect((await signIn('another one now')).status).toBe(200);
  });

  test('a page that listens with such a cookie hears no more', async () => {
    const ida = await aCookie();
    const { id } = (await call('POST', '/boards', { plan: aPlan() }, ida)).body as { id: string };
    const stream = await fetch(`http://127.0.0.1:${port()}/api/boards/${id}/live?tab=a`, { headers: ida });
    const heard = stream.text();
    await setPassphrase(db(), 'another one now');
    expect(await heard).toContain('"revision":1');
  });

  test('wrong passphrases are slowed, whoever is asked: the sixth is not even looked at, and a right one not either', async () => {
    const statuses = await Promise.all(Array.from({ length: 8 }, (_, i) => signIn(`wrong ${i}`).then(({ status }) => status)));
    expect(statuses.sort()).toEqual([403, 403, 403, 403, 403, 429, 429, 429]);
    const slowed = await signIn();
    expect(slowed.status).toBe(429);
    expect(Number(slowed.headers.get('retry-after'))).toBeGreaterThan(600);
    expect((slowed.body as { detail: string }).detail).toContain('15 minutes');
    // Counted in the database: a server that was started since knows of it.
    await db()('sign_in_attempts').update({ resets_at: '2026-01-01' });
    expect((await signIn()).status).toBe(200);
  });

  test('right ones do not count', async () => {
    for (let i = 0; i < 8; i++) expect((await signIn()).status).toBe(200);
  });

  test.each([
    [{ passphrase: 'x' }, 'person'],
    [{ person: 'Ida' }, 'passphrase'],
    [{ person: '', passphrase: 'x' }, 'person'],
    [{ person: 'Ida', passphrase: 7 }, 'passphrase'],
    [{ person: 'Ida', passphrase: 'x'.repeat(300) }, 'passphrase'],
  ])('%j is refused by field', async (body, field) => {
    expect(await call('POST', '/session', body)).toMatchObject({ status: 400, body: { issues: [{ path: field }] } });
  });

  test('a short passphrase cannot be set, and only its hash is stored', async () => {
    await expect(setPassphrase(db(), 'short')).rejects.toThrow('10 to 200');
    const [row] = (await db()('passphrase').select()) as { hash: string }[];
    expect(row!.hash).toMatch(/^\$argon2id\$/);
  });
});
