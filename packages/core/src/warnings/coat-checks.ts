import { type Adhesive, type Catalogue, type Stuff, adhesiveBy, methodBy } from '../catalogue';
import type { CoatNeed } from '../coats';
import { ZONE_NAMES } from '../ground';
import { type Plan, ZONE_KINDS } from '../plan';
import type { BoardStack } from '../stack';
import { given } from '../units';
import type { Warning } from './warning';

/** What is too cold to bind, and coats in an order that spoils them. */
export function* coatWarnings(plan: Plan, stack: BoardStack, coats: readonly CoatNeed[], catalogue: Catalogue): Generator<Warning> {
  yield* coldWarning(plan, stack, coats, catalogue);
  for (const zone of ZONE_KINDS) {
    const ranks = plan.coats[zone].map(({ methodId }) => methodBy(catalogue, methodId).rank);
    if (ranks.every((rank, i) => i === 0 || rank >= ranks[i - 1]!)) continue;
    const inOrder = [...plan.coats[zone]].sort((a, b) => methodBy(catalogue, a.methodId).rank - methodBy(catalogue, b.methodId).rank);
    yield {
      id: `coats/order ${zone}`,
      code: 'coats/order',
      severity: 'care',
      view: 'supplies',
      featureId: null,
      title: ZONE_NAMES[zone],
      text: ['has coats out of order: a dirty or wet step would spoil a finer one before it.'],
      mends: [{ code: 'coats/order', zone, coatIds: inOrder.map(({ id }) => id), label: 'Put them in order' }],
    };
  }
}

/** Below its film-forming temperature a water-borne coat or glue never binds. @source craft.md §8 */
function* coldWarning(plan: Plan, stack: BoardStack, coats: readonly CoatNeed[], catalogue: Catalogue): Generator<Warning> {
  const used: (Stuff | Adhesive)[] = [
    ...coats.map(({ stuff }) => stuff),
    ...stack.joints.map(({ adhesiveId }) => adhesiveBy(catalogue, adhesiveId)),
  ];
  const tooCold = [...new Set(used)].filter(({ minC }) => minC !== null && plan.climate.airC < minC);
  if (tooCold.length === 0) return;
  const warmestC = Math.max(...tooCold.map(({ minC }) => minC!));
  const others = tooCold.length === 1 ? '' : tooCold.length === 2 ? ' and one other' : ` and ${tooCold.length - 1} others`;
  yield {
    id: 'climate/too-cold',
    code: 'climate/too-cold',
    severity: 'stop',
    view: 'days',
    featureId: null,
    title: 'Too cold',
    text: [
      'At ',
      given('Air', plan.climate.airC, '°C', 'plan'),
      ` ${tooCold[0]!.name.toLowerCase()}${others} never bind; they need `,
      given('Least air', warmestC, '°C', 'catalogue', 'workshop default; the label wins'),
      '.',
    ],
    mends: [
      { code: 'climate/air', airC: warmestC, label: `Work at ${warmestC} °C` },
      ...(warmestC < 20 ? [{ code: 'climate/air' as const, airC: 20, label: 'Work in a heated room, 20 °C' }] : []),
    ],
  };
}
