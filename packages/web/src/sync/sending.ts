import type { Deed } from '@spare-acre/core/schedule/bench';
import { MAX_DEEDS } from '@spare-acre/core/io/wire';
import { ServerProblem } from '../stores/device/client';
import type { Photo, Waiting } from './waiting';

/** What a queue is sent with. */
export interface Post<Answer> {
  readonly list: () => Promise<readonly Waiting[]>;
  readonly photo: (photo: Photo) => Promise<unknown>;
  readonly deeds: (deeds: readonly Deed[]) => Promise<Answer>;
  /** The server has them. */
  readonly taken: (deeds: readonly Deed[], answer: Answer) => Promise<void>;
  /** Whether the server is in order otherwise: one entry that breaks it each time must not hold up the rest. */
  readonly isWell: () => Promise<boolean>;
  /** The server rejects it, for a reason: it is set aside, and told. */
  readonly refused: (waiting: Waiting, reason: string) => Promise<void>;
}

/**
 * Sends what waits, in order: photos before the deed that shows them, and nothing is let go of before the server says that it has it. What is lost on the way is sent
 * again, and counts once. What the server refuses is set aside and holds nothing up.
 * @throws NoServer where none answers: all that is left goes on waiting
 */
export async function sendWaiting<Answer>(post: Post<Answer>): Promise<void> {
  let size = MAX_DEEDS;
  for (;;) {
    const waiting = (await post.list()).filter(({ refused }) => refused === null);
    const letter = waiting.slice(0, size);
    if (letter.length === 0) return;
    try {
      for (const photo of letter.flatMap(({ photos }) => photos)) await post.photo(photo);
      const deeds = letter.map(({ deed }) => deed);
      await post.taken(deeds, await post.deeds(deeds));
      size = MAX_DEEDS;
    } catch (error) {
      if (!(error instanceof ServerProblem) || isPassing(error.problem.status)) throw error;
      // One of them is not as it should be: one by one it shows which.
      if (letter.length > 1) size = 1;
      else if (error.problem.status === 500 && !(await post.isWell())) throw error;
      else await post.refused(letter[0]!, error.message);
    }
  }
}
/** Signed out, or too busy, or away: later the same letter may well be taken. */
const isPassing = (status: number): boolean => [401, 429, 502, 503, 504].includes(status);
