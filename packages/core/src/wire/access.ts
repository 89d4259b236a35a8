import { z } from 'zod';
import { said, text } from '../fields';

const person = text(40);
export const SignIn = z.strictObject({
  person,
  passphrase: z
    .string({ error: ({ input }) => (input === undefined ? 'is missing' : `got ${said(typeof input)}; a text would do`) })
    .max(200),
});
/** Who is asking: on this machine alone nobody signs in. */
export const Session = z.strictObject({ signIn: z.enum(['none', 'wanted', 'done']), person: z.string().nullable() });
/** Where this server can be reached from: beyond this machine only where it was started so. */
export const Reach = z.strictObject({
  addresses: z.array(z.url()),
  /** SHA-256 of the certificate, as browsers show it; null without one of our own making. */
  fingerprint: z.string().nullable(),
});

export type Reach = z.infer<typeof Reach>;
export type Session = z.infer<typeof Session>;
