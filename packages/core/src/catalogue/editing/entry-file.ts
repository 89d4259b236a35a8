import { z } from 'zod';
import type { Catalogue } from '../schema';
import { type OwnEntry, withEntry } from './entries';
import { type Kind, isKind } from './kinds';
import type { BadRow } from './rows';

const EntryFile = z.object({
  format: z.literal('spare-acre-catalogue', { error: 'expected "spare-acre-catalogue": this file holds no entries of a catalogue' }),
  version: z.literal(1, { error: 'this program reads version 1' }),
  entries: z
    .array(z.object({ kind: z.custom<Kind>((word) => typeof word === 'string' && isKind(word)), id: z.string(), entry: z.unknown() }))
    .max(2_000),
});

/** Entries from a file as it is saved. Which of them will not do is told by its place in the file, from 1; the others are taken. */
export function readEntryFile(
  text: string,
  catalogue: Catalogue,
): { readonly entries: readonly OwnEntry[]; readonly bad: readonly BadRow[] } {
  const whole = parsed(text);
  const file = EntryFile.safeParse(whole);
  if (!file.success) {
    const { path, message } = file.error.issues[0]!;
    return { entries: [], bad: [{ line: 1, column: path.join('.'), message }] };
  }
  const entries: OwnEntry[] = [];
  const bad: BadRow[] = [];
  let known = catalogue;
  for (const [i, { kind, id, entry }] of file.data.entries.entries()) {
    const own = { kind, id, body: entry };
    const tried = withEntry(known, own);
    if (tried.ok) {
      known = tried.catalogue;
      entries.push(own);
    } else bad.push(...tried.issues.slice(0, 3).map(({ path, message }) => ({ line: i + 1, column: `${id}, ${path}`, message })));
  }
  return { entries, bad };
}
function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}
