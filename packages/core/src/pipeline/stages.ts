import { isSame } from '../base/memory';

/** What has been reckoned before a stage: what the pipeline was given, and the answers of the stages above it. */
type Answers<Sources, Names> = Sources & Names;

interface Line {
  readonly name: string;
  readonly pick: (from: never) => object;
  readonly reckon: (picked: never) => unknown;
}

/** Every answer of every stage, told apart by the identity of what was picked. */
class KnownAnswers {
  private readonly ids = new WeakMap<object, number>();
  private readonly answers = new Map<string, unknown>();
  private next = 0;

  answer(name: string, picked: object, reckon: () => unknown): unknown {
    const key = `${name} ${Object.values(picked)
      .map((value) => this.idOf(value))
      .join(' ')}`;
    if (!this.answers.has(key)) this.answers.set(key, reckon());
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
 * A table of stages, one line a stage: its name, what it picks of the sources and of the stages above it, and the function that reckons it. The types follow from the table:
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
    reckon: (picked: Picked) => Answer,
  ): Stages<Sources, Names & { readonly [N in Name]: Answer }> {
    return new Stages([...this.lines, { name, pick, reckon }]);
  }

  get names(): readonly (keyof Names & string)[] {
    return this.lines.map(({ name }) => name as keyof Names & string);
  }

  /**
   * A pipeline that remembers each stage's last answer. A stage is reckoned when it is asked for and not before, and again only when something it picks
   * is another thing, or a list of other things. One pipeline serves one board.
   * @param memory `all` remembers every answer, for plans that are looked at in many combinations of few parts
   */
  pipeline(memory: 'last' | 'all' = 'last'): (sources: Sources) => Answers<Sources, Names> {
    const last = new Map<string, { readonly picked: object; readonly answer: unknown }>();
    const known = new KnownAnswers();
    // Getters stand on a prototype made once: an answer is a light object, however many stages there are.
    const prototype = {};
    for (const { name, pick, reckon } of this.lines) {
      Object.defineProperty(prototype, name, {
        enumerable: true,
        get(this: never) {
          const picked = pick(this);
          if (memory === 'all') {
            const all = known.answer(name, picked, () => reckon(picked as never));
            Object.defineProperty(this, name, { value: all, enumerable: true });
            return all;
          }
          const before = last.get(name);
          const answer = before !== undefined && isSame(before.picked, picked) ? before.answer : reckon(picked as never);
          if (answer !== before?.answer || before === undefined) last.set(name, { picked, answer });
          Object.defineProperty(this, name, { value: answer, enumerable: true });
          return answer;
        },
      });
    }
    return (sources) => Object.assign(Object.create(prototype) as Names, sources);
  }
}
