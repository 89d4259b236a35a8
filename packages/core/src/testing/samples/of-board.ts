import type { EditCode, EditNamed } from '../../plan/edits';
import type { Random } from '../../base/random';
import { pieceScale } from '../../build/pieces';
import { GROUND_KINDS } from '../../plan/surfaces';
import { type Board, starterSurface } from '../../plan';
import { EMPTY_STOCK } from '../../plan/workshop';
import { CATALOGUE, derived } from '../plans';

/** An edit of each code such as a hand might make on a board; null where the board has nothing of that sort. */
export type Samples = { readonly [Code in EditCode]: (board: Board, random: Random) => EditNamed<Code> | null };

export const starters = CATALOGUE.starter.surfaces.map((one) => starterSurface(one, CATALOGUE.patterns, 1 / 60));
export const whole = (random: Random, from: number, to: number): number => from + Math.floor(random() * (to - from + 1));
export const pick = <T>(random: Random, list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
export const oneOf = ({ plan: { features } }: Board, random: Random) => (features.length === 0 ? null : pick(random, features));
export const layerOf = ({ plan: { stack } }: Board, random: Random) =>
  ({ kind: 'ground', layerId: pick(random, stack.ground).id }) as const;
export const facedIn = ({ plan: { stack } }: Board) => GROUND_KINDS.find((kind) => stack.facings[kind].length > 0) ?? null;
export const pieceOf = ({ plan: { pieces } }: Board, random: Random) => (pieces.length === 0 ? null : pick(random, pieces));
export const scaleOf = ({ plan: { figureHeightMm, play } }: Board) => pieceScale(figureHeightMm, play.baseMm, CATALOGUE);
export const jobsOf = ({ plan, record }: Board) => derived(plan, { ...EMPTY_STOCK, ...record }).jobs;
