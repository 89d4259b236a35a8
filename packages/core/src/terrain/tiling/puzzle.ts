import type { Ground, Tile } from '../ground';
import { type Edge, edgesOf, mates } from './edge';
import { SIZE_MM, alike, lookOf, turnedLook } from './look';

/** A tile lying on a cell, turned clockwise by quarter turns. */
export interface Laid {
  readonly tileId: string;
  readonly turns: number;
}
/** A table: what lies on each cell, row by row from the back. */
export type Arrangement = readonly Laid[];

/**
 * The puzzle the search works on: cells, the ways a tile may lie on each, and which pairs of edges mate. Tiles that look alike are one
 * kind; a tile that looks the same when turned has fewer ways to lie.
 */
export interface Puzzle {
  readonly columns: number;
  readonly rows: number;
  readonly kinds: readonly TileKind[];
  /** Ways any tile may lie, over all kinds. */
  readonly poses: readonly Pose[];
  /** Poses that fit each cell by size, by cell. */
  readonly posesOn: readonly (readonly number[])[];
  /** `mate[a * edgeCount + b]` is 1 when edge a lies against edge b. */
  readonly mate: Uint8Array;
  readonly edgeCount: number;
  readonly edges: readonly Edge[];
  /** Turns of the whole table that keep its cells: quarter turns for 0 to 3 where they map cells on cells of their size. */
  readonly tableTurns: readonly (readonly number[])[];
}
export interface TileKind {
  readonly tileIds: readonly string[];
  /** By how many quarter turns each of them is the first one turned. */
  readonly offsets: readonly number[];
  /** Quarter turns that look different: 0, or 0 and 1, or all four. */
  readonly turns: readonly number[];
}
/** A kind turned: the edges it shows on its back, right, near and left side. */
export interface Pose {
  readonly kind: number;
  readonly turns: number;
  readonly edges: readonly [number, number, number, number];
}

const QUARTERS = [0, 1, 2, 3] as const;

/** Reads the puzzle off a drawn table. */
export function puzzleOf(ground: Ground): Puzzle {
  const { tiles } = ground;
  const columns = Math.max(...tiles.map(({ column }) => column)) + 1;
  const rows = tiles.length / columns;
  const looks = tiles.map((tile) => lookOf(tile, ground));
  const kinds: { tileIds: string[]; offsets: number[]; first: number; turns: number[] }[] = [];
  tiles.forEach((tile, i) => {
    for (const kind of kinds) {
      const offset = QUARTERS.find((turns) => alike(turnedLook(looks[kind.first]!, turns), looks[i]!));
      if (offset === undefined) continue;
      kind.tileIds.push(tile.id);
      kind.offsets.push(offset);
      return;
    }
    const period = [1, 2].find((turns) => alike(turnedLook(looks[i]!, turns), looks[i]!)) ?? 4;
    kinds.push({ tileIds: [tile.id], offsets: [0], first: i, turns: QUARTERS.filter((turns) => turns < period) });
  });
  const edges = kinds.flatMap(({ first }) => edgesOf(tiles[first]!, ground));
  const edgeCount = edges.length;
  const mate = new Uint8Array(edgeCount * edgeCount);
  for (let a = 0; a < edgeCount; a++)
    for (let b = a; b < edgeCount; b++) mate[a * edgeCount + b] = mate[b * edgeCount + a] = Number(mates(edges[a]!, edges[b]!));
  const poses = kinds.flatMap(({ turns }, kind) => turns.map((turn): Pose => ({ kind, turns: turn, edges: turnedSides(kind * 4, turn) })));
  const sizes = kinds.map(({ first }) => sizeOf(tiles[first]!));
  const posesOn = tiles.map((cell) => {
    const [width, depth] = sizeOf(cell);
    return poses.flatMap((pose, i) => {
      const [w, d] = pose.turns % 2 === 0 ? sizes[pose.kind]! : ([sizes[pose.kind]![1], sizes[pose.kind]![0]] as const);
      return Math.abs(w - width) < SIZE_MM && Math.abs(d - depth) < SIZE_MM ? [i] : [];
    });
  });
  return { columns, rows, kinds, poses, posesOn, mate, edgeCount, edges, tableTurns: tableTurns(tiles, columns, rows) };
}

/** Back, right, near and left edge after clockwise quarter turns: what was left comes to the back. */
const turnedSides = (base: number, turns: number): Pose['edges'] =>
  [0, 1, 2, 3].map((side) => base + ((side - turns + 4) % 4)) as unknown as Pose['edges'];

const sizeOf = ({ box }: Tile): readonly [number, number] => [box.right - box.left, box.bottom - box.top];

/**
 * Turns of the table that put every cell on a cell of its size, as lists of where each cell goes, by quarter turns: index 0 is no turn. A turn
 * that does not fit is an empty list.
 */
function tableTurns(tiles: readonly Tile[], columns: number, rows: number): readonly (readonly number[])[] {
  return QUARTERS.map((turns) => {
    if (turns % 2 === 1 && columns !== rows) return [];
    const to = tiles.map(({ column, row }) => {
      let [c, r, w, h] = [column, row, columns, rows];
      for (let i = 0; i < turns; i++) [c, r, w, h] = [h - 1 - r, c, h, w];
      return r * columns + c;
    });
    const fits = tiles.every((tile, i) => {
      const [w, d] = sizeOf(tile);
      const [w2, d2] = sizeOf(tiles[to[i]!]!);
      return turns % 2 === 0
        ? Math.abs(w - w2) < SIZE_MM && Math.abs(d - d2) < SIZE_MM
        : Math.abs(w - d2) < SIZE_MM && Math.abs(d - w2) < SIZE_MM;
    });
    return fits ? to : [];
  });
}
