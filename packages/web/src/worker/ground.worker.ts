import { expose } from 'comlink';
import type { Catalogue } from '@spare-acre/core/catalogue';
import { type LayoutProgress, type Offcut, searchJob } from '@spare-acre/core/cutting';
import { type School, type SplitOption, derivePipeline, schoolsOf, splitAdvice } from '@spare-acre/core/derive';
import {
  type FormatProblem,
  type HeightmapUse,
  type ImportedDrawing,
  contoursOfHeightmap,
  readDxf,
  readHeightmap,
  readSvg,
} from '@spare-acre/core/formats';
import { type Ground, type HeightField, type Solid, fieldOf, solidOf, tableBox } from '@spare-acre/core/ground';
import type { Contours, Plan } from '@spare-acre/core/plan';
import { type Cover, type PlayReport, coverOf, maskRings, playReport, sightMap } from '@spare-acre/core/play';
import { seeded } from '@spare-acre/core/random';
import type { Ring } from '@spare-acre/core/geometry';
import { type Result, ok } from '@spare-acre/core/result';
import type { Figure } from '@spare-acre/core/units';
import { heightsIn } from '@spare-acre/core/stack';
import {
  type Arrangement,
  type Count,
  type FailingSeam,
  type Side,
  browseTables,
  countTables,
  edgeLetters,
  failingSeams,
  poseOf,
  puzzleOf,
} from '@spare-acre/core/tiling';
import { type EdgeMend, edgeMends } from '@spare-acre/core/warnings';

/** Cells of the play checks, and of the 3D look, which shows smaller things. */
const CELL_MM = 4;
/** The look takes at most this many cells, coarser on large tables. */
const LOOK_CELLS = 160_000;
const LEAST_LOOK_MM = 2;
/** A layout is searched for this long unless stopped, and shown this often. */
const LAYOUT_MS = 15_000;
const TELL_MS = 150;
/** Tables laid out to browse through. */
const MOST_BROWSED = 200;

/** Told how far a search is; answers whether to go on. The answer travels, so a cancel gets in between two steps. */
export type OnProgress = (done: number, of: number) => boolean | Promise<boolean>;
export interface SightAnswer {
  readonly sights: readonly { readonly side: Side; readonly seen: Figure<'%'>; readonly unseen: readonly Ring[] }[];
  readonly covers: readonly Cover[];
}
export interface LookAnswer {
  readonly solid: Solid;
  readonly field: HeightField;
  readonly foamMm: number;
}
/** The puzzle of a table: how often it can be laid, and what to do about edges that fit nowhere. */
export interface TablesAnswer {
  readonly kinds: number;
  /** The letter of each tile's back, right, near and left edge as drawn. */
  readonly letters: Readonly<Record<string, readonly string[]>>;
  readonly mends: readonly EdgeMend[];
}
/** What a seam of a forced table shows on either side, in words. */
export interface ForcedAnswer {
  readonly failing: readonly FailingSeam[];
}

const derive = derivePipeline();
const fieldFor = (plan: Plan, catalogue: Catalogue, cellMm: number): { ground: Ground; field: HeightField; foamMm: number } => {
  const { ground, stack } = derive(plan, catalogue);
  return {
    ground,
    field: fieldOf(ground, tableBox(plan.table), cellMm, heightsIn(stack)),
    foamMm: stack.ground.value + (plan.stack.substrate?.thicknessMm ?? 0),
  };
};

const searches = {
  play(plan: Plan, catalogue: Catalogue, from: Side, to: Side): PlayReport {
    const { field, ground } = fieldFor(plan, catalogue, CELL_MM);
    return playReport(field, ground, plan, from, to);
  },

  async sight(plan: Plan, catalogue: Catalogue, onProgress: OnProgress): Promise<SightAnswer | null> {
    const { field } = fieldFor(plan, catalogue, CELL_MM);
    for (const search = sightMap(field, plan.figureHeightMm); ;) {
      const step = search.next();
      if (!step.done) {
        if (!(await onProgress(step.value.done, step.value.of))) return null;
        continue;
      }
      const by = (side: Side) => step.value.find((sight) => sight.side === side)!;
      return {
        sights: step.value.map(({ side, seen, seenBy }) => ({
          side,
          seen,
          unseen: maskRings((cell) => seenBy[cell] === 0, field.cols, field.rows, field.cellMm),
        })),
        covers: [coverOf(field, by('left'), by('right')), coverOf(field, by('back'), by('near'))],
      };
    }
  },

  look(plan: Plan, catalogue: Catalogue): LookAnswer {
    const { right, bottom } = tableBox(plan.table);
    const cellMm = Math.max(LEAST_LOOK_MM, Math.ceil(Math.sqrt((right * bottom) / LOOK_CELLS)));
    const { field, foamMm } = fieldFor(plan, catalogue, cellMm);
    return { solid: solidOf(field, foamMm), field, foamMm };
  },

  tables(plan: Plan, catalogue: Catalogue): TablesAnswer {
    const { ground } = derive(plan, catalogue);
    const puzzle = puzzleOf(ground);
    const all = edgeLetters(puzzle);
    const letters = Object.fromEntries(
      ground.tiles.map(({ id }) => [id, puzzle.poses[poseOf(puzzle, id, 0)]!.edges.map((edge) => all[edge]!)]),
    );
    return { kinds: puzzle.kinds.length, letters, mends: edgeMends(puzzle, plan, ground) };
  },

  async count(plan: Plan, catalogue: Catalogue, locks: Locks, onProgress: OnProgress): Promise<Count | null> {
    const puzzle = puzzleOf(derive(plan, catalogue).ground);
    for (const search = countTables(puzzle, posesOf(puzzle, locks)); ;) {
      const step = search.next();
      if (step.done) return step.value;
      if (!(await onProgress(step.value.cells, step.value.of))) return null;
    }
  },

  /** @param seed null: the first tables in order; a number: one table drawn by chance */
  async browse(
    plan: Plan,
    catalogue: Catalogue,
    locks: Locks,
    seed: number | null,
    onProgress: OnProgress,
  ): Promise<readonly Arrangement[] | null> {
    const puzzle = puzzleOf(derive(plan, catalogue).ground);
    const found: Arrangement[] = [];
    const wanted = seed === null ? MOST_BROWSED : 1;
    for (const table of browseTables(puzzle, posesOf(puzzle, locks), seed === null ? null : seeded(seed))) {
      if (table !== null) found.push(table);
      else if (!(await onProgress(found.length, wanted))) return null;
      if (found.length >= wanted) break;
    }
    return found;
  },

  forced: (plan: Plan, catalogue: Catalogue, arrangement: Arrangement): ForcedAnswer => ({
    failing: failingSeams(puzzleOf(derive(plan, catalogue).ground), arrangement),
  }),

  async split(plan: Plan, catalogue: Catalogue, onProgress: OnProgress): Promise<readonly SplitOption[] | null> {
    let options: readonly SplitOption[] = [];
    for (const progress of splitAdvice(plan, catalogue)) {
      ({ options } = progress);
      if (!(await onProgress(progress.done, progress.of))) return null;
    }
    return options;
  },

  async schools(plan: Plan, catalogue: Catalogue, rack: readonly Offcut[], onProgress: OnProgress): Promise<readonly School[] | null> {
    let schools: readonly School[] = [];
    for (const progress of schoolsOf(plan, catalogue, rack)) {
      ({ schools } = progress);
      if (!(await onProgress(progress.done, progress.of))) return null;
    }
    return schools;
  },

  /** Goes on laying out one job until told to stop, nothing can be better, or the time is up. */
  async betterLayout(
    plan: Plan,
    catalogue: Catalogue,
    rack: readonly Offcut[],
    jobKey: string,
    onStep: (step: LayoutProgress) => boolean | Promise<boolean>,
  ): Promise<void> {
    const job = derive(plan, catalogue, rack).jobs.find(({ key }) => key === jobKey);
    if (job === undefined || job.stock.length === 0) return;
    const until = performance.now() + LAYOUT_MS;
    let toldAt = 0;
    for (const step of searchJob(job, catalogue, seeded(plan.seed))) {
      const now = performance.now();
      if (now - toldAt < TELL_MS && now < until) continue;
      toldAt = now;
      if (!(await onStep(step)) || now >= until) return;
    }
  },

  drawing: (name: string, text: string): Result<ImportedDrawing, FormatProblem> =>
    name.toLowerCase().endsWith('.dxf') ? readDxf(text, name) : readSvg(text, name),

  /** Whether a picture can be read as heights, and why not. */
  heights(name: string, bytes: Uint8Array): Result<null, FormatProblem> {
    const read = readHeightmap(bytes, name);
    return read.ok ? ok(null) : read;
  },

  hill(name: string, bytes: Uint8Array, use: HeightmapUse): Result<Contours, FormatProblem> {
    const read = readHeightmap(bytes, name);
    return read.ok ? contoursOfHeightmap(read.value, use, name) : read;
  },
};

/** Tiles held on their cells, by cell. */
export type Locks = readonly (Arrangement[number] | null)[];
const posesOf = (puzzle: ReturnType<typeof puzzleOf>, locks: Locks): (number | null)[] =>
  locks.map((lock) => (lock === null ? null : poseOf(puzzle, lock.tileId, lock.turns)));

export type Searches = typeof searches;
expose(searches);
