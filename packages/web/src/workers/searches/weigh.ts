import type { Edit } from '@spare-acre/core/plan/edits';
import { type Weighed, type WholeWeight, scalesFor, weighed, withAnswers } from '@spare-acre/core/advice/tradeoffs';
import type { BoardCopy } from '../board-copy';

/** One way as it is shown: what it changes, what it comes to, and the edit that takes it. */
export interface ShownWay {
  readonly id: string;
  readonly changes: readonly string[];
  readonly weight: WholeWeight;
  readonly edit: Edit;
}
export interface ShownWeighing extends Omit<Weighed, 'own' | 'front'> {
  readonly questions: readonly string[];
  readonly own: ShownWay;
  readonly front: readonly ShownWay[];
}

/** Ways to build the open board, the front telling itself as it grows. @param told answers whether to go on */
export async function weigh(board: BoardCopy, told: (now: ShownWeighing) => boolean | Promise<boolean>): Promise<void> {
  const { plan } = board;
  const scales = scalesFor(plan, board.catalogue, board.shop);
  const shownWay = ({ combination, weight }: Weighed<WholeWeight>['own']): ShownWay => {
    const { edit, names } = withAnswers(plan, scales.axes, combination);
    return { id: combination.join('-'), changes: names, weight, edit };
  };
  const questions = scales.axes.map(({ name, options }) => `${name.toLowerCase()} ${options.map((option) => option.name).join(', or ')}`);
  for (const { own, front, ...rest } of weighed(plan, scales.axes, scales.weigh)) {
    if (!(await told({ ...rest, questions, own: shownWay(own), front: front.map(shownWay) }))) return;
  }
}
