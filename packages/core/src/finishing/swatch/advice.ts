import { type Catalogue, methodBy } from '../../catalogue';
import type { Coat } from '../../plan';
import { type SwatchNumbers, numbersOf } from './numbers';
import type { SwatchBench, SwatchRecipe } from './swatch';

/** What can be done about a look: other coats, and what they come to. */
export interface Advice {
  readonly code: 'wash-last' | 'darker-light' | 'darker-ground' | 'one-more-wash' | 'lighter-light' | 'thinner-wash';
  readonly label: string;
  readonly coats: readonly Coat[];
  readonly numbers: SwatchNumbers;
}
export interface Judgement {
  readonly numbers: SwatchNumbers;
  /** In plain words: what is wrong with it, or that nothing is. */
  readonly says: string;
  readonly advice: readonly Advice[];
}

/** A floor between these sits back and still has form; under this from the bases figures drown in it. */
const LOUD_SPREAD = 34;
const FLAT_SPREAD = 9;
const NEAR_BASES = 9;
const PALE_LIGHTNESS = 62;

type Change = (coats: readonly Coat[], catalogue: Catalogue) => readonly Coat[] | null;
const lastIndex = (coats: readonly Coat[], is: (does: string, id: string) => boolean, catalogue: Catalogue): number =>
  coats.map(({ methodId }) => is(methodBy(catalogue, methodId).does, methodId)).lastIndexOf(true);
/** The last coat that only takes edges and tops. */
const lightAt = (coats: readonly Coat[], catalogue: Catalogue): number =>
  coats
    .map(({ methodId }) => methodBy(catalogue, methodId))
    .map(({ does, lays }) => does === 'colour' && lays.edges >= 0.4 && lays.all <= 0)
    .lastIndexOf(true);
const washAt = (coats: readonly Coat[], catalogue: Catalogue): number => lastIndex(coats, (does) => does === 'wash', catalogue);

/** Two ways to end: light last for crispness, or wash last for harmony. */
export type School = 'light-last' | 'wash-last';
/** The same coats ended the other way; null where they end so already, or have no such two. @source craft.md §7 */
export function inSchool(coats: readonly Coat[], school: School, catalogue: Catalogue): readonly Coat[] | null {
  const [light, wash] = [lightAt(coats, catalogue), washAt(coats, catalogue)];
  if (light < 0 || wash < 0 || (school === 'wash-last') === wash > light) return null;
  const [moved, over] = school === 'wash-last' ? [wash, light] : [light, wash];
  return coats.filter((_, i) => i !== moved).toSpliced(over, 0, coats[moved]!);
}

/** A part of dark stirred in; a paint without parts gets them. */
function darkened(coats: readonly Coat[], at: number, paintId: string): readonly Coat[] | null {
  if (at < 0) return null;
  const coat = coats[at]!;
  const tint = coat.tint.length === 0 ? [] : coat.tint.map((part) => ({ ...part }));
  const own = tint.find((part) => part.paintId === paintId);
  if (tint.length === 0) return null;
  if (own !== undefined) own.parts += 1;
  else if (tint.length < 6) tint.push({ paintId, parts: 1 });
  else return null;
  return coats.map((one, i) => (i === at ? { ...one, tint } : one));
}

/** Judges a look by its figures, and tries what might mend it: only what does is told, with what it came to. */
export function judged(
  bench: SwatchBench,
  recipe: SwatchRecipe,
  { baseHex, darkId, paleId }: { readonly baseHex: string; readonly darkId: string; readonly paleId: string },
  catalogue: Catalogue,
): Judgement {
  const numbersFor = (coats: readonly Coat[]): SwatchNumbers => numbersOf(bench.make({ ...recipe, coats }).stages.at(-1)!.tones, baseHex);
  const numbers = numbersFor(recipe.coats);
  const isLoud = numbers.spread > LOUD_SPREAD;
  const isFlat = numbers.spread < FLAT_SPREAD;
  const drowns = numbers.fromBases < NEAR_BASES;
  const isPale = numbers.lightness > PALE_LIGHTNESS;
  const washLast: Change = (coats, all) => inSchool(coats, 'wash-last', all);
  const darkerLight: Change = (coats, all) => {
    const at = lightAt(coats, all);
    if (at >= 0 && coats[at]!.tint.length === 0)
      return coats.map((one, i) =>
        i === at
          ? {
              ...one,
              tint: [
                { paintId: paleId, parts: 2 },
                { paintId: darkId, parts: 1 },
              ],
            }
          : one,
      );
    return darkened(coats, at, darkId);
  };
  const thinnerWash: Change = (coats, all) => {
    const at = washAt(coats, all);
    return at < 0 ? null : coats.map((one, i) => (i === at ? { ...one, thin: one.thin + 1 } : one));
  };
  const moreWash: Change = (coats, all) => {
    const at = washAt(coats, all);
    return at < 0 || coats[at]!.goes >= 4 ? null : coats.map((one, i) => (i === at ? { ...one, goes: one.goes + 1 } : one));
  };
  const tried: {
    readonly code: Advice['code'];
    readonly label: string;
    readonly change: Change;
    readonly helps: (now: SwatchNumbers) => boolean;
  }[] = [];
  const lessSpread = (now: SwatchNumbers): boolean => now.spread < numbers.spread - 0.5;
  if (isLoud) {
    tried.push({ code: 'wash-last', label: 'Wash last', change: washLast, helps: lessSpread });
    tried.push({ code: 'darker-light', label: 'One part more dark in the last light', change: darkerLight, helps: lessSpread });
    tried.push({ code: 'thinner-wash', label: 'Thin the wash with one part more water', change: thinnerWash, helps: lessSpread });
  }
  if (isFlat) {
    tried.push({ code: 'one-more-wash', label: 'Wash once more', change: moreWash, helps: (now) => now.spread > numbers.spread + 0.5 });
  }
  if (drowns || isPale) {
    tried.push({
      code: 'one-more-wash',
      label: 'Wash once more',
      change: moreWash,
      helps: (now) => (isPale ? now.lightness < numbers.lightness - 0.5 : now.fromBases > numbers.fromBases + 0.3),
    });
    tried.push({
      code: 'darker-light',
      label: 'One part more dark in the last light',
      change: darkerLight,
      helps: (now) => (isPale ? now.lightness < numbers.lightness - 0.3 : now.fromBases > numbers.fromBases + 0.3),
    });
  }
  const seenCodes = new Set<string>();
  const advice = tried.flatMap(({ code, label, change, helps }): Advice[] => {
    if (seenCodes.has(code)) return [];
    const coats = change(recipe.coats, catalogue);
    if (coats === null) return [];
    const now = numbersFor(coats);
    if (!helps(now)) return [];
    seenCodes.add(code);
    return [{ code, label, coats, numbers: now }];
  });
  // What was tried is not what is on the bench.
  bench.make(recipe);
  return { numbers, says: wordsFor({ isLoud, isFlat, drowns, isPale }), advice };
}

function wordsFor({
  isLoud,
  isFlat,
  drowns,
  isPale,
}: {
  readonly isLoud: boolean;
  readonly isFlat: boolean;
  readonly drowns: boolean;
  readonly isPale: boolean;
}): string {
  const words = [
    isLoud ? 'The surface has more contrast than the figures will have. It draws the eye away from them.' : '',
    isFlat ? 'The surface looks flat: hollows and tops have almost the same tone.' : '',
    drowns ? 'The colour is almost the same as the bases. Figures will be hard to see.' : '',
    isPale ? 'The surface is pale. It draws the eye before the figures do.' : '',
  ].filter((one) => one !== '');
  return words.length === 0 ? 'The surface stays in the background and still shows its shape. No change needed.' : words.join(' ');
}
