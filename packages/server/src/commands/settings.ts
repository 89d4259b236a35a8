import { relative } from 'node:path';

/** What the scripts hand a command. */
export interface Given {
  readonly url: string;
  readonly backupDir: string;
  /** Where the builder stands: files they name are meant from there. */
  readonly from: string;
}

/** Runs a command to its end: one sentence on standard output, or one on what stands in the way. */
export async function finish(command: (given: Given) => Promise<string>): Promise<void> {
  const { DATABASE_URL: url, BACKUP_DIR: backupDir, CALLED_FROM: from = process.cwd() } = process.env;
  if (url === undefined || backupDir === undefined) throw new Error('DATABASE_URL and BACKUP_DIR are not set: run this with npm run');
  try {
    process.stdout.write(`${await command({ url, backupDir, from })}\n`);
  } catch (error) {
    process.stdout.write(`${error instanceof Error ? error.message : String(error)}\n`);
    process.exitCode = 1;
  }
}

/** A file as the builder would name it. */
export function named(file: string, from: string): string {
  const near = relative(from, file);
  return near.startsWith('..') ? file : near;
}
