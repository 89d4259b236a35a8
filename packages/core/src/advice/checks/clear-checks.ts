import { type Region, areaMm2, intersection, isEmpty } from '../../base/geometry';
import { memoizePairs } from '../../base/memory';
import type { Land, Lands } from '../../terrain/ground';
import { kindOf } from '../../plan/features';
import { given } from '../../base/units';
import type { Warning } from './warning';

/** Overlaps under this are a corner touched, not a place taken. */
const MIN_MM2 = 100;
/** While one thing is dragged, all others lie on one another as they did. */
const sharedMm2 = memoizePairs((a: Region, b: Region): number => areaMm2(intersection(a, b)));

/** Open space that something fixed has been put on, and plots that are not level. */
export function* clearWarnings({ lands }: Lands): Generator<Warning> {
  for (const land of lands) {
    const kind = kindOf(land.feature);
    if (kind.staysFree) yield* takenSpace(land, lands);
    if (kind.isPlot) yield* unevenPlot(land, lands);
  }
}

function* takenSpace(land: Land, lands: readonly Land[]): Generator<Warning> {
  const blocks = (other: Land): boolean =>
    other.role === 'mass' || other.role === 'hole' || other.role === 'standing' || kindOf(other.feature).isPlot === true;
  for (const other of lands) {
    if (!blocks(other) || isEmpty(land.whole) || isEmpty(other.whole)) continue;
    const taken = sharedMm2(land.whole, other.whole);
    if (taken < MIN_MM2) continue;
    yield {
      id: `clear/taken ${land.id} ${other.id}`,
      code: 'clear/taken',
      severity: 'care',
      featureId: land.feature.id,
      title: land.name,
      text: [
        `should stay clear; ${other.name} covers `,
        given(`${other.name} on ${land.name}`, taken, 'mm²', 'drawing', 'measured on the plan'),
        ' of it.',
      ],
      mends: [{ edit: { code: 'features/remove', featureIds: [land.feature.id] }, label: `Keep ${other.name}, remove ${land.name}` }],
    };
    return;
  }
}

/** A building wants one level under it: a plot that lies partly on raised ground rocks. */
function* unevenPlot(land: Land, lands: readonly Land[]): Generator<Warning> {
  if (!kindOf(land.feature).standsMm?.(land.feature) || isEmpty(land.whole)) return;
  const whole = areaMm2(land.whole);
  for (const other of lands) {
    if (other.role !== 'mass' || isEmpty(other.whole)) continue;
    const under = sharedMm2(land.whole, other.body);
    if (under < MIN_MM2 || whole - under < MIN_MM2) continue;
    yield {
      id: `plot/uneven ${land.id} ${other.id}`,
      code: 'plot/uneven',
      severity: 'care',
      featureId: land.feature.id,
      title: land.name,
      text: [
        `lies `,
        given(`${land.name} on ${other.name}`, under, 'mm²', 'drawing', 'measured on the plan'),
        ` on ${other.name} and partly beside it. A building there would rock. Move it fully on or off.`,
      ],
      mends: [],
    };
    return;
  }
}
