import { z } from 'zod';
import { said, text } from '../../plan/fields';

/** `owner`: everything, people among it. `builder`: boards, shelf, log and workshop. `guest`: looks, and changes nothing. */
export const ROLES = ['owner', 'builder', 'guest'] as const;
export const Role = z.enum(ROLES);
export type Role = z.infer<typeof Role>;

export const MIN_PASSPHRASE = 10;
export const MAX_PASSPHRASE = 200;
const person = text(40).regex(/^$|\S/u, 'is empty. Enter a name');
const passphrase = z
  .string({ error: ({ input }) => (input === undefined ? 'is missing' : `got ${said(typeof input)}. Enter a text`) })
  .max(MAX_PASSPHRASE);
const newPassphrase = passphrase.min(MIN_PASSPHRASE, `is too short. Enter ${MIN_PASSPHRASE} characters or more`);

export const SignIn = z.strictObject({ person, passphrase });
/** Coming in by an invitation, with a passphrase of one's own. */
export const Join = z.strictObject({
  token: z.string().regex(/^[A-Za-z0-9_-]{20,60}$/, 'expected the end of an invitation link'),
  person,
  passphrase: newPassphrase,
});
/** Who is asking: on this machine alone nobody signs in. */
export const Session = z.strictObject({ signIn: z.enum(['none', 'wanted', 'done']), person: z.string().nullable(), role: Role.nullable() });
/** Where this server can be reached from: beyond this machine only where it was started so. */
export const Reach = z.strictObject({
  addresses: z.array(z.url()),
  /** SHA-256 of the certificate, as browsers show it; null without one of our own making. */
  fingerprint: z.string().nullable(),
  /** Where a device fetches the authority that the certificate was issued by; empty without one of our own. */
  authorityUrls: z.array(z.url()).default([]),
});

export const People = z.strictObject({
  people: z.array(z.strictObject({ id: z.uuid(), name: z.string(), role: Role, createdAt: z.iso.datetime() })),
  invitations: z.array(z.strictObject({ id: z.uuid(), role: Role, endsAt: z.iso.datetime(), madeBy: z.string().nullable() })),
});
export const PersonParams = z.strictObject({ personId: z.uuid('expected the id of a person') });
export const PersonRole = z.strictObject({ role: Role });
export const NewInvitation = z.strictObject({ role: Role, days: z.number().int().min(1).max(30) });
/** The token is told once and never stored. */
export const Invitation = z.strictObject({ id: z.uuid(), token: z.string(), endsAt: z.iso.datetime() });
export const InvitationParams = z.strictObject({ invitationId: z.uuid('expected the id of an invitation') });
export const OwnPassphrase = z.strictObject({ old: passphrase, passphrase: newPassphrase });

export const Sessions = z.strictObject({
  sessions: z.array(
    z.strictObject({
      id: z.uuid(),
      person: z.string(),
      device: z.string(),
      address: z.string(),
      begunAt: z.iso.datetime(),
      seenAt: z.iso.datetime(),
      isThis: z.boolean(),
    }),
  ),
});
export const SessionParams = z.strictObject({ sessionId: z.uuid('expected the id of a session') });

/** What is written down of who came in and what was taken away or out. */
export const RECORDED = [
  'signed-in',
  'sign-in-failed',
  'signed-out',
  'session-ended',
  'invited',
  'joined',
  'role-changed',
  'person-removed',
  'passphrase-changed',
  'deleted',
  'restored',
  'exported',
] as const;
export type Recorded = (typeof RECORDED)[number];
export const AccessRecord = z.strictObject({
  entries: z.array(
    z.strictObject({ at: z.iso.datetime(), what: z.enum(RECORDED), person: z.string().nullable(), about: z.string(), address: z.string() }),
  ),
});

/** What stays for a while after it was deleted. */
export const DELETED_KINDS = ['log', 'shelf', 'offcut', 'picture'] as const;
export type DeletedKind = (typeof DELETED_KINDS)[number];
/** Days that what was deleted can be brought back. */
export const KEPT_DAYS = 30;
export const Deleted = z.strictObject({
  deleted: z.array(
    z.strictObject({ kind: z.enum(DELETED_KINDS), id: z.uuid(), name: z.string(), at: z.iso.datetime(), by: z.string().nullable() }),
  ),
});
export const DeletedParams = z.strictObject({ kind: z.enum(DELETED_KINDS), id: z.uuid() });

export type Reach = z.infer<typeof Reach>;
export type Session = z.infer<typeof Session>;
export type People = z.infer<typeof People>;
export type Sessions = z.infer<typeof Sessions>;
export type Deleted = z.infer<typeof Deleted>;
export type AccessRecord = z.infer<typeof AccessRecord>;
