import { afterEach, expect, test, vi } from 'vitest';
import { flushPromises, mount } from '@vue/test-utils';
import { type Asked, aServer } from '../../testing/world';
import AccessLog from './AccessLog.vue';
import DeletedList from './DeletedList.vue';
import PeoplePanel from './PeoplePanel.vue';
import SessionList from './SessionList.vue';

afterEach(() => vi.unstubAllGlobals());
const ID = '3f0c1f8e-0d7e-4a57-9d2f-6a4bb5a0c111';
const AT = '2026-11-20T10:00:00.000Z';
const problem = { type: 'about:blank', title: 'Not allowed', status: 403, detail: 'Ask an owner of this server.' };
const pressed = async (view: ReturnType<typeof mount>, name: string): Promise<void> => {
  await view
    .findAll('button')
    .find((one) => one.text() === name)!
    .trigger('click');
  await flushPromises();
};

test('people: an invitation becomes a link to send once, and can be withdrawn; a role is changed; somebody is removed', async () => {
  let people = [{ id: ID, name: 'Bo', role: 'builder', createdAt: AT }];
  let invitations: object[] = [];
  const answer = ({ method, path, body }: Asked) => {
    if (method === 'POST') {
      invitations = [{ id: ID, role: (body as { role: string }).role, endsAt: AT, madeBy: null }];
      return { status: 201, body: { id: ID, token: 'abcdefghijklmnopqrstuv', endsAt: AT } };
    }
    if (method === 'PUT') people = [{ ...people[0]!, role: (body as { role: string }).role }];
    if (method === 'DELETE' && path.includes('invitations')) {
      invitations = [];
      return { status: 204, body: null };
    }
    if (method === 'DELETE') people = [];
    return { status: 200, body: { people, invitations } };
  };
  const asked = aServer(answer);
  const view = mount(PeoplePanel);
  await flushPromises();
  await pressed(view, 'Create invitation link');
  expect(view.get('[data-testid=invitation-link]').text()).toMatch(/\/join#abcdefghijklmnopqrstuv$/);
  expect(view.text()).toContain('Open invitation: builder');
  await pressed(view, 'Withdraw');
  expect(view.text()).not.toContain('Open invitation');
  await view.get('select').setValue('guest');
  await flushPromises();
  expect(asked.find(({ method }) => method === 'PUT')).toMatchObject({ path: `/api/people/${ID}/role`, body: { role: 'guest' } });
  await pressed(view, 'Remove');
  expect(view.text()).toContain('Nobody has a passphrase of their own yet');
});

test('sessions: this device is marked and cannot be ended from here; a wrong passphrase is told', async () => {
  const one = { person: 'Bo', device: 'Mozilla/5.0 (Linux; Android 14)', address: '10.0.0.4', begunAt: AT, seenAt: AT };
  const sessions = [
    { ...one, id: ID, isThis: true },
    { ...one, id: ID.replace('111', '222'), isThis: false },
  ];
  const asked = aServer(({ method }) =>
    method === 'GET'
      ? { status: 200, body: { sessions } }
      : method === 'PUT'
        ? { status: 403, body: { ...problem, detail: 'old: Wrong passphrase. Try again.' } }
        : { status: 204, body: null },
  );
  const view = mount(SessionList);
  await flushPromises();
  expect(view.text()).toContain('Bo, Android, 10.0.0.4, since 20 Nov 2026 (this device)');
  expect(view.findAll('button').filter((button) => button.text() === 'End session')).toHaveLength(1);
  await pressed(view, 'End session');
  expect(asked.find(({ method }) => method === 'DELETE')!.path).toContain('222');
  await pressed(view, 'Change passphrase');
  expect(view.get('[role=alert]').text()).toBe('old: Wrong passphrase. Try again.');
});

test('what was deleted: by whom, and brought back', async () => {
  const asked = aServer(({ method }) => ({
    status: 200,
    body: { deleted: method === 'GET' ? [{ kind: 'log', id: ID, name: 'It ran', at: AT, by: 'Bo' }] : [] },
  }));
  const view = mount(DeletedList);
  await flushPromises();
  expect(view.text()).toContain('Log entry: It ran, 20 Nov 2026, by Bo');
  await pressed(view, 'Restore');
  expect(asked.at(-1)!.path).toBe(`/api/deleted/log/${ID}/restore`);
  expect(view.text()).toContain('stay here for 30 days');
});

test('the record of access tells who did what; whoever may not see it is told whom to ask', async () => {
  aServer(() => ({ status: 200, body: { entries: [{ at: AT, what: 'deleted', person: 'Bo', about: 'log: It ran', address: '' }] } }));
  const view = mount(AccessLog);
  await flushPromises();
  expect(view.text()).toContain('20 Nov 2026: Bo deleted: log: It ran');
  aServer(() => ({ status: 403, body: problem }));
  const refused = mount(AccessLog);
  await flushPromises();
  expect(refused.get('[role=alert]').text()).toBe('Ask an owner of this server.');
});
