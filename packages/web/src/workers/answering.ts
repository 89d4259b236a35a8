import { dequal } from 'dequal';
import { type Figure, bareOf, hasWorking, type Quantity } from '@spare-acre/core/base/units';
import { type Derivation, NotLoaded, UNPLANNED } from '@spare-acre/core/pipeline/derive';
import { type Look, type SliceName, type Slices, sliceOf } from './slices';

/** What changed since the last answer: whole slices, and of warnings only those that are other than before. */
export interface Answer {
  readonly slices: Slices;
  /** Warnings in their order; those not in `slices` are as they were. */
  readonly warningIds: readonly string[];
  /** False for a first answer that was given before all units had arrived: it is to be asked again. */
  readonly isComplete: boolean;
  /** False for an answer that was given before the evenings were planned: the rest is to be asked for. */
  readonly isWhole: boolean;
}
type Warnings = NonNullable<Slices['warnings']>;

/** Tells of a derivation what is looked at and new, without workings: they are asked for one at a time. */
export class Answering {
  private sent = new Map<SliceName, unknown>();
  /** Of the warnings that were sent, those of the evenings. */
  private ofEvenings: Derivation['dayWarnings'] = [];

  /** All is new to whoever asks next. */
  forget(): void {
    this.sent = new Map();
    this.ofEvenings = [];
  }

  /**
   * @param isEarly what takes the evenings is left out, unless the view looks at them: what is told of them stays as it was
   * @param mayLack slices whose units are on their way are left out; without it they throw
   * @throws NotLoaded
   */
  answer(derivation: Derivation, { slices, chosen }: Look, isEarly = false, mayLack = false): Answer {
    const changed: [SliceName, unknown][] = [];
    let isComplete = true;
    const orLacking = <T>(calculate: () => T, lacking: T): T => {
      try {
        return calculate();
      } catch (error) {
        if (!mayLack || !(error instanceof NotLoaded)) throw error;
        isComplete = false;
        return lacking;
      }
    };
    const sliced = (name: SliceName): readonly [SliceName, unknown] => [
      name,
      orLacking<unknown>(() => sliceOf(name, derivation, chosen), undefined),
    ];
    // All is calculated before any of it counts as sent: an answer that throws on the way is asked for again.
    const looked = [...new Set(slices)].map(sliced);
    const isWhole = !isEarly || hasPlanned(derivation);
    const ofEvenings = isWhole ? orLacking(() => derivation.dayWarnings, []) : this.ofEvenings;
    const warnings = [...orLacking(() => derivation.workWarnings, []), ...ofEvenings];
    // Without its counts an answer is none: what they lack is always waited for.
    const counts = sliceOf('counts', derivation, chosen);
    const readiness = isWhole ? orLacking<unknown>(() => sliceOf('readiness', derivation, chosen), UNPLANNED) : undefined;
    this.ofEvenings = ofEvenings;
    const always = [
      ['counts', counts],
      ['warnings', warnings],
      ['readiness', readiness],
    ] as const;
    for (const [name, slice] of [...looked, ...always]) {
      if (slice === undefined) continue;
      const shown: unknown = name === 'jobs' ? slice : bareOf(slice);
      const before = this.sent.get(name);
      if (before === shown || (name !== 'jobs' && dequal(before, shown))) continue;
      this.sent.set(name, shown);
      changed.push([name, name === 'warnings' ? newAmong(shown as Warnings, before as Warnings | undefined) : shown]);
    }
    return { slices: Object.fromEntries(changed) as Slices, warningIds: warnings.map(({ id }) => id), isComplete, isWhole };
  }
}

/** The evenings have been asked for, and what else follows from them costs little: what was asked of a derivation it has as its own. */
const hasPlanned = (derivation: Derivation): boolean => Object.hasOwn(derivation, 'days' satisfies keyof Derivation);

function newAmong(warnings: Warnings, before: Warnings = []): Warnings {
  const known = new Map(before.map((warning) => [warning.id, warning]));
  return warnings.filter((warning) => !dequal(known.get(warning.id), warning));
}

/** What is known after an answer. */
export function applyAnswer(known: Slices, { slices, warningIds }: Answer): Slices {
  const { warnings: news = [], ...others } = slices;
  const byId = new Map([...(known.warnings ?? []), ...news].map((warning) => [warning.id, warning]));
  const warnings = warningIds.flatMap((id) => byId.get(id) ?? []);
  const isSame =
    known.warnings !== undefined &&
    news.length === 0 &&
    dequal(
      warningIds,
      known.warnings.map(({ id }) => id),
    );
  return { ...known, ...others, warnings: isSame ? known.warnings! : warnings };
}

/** Where a figure stands among slices: a slice, and the way down into it. */
export type Place = readonly [SliceName, ...(string | number)[]];

/** Finds the very figure; null where it is none of these. */
export function placeOf(figure: Quantity, slices: Slices): Place | null {
  const seek = (data: unknown, way: (string | number)[]): (string | number)[] | null => {
    if (data === figure) return way;
    if (typeof data !== 'object' || data === null) return null;
    for (const [key, inner] of Object.entries(data)) {
      const found = seek(inner, [...way, key]);
      if (found !== null) return found;
    }
    return null;
  };
  for (const [name, slice] of Object.entries(slices)) {
    const way = seek(slice, []);
    if (way !== null) return [name as SliceName, ...way];
  }
  return null;
}

/** The figure at a place with its working; null where something else stands there by now. */
export function figureAt([name, ...way]: Place, label: string, derivation: Derivation, chosen: readonly string[]): Figure | null {
  const found = way.reduce<unknown>((data, key) => (data as Record<string, unknown> | undefined)?.[key], sliceOf(name, derivation, chosen));
  return isFigure(found) && found.label === label ? found : null;
}
const isFigure = (data: unknown): data is Figure =>
  typeof data === 'object' && data !== null && 'unit' in data && hasWorking(data as Quantity);
