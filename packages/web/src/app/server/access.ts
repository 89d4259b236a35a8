import { AccessRecord, Deleted, type DeletedKind, Invitation, People, type Role, Session, Sessions } from '@spare-acre/core/io/wire';
import type { z } from 'zod';
import { call } from '../../stores/device/client';

/** What only the sheet about the server asks for: people, sessions, what was deleted, the record of access. */
export const fetchPeople = (): Promise<z.infer<typeof People>> => call(People, 'GET', '/people');
export const invite = (role: Role, days: number): Promise<z.infer<typeof Invitation>> =>
  call(Invitation, 'POST', '/people/invitations', { role, days });
export const withdraw = (id: string): Promise<null> => call(null, 'DELETE', `/people/invitations/${id}`);
export const setRole = (id: string, role: Role): Promise<z.infer<typeof People>> => call(People, 'PUT', `/people/${id}/role`, { role });
export const removePerson = (id: string): Promise<z.infer<typeof People>> => call(People, 'DELETE', `/people/${id}`);
export const fetchSessions = async (): Promise<z.infer<typeof Sessions>['sessions']> => (await call(Sessions, 'GET', '/sessions')).sessions;
export const endSession = (id: string): Promise<null> => call(null, 'DELETE', `/sessions/${id}`);
export const fetchDeleted = async (): Promise<z.infer<typeof Deleted>['deleted']> => (await call(Deleted, 'GET', '/deleted')).deleted;
export const restore = async (kind: DeletedKind, id: string): Promise<z.infer<typeof Deleted>['deleted']> =>
  (await call(Deleted, 'POST', `/deleted/${kind}/${id}/restore`)).deleted;
export const fetchRecord = async (): Promise<z.infer<typeof AccessRecord>['entries']> =>
  (await call(AccessRecord, 'GET', '/access-record')).entries;
export const changePassphrase = (old: string, passphrase: string): Promise<null> =>
  call(null, 'PUT', '/session/passphrase', { old, passphrase });
export const join = (token: string, person: string, passphrase: string): Promise<z.infer<typeof Session>> =>
  call(Session, 'POST', '/session/join', { token, person, passphrase });

export const ROLE_WORDS: Readonly<Record<Role, string>> = {
  owner: 'Owner: everything, people included',
  builder: 'Builder: boards, shelf, log and workshop',
  guest: 'Guest: can look, cannot change anything',
};
