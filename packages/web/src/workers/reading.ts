import { wrapMortal } from './mortal';
import type { Readers } from './reading.worker';

/** Longer than any honest file takes on a slow phone. */
export const MAX_READ_MS = 15_000;
/** More than this is not handed to a reader: unpacked it is many times larger, and a tab has only so much memory. */
export const MAX_FILE_MB = 20;
const MEBI = 1_048_576;

/** Readers at the other end of a message: each answers later. */
type Asked = { readonly [K in keyof Readers]: (...given: Parameters<Readers[K]>) => Promise<ReturnType<Readers[K]>> };

/** A file that was given up. */
export class ReadingStopped extends Error {}

/**
 * Reads a file in a worker of its own, so that whatever is in it the page goes on and can give it up.
 * @param file as it was chosen: its name and size
 * @param read what to ask the reader
 * @throws ReadingStopped for a file that is too large, takes too long or takes too much memory; nothing has changed then
 */
export async function readInWorker<Answer>(
  file: { readonly name: string; readonly size: number },
  read: (reader: Asked) => Promise<Answer>,
  maxMs = MAX_READ_MS,
): Promise<Answer> {
  if (file.size > MAX_FILE_MB * MEBI)
    throw new ReadingStopped(
      `${file.name}: the file has ${Math.ceil(file.size / MEBI)} MB. Files of up to ${MAX_FILE_MB} MB can be read. Nothing was changed.`,
    );
  let stop = (_reason: ReadingStopped): void => undefined;
  const stopped = new Promise<never>((_, reject) => (stop = reject));
  const { worker, remote } = wrapMortal<Readers>(new Worker(new URL('./reading.worker.ts', import.meta.url), { type: 'module' }), () =>
    stop(new ReadingStopped(`${file.name}: reading it took more memory than this browser allows. Nothing was changed.`)),
  );
  const timer = setTimeout(
    () =>
      stop(
        new ReadingStopped(
          `${file.name}: reading it took longer than ${Math.round(maxMs / 1_000)} s and was stopped. Nothing was changed.`,
        ),
      ),
    maxMs,
  );
  try {
    return await Promise.race([stopped, read(remote as unknown as Asked)]);
  } finally {
    clearTimeout(timer);
    worker.terminate();
  }
}
