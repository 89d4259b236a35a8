import { describe, expect, test } from 'vitest';
import { CATALOGUE, aCoat } from '../../testing';
import { methodBy } from '../../catalogue';
import { potsOf } from '../paint';
import { type Coat, starterCoats } from '../../plan';
import { RELIEFS } from '../../plan/surfaces';
import { inSchool, judged } from './advice';
import { blueOf, flatTones, greenOf, laidOver, layerOf, redOf, reflectanceOf } from './layer';
import { type ReliefMaps, type Mask, FULL_COAT, WHOLE, laidBy, lieOf } from './masks';
import { CELLS } from './noise';
import { lightnessOf, numbersOf } from './numbers';
import { reliefOf } from './reliefs';
import { picture } from './shade';
import { type Stage, SwatchBench, type SwatchRecipe } from './swatch';

const bench = (): SwatchBench => new SwatchBench(CATALOGUE, () => potsOf(CATALOGUE, []));
const recipe = (coats: readonly Coat[], change: Partial<SwatchRecipe> = {}): SwatchRecipe => ({
  relief: 'cobble',
  units: null,
  unitTints: [],
  coats,
  seed: 5,
  ...change,
});
const base = aCoat('masonry-paint', 'base', { tint: [{ paintId: 'slate-yard', parts: 1 }] });
const wash = aCoat('wash', 'wash');
const dry = aCoat('pale-acrylic', 'drybrush');
const over = aCoat('craft-acrylic', 'overbrush');

/** Mean L* of the cells that a test picks. */
function lightnessWhere({ tones }: Stage, picks: (i: number) => boolean): number {
  let [sum, count] = [0, 0];
  for (let i = 0; i < tones.length; i++) {
    if (!picks(i)) continue;
    const [r, g, b] = [redOf(tones[i]!), greenOf(tones[i]!), blueOf(tones[i]!)].map(reflectanceOf) as [number, number, number];
    sum += lightnessOf(0.2126 * r + 0.7152 * g + 0.0722 * b);
    count++;
  }
  expect(count).toBeGreaterThan(500);
  return sum / count;
}
/** Shares of a full coat that a method leaves. */
const sharesBy = (methodId: string, lie: ReliefMaps): Float32Array =>
  Float32Array.from(laidBy(methodBy(CATALOGUE, methodId), lie, 1, 1).cells!, (share) => share / FULL_COAT);
/** How much the last coat changed hollows, tops, edges and joints. */
function changed(coats: readonly Coat[]): { hollows: number; tops: number; edges: number; joints: number } {
  const { stages, lie } = bench().make(recipe(coats));
  const [before, after] = [stages.at(-2)!, stages.at(-1)!];
  const by = (picks: (i: number) => boolean): number => lightnessWhere(after, picks) - lightnessWhere(before, picks);
  return {
    hollows: by((i) => lie.hollows[i]! > 0.7 * WHOLE),
    tops: by((i) => lie.tops[i]! > 0.5 * WHOLE && lie.edges[i]! < 0.1 * WHOLE),
    edges: by((i) => lie.edges[i]! > 0.7 * WHOLE && lie.joint[i]! < 0.1 * WHOLE),
    joints: by((i) => lie.joint[i]! > 0.9 * WHOLE),
  };
}

describe('where coats come to lie', () => {
  test('a wash darkens hollows more than tops', () => {
    const { hollows, tops } = changed([base, wash]);
    expect(hollows).toBeLessThan(-2);
    expect(hollows).toBeLessThan(2 * tops);
  });
  test('a wash with three parts more water does less', () => {
    expect(changed([base, { ...wash, thin: 3 }]).hollows).toBeGreaterThan(changed([base, wash]).hollows + 1);
  });
  test('a drybrush lightens edges and leaves hollows and joints as they were', () => {
    const { edges, hollows, joints } = changed([base, dry]);
    expect(edges).toBeGreaterThan(4);
    expect(Math.abs(hollows)).toBeLessThan(0.3);
    expect(Math.abs(joints)).toBeLessThan(0.3);
  });
  test('an overbrush covers the stones and leaves the joints', () => {
    const { tops, joints } = changed([base, over]);
    expect(tops).toBeGreaterThan(3);
    expect(Math.abs(joints)).toBeLessThan(0.3);
  });
  test('wash then drybrush is not drybrush then wash: light last is louder', () => {
    const spread = (coats: readonly Coat[]): number => numbersOf(bench().make(recipe(coats)).stages.at(-1)!.tones, '#4a4034').spread;
    expect(spread([base, wash, dry])).toBeGreaterThan(spread([base, dry, wash]));
  });
  test('paint from above finds what faces up', () => {
    const lie = lieOf(reliefOf('rock', null, 3));
    const mask = sharesBy('spray-above', lie);
    let [flat, steep, flats, steeps] = [0, 0, 0, 0];
    mask.forEach((share, i) => {
      if (lie.up[i]! > 0.95 * WHOLE && lie.hollows[i]! < 0.05 * WHOLE) [flat, flats] = [flat + share, flats + 1];
      if (lie.up[i]! < 0.5 * WHOLE) [steep, steeps] = [steep + share, steeps + 1];
    });
    expect(flat / flats).toBeGreaterThan(0.5);
    expect(steep / steeps).toBeLessThan(0.15);
  });
  test('stains run down: more of them under where they start than over it', () => {
    const lie = lieOf(reliefOf('flat', null, 3));
    const mask = sharesBy('runs', lie);
    let [down, up] = [0, 0];
    for (let y = 1; y < CELLS - 1; y++)
      for (let x = 0; x < CELLS; x++) {
        const here = mask[y * CELLS + x]!;
        if (here < 0.6) continue;
        down += mask[(y + 1) * CELLS + x]!;
        up += mask[(y - 1) * CELLS + x]!;
      }
    expect(down).toBeGreaterThan(up);
  });
  test('what was masked shows when the mask is off', () => {
    const mask = aCoat('masking-fluid', 'mask');
    const [plain, masked] = [
      [base, over],
      [base, mask, over],
    ].map((coats) => bench().make(recipe(coats)));
    const edges = ({ lie, stages }: typeof plain & object): number =>
      lightnessWhere(stages.at(-1)!, (i) => lie.edges[i]! > 0.7 * WHOLE && lie.joint[i]! < 0.1 * WHOLE);
    expect(edges(masked!)).toBeLessThan(edges(plain!) - 1);
  });
});

describe('coats that are alike everywhere', () => {
  const layer = layerOf('#8a7a5c', 0.6, 1);
  test('come out on any ground as they do cell by cell', () => {
    const ground = new Uint32Array([
      flatTones('#202020', 1)[0]!,
      flatTones('#d0c0b0', 1)[0]!,
      flatTones('#202020', 1)[0]!,
      flatTones('#40a060', 1)[0]!,
    ]);
    const even = laidOver(ground, layer, { cells: null, share: 120 });
    expect([...even]).toEqual([...laidOver(ground, layer, { cells: new Uint8Array(4).fill(120), share: null })]);
    expect(new Set(even).size).toBe(3);
  });
  test('are told from those broken up by chance, or put on here and there', () => {
    const lays = { all: 0.5, hollows: 0, edges: 0, tops: 0, up: 0, joints: 0, film: 1, broken: 0, patchMm: 4, runsMm: 0 };
    const lie = lieOf(reliefOf('flat', null, 3));
    expect(laidBy({ lays }, lie, 1, 1)).toEqual({ cells: null, share: FULL_COAT / 2 });
    const covered = (mask: Mask): number => mask.cells!.reduce((sum, share) => sum + share, 0) / mask.cells!.length / FULL_COAT;
    expect(covered(laidBy({ lays: { ...lays, broken: 1 } }, lie, 1, 1))).toBeCloseTo(0.5, 1);
    expect(covered(laidBy({ lays }, lie, 0.3, 1))).toBeCloseTo(0.15, 1);
  });
});

describe('a layer over a ground', () => {
  const over1 = (hex: string, hides: number, ground: string, thick: number): number => {
    const share = Math.round(thick * FULL_COAT);
    const [even, cells] = [
      { cells: null, share },
      { cells: Uint8Array.of(share), share: null },
    ].map((mask) => reflectanceOf(greenOf(laidOver(flatTones(ground, 1), layerOf(hex, hides, 1), mask as Mask)[0]!)));
    // As thick everywhere or cell by cell: one and the same.
    expect(even).toBe(cells);
    return even!;
  };
  test('none leaves the ground, a thick one that hides is its own colour', () => {
    expect(over1('#7f7f7f', 1, '#ffffff', 0)).toBeCloseTo(1, 2);
    expect(over1('#7f7f7f', 1, '#ffffff', 1.5)).toBeCloseTo(0.212, 2);
    expect(over1('#7f7f7f', 1, '#000000', 1.5)).toBeCloseTo(0.212, 2);
  });
  test('over white it darkens and over black it lightens, the more the thicker', () => {
    const white = [0.2, 0.6, 1.2].map((thick) => over1('#7f7f7f', 0.5, '#ffffff', thick));
    const black = [0.2, 0.6, 1.2].map((thick) => over1('#7f7f7f', 0.5, '#000000', thick));
    expect(white).toEqual([...white].sort((a, b) => b - a));
    expect(black).toEqual([...black].sort((a, b) => a - b));
  });
});

describe('a swatch', () => {
  const coats = starterCoats(CATALOGUE.starter.surfaces.find(({ id }) => id === 'plank')!.coats);
  test('changed in one coat comes out as one made afresh', () => {
    const kept = bench();
    kept.make(recipe(coats));
    const other = coats.map((coat, i) => (i === 2 ? { ...coat, thin: 2 } : coat));
    // Cell by cell: a matcher takes ten seconds over a quarter of a million.
    const tones = (of: SwatchBench, list: readonly Coat[]): Uint32Array => of.make(recipe(list)).stages.at(-1)!.tones.slice();
    const isSame = (one: Uint32Array, two: Uint32Array): boolean => one.every((tone, i) => tone === two[i]);
    expect(isSame(tones(kept, other), tones(bench(), other))).toBe(true);
    expect(isSame(tones(kept, coats), tones(bench(), coats))).toBe(true);
    expect(isSame(tones(kept, coats), tones(kept, other))).toBe(false);
  });
  test.each(RELIEFS)('%s: its edges meet, so that it can be laid side by side', (relief) => {
    const { heightMm } = reliefOf(relief, null, 7);
    let [seam, within] = [0, 0];
    for (let y = 0; y < CELLS; y++) {
      seam += Math.abs(heightMm[y * CELLS]! - heightMm[y * CELLS + CELLS - 1]!);
      for (const x of [100, 200, 300, 400]) within += Math.abs(heightMm[y * CELLS + x]! - heightMm[y * CELLS + x - 1]!) / 4;
    }
    expect(seam).toBeLessThan(within * 4 + 8);
  });
  test('wet paint looks darker than dry', () => {
    const { relief, lie, stages } = bench().make(recipe([base, over]));
    const mean = (isWet: boolean): number =>
      picture(relief, lie, stages.at(-1)!, { lightDeg: 315, lightUpDeg: 30, isWet, from: 'close' }).reduce(
        (sum, value, i) => (i % 4 === 1 ? sum + Math.min(value, 200) : sum),
        0,
      );
    expect(mean(true)).toBeLessThan(mean(false) * 0.97);
  });
  test('what does not help is not advised: a wash cannot be thinned where there is none, nor a light that is black made darker', () => {
    const black = aCoat('pale-acrylic', 'drybrush', { goes: 6, tint: [{ paintId: 'salt-white', parts: 100 }] });
    const of = (coats: readonly Coat[]) =>
      judged(bench(), recipe(coats), { baseHex: '#4a4034', darkId: 'salt-white', paleId: 'salt-white' }, CATALOGUE);
    const { numbers, advice } = of([base, black]);
    expect(numbers.spread).toBeGreaterThan(34);
    // One part more of what it is already changes nothing.
    expect(advice.map(({ code }) => code)).not.toContain('darker-light');
  });
  test('the same coats in the other school: wash last, and back again', () => {
    const other = inSchool([base, wash, dry], 'wash-last', CATALOGUE)!;
    expect(other.map(({ id }) => id)).toEqual([base.id, dry.id, wash.id]);
    expect(inSchool(other, 'wash-last', CATALOGUE)).toBeNull();
    expect(inSchool(other, 'light-last', CATALOGUE)!.map(({ id }) => id)).toEqual([base.id, wash.id, dry.id]);
    expect(inSchool([base], 'wash-last', CATALOGUE)).toBeNull();
  });
  test('a floor that shouts is told, and what is advised lowers its spread', () => {
    const loud = recipe([base, wash, aCoat('pale-acrylic', 'drybrush', { goes: 3, tint: [{ paintId: 'salt-white', parts: 1 }] })]);
    const { numbers, says, advice } = judged(bench(), loud, { baseHex: '#4a4034', darkId: 'bog-oak', paleId: 'chalk-cliff' }, CATALOGUE);
    expect(says).toContain('more contrast');
    expect(advice.map(({ code }) => code)).toEqual(expect.arrayContaining(['wash-last', 'darker-light']));
    for (const one of advice) {
      expect(one.numbers.spread).toBeLessThan(numbers.spread);
      expect(
        numbersOf(
          bench()
            .make({ ...loud, coats: one.coats })
            .stages.at(-1)!.tones,
          '#4a4034',
        ).spread,
      ).toBeCloseTo(one.numbers.spread, 9);
    }
  });
});
