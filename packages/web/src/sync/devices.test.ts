import { expect, test } from 'vitest';
import { seeded } from '@spare-acre/core/base/random';
import { Model } from '../testing/devices';

/** `npm run soak` runs ten thousand. */
const RUNS = Number(process.env['DEVICE_RUNS'] ?? 400);

test(`${RUNS} runs of 2 to 4 devices that edit, tick, undo, go offline, are killed and lose answers: nothing of anybody is lost or undone by another, and all end alike`, () => {
  for (let seed = 1; seed <= RUNS; seed++) {
    const model = new Model(seeded(seed));
    model.run(40);
    expect(model.broken(), `seed ${seed}`).toEqual([]);
  }
}, 1_200_000);
