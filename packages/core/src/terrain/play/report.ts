import { type Point, type Ring, boxRegion, contains } from '../../base/geometry';
import { type Ground, type HeightField, landAt } from '../ground';
import type { Plan } from '../../plan';
import { SIDES, type Side } from '../tiling';
import { type Figure, given, lengthWords, calculate } from '../../base/units';
import { clearanceMap, widestBase, widestToLevels } from './clearance';
import { levelsOf } from './levels';
import { maskRings } from './mask';
import { reachMap } from './reach';
import { shareOf } from './share';
import { standingMap } from './standing';

/** Places to be hatched over the plan, each as closed runs of points in mm. */
export interface PlayMaps {
  /** Too near an obstacle or a drop for the chosen base. */
  readonly tight: readonly Ring[];
  /** The chosen base tips over or rocks. */
  readonly tips: readonly Ring[];
  /** Too far for a hand. */
  readonly far: readonly Ring[];
  /** Too narrow for a hand. */
  readonly narrow: readonly Ring[];
  /** The way the widest base takes. */
  readonly way: readonly Point[];
}
/** The quick play checks of a table; sight is a search of its own. */
export interface PlayReport {
  readonly maps: PlayMaps;
  readonly from: Side;
  readonly to: Side;
  readonly widest: Figure<'mm'>;
  readonly levels: readonly LevelReport[];
  readonly stands: Figure<'%'>;
  readonly far: Figure<'%'>;
  readonly narrow: Figure<'%'>;
}
export interface LevelReport {
  readonly name: string;
  readonly height: Figure<'mm'>;
  /** Bases of the chosen size that stand on it side by side. */
  readonly spots: Figure<'1'>;
  /** Widest base that gets there from the chosen side; 0 where no way leads up. */
  readonly reached: Figure<'mm'>;
}

/** Levels beyond these are told together: a list no one reads helps no one. */
const MAX_LEVELS = 8;

/** Clearance, ways, standing and reach of one table for the chosen base and sides. @source craft.md §11 */
export function playReport(field: HeightField, ground: Ground, { play, units }: Plan, from: Side, to: Side): PlayReport {
  const levels = levelsOf(field, play);
  const standing = standingMap(field, play, levels);
  const reach = reachMap(field, play);
  const way = widestBase(field, play, from, to);
  const toLevels = widestToLevels(field, play, from, levels);
  const cells = field.cols * field.rows;
  const clear = clearanceMap(field, play, SIDES).clearMm;
  const rings = (holds: (cell: number) => boolean): readonly Ring[] => maskRings(holds, field.cols, field.rows, field.cellMm);
  const placeOf = (cell: number): Point => ({
    x: ((cell % field.cols) + 0.5) * field.cellMm,
    y: (Math.floor(cell / field.cols) + 0.5) * field.cellMm,
  });
  const told = levels.levels.slice(0, MAX_LEVELS);
  const names = told.map(({ heightMm, cell }) => levelName(heightMm, landAt(ground, placeOf(cell))?.feature.name ?? null, units));
  const tileAt = (cell: number): string => ground.tiles.find(({ box }) => contains(boxRegion(box), placeOf(cell)))?.id ?? '';
  // A channel parts the ground in two: the tile says which is meant.
  const apart = (name: string, cell: number): string =>
    names.indexOf(name) === names.lastIndexOf(name) ? name : `${name}, ${tileAt(cell)}`;
  const cellNote = `measured on cells of ${field.cellMm} mm, so to within one cell`;
  const half = given(`Half the narrowest gap from ${from} to ${to}`, way.baseMm / 2, 'mm', 'drawing', cellNote);
  return {
    maps: {
      tight: rings((cell) => clear[cell]! < play.baseMm / 2),
      tips: rings((cell) => standing.stands[cell] === 0),
      far: rings((cell) => reach.trouble[cell] === 1),
      narrow: rings((cell) => reach.trouble[cell] === 2),
      way: way.cells.map(placeOf),
    },
    from,
    to,
    widest: calculate(`Widest base from ${from} to ${to}`, 'mm', half, '×', given('Both sides', 2, '1', 'definition')),
    levels: told.map(({ heightMm, cell }, i) => ({
      name: apart(names[i]!, cell),
      height: given('Height above ground', heightMm, 'mm', 'drawing'),
      spots: given(
        `Bases of ${lengthWords(play.baseMm, units)} that fit there`,
        standing.spots[i]!,
        '1',
        'drawing',
        'placed one after another, side by side',
      ),
      reached: given(`Largest base with access from the ${from} side`, toLevels[i]!, 'mm', 'drawing', cellNote),
    })),
    stands: shareOf(
      'Share of table to stand on',
      standing.stands.reduce((sum, does) => sum + does, 0),
      cells,
    ),
    far: shareOf('Out of reach of a hand', Math.round(reach.farShare * cells), cells),
    narrow: shareOf('Too narrow for a hand', Math.round(reach.narrowShare * cells), cells),
  };
}

/** A level by its height and what it belongs to: several pans may lie equally deep. */
function levelName(heightMm: number, feature: string | null, units: Plan['units']): string {
  const mm = Math.round(heightMm);
  if (mm === 0) return 'Ground';
  const height = `${lengthWords(Math.abs(mm), units)} ${mm > 0 ? 'up' : 'down'}`;
  return feature === null ? height : `${feature}, ${height}`;
}
