import { flushPromises, mount } from '@vue/test-utils';
import jsQR from 'jsqr';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { type Answer, type Asked, aServer, freshStores, someLocks } from '../../testing/world';
import { fetchBoards, isSignInWanted } from '../../stores/device/client';
import { CODE_SIDE, codeOf } from './code';
import KeptPictures from './KeptPictures.vue';
import ServerSheet from './ServerSheet.vue';
import SignInDialog from './SignInDialog.vue';

vi.mock('../../workers/reckoning', () => import('../../testing/idle-reckoning'));
beforeEach(() => {
  someLocks();
  freshStores();
  isSignInWanted.value = false;
});
afterEach(() => {
  vi.unstubAllGlobals();
  document.body.innerHTML = '';
});
const problem = (status: number, detail: string): Answer => ({ status, body: { type: 'about:blank', title: 'No', status, detail } });
const NOTHING = { pictures: [], bytes: 0 };

test('the code says the address', () => {
  const address = 'https://192.168.101.117:43101';
  const [scale, dark] = [4, new Set<string>()];
  for (const [, x, y] of codeOf(address).matchAll(/M(\d+) (\d+)/g)) dark.add(`${x} ${y}`);
  const side = CODE_SIDE * scale;
  const pixels = new Uint8ClampedArray(side * side * 4).fill(255);
  for (let i = 0; i < side * side; i++) {
    if (dark.has(`${Math.floor((i % side) / scale)} ${Math.floor(i / side / scale)}`)) pixels.fill(0, i * 4, i * 4 + 3);
  }
  expect(jsQR(pixels, side, side)!.data).toBe(address);
});

describe('signing in', () => {
  async function aDialog(answer: (asked: Asked) => Answer) {
    const asked = aServer(answer);
    const reload = vi.fn();
    vi.stubGlobal('location', { reload });
    const dialog = mount(SignInDialog, { attachTo: document.body });
    await flushPromises();
    const field = (type: string): HTMLInputElement => document.querySelector(`input${type}`)!;
    const enter = async (person: string, passphrase: string): Promise<void> => {
      for (const [type, value] of [
        [':not([type=password])', person],
        ['[type=password]', passphrase],
      ] as const) {
        field(type).value = value;
        field(type).dispatchEvent(new Event('input'));
      }
      document.querySelector('form')!.dispatchEvent(new Event('submit'));
      await flushPromises();
    };
    return { dialog, asked, reload, enter, field };
  }

  test('is wanted when the server says so', async () => {
    aServer(() => problem(401, 'Sign in first.'));
    await fetchBoards().catch(() => undefined);
    expect(isSignInWanted.value).toBe(true);
  });

  test('a wrong passphrase is told and asked for again, the name kept; a right one lets in', async () => {
    isSignInWanted.value = true;
    const { asked, reload, enter, field } = await aDialog(({ body }) =>
      (body as { passphrase: string }).passphrase === 'right'
        ? { status: 200, body: { signIn: 'done', person: 'Ida', role: 'owner' } }
        : problem(403, 'passphrase: this is not it.'),
    );
    await enter(' Ida ', 'wrong');
    expect(document.body.textContent).toContain('passphrase: this is not it.');
    expect([field(':not([type=password])').value, field('[type=password]').value, isSignInWanted.value]).toEqual([' Ida ', '', true]);
    await enter('Ida', 'right');
    expect(asked.at(-1)).toEqual({ method: 'POST', path: '/api/session', body: { person: 'Ida', passphrase: 'right' } });
    expect([isSignInWanted.value, reload.mock.calls.length]).toEqual([false, 1]);
  });
});

describe('the sheet about the server', () => {
  async function aSheet(reach: object, session: object) {
    const asked = aServer(({ path, method }) => {
      if (method === 'DELETE') return { status: 204, body: null };
      return { status: 200, body: path.endsWith('/reach') ? reach : path.endsWith('/session') ? session : NOTHING };
    });
    const sheet = mount(ServerSheet);
    await flushPromises();
    return { sheet, asked };
  }

  test('open on this machine alone: says how to open it further', async () => {
    const { sheet } = await aSheet({ addresses: [], fingerprint: null }, { signIn: 'none', person: null, role: 'owner' });
    expect(sheet.text()).toContain('npm run passphrase');
    expect(sheet.find('svg').exists()).toBe(false);
    expect(sheet.text()).not.toContain('Sign out');
  });

  test('reached from elsewhere: its address, a code of it, its fingerprint, and the way out', async () => {
    const { sheet, asked } = await aSheet(
      { addresses: ['https://10.0.0.7:4310'], fingerprint: 'AB:CD', authorityUrls: ['http://10.0.0.7:4311'] },
      { signIn: 'done', person: 'Ida', role: 'guest' },
    );
    expect(sheet.get('svg').attributes('aria-label')).toBe('Code of http://10.0.0.7:4311');
    expect(sheet.text()).toContain('AB:CD');
    expect(sheet.text()).toContain('As Ida');
    await sheet
      .findAll('button')
      .find((button) => button.text() === 'Sign out')!
      .trigger('click');
    await flushPromises();
    expect(asked.at(-1)).toMatchObject({ method: 'DELETE', path: '/api/session' });
    expect(isSignInWanted.value).toBe(true);
  });
});

test('pictures: how much room they take, who shows them, and the way out for those nobody shows', async () => {
  const one = { mediaType: 'image/png', widthPx: 300, heightPx: 200, bytes: 2_600_000, keptAt: '2026-11-20T10:00:00.000Z' };
  const [shown, before, loose] = ['3', '4', '5'].map((n) => `${n}f0c1f8e-0d7e-4a57-9d2f-6a4bb5a0c111`) as [string, string, string];
  const pictures = [
    { ...one, id: shown, usedBy: [{ id: shown, name: 'Old Quay' }], isInHistory: true },
    { ...one, id: before, usedBy: [], isInHistory: true },
    { ...one, id: loose, usedBy: [], isInHistory: false },
  ];
  const asked = aServer(({ method }) =>
    method === 'DELETE' ? { status: 204, body: null } : { status: 200, body: { pictures, bytes: 7_800_000 } },
  );
  const sheet = mount(KeptPictures);
  await flushPromises();
  expect(sheet.text()).toContain('7.4 MB of 300 MB');
  expect(
    sheet
      .findAll('li')
      .map((line) => [/under Old Quay|earlier version|used by no board/.exec(line.text())?.[0], line.find('button').exists()]),
  ).toEqual([
    ['under Old Quay', false],
    ['earlier version', true],
    ['used by no board', true],
  ]);
  await sheet.findAll('li')[2]!.get('button').trigger('click');
  await flushPromises();
  expect(asked.find(({ method }) => method === 'DELETE')!.path).toBe(`/api/pictures/${loose}`);
});
