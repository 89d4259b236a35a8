import type { Catalogue, StarterSurface } from '../catalogue';
import { type GroundKind, byGroundKind } from './surfaces';
import type { Coat, Laid, Plan, Surface } from './plan';

type StarterCoat = StarterSurface['coats'][number];

/** A coat with nothing said of it but what and how. @param taken ids that other coats of the list have */
export function plainCoat(use: StarterCoat, taken: readonly string[] = []): Coat {
  const base = `${use.coatingId}-${use.methodId}`;
  let id = base;
  for (let n = 2; taken.includes(id); n++) id = `${base}-${n}`;
  return {
    id,
    coatingId: use.coatingId,
    methodId: use.methodId,
    filmMm: use.filmMm ?? null,
    tint: use.tint ?? [],
    before: use.before ?? 'dry',
    coverPct: use.coverPct ?? 100,
    goes: use.goes ?? 1,
    thin: 0,
    strewn: null,
  };
}

/** Coats of a starter, told apart. */
export function starterCoats(uses: readonly StarterCoat[]): readonly Coat[] {
  const coats: Coat[] = [];
  for (const use of uses)
    coats.push(
      plainCoat(
        use,
        coats.map(({ id }) => id),
      ),
    );
  return coats;
}

/** A recipe of the catalogue for a board. @param scale of the board, 1/60 for figures of 28 mm */
export const starterSurface = (
  { id, name, relief, patternId, coats }: StarterSurface,
  patterns: Catalogue['patterns'],
  scale: number,
): Surface => ({
  id,
  name,
  relief,
  laid:
    patternId === null
      ? null
      : laidIn(
          patterns.find((one) => one.id === patternId)!,
          scale,
        ),
  coats: starterCoats(coats),
});

/** No unit is cut or drawn smaller than a knife can follow. */
const MIN_UNIT_MM = 2;
/** A pattern at a board's scale, from the table's corner. */
export const laidIn = ({ id, longMm, wideMm, jointMm }: Catalogue['patterns'][number], scale: number): Laid => {
  const scaled = (mm: number): number => Math.max(MIN_UNIT_MM, Math.round(mm * scale * 2) / 2);
  return {
    patternId: id,
    at: { x: 0, y: 0 },
    turnDeg: 0,
    followsLine: true,
    longMm: scaled(longMm),
    wideMm: scaled(wideMm),
    jointMm: Math.round(Math.max(0.3, jointMm * scale) * 10) / 10,
    tints: [],
  };
};

type Worn = Pick<Plan, 'surfaces' | 'wears'>;
/** The coats of a kind of ground where nothing on it wears another surface. */
export const coatsOn = ({ surfaces, wears }: Worn, kind: GroundKind): readonly Coat[] =>
  surfaces.find(({ id }) => id === wears[kind])?.coats ?? [];
/** The same for every kind. */
export const kindCoats = (worn: Worn): Readonly<Record<GroundKind, readonly Coat[]>> => byGroundKind((kind) => coatsOn(worn, kind));
