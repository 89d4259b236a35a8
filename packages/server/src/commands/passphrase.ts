import { createInterface } from 'node:readline/promises';
import { Writable } from 'node:stream';
import { setPassphrase } from '../access/passphrase';
import { openDatabase } from '../store/database';
import { prepareDatabase } from '../store/prepare';
import { finish } from './settings';

/** `npm run passphrase`: asked for twice where somebody types, else the first line of what comes in. */
await finish(async ({ url, backupDir }) => {
  const passphrase = await asked();
  await prepareDatabase({ url, demo: 'none', backupDir });
  const db = openDatabase(url);
  try {
    await setPassphrase(db, passphrase);
  } finally {
    await db.destroy();
  }
  return 'The passphrase is set. Everybody who was signed in has to sign in again.';
});

async function asked(): Promise<string> {
  const isTyped = process.stdin.isTTY;
  // What is typed is not shown.
  const unseen = new Writable({ write: (_chunk, _encoding, done) => done() });
  const lines = createInterface({ input: process.stdin, output: isTyped ? unseen : undefined, terminal: isTyped });
  try {
    if (!isTyped) return (await lines[Symbol.asyncIterator]().next()).value ?? '';
    process.stdout.write('Passphrase (10 characters or more): ');
    const first = await lines.question('');
    process.stdout.write('\nThe same again: ');
    const second = await lines.question('');
    process.stdout.write('\n');
    if (first !== second) throw new RangeError('passphrase: the two entries differ. Nothing was changed');
    return first;
  } finally {
    lines.close();
  }
}
