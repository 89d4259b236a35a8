import { dequal } from 'dequal';
import { isSame } from '../base/memory';
import { PartsRead } from './parts-read';
import type { LoadedUnits, UnitName, Units } from './units';

/** What has been calculated before a stage: what the pipeline was given, and the answers of the stages above it. */
type Answers<Sources, Names> = Sources & Names;

interface Line {
  readonly name: string;
  readonly pick: (from: never) => object;
  readonly calculate: (units: LoadedUnits) => (picked: never) => unknown;
  /** An answer that says the same as the last is taken for it: the stages below stay as they are. */
  readonly isSettling: boolean;
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
    return new Stages([
      ...this.lines,
      { name, pick, calculate: () => calculate, isSettling: false },
    ]);
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
    return new Stages([...this.lines, { name, pick, calculate, isSettling: false }]);
  }

  /** A stage whose answer is compared with its last: worth it where it often comes out the same and much stands below it. */
  settling(name: keyof Names & string): Stages<Sources, Names> {
    return new Stages(
      this.lines.map((line) => (line.name === name ? { ...line, isSettling: true } : line)),
    );
  }

  get names(): readonly (keyof Names & string)[] {
    return this.lines.map(({ name }) => name as keyof Names & string);
  }

  /**
   * A pipeline that keeps each stage's last answer. A stage is calculated when it is asked for and not before, and again only when something it picks
   * is another thing, or a list of other things. One pipeline serves one board.
   * @param inParts the source that stages read a part at a time: another one costs only the stages that read a part of it that is another
   */
  pipeline(
    units: LoadedUnits,
    inParts: (keyof Sources & string) | null = null,
  ): (sources: Sources) => Answers<Sources, Names> {
    return this.answered(units, ({ isSettling }) => {
      let last: { readonly picked: object; readonly answer: unknown } | null = null;
      let read: PartsRead<object> | null = null;
      return (sources, pick, calculate) => {
        const source = inParts === null ? null : (sources[inParts] as object);
        const picked = pick();
        for (const [key, value] of Object.entries(picked)) {
          if (value !== source || source === null) continue;
          if (read?.follows(source) !== true) read = new PartsRead(source);
          Object.assign(picked, { [key]: read.view });
        }
        if (last !== null && isSame(last.picked, picked)) return last.answer;
        const answer = calculate(picked);
        const isSettled = last !== null && isSettling && dequal(last.answer, answer);
        last = { picked, answer: isSettled ? last!.answer : answer };
        return last.answer;
      };
    });
  }

  /** A pipeline that remembers every answer of every stage: for plans that are looked at in many combinations of few parts. */
  rememberingAll(units: LoadedUnits): (sources: Sources) => Answers<Sources, Names> {
    const known = new KnownAnswers();
    return this.answered(units, ({ name }) => (_, pick, calculate) => {
      const picked = pick();
      return known.answer(name, picked, () => calculate(picked));
    });
  }

  private answered(
    units: LoadedUnits,
    answererOf: (line: Line) => Answerer<Sources>,
  ): (sources: Sources) => Answers<Sources, Names> {
    // Getters stand on a prototype made once: an answer is a light object, however many stages there are.
    const prototype = {};
    for (const line of this.lines) {
      const { name, pick } = line;
      const calculate = line.calculate(units) as (picked: object) => unknown;
      const answerOf = answererOf(line);
      Object.defineProperty(prototype, name, {
        enumerable: true,
        get(this: Sources) {
          const answer = answerOf(this, () => pick(this as never), calculate);
          Object.defineProperty(this, name, { value: answer, enumerable: true });
          return answer;
        },
      });
    }
    return (sources) => Object.assign(Object.create(prototype) as Names, sources);
  }
}

/** Answers one stage, from what it kept or anew. */
type Answerer<Sources> = (
  sources: Sources,
  pick: () => object,
  calculate: (picked: object) => unknown,
) => unknown;
