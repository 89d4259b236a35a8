import { type Part, isPieceOf } from './part';
import { cutMm } from '../../../base/rounding';
import type { Catalogue } from '../../../catalogue';
import { type Region, areaMm2, boxRegion, intersection, isEmpty } from '../../../base/geometry';
import type { Ground } from '../../../terrain/ground';
import type { Split } from '../../../plan';
import { ceilTolerant } from '../../../base/units';

/** Whether a piece of this size can be cut: it fits a sheet, and the machine. Must hold for every smaller piece too. */
export type CanCut = (widthMm: number, depthMm: number) => boolean;

/** What joints have to keep clear of. */
export interface SplitInputs {
  /** All parts, for the joints of the layers over and under. */
  readonly parts: readonly Part[];
  readonly ground: Pick<Ground, 'onTile'>;
  readonly catalogue: Catalogue;
}

/** A joint is sought at steps of this. */
const STEP_MM = 5;
/** Pieces looked for one way, at most. */
const MAX_PIECES = 20;
/** A piece narrower than this breaks in the hand. */
export const MIN_PIECE_MM = 30;
/** What is given up for a mm off the even place: a tie-break only. */
const UNEVEN = 0.01;

/**
 * Splits of a part into pieces that can be cut: as few as will do, joints clear of pits and of the edges of what is worked, and staggered against the joints of the layers
 * over and under it as far as the sizes leave a choice.
 * @returns none where no split helps; the pieces may be split in turn, each by a split of its own
 * @source craft.md §4
 */
export function proposedSplits(part: Part, canCut: CanCut, among: SplitInputs): readonly Split[] {
  const ways = (['x', 'y'] as const).flatMap((along) => {
    const [sizeMm, otherMm] = along === 'x' ? [part.widthMm, part.depthMm] : [part.depthMm, part.widthMm];
    const fits = (mm: number): boolean => (along === 'x' ? canCut(mm, otherMm) : canCut(otherMm, mm));
    const count = piecesNeeded(sizeMm, fits);
    return count === null ? [] : [{ along, sizeMm, fits, count }];
  });
  const best = ways.sort((a, b) => a.count - b.count || b.sizeMm - a.sizeMm)[0];
  if (best !== undefined) return [jointsOf(part, best, among)];
  return splitBothWays(part, canCut, among);
}

/** How many equal pieces it takes one way; null where no number does. */
function piecesNeeded(sizeMm: number, fits: (mm: number) => boolean): number | null {
  for (let count = 2; count <= MAX_PIECES && sizeMm / count >= MIN_PIECE_MM; count++) if (fits(sizeMm / count)) return count;
  return null;
}

/** Too large both ways: into strips first, each of which then splits the other way. */
function splitBothWays(part: Part, canCut: CanCut, among: SplitInputs): readonly Split[] {
  const along = part.widthMm >= part.depthMm ? 'x' : 'y';
  const [sizeMm, otherMm] = along === 'x' ? [part.widthMm, part.depthMm] : [part.depthMm, part.widthMm];
  for (let count = 2; count <= MAX_PIECES && sizeMm / count >= MIN_PIECE_MM; count++) {
    const eachMm = sizeMm / count;
    const across = (mm: number): boolean => (along === 'x' ? canCut(eachMm, mm) : canCut(mm, eachMm));
    if (piecesNeeded(otherMm, across) === null) continue;
    const fits = (mm: number): boolean => mm <= eachMm + 1e-6;
    const first = jointsOf(part, { along, sizeMm, fits, count }, among);
    const edges = [0, ...first.atMm, sizeMm];
    const pieces = edges.slice(1).map((to, i): Part => {
      const fromMm = edges[i]!;
      const moved =
        part.at === null ? null : along === 'x' ? { x: part.at.x + fromMm, y: part.at.y } : { x: part.at.x, y: part.at.y + fromMm };
      const size = along === 'x' ? { widthMm: to - fromMm, depthMm: part.depthMm } : { widthMm: part.widthMm, depthMm: to - fromMm };
      return { ...part, ...size, id: `${part.id}/${i + 1}-0`, at: moved };
    });
    return [first, ...pieces.flatMap((piece) => (canCut(piece.widthMm, piece.depthMm) ? [] : proposedSplits(piece, canCut, among)))];
  }
  return [];
}

interface Way {
  readonly along: 'x' | 'y';
  readonly sizeMm: number;
  readonly fits: (mm: number) => boolean;
  readonly count: number;
}

function jointsOf(part: Part, { along, sizeMm, fits, count }: Way, among: SplitInputs): Split {
  const longestMm = longestThat(fits, sizeMm);
  const cost = jointCost(part, along, among);
  const atMm: number[] = [];
  for (let i = 1; i < count; i++) {
    const before = atMm.at(-1) ?? 0;
    const evenMm = (sizeMm * i) / count;
    const from = Math.max(before + MIN_PIECE_MM, sizeMm - (count - i) * longestMm);
    const to = Math.min(before + longestMm, sizeMm - MIN_PIECE_MM * (count - i));
    let [best, bestCost] = [Math.min(to, Math.max(from, evenMm)), Infinity];
    for (const at of [best, ...stepsFrom(from, to)]) {
      const own = cost(at) + Math.abs(at - evenMm) * UNEVEN;
      if (own < bestCost - 1e-9) [best, bestCost] = [at, own];
    }
    atMm.push(cutMm(best));
  }
  return { partId: part.id, wholeId: part.wholeId, along, atMm };
}

function stepsFrom(fromMm: number, toMm: number): number[] {
  const first = ceilTolerant(fromMm / STEP_MM) * STEP_MM;
  return Array.from({ length: Math.max(0, Math.floor((toMm - first) / STEP_MM) + 1) }, (_, i) => first + i * STEP_MM);
}

/** The longest piece that fits, by halving: what fits longer fits shorter. */
function longestThat(fits: (mm: number) => boolean, mostMm: number): number {
  let [low, high] = [0, mostMm];
  for (let i = 0; i < 40; i++) {
    const middle = (low + high) / 2;
    if (fits(middle)) low = middle;
    else high = middle;
  }
  return Math.floor(low * 100) / 100;
}

/** Whether a joint may be made there: in no pit, along no worked edge, clear of the joints of the next layers. */
export function isAllowed(part: Part, along: 'x' | 'y', among: SplitInputs): (atMm: number) => boolean {
  const cost = jointCost(part, along, among);
  return (atMm) => cost(atMm) <= ALLOWED;
}
/** A corner of a worked edge under a joint does no harm. */
const ALLOWED = 0.2;

const IN_HOLE = 1_000;
const AT_EDGE = 10;
const IN_LINE = 5_000;

/** What a joint at a place would cost: in a pit, along an edge that is worked, or in line with a joint of the next layer. */
function jointCost(part: Part, along: 'x' | 'y', { parts, ground, catalogue }: SplitInputs): (atMm: number) => number {
  const { at } = part;
  if (at === null) return () => 0;
  const { jointClearMm, jointStaggerMm } = catalogue.bench;
  const lands = (ground.onTile.get(part.workpieceId) ?? []).filter(({ body }) => !isEmpty(body));
  const others = jointLines(
    parts.filter((other) => isNextLayer(part, other)),
    along,
  );
  return (atMm) => {
    const line = (along === 'x' ? at.x : at.y) + atMm;
    const strip = stripAt(part, at, along, line, jointClearMm.value);
    const whole = areaMm2(strip);
    let cost = 0;
    for (const { land, body } of lands) {
      const share = areaMm2(intersection(strip, body)) / whole;
      if (share <= 0) continue;
      if (land.role === 'hole') cost += IN_HOLE * share;
      else cost += AT_EDGE * share * (1 - share);
    }
    const nearest = Math.min(Infinity, ...others.map((other) => Math.abs(other - line)));
    return nearest < jointStaggerMm.value ? cost + IN_LINE * (1 - nearest / jointStaggerMm.value) + 1 : cost;
  };
}

function stripAt(part: Part, at: NonNullable<Part['at']>, along: 'x' | 'y', line: number, clearMm: number): Region {
  return boxRegion(
    along === 'x'
      ? { left: line - clearMm, right: line + clearMm, top: at.y, bottom: at.y + part.depthMm }
      : { left: at.x, right: at.x + part.widthMm, top: line - clearMm, bottom: line + clearMm },
  );
}

/** A part of the layer just over or under another of the same build-up. */
export const isNextLayer = (part: Part, other: Part): boolean =>
  other.workpieceId === part.workpieceId &&
  other.stage === part.stage &&
  other.featureId === part.featureId &&
  Math.abs(other.level - part.level) === 1;

/** Where pieces of one layer meet, across the table: the near edges of pieces that lie behind another of their part. */
export function jointLines(parts: readonly Part[], along: 'x' | 'y'): readonly number[] {
  const lines = parts.flatMap((part) => {
    if (!isPieceOf(part) || part.at === null) return [];
    const start = along === 'x' ? part.at.x : part.at.y;
    const isBehind = parts.some(
      (other) => other.wholeId === part.wholeId && other.at !== null && (along === 'x' ? other.at.x : other.at.y) < start - 1,
    );
    return isBehind ? [start] : [];
  });
  return [...new Set(lines)];
}
