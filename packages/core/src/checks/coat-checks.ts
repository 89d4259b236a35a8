import { GROUND_KIND_NAMES, GROUND_KINDS } from '../surfaces';
import { type Adhesive, type Catalogue, type Coating, adhesiveBy, methodBy } from '../catalogue';
import type { CoatNeed } from '../coats';
import type { Plan } from '../plan';
import type { BoardStack } from '../stack';
import { given } from '../base/units';
import type { Warning } from './warning';

interface Inputs {
  readonly laid: Plan['coats'];
  readonly climate: Plan['climate'];
  readonly joints: BoardStack['joints'];
  readonly coats: readonly CoatNeed[];
  readonly catalogue: Catalogue;
}

/** What is too cold to bind, and coats in an order that spoils them. */
export function* coatWarnings(inputs: Inputs): Generator<Warning> {
  const { laid, catalogue } = inputs;
  yield* coldWarning(inputs);
  for (const zone of GROUND_KINDS) {
    const ranks = laid[zone].map(({ methodId }) => methodBy(catalogue, methodId).rank);
    if (ranks.every((rank, i) => i === 0 || rank >= ranks[i - 1]!)) continue;
    const inOrder = [...laid[zone]].sort((a, b) => methodBy(catalogue, a.methodId).rank - methodBy(catalogue, b.methodId).rank);
    yield {
      id: `coats/order ${zone}`,
      code: 'coats/order',
      severity: 'care',
      featureId: null,
      title: GROUND_KIND_NAMES[zone],
      text: ['has coats out of order: a dirty or wet step would spoil a finer one before it.'],
      mends: [{ edit: { code: 'coats/order', groundKind: zone, coatIds: inOrder.map(({ id }) => id) }, label: 'Put them in order' }],
    };
  }
}

/** Below its film-forming temperature a water-borne coat or glue never binds. @source craft.md §8 */
function* coldWarning({ climate, joints, coats, catalogue }: Inputs): Generator<Warning> {
  const used: (Coating | Adhesive)[] = [
    ...coats.map(({ coating }) => coating),
    ...joints.map(({ adhesiveId }) => adhesiveBy(catalogue, adhesiveId)),
  ];
  const tooCold = [...new Set(used)].filter(({ minC }) => minC !== null && climate.airC < minC);
  if (tooCold.length === 0) return;
  const warmestC = Math.max(...tooCold.map(({ minC }) => minC!));
  const others = tooCold.length === 1 ? '' : tooCold.length === 2 ? ' and one other' : ` and ${tooCold.length - 1} others`;
  yield {
    id: 'climate/too-cold',
    code: 'climate/too-cold',
    severity: 'stop',
    featureId: null,
    title: 'Too cold',
    text: [
      'At ',
      given('Air', climate.airC, '°C', 'plan'),
      ` ${tooCold[0]!.name.toLowerCase()}${others} never bind; they need `,
      given('Least air', warmestC, '°C', 'catalogue', 'workshop default; the label wins'),
      '.',
    ],
    mends: [
      { edit: { code: 'climate/set', change: { airC: warmestC } }, label: `Work at ${warmestC} °C` },
      ...(warmestC < 20 ? [{ edit: { code: 'climate/set' as const, change: { airC: 20 } }, label: 'Work in a heated room, 20 °C' }] : []),
    ],
  };
}
