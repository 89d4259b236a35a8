import type { Request } from 'express';
import { type RateLimitRequestHandler, type Store, ipKeyGenerator, rateLimit } from 'express-rate-limit';
import type { Knex } from 'knex';
import { HttpProblem } from '../problems';
import { addressOf } from './may';
import { hasOwnPassphrase } from './people';
import { hasComeFrom } from './record';

/** Wrong passphrases in a quarter of an hour: for one name from one address, from one address whatever the name, and for one name from everywhere. */
const MAX_OF_BOTH = 5;
const MAX_FROM_ADDRESS = 20;
const MAX_FOR_NAME = 60;
const WINDOW_MS = 15 * 60_000;

/**
 * Slows those who guess, by address and by account, and never everybody: whoever has come in from an address before is not kept out by guesses from elsewhere. Counted in the database, so
 * that a second server or a restart gives nobody fresh tries.
 */
export function slowGuessing(db: Knex): RateLimitRequestHandler[] {
  const from = (req: Request): string => ipKeyGenerator(addressOf(req));
  return [
    limiter(db, MAX_OF_BOTH, async (req) => `${await accountOf(db, req)} from ${from(req)}`),
    limiter(db, MAX_FROM_ADDRESS, (req) => Promise.resolve(`from ${from(req)}`)),
    limiter(
      db,
      MAX_FOR_NAME,
      async (req) => `for ${await accountOf(db, req)}`,
      (req) => hasComeFrom(db, typedName(req), addressOf(req)),
    ),
  ];
}

const typedName = (req: Request): string => String((req.body as { person?: unknown } | undefined)?.person ?? '').slice(0, 40);
/** Names without a passphrase of their own all try the one of the server. */
const accountOf = async (db: Knex, req: Request): Promise<string> => {
  const name = typedName(req).toLowerCase();
  return (await hasOwnPassphrase(db, name)) ? `name ${name}` : 'server';
};

function limiter(
  db: Knex,
  limit: number,
  keyOf: (req: Request) => Promise<string>,
  isExempt: (req: Request) => Promise<boolean> = () => Promise.resolve(false),
): RateLimitRequestHandler {
  return rateLimit({
    windowMs: WINDOW_MS,
    limit,
    skipSuccessfulRequests: true,
    standardHeaders: false,
    legacyHeaders: false,
    validate: false,
    store: attemptsIn(db),
    skip: isExempt,
    keyGenerator: keyOf,
    handler: (req, _res, next) => {
      const { resetTime } = (req as unknown as { rateLimit: { resetTime: Date } }).rateLimit;
      const retryAfterS = Math.max(1, Math.ceil((resetTime.getTime() - Date.now()) / 1_000));
      next(
        new HttpProblem(
          429,
          'Too many attempts',
          `passphrase: too many wrong attempts. Try again in ${Math.ceil(retryAfterS / 60)} minutes.`,
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
