import { type Region, isEmpty } from '../../base/geometry';
import type { Stretch } from './role';

/** Raised ground in steps, the lowest first; steps that came to nothing are left out. */
export function inSteps(regions: readonly Region[], levelMm: (i: number) => number): readonly Stretch[] {
  const all = regions.filter((region) => !isEmpty(region));
  return all.map((region, i): Stretch => ({
    role: 'mass',
    groundKind: 'raised',
    levelMm: levelMm(i),
    region,
    part: all.length === 1 ? null : { id: String(i + 1), name: `step ${i + 1}` },
  }));
}
