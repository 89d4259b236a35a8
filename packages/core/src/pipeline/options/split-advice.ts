import type { Catalogue } from '../../catalogue';
import { usedOfAll } from '../../build/cutting';
import { LIMITS } from '../../plan/fields';
import { type Plan, evenSplit, tableDepthMm, tableWidthMm } from '../../plan';
import { type Figure, given, total } from '../../base/units';
import type { Derivation } from '../derive';
import { derivePipeline } from '../full';

/** One way to split the table, with what it costs and spares. */
export interface SplitOption {
  readonly columns: number;
  readonly rows: number;
  readonly widthMm: number;
  readonly depthMm: number;
  readonly isAsDrawn: boolean;
  readonly tiles: Figure<'1'>;
  /** The heaviest tile. */
  readonly heaviest: Figure<'g'>;
  readonly sheets: Figure<'1'>;
  readonly sheetCost: Figure<'money'>;
  /** How much of all sheets becomes parts. */
  readonly used: Figure<'%'>;
  /** Features that a seam runs through. */
  readonly crossed: Figure<'1'>;
  /** Stated doors and places that every tile passes. */
  readonly passes: Figure<'1'>;
  readonly warnings: Figure<'1'>;
}
export interface SplitProgress {
  readonly done: number;
  readonly of: number;
  readonly options: readonly SplitOption[];
}

/** Tiles of these sides are worth a look: a hand's carry to a door's. */
const SIDE_MM = { min: 200, max: 1_000 } as const;
/** Oblong tiles longer than this for their width are awkward and bow. */
const LONGEST = 2.2;
const MAX_OPTIONS = 16;

/** Reckons the table split in every sensible even way, the drawn one among them; fewest tiles first. Yields after each. */
export function* splitAdvice(plan: Plan, catalogue: Catalogue): Generator<SplitProgress, readonly SplitOption[], void> {
  const ways = waysToSplit(plan);
  const options: SplitOption[] = [];
  for (const way of ways) {
    options.push(optionFor(plan, way, catalogue));
    yield { done: options.length, of: ways.length, options: [...options] };
  }
  return options;
}

interface Way {
  readonly columns: number;
  readonly rows: number;
  readonly isAsDrawn: boolean;
}
function waysToSplit({ table }: Plan): Way[] {
  const [width, depth] = [tableWidthMm(table), tableDepthMm(table)];
  const drawn = { columns: table.columnWidthsMm.length, rows: table.rowDepthsMm.length, isAsDrawn: true };
  const ways: Way[] = [];
  for (let columns = 1; columns <= LIMITS.tilesAlong.max; columns++) {
    for (let rows = 1; rows <= LIMITS.tilesAlong.max; rows++) {
      const [w, d] = [width / columns, depth / rows];
      const isSensible = Math.min(w, d) >= SIDE_MM.min && Math.max(w, d) <= SIDE_MM.max && Math.max(w, d) / Math.min(w, d) <= LONGEST;
      if (isSensible && !(columns === drawn.columns && rows === drawn.rows)) ways.push({ columns, rows, isAsDrawn: false });
    }
  }
  ways.sort((a, b) => a.columns * a.rows - b.columns * b.rows);
  return [...ways.slice(0, MAX_OPTIONS - 1), drawn].sort((a, b) => a.columns * a.rows - b.columns * b.rows || a.columns - b.columns);
}

function optionFor(plan: Plan, { columns, rows, isAsDrawn }: Way, catalogue: Catalogue): SplitOption {
  const [width, depth] = [tableWidthMm(plan.table), tableDepthMm(plan.table)];
  const split: Plan = isAsDrawn
    ? plan
    : { ...plan, table: { ...plan.table, columnWidthsMm: evenSplit(width, columns), rowDepthsMm: evenSplit(depth, rows) } };
  const derivation = derivePipeline()(split, catalogue);
  const heaviest = derivation.tiles.map(({ mass }) => mass).reduce((a, b) => (b.value > a.value ? b : a));
  return {
    columns,
    rows,
    widthMm: width / columns,
    depthMm: depth / rows,
    isAsDrawn,
    tiles: given('Tiles', columns * rows, '1', 'plan'),
    heaviest,
    sheets: derivation.tally.sheets,
    sheetCost: total(
      'Sheets, cost',
      'money',
      derivation.jobs.map(({ cost }) => cost),
    ),
    used: usedOfAll(derivation.jobs),
    crossed: given('Features that a seam crosses', crossedBySeams(derivation), '1', 'drawing'),
    passes: given('Doors and places that every tile fits', passedBy(derivation, split), '1', 'drawing'),
    warnings: given('Warnings', derivation.warnings.length, '1', 'drawing'),
  };
}

const crossedBySeams = ({ ground }: Derivation): number =>
  new Set(
    ground.tileLands
      .filter(({ land, tileId }) => ground.tileLands.some((other) => other.land === land && other.tileId !== tileId))
      .map(({ land }) => land.feature.id),
  ).size;

const passedBy = ({ tiles }: Derivation, { table }: Plan): number =>
  table.passages.filter((_, i) => tiles.every(({ fittings }) => fittings[i]!.fits)).length;
