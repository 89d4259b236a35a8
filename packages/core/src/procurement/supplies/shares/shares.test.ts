import { expect, test } from 'vitest';
import { CATALOGUE, derived } from '../../../testing';
import { brinefold } from '../../../demo';
import { tableDepthMm, tableWidthMm } from '../../../plan';
import { EMPTY_WORKSHOP } from '../../../plan/workshop';
import { costShares } from './index';

test('all the money is for something, what goes in is the tally’s, and what is bought goes in or is left', () => {
  const plan = brinefold(CATALOGUE);
  const { supplies, tally } = derived(plan, EMPTY_WORKSHOP);
  const { stages, usedMinor, leftMinor, perM2Minor, lying } = costShares(supplies.rows, plan.table);
  expect(usedMinor).toBeCloseTo(tally.cost.value, 4);
  expect(usedMinor + leftMinor).toBeCloseTo(supplies.buy.value, 4);
  expect(stages.reduce((sum, { sharePct }) => sum + sharePct, 0)).toBeCloseTo(100, 6);
  expect(perM2Minor).toBeCloseTo(usedMinor / ((tableWidthMm(plan.table) * tableDepthMm(plan.table)) / 1e6), 6);
  expect(lying.reduce((sum, { minor }) => sum + minor, 0)).toBeCloseTo(leftMinor, 6);
  expect(costShares([], { columnWidthsMm: [], rowDepthsMm: [] })).toMatchObject({ usedMinor: 0, perM2Minor: null, stages: [] });
});
