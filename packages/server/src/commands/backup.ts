import { dirname, resolve } from 'node:path';
import { mkdirSync, statSync } from 'node:fs';
import { backUp, backUpTo } from '../store/backup';
import { finish, named } from './settings';

/** `npm run backup [-- FILE]` */
await finish(async ({ url, backupDir, from }) => {
  const wanted = process.argv[2];
  let file: string;
  if (wanted === undefined) file = await backUp(url, backupDir, 'asked-for');
  else {
    file = resolve(from, wanted);
    mkdirSync(dirname(file), { recursive: true });
    await backUpTo(url, file);
  }
  return `Backed up to ${named(file, from)} (${Math.max(1, Math.round(statSync(file).size / 1_024)).toLocaleString('en')} kB): boards, history, pictures, rack and catalogue.`;
});
