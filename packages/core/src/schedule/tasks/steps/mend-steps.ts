import { given } from '../../../base/units';
import { type Catalogue, adhesiveBy, coatingBy } from '../../../catalogue';
import { type DryingPlaces, clockWait } from '../../drying';
import type { Mended } from '../../../plan';
import { type Draft, asks, coldest, task } from '../step';

const NO_SET_UP = { value: 0, low: 0, high: 0, origin: 'with the fix' };

/** What puts mishaps right, each a step of its own: it comes before whatever is left to do on its workpiece. @param workpieceIds those there are */
export const mendSteps = (
  mends: readonly Mended[],
  workpieceIds: ReadonlySet<string>,
  spots: DryingPlaces,
  catalogue: Catalogue,
): readonly Draft[] =>
  mends.map(({ id, name, workpieceId, workMin, waitMin, coating, adhesive }): Draft => {
    const stepId = `mend-${id}`;
    const stuffs = [
      ...(coating === null ? [] : [coatingBy(catalogue, coating.coatingId)]),
      ...(adhesive === null ? [] : [adhesiveBy(catalogue, adhesive.adhesiveId)]),
    ];
    const wait = clockWait(given(`${name}, ${workpieceId}: drying time`, waitMin, 'min', 'plan'));
    const own = {
      work: given(`${name}, ${workpieceId}`, workMin, 'min', 'plan'),
      spot: spots.at(workpieceId),
      wait,
      touch: wait,
      isFlat: waitMin > 0,
    };
    return {
      id: stepId,
      name,
      kind: 'glue',
      does: 'mend',
      setUp: NO_SET_UP,
      asks: asks({
        cautionIds: stuffs.flatMap(({ cautionIds }) => cautionIds),
        leastC: coldest(stuffs.map(({ minC }) => minC)),
        stockIds: stuffs.map((one) => one.id),
      }),
      // Of a tile or a piece that is gone nothing is mended.
      tasks: workpieceIds.has(workpieceId) ? [task(stepId, workpieceId, own)] : [],
    };
  });
