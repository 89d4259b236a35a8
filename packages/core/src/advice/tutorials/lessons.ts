import { dequal } from 'dequal';
import { kindNamed } from '../../plan/features';
import type { Plan } from '../../plan';
import type { BoardRecord } from '../../plan/workshop';

/** What is looked at to see whether something was done. */
export interface Learner {
  readonly plan: Plan;
  /** As the tile was before the first lesson. */
  readonly start: Plan;
  readonly record: BoardRecord;
  /** Moves that are left to do; null where nobody has looked. */
  readonly movesLeft: number | null;
  /** Entries of the log that say what something took. */
  readonly logged: number;
}
/** One thing to do, and what comes of it. */
export interface Lesson {
  readonly id: string;
  /** Where it is done. */
  readonly view: 'ground' | 'section' | 'pieces' | 'cuts' | 'coats' | 'supplies' | 'days' | 'bench' | 'logbook';
  readonly name: string;
  readonly what: string;
  /** What to see once it is done. */
  readonly then: string;
  readonly isDone: (learner: Learner) => boolean;
}

const thickMm = ({ stack }: Plan): number => stack.ground.reduce((sum, { thicknessMm }) => sum + thicknessMm, 0);

/** A first tile from drawing to done, view by view, in the order of the work. */
export const LESSONS: readonly Lesson[] = [
  {
    id: 'hill',
    view: 'ground',
    name: 'Draw raised ground',
    what: 'Choose the tool “Raise” and drag a rectangle on the tile, or click its corners one by one and press Enter.',
    then: 'Look at the bottom of the page: foam, glue, mass, cost and ready date have changed. Everything is calculated from your drawing.',
    isDone: ({ plan }) => plan.features.length > 0,
  },
  {
    id: 'pond',
    view: 'ground',
    name: 'Add water',
    what: 'Draw a pool, or dig a pit, beside the raised ground.',
    then: 'The water is cut out of the foam layers. If too little foam is left under it, you see a warning on the right, with fixes.',
    isDone: ({ plan }) => plan.features.some(({ kind }) => kindNamed(kind).sunk !== undefined),
  },
  {
    id: 'layers',
    view: 'section',
    name: 'Look at the layers',
    what: 'The section shows the layers of the tile. Change the thickness of a ground layer, or add a layer.',
    then: 'You can choose the thicknesses that foam is sold in. Mass and bow are shown beside the drawing: a stiffer tile is heavier.',
    isDone: ({ plan, start }) => thickMm(plan) !== thickMm(start),
  },
  {
    id: 'piece',
    view: 'pieces',
    name: 'Add a piece',
    what: 'Add any piece, such as a wall or a small ruin. It is built separately from the tile, so you can skip this step.',
    then: 'Pieces are cut from the same sheets and coated in the same sessions as the tile.',
    isDone: ({ plan }) => plan.pieces.length > 0,
  },
  {
    id: 'coats',
    view: 'coats',
    name: 'Choose a finish',
    what: 'Choose the surface of the open ground and change something: add a coat, remove one, or change a colour.',
    then: 'Amounts are calculated from the drawn areas, and each coat has its drying time in your room.',
    isDone: ({ plan, start }) => !dequal(plan.surfaces, start.surfaces) || !dequal(plan.wears, start.wears),
  },
  {
    id: 'cuts',
    view: 'cuts',
    name: 'Cut the first sheet',
    what: 'The parts are laid out on stock sheets. Under Rack, mark the first sheet as cut.',
    then: 'The rest of the sheet is now an offcut in your rack. The next board uses it first. You can undo this mark like any other change.',
    isDone: ({ record }) => record.cutSheets.length > 0,
  },
  {
    id: 'buying',
    view: 'supplies',
    name: 'Set the safety margin',
    what: 'Set the safety margin to “enough 9 times in 10”.',
    then: 'All values are estimates with a range. A safety margin costs a little; running out on a Sunday costs a session.',
    isDone: ({ plan }) => plan.buying.ofHundred !== null || plan.buying.own.length > 0,
  },
  {
    id: 'evenings',
    view: 'days',
    name: 'Set your hours',
    what: 'Add a day off or change your hours. Glue and coats keep drying while you are away.',
    then: 'The schedule is calculated again: tasks with the longest drying time start first.',
    isDone: ({ plan, start }) => !dequal(plan.calendar, start.calendar),
  },
  {
    id: 'first-move',
    view: 'bench',
    name: 'Start the first task',
    what: 'Bench shows what to do next, with which tools and how much of everything. Press Start, then Done.',
    then: 'When you mark a task as done, the schedule updates from now and the glue you used is subtracted from the shelf.',
    isDone: ({ record }) => Object.keys(record.doneTasks).length > 0,
  },
  {
    id: 'finish',
    view: 'bench',
    name: 'Finish the tile',
    what: 'Let the clock run, one hour per second, and mark each task as done. “Skip to the next task” skips a wait.',
    then: 'All tasks are done. On a real board this takes days, and your phone shows the same list at the bench.',
    isDone: ({ movesLeft, record }) => movesLeft === 0 && Object.keys(record.doneTasks).length > 0,
  },
  {
    id: 'log',
    view: 'logbook',
    name: 'Log the actual time',
    what: 'Choose a task, enter the minutes it actually took, and add the entry.',
    then: 'On a real board, “Your pace” would now be a little more accurate: three of your readings count as much as our value. This practice tile does not change it. When you end the lessons, its marks and entries are deleted.',
    isDone: ({ logged }) => logged > 0,
  },
];
