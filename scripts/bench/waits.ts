/** What a person waits for after an edit: reckoning in the worker, the answer packed and unpacked, and what the page makes of it. */
import { deserialize, serialize } from 'node:v8';
import { WORKSHOP_CATALOGUE as catalogue } from '@spare-acre/core/catalogue/workshop';
import { brinefold } from '@spare-acre/core/demo';
import { type Catalogue, withOwn } from '@spare-acre/core/catalogue';
import { derivePipeline } from '@spare-acre/core/pipeline';
import { type Plan, changesBetween, withChanges } from '@spare-acre/core/plan';
import { type Edit, appliedTo } from '@spare-acre/core/plan/edits';
import { type Answer, Answering, applyAnswer } from '../../packages/web/src/workers/answering';
import type { Look, SliceName, Slices } from '../../packages/web/src/workers/slices';
import { crowdedBoard } from './boards';
import { WARM_ROUNDS, ms, timed } from './timed';

const middle = (list: readonly number[]): number => list.toSorted((a, b) => a - b)[Math.floor(list.length / 2)]!;

/** What each view looks at. */
const SECTION: readonly SliceName[] = ['section', 'groundHeight', 'glues', 'joints', 'heights', 'bow', 'levers', 'weights', 'masses'];
const DAYS: readonly SliceName[] = ['days', 'steps', 'agenda'];

interface Case {
  readonly name: string;
  readonly look: (plan: Plan) => Look;
  readonly edit: (plan: Plan, round: number) => Edit;
}
const GROUND: Look = { slices: ['surfaces'], chosen: [] };
const DRAGGED = 7;
const dragged = ({ features }: Plan): string => features[DRAGGED]!.id;
const underlay = { imageId: '3f0c1f8e-0d7e-4a57-9d2f-6a4bb5a0c111', widthPx: 900, heightPx: 600, mmPerPx: 2, turnDeg: 0, opacityPct: 50 };
const CASES: readonly Case[] = [
  {
    name: 'one feature dragged',
    look: (plan) => ({ slices: ['needs'], chosen: [dragged(plan)] }),
    edit: (plan, round) => ({
      code: 'feature/move',
      featureId: dragged(plan),
      dxMm: round % 2 === 0 ? 7.3 : -7.3,
      dyMm: 3.1 * (round % 3) - 3.1,
    }),
  },
  { name: 'renamed', look: () => GROUND, edit: (_, round) => ({ code: 'board/rename', name: `Board ${round}` }) },
  {
    name: 'calendar line',
    look: () => ({ slices: DAYS, chosen: [] }),
    edit: (_, round) => ({ code: 'calendar/first-day', startsOn: `2026-12-0${1 + (round % 9)}` }),
  },
  {
    name: 'section line',
    look: () => ({ slices: SECTION, chosen: [] }),
    edit: ({ section }, round) => ({ code: 'section/end', end: 'to', at: { x: section.to.x - (round % 5) * 3, y: section.to.y } }),
  },
  {
    name: 'climate',
    look: () => ({ slices: DAYS, chosen: [] }),
    edit: ({ drying: { placeId } }, round) => ({ code: 'place/change', placeId, change: {}, air: { airC: 16 + (round % 7) } }),
  },
  {
    name: 'one coat',
    look: () => ({ slices: ['supplies', 'mixes'], chosen: [] }),
    edit: ({ surfaces, wears }, round) => ({
      code: 'coats/set',
      surfaceId: wears.open,
      coats: surfaces
        .find(({ id }) => id === wears.open)!
        .coats.map((coat, i) => (i === 0 ? { ...coat, filmMm: 1 + (round % 4) * 0.3 } : coat)),
    }),
  },
  {
    name: 'underlay slid',
    look: () => GROUND,
    edit: (_, round) => ({ code: 'underlay/lay', underlay: { ...underlay, at: { x: round, y: 0 } } }),
  },
];

/** Rows of one board: median milliseconds of reckoning until what was changed is answered, until its evenings are as well, of packing and sending, on the main thread, and bytes. */
export function waitRows(): string[][] {
  return (['Brinefold', 'crowded'] as const).flatMap((name) => {
    const made = (): Plan => structuredClone(name === 'Brinefold' ? brinefold(catalogue) : crowdedBoard());
    const plans = Array.from({ length: 80 }, made);
    const early: number[] = [];
    const whole = timed((round) => {
      const before = performance.now();
      const [derivation, answering] = [derivePipeline()(plans[round % plans.length]!, catalogue), new Answering()];
      answering.answer(derivation, GROUND, true);
      early.push(performance.now() - before);
      answering.answer(derivation, GROUND);
    });
    return [
      [`${name}, from nothing`, ms(middle(early.slice(WARM_ROUNDS))), ms(whole.median), '–', '–', '–'],
      ...CASES.map((one) => waitRow(name, made(), one)),
    ];
  });
}

function waitRow(board: string, start: Plan, { name, look, edit }: Case): string[] {
  const [derive, answering] = [derivePipeline(), new Answering()];
  let [plan, known]: [Plan, Slices] = [start, {}];
  const looked = look(start);
  known = applyAnswer(known, answering.answer(derive(plan, catalogue), looked));
  const [early, sending, main, bytes]: [number[], number[], number[], number[]] = [[], [], [], []];
  const take = (answer: Answer): void => {
    const before = performance.now();
    const packed = serialize(answer);
    const arrived = performance.now();
    known = applyAnswer(known, deserialize(packed) as Answer);
    sending.push(arrived - before);
    main.push(performance.now() - arrived);
    bytes.push(packed.length);
  };
  const whole = timed((round) => {
    plan = appliedTo(plan, edit(plan, round));
    const before = performance.now();
    const derivation = derive(plan, catalogue);
    const first = answering.answer(derivation, looked, true);
    if (round >= WARM_ROUNDS) early.push(performance.now() - before);
    take(first);
    if (!first.isWhole) take(answering.answer(derivation, looked));
  });
  return [
    `${board}, ${name}`,
    ms(middle(early)),
    ms(whole.median),
    ms(middle(sending)),
    ms(middle(main)),
    `${(middle(bytes) / 1000).toFixed(1)} kB`,
  ];
}

type Figures = Pick<Catalogue, 'sheets' | 'adhesives' | 'coatings'>;
/** Figures of the catalogue that a builder changes, a little more every round. */
const FIGURES: readonly (readonly [name: string, change: (from: Catalogue, round: number) => Partial<Figures>])[] = [
  [
    'a price of a sheet',
    ({ sheets }, round) => ({
      sheets: sheets.map((sheet) => (sheet.id === sheets[0]!.id ? { ...sheet, priceMinor: sheet.priceMinor + round + 1 } : sheet)),
    }),
  ],
  [
    'what an adhesive is spread at',
    ({ adhesives }, round) => {
      const [first, ...rest] = adhesives;
      const value = first!.gPerM2.low + ((first!.gPerM2.high - first!.gPerM2.low) * (round % 10)) / 10;
      return { adhesives: [{ ...first!, gPerM2: { ...first!.gPerM2, value } }, ...rest] };
    },
  ],
  [
    'a density of a coating',
    ({ coatings }, round) => ({
      coatings: coatings.map((coating, i) =>
        i === 0
          ? { ...coating, densityGPerMl: { ...coating.densityGPerMl, value: coating.densityGPerMl.low + (round % 7) / 1000 } }
          : coating,
      ),
    }),
  ],
];

/** Rows of what a figure of one's own costs on Brinefold with its supplies looked at: the whole answer from nothing, the answer with what is kept, and what is fetched of all and of the change. */
export function figureRows(): string[][] {
  const plan = brinefold(catalogue);
  const looked: Look = { slices: ['supplies'], chosen: [] };
  const bytes = (data: unknown): string => `${(JSON.stringify(data).length / 1000).toFixed(1)} kB`;
  return FIGURES.map(([name, change]) => {
    let known = withOwn(catalogue, {});
    const [derive, answering] = [derivePipeline(), new Answering()];
    answering.answer(derive(plan, known), looked);
    const changed = Array.from({ length: 80 }, (_, round) => ({ ...known, ...change(known, round) }));
    const anew = timed(
      (round) => void new Answering().answer(derivePipeline()(structuredClone(plan), structuredClone(changed[round]!)), looked),
    );
    const sent: string[] = [];
    const kept = timed((round) => {
      const changes = changesBetween(known, changed[round]!);
      known = withChanges(known, changes);
      answering.answer(derive(plan, known), looked);
      sent.push(bytes(changes));
    });
    return [name, ms(anew.median), ms(kept.median), ms(kept.p95), bytes(known), sent.at(-1)!];
  });
}
