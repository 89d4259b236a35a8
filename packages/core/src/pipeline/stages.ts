import { isSame } from '../base/memory';
import type { LoadedUnits, UnitName, Units } from './units';

/** What has been calculated before a stage: what the pipeline was given, and the answers of the stages above it. */
type Answers<Sources, Names> = Sources & Names;

interface Line {
  readonly name: string;
  readonly pick: (from: never) => object;
  readonly calculate: (units: LoadedUnits) => (picked: never) => unknown;
}

/** Every answer of every stage, told apart by the identity of what was picked. */
class KnownAnswers {
  private readonly ids = new WeakMap<object, number>();
  private readonly answers = new Map<string, unknown>();
  private next = 0;

  answer(name: string, picked: object, calculate: () => unknown): unknown {
    const key = `${name} ${Object.values(picked)
      .map((value) => this.idOf(value))
      .join(' ')}`;
    if (!this.answers.has(key)) this.answers.set(key, calculate());
    return this.answers.get(key);
  }
  private idOf(value: unknown): string {
    if (Array.isArray(value)) return `[${value.map((one) => this.idOf(one)).join()}]`;
    if (typeof value === 'function' || (typeof value === 'object' && value !== null)) {
      let id = this.ids.get(value);
      if (id === undefined) this.ids.set(value, (id = this.next++));
      return `#${id}`;
    }
    return JSON.stringify(value) ?? 'none';
  }
}

/**
 * A table of stages: the name of each, what it reads of the sources and of the stages above it, and the function that calculates it. The types follow from the table:
 * a stage cannot read what stands below it.
 */
export class Stages<Sources extends object, Names extends object = object> {
  private constructor(private readonly lines: readonly Line[]) {}

  static of<Sources extends object>(): Stages<Sources> {
    return new Stages<Sources>([]);
  }

  stage<Name extends string, Picked extends object, Answer>(
    name: Name,
    pick: (from: Answers<Sources, Names>) => Picked,
    calculate: (picked: Picked) => Answer,
  ): Stages<Sources, Names & { readonly [N in Name]: Answer }> {
    return new Stages([...this.lines, { name, pick, calculate: () => calculate }]);
  }

  /**
   * A stage whose function is in a unit that may still be on its way.
   * @param empty an answer that is known without the unit, and when
   */
  lateStage<Name extends string, Unit extends UnitName, Picked extends object, Answer>(
    name: Name,
    unit: Unit,
    pick: (from: Answers<Sources, Names>) => Picked,
    from: (unit: Units[Unit]) => (picked: Picked) => Answer,
    empty: { readonly when: (picked: Picked) => boolean; readonly answer: Answer } | null = null,
  ): Stages<Sources, Names & { readonly [N in Name]: Answer }> {
    const calculate = (units: LoadedUnits) => (picked: Picked) =>
      empty?.when(picked) ? empty.answer : from(units.get(unit))(picked);
    return new Stages([...this.lines, { name, pick, calculate }]);
  }

  get names(): readonly (keyof Names & string)[] {
    return this.lines.map(({ name }) => name as keyof Names & string);
  }

  /**
   * A pipeline that keeps each stage's last answer. A stage is calculated when it is asked for and not before, and again only when something it picks
   * is another thing, or a list of other things. One pipeline serves one board.
   * @param memory `all` remembers every answer, for plans that are looked at in many combinations of few parts
   */
  pipeline(
    units: LoadedUnits,
    memory: 'last' | 'all' = 'last',
  ): (sources: Sources) => Answers<Sources, Names> {
    const last = new Map<string, { readonly picked: object; readonly answer: unknown }>();
    const known = new KnownAnswers();
    // Getters stand on a prototype made once: an answer is a light object, however many stages there are.
    const prototype = {};
    for (const { name, pick, calculate: calculateWith } of this.lines) {
      const calculate = calculateWith(units);
      Object.defineProperty(prototype, name, {
        enumerable: true,
        get(this: never) {
          const picked = pick(this);
          if (memory === 'all') {
            const all = known.answer(name, picked, () => calculate(picked as never));
            Object.defineProperty(this, name, { value: all, enumerable: true });
            return all;
          }
          const before = last.get(name);
          const answer =
            before !== undefined && isSame(before.picked, picked)
              ? before.answer
              : calculate(picked as never);
          if (answer !== before?.answer || before === undefined) last.set(name, { picked, answer });
          Object.defineProperty(this, name, { value: answer, enumerable: true });
          return answer;
        },
      });
    }
    return (sources) => Object.assign(Object.create(prototype) as Names, sources);
  }
}
