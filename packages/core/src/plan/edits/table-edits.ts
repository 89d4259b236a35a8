import { evenSplit } from '../new-plan';
import type { Passage, Table, Underlay } from '../plan';
import { scaledUnderlay } from '../underlay';
import type { Point } from '../../base/geometry';
import { edit } from './edit-definition';

type Side = 'columnWidthsMm' | 'rowDepthsMm';

/** Changes to the table, its tiles, what they must fit, and the picture under it. */
export const tableEdits = {
  /** One side of the table split evenly anew. */
  'table/side': edit<{ readonly side: Side; readonly lengthMm: number; readonly count: number }>(
    'Split the table',
    ({ plan }, { side, lengthMm, count }) => void (plan.table[side] = evenSplit(lengthMm, count)),
  ),
  'table/split': edit<{ readonly columnWidthsMm: readonly number[]; readonly rowDepthsMm: readonly number[] }>(
    ({ columnWidthsMm, rowDepthsMm }) => `Split the table ${columnWidthsMm.length} × ${rowDepthsMm.length}`,
    ({ plan: { table } }, { columnWidthsMm, rowDepthsMm }) => {
      [table.columnWidthsMm, table.rowDepthsMm] = [[...columnWidthsMm], [...rowDepthsMm]];
    },
  ),
  'table/tile': edit<{ readonly side: Side; readonly index: number; readonly mm: number }>(
    'Resize tiles',
    ({ plan }, { side, index, mm }) => void (plan.table[side][index] = mm),
  ),
  /** One column or row of tiles made into several. */
  'table/divide': edit<{ readonly side: Side; readonly index: number; readonly into: number }>(
    'Divide tiles',
    ({ plan }, { side, index, into }) => {
      const sizes = plan.table[side];
      const size = sizes[index];
      if (size !== undefined) sizes.splice(index, 1, ...evenSplit(size, into));
    },
  ),
  'table/seam-allowance': edit<{ readonly mm: number }>(
    'Set the seam allowance',
    ({ plan }, { mm }) => void (plan.table.seamAllowanceMm = mm),
  ),
  'table/rim': edit<{ readonly rim: Table['rim'] }>(
    ({ rim }, { table }) =>
      rim !== null && table.rim !== null && rim.heightMm !== table.rim.heightMm ? 'Set the rim height' : 'Choose a rim',
    ({ plan }, { rim }) => void (plan.table.rim = rim === null ? null : { ...rim }),
  ),
  'join/method': edit<{ readonly methodId: string }>(
    'Choose a connector',
    ({ plan }, { methodId }) => void (plan.table.join.methodId = methodId),
  ),
  'join/offset': edit<{ readonly offsetMm: number }>(
    'Set the connectors',
    ({ plan }, { offsetMm }) => void (plan.table.join.offsetMm = offsetMm),
  ),
  'passage/add': edit<{ readonly passage: Passage }>(
    'Add a place to fit',
    ({ plan }, { passage }) => void plan.table.passages.push({ ...passage }),
  ),
  'passage/set': edit<{ readonly passageId: string; readonly change: Partial<Omit<Passage, 'id'>> }>(
    ({ change }) => (change.name === undefined ? 'Measure a place' : 'Rename a place'),
    ({ plan }, { passageId, change }) => {
      const passage = plan.table.passages.find(({ id }) => id === passageId);
      if (passage !== undefined) Object.assign(passage, change);
    },
  ),
  'passage/remove': edit<{ readonly passageId: string }>(
    'Remove a place',
    ({ plan: { table } }, { passageId }) => void (table.passages = table.passages.filter(({ id }) => id !== passageId)),
  ),
  'underlay/lay': edit<{ readonly underlay: Underlay | null }>(
    ({ underlay }) => (underlay === null ? 'Remove the picture' : 'Place a picture under the plan'),
    ({ plan }, { underlay }) => void (plan.underlay = underlay === null ? null : { ...underlay, at: { ...underlay.at } }),
  ),
  'underlay/set': edit<{ readonly change: Partial<Pick<Underlay, 'opacityPct' | 'turnDeg'>> }>(
    ({ change }) => (change.turnDeg === undefined ? 'Fade the picture' : 'Turn the picture'),
    ({ plan }, { change }) => {
      if (plan.underlay !== null) Object.assign(plan.underlay, change);
    },
  ),
  'underlay/move': edit<{ readonly to: Partial<Point> }>('Move the picture', ({ plan }, { to }) => {
    if (plan.underlay !== null) Object.assign(plan.underlay.at, to);
  }),
  /** Two of its points brought to their true distance. */
  'underlay/scale': edit<{ readonly points: readonly [Point, Point]; readonly trueMm: number }>(
    'Scale the picture',
    ({ plan }, { points, trueMm }) => {
      if (plan.underlay !== null) plan.underlay = scaledUnderlay(plan.underlay, points, trueMm) as typeof plan.underlay;
    },
  ),
};
