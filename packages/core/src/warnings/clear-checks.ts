import { areaMm2, intersection, isEmpty } from '../geometry';
import type { Ground, Land } from '../ground';
import { given } from '../units';
import type { Warning } from './warning';

/** Overlaps under this are a corner touched, not a place taken. */
const LEAST_MM2 = 100;

/** Open space that something fixed has been put on, and plots that are not level. */
export function* clearWarnings(ground: Ground): Generator<Warning> {
  for (const land of ground.lands) {
    const { kind } = land.feature;
    if (kind === 'clear') yield* takenSpace(land, ground);
    if (kind === 'plot') yield* unevenPlot(land, ground);
  }
}

function* takenSpace(land: Land, ground: Ground): Generator<Warning> {
  const blocks = (other: Land): boolean =>
    other.role === 'mass' || other.role === 'hole' || other.role === 'standing' || other.zone === 'plot';
  for (const other of ground.lands) {
    if (!blocks(other) || isEmpty(land.whole) || isEmpty(other.whole)) continue;
    const taken = areaMm2(intersection(land.whole, other.whole));
    if (taken < LEAST_MM2) continue;
    yield {
      id: `clear/taken ${land.id} ${other.id}`,
      code: 'clear/taken',
      severity: 'care',
      view: 'ground',
      featureId: land.feature.id,
      title: land.name,
      text: [
        `is to stay free; ${other.name} takes `,
        given(`${other.name} on ${land.name}`, taken, 'mm²', 'drawing', 'measured on the plan'),
        ' of it.',
      ],
      mends: [{ code: 'feature/remove', featureId: land.feature.id, label: `Keep ${other.name}, give up ${land.name}` }],
    };
    return;
  }
}

/** A building wants one level under it: a plot that lies partly on raised ground rocks. */
function* unevenPlot(land: Land, ground: Ground): Generator<Warning> {
  if (land.feature.kind !== 'plot' || land.feature.heightMm === 0 || isEmpty(land.whole)) return;
  const whole = areaMm2(land.whole);
  for (const other of ground.lands) {
    if (other.role !== 'mass' || isEmpty(other.whole)) continue;
    const under = areaMm2(intersection(land.whole, other.body));
    if (under < LEAST_MM2 || whole - under < LEAST_MM2) continue;
    yield {
      id: `plot/uneven ${land.id} ${other.id}`,
      code: 'plot/uneven',
      severity: 'care',
      view: 'ground',
      featureId: land.feature.id,
      title: land.name,
      text: [
        `lies `,
        given(`${land.name} on ${other.name}`, under, 'mm²', 'drawing', 'measured on the plan'),
        ` on ${other.name} and the rest beside it: a building there rocks. Move it wholly on or off.`,
      ],
      mends: [],
    };
    return;
  }
}
