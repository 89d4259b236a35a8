/** What the making of pieces takes: one of each family in sizes of chance, and a board of forty with one of them dragged. */
import { deserialize, serialize } from 'node:v8';
import type { z } from 'zod';
import { seeded } from '@spare-acre/core/base/random';
import { WORKSHOP_CATALOGUE as catalogue } from '@spare-acre/core/catalogue/workshop';
import { brinefold } from '@spare-acre/core/demo';
import {
  FAMILIES,
  FAMILY_NAMES,
  type FamilyName,
  type PieceFamilyDefinition,
  type PieceScale,
  makePiece,
  newPiece,
} from '@spare-acre/core/build/pieces';
import { derivePipeline } from '@spare-acre/core/pipeline';
import type { Piece, Plan } from '@spare-acre/core/plan';
import { appliedTo } from '@spare-acre/core/plan/edits';
import { chanceSettings } from '../../packages/core/src/testing/pieces';
import { type Answer, Answering, applyAnswer } from '../../packages/web/src/workers/answering';
import type { Look, Slices } from '../../packages/web/src/workers/slices';
import { WARM_ROUNDS, ms, timed } from './timed';

const SCALE: PieceScale = { figureMm: 28, baseMm: 25, ratio: 28 / 1_650 };
const CLADDING = [{ shows: 'walls', claddingId: 'small-bricks', layingId: 'on-paper' }] as const;

/** Pieces of a family in sizes of chance that can be made, clad where they have walls. */
function chancePieces(family: FamilyName, count: number, seed: number): readonly Piece[] {
  const definition = FAMILIES[family] as unknown as PieceFamilyDefinition<string, z.ZodType>;
  const random = seeded(seed);
  const found: Piece[] = [];
  while (found.length < count) {
    const fresh = newPiece(family, `${family}-${found.length}`, SCALE, [], catalogue);
    const piece: Piece = {
      ...fresh,
      name: `${fresh.name} ${found.length}`,
      settings: chanceSettings(definition, SCALE, random) as Piece['settings'],
      cladding: CLADDING,
    };
    if (makePiece(piece, SCALE, catalogue).problem === null) found.push(piece);
  }
  return found;
}

export function pieceRows(): string[][] {
  const rows = FAMILY_NAMES.map((family) => {
    const pieces = chancePieces(family, 20, 5);
    // Every round another object, so that nothing is remembered of it.
    const { median, p95 } = timed((round) => void makePiece({ ...pieces[round % pieces.length]! }, SCALE, catalogue), 60, 60);
    return [FAMILIES[family].of.name, ms(median), ms(p95), '15 ms'];
  });
  return [...rows, ...fortyRows()];
}

/** Brinefold with forty pieces; the one on the bench is dragged a little each round. What is shown of it comes first, its evenings after. */
function fortyRows(): string[][] {
  const pieces = Array.from({ length: 40 }, (_, i) => ({
    ...chancePieces(FAMILY_NAMES[i % FAMILY_NAMES.length]!, 1, i + 1)[0]!,
    id: `piece-${i}`,
    name: `Piece ${i}`,
  }));
  let plan: Plan = { ...structuredClone(brinefold(catalogue)), features: [], pieces };
  const dragged = { ...newPiece('shed', 'piece-0', SCALE, [], catalogue), name: 'Piece 0' };
  plan = { ...plan, pieces: [dragged, ...plan.pieces.slice(1)] };
  const [derive, answering] = [derivePipeline(), new Answering()];
  const look: Look = { slices: ['pieces', 'bench'], chosen: ['piece-0'] };
  let known: Slices = {};
  const take = (answer: Answer): void => void (known = applyAnswer(known, deserialize(serialize(answer)) as Answer));
  const early: number[] = [];
  const { median, p95 } = timed((round) => {
    plan = appliedTo(plan, { code: 'piece/set', pieceId: 'piece-0', change: { basesWide: 3 + (round % 9) * 0.37 }, what: 'Set' });
    const before = performance.now();
    const derivation = derive(plan, catalogue);
    take(answering.answer(derivation, look, true));
    if (round >= WARM_ROUNDS) early.push(performance.now() - before);
    take(answering.answer(derivation, look));
  });
  const sorted = early.toSorted((a, b) => a - b);
  const at = (share: number): string => ms(sorted[Math.floor(sorted.length * share)]!);
  const what = 'a board with 40 of them, one dragged';
  return [
    [`${what}: the first answer`, at(0.5), at(0.95), '40 ms'],
    [`${what}: its evenings as well`, ms(median), ms(p95), '–'],
  ];
}
