import { type RateLimitRequestHandler, type Store, ipKeyGenerator, rateLimit } from 'express-rate-limit';
import type { Knex } from 'knex';
import { HttpProblem } from '../problems';

/** Wrong passphrases that one address may try in a quarter of an hour, and all addresses together. */
const MAX_TRIES = 5;
const MAX_TRIES_OF_ALL = 60;
const WINDOW_MS = 15 * 60_000;

/** Slows those who guess. Counted in the database, so that a second server or a restart gives nobody fresh tries. */
export const slowGuessing = (db: Knex): RateLimitRequestHandler[] => [
  limiter(db, MAX_TRIES, (address) => `from ${address}`),
  limiter(db, MAX_TRIES_OF_ALL, () => 'from all'),
];

function limiter(db: Knex, limit: number, keyOf: (address: string) => string): RateLimitRequestHandler {
  return rateLimit({
    windowMs: WINDOW_MS,
    limit,
    skipSuccessfulRequests: true,
    standardHeaders: false,
    legacyHeaders: false,
    validate: false,
    store: attemptsIn(db),
    keyGenerator: (req) => keyOf(ipKeyGenerator(req.ip ?? '')),
    handler: (req, _res, next) => {
      const { resetTime } = (req as unknown as { rateLimit: { resetTime: Date } }).rateLimit;
      const retryAfterS = Math.max(1, Math.ceil((resetTime.getTime() - Date.now()) / 1_000));
      next(
        new HttpProblem(
          429,
          'Too many tries',
          `passphrase: ${limit} wrong tries in a row; the next may be made in ${Math.ceil(retryAfterS / 60)} minutes.`,
          { retryAfterS },
        ),
      );
    },
  });
}

const attemptsIn = (db: Knex): Store => ({
  async increment(key) {
    const { rows } = await db.raw<{ rows: [{ hits: number; resets_at: Date }] }>(
      `insert into sign_in_attempts as known (key, hits, resets_at) values (:key, 1, now() + :ms * interval '1 millisecond')
      on conflict (key) do update set
        hits = case when known.resets_at < now() then 1 else known.hits + 1 end,
        resets_at = case when known.resets_at < now() then excluded.resets_at else known.resets_at end
      returning hits, resets_at`,
      { key, ms: WINDOW_MS },
    );
    return { totalHits: rows[0].hits, resetTime: rows[0].resets_at };
  },
  async decrement(key) {
    await db('sign_in_attempts').where({ key }).where('hits', '>', 0).decrement('hits', 1);
  },
  async resetKey(key) {
    await db('sign_in_attempts').where({ key }).delete();
  },
});
