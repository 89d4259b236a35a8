import { brinefold } from './demo';
import { CATALOGUE } from './testing';
import { makePieces } from './pieces';
import { EMPTY_SHOP } from './shop';
import { scalesFor } from './pipeline';
import { withAnswers } from './weighing';
import { seeded } from './base/random';
const plan = brinefold(CATALOGUE);
const { axes, weigh } = scalesFor(plan, CATALOGUE, EMPTY_SHOP, makePieces);
const r = seeded(1);
for (let round = 0; round < 6; round++) {
  const t = performance.now();
  for (let i = 0; i < 30; i++) weigh(withAnswers(plan, axes, axes.map(({ options }) => Math.floor(r() * options.length))).plan);
  console.log(((performance.now() - t) / 30).toFixed(1), 'ms each');
}
