import { dequal } from 'dequal';
import { kindNamed } from '../features';
import type { Plan } from '../plan';
import type { BoardRecord } from '../shop';

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
    what: 'Choose “Raise” among the tools and pull a patch open on the tile, or set its corners one by one and close it with Enter.',
    then: 'Nothing else was asked, and yet foam, glue, weight, money and evenings at the foot of the page have all moved. Everything here follows from the drawing.',
    isDone: ({ plan }) => plan.features.length > 0,
  },
  {
    id: 'pond',
    view: 'ground',
    name: 'Sink some water into it',
    what: 'Draw a pool, or dig a pit, beside the raised ground.',
    then: 'It is cut out of the layers that are there, and what bears too little foam under it is said on the right, each with its mend.',
    isDone: ({ plan }) => plan.features.some(({ kind }) => kindNamed(kind).sunk !== undefined),
  },
  {
    id: 'layers',
    view: 'section',
    name: 'Look under the ground',
    what: 'The section shows what the tile is glued of. Give its ground another thickness, or one layer more.',
    then: 'Thickness is what the foam is sold in. Weight and bow beside the drawing say what it costs to be stiff.',
    isDone: ({ plan, start }) => thickMm(plan) !== thickMm(start),
  },
  {
    id: 'piece',
    view: 'pieces',
    name: 'Stand something on it',
    what: 'Add any piece, a bit of wall or a small ruin, as it comes. It is built beside the tile, so this may well be left out.',
    then: 'Pieces are cut from the same sheets and coated in the same evenings as the tile.',
    isDone: ({ plan }) => plan.pieces.length > 0,
  },
  {
    id: 'coats',
    view: 'coats',
    name: 'Say what it wears',
    what: 'Choose the open ground’s surface and change something: a coat more, a coat less, another colour.',
    then: 'Amounts are reckoned from the drawn areas, and every coat knows how long it dries in your room.',
    isDone: ({ plan, start }) => !dequal(plan.surfaces, start.surfaces) || !dequal(plan.wears, start.wears),
  },
  {
    id: 'cuts',
    view: 'cuts',
    name: 'Cut the first sheet',
    what: 'The parts lie on stock sheets, nested for you. Under Rack, tick the first sheet as cut.',
    then: 'What is left of it is an offcut on your rack now, and the next board is offered it first. Undo takes a tick back like anything else.',
    isDone: ({ record }) => record.cutSheets.length > 0,
  },
  {
    id: 'buying',
    view: 'supplies',
    name: 'Buy so that it is enough',
    what: 'Say that it is to be enough in 90 of a hundred boards like this.',
    then: 'Figures are estimates with a range. Buying for the range costs a little; running out on a Sunday costs an evening.',
    isDone: ({ plan }) => plan.buying.ofHundred !== null || plan.buying.own.length > 0,
  },
  {
    id: 'evenings',
    view: 'days',
    name: 'Say when you have time',
    what: 'Take a day off, or change your hours. Whatever must dry goes on drying while you are away.',
    then: 'The order of work is found anew: what dries longest is begun first.',
    isDone: ({ plan, start }) => !dequal(plan.calendar, start.calendar),
  },
  {
    id: 'first-move',
    view: 'bench',
    name: 'Start the first move',
    what: 'The Bench says what to do next, with what, and how much. Press Start, and then Done when you would be.',
    then: 'A tick moves the plan: what comes next is reckoned from now, and the glue has left the shelf.',
    isDone: ({ record }) => Object.keys(record.doneTasks).length > 0,
  },
  {
    id: 'finish',
    view: 'bench',
    name: 'Finish the tile',
    what: 'Let the clock run, an hour in a second, and tick move after move. “On to the next move” skips a wait.',
    then: 'Nothing is left to do. On a real board this takes its days, and the phone in your apron shows the same.',
    isDone: ({ movesLeft, record }) => movesLeft === 0 && Object.keys(record.doneTasks).length > 0,
  },
  {
    id: 'log',
    view: 'logbook',
    name: 'Write down what it took',
    what: 'Choose a task, say how many minutes it really took, and write it down.',
    then: 'On a real board “Your hand” would know a little more now: three readings of yours weigh as much as our figure. A made-up tile teaches it nothing, and when the lessons end, what was ticked and written of this one is taken back.',
    isDone: ({ logged }) => logged > 0,
  },
];
