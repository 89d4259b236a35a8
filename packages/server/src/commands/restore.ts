import { existsSync } from 'node:fs';
import { resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { backUp } from '../store/backup';
import { CannotRestore, restore } from '../store/restore';
import { finish, named } from './settings';

/** `npm run restore -- FILE [--replace]` */
await finish(async ({ url, backupDir, from }) => {
  const { values, positionals } = parseArgs({ options: { replace: { type: 'boolean', default: false } }, allowPositionals: true });
  const [given, ...more] = positionals;
  if (given === undefined || more.length > 0) throw new CannotRestore('file: Use one backup, as in npm run restore -- FILE');
  const file = resolve(from, given);
  if (!existsSync(file)) throw new CannotRestore(`file: there is no ${named(file, from)}`);
  // What is replaced is not gone.
  let before: string | null = null;
  const keep = async (): Promise<void> => void (before = await backUp(url, backupDir, 'before-restore'));
  const boards = await restore(url, file, values.replace ? keep : null);
  const kept = before === null ? '' : ` The previous data is in ${named(before, from)}.`;
  return `Restored ${named(file, from)}: ${boards} ${boards === 1 ? 'board' : 'boards'}, including archived ones.${kept}`;
});
