import { type Catalogue, type Coating, type Method, coatingBy, methodBy } from '../../catalogue';
import { BARE_HEX, type Pot, coatHex, stirred } from '../paint';
import type { Coat, Laid } from '../../plan';
import type { Relief } from '../../plan/surfaces';
import { type Layer, type Tones, flatTones, laidOver, layerOf } from './layer';
import { borrowedShares, sharesGivenBack, tonesGivenBack } from './buffers';
import { type ReliefMaps, type Mask, FULL_COAT, WHOLE, laidBy, lieOf } from './masks';
import { CELLS } from './noise';
import { type ReliefMap, type UnitSizes, reliefOf } from './reliefs';

/** What a swatch is made of. */
export interface SwatchRecipe {
  readonly relief: Relief;
  readonly units: UnitSizes | null;
  /** Colours of its units, by parts; none for one colour. */
  readonly unitTints: Laid['tints'];
  readonly coats: readonly Coat[];
  readonly seed: number;
}
/** A surface after one of its coats. */
export interface Stage {
  readonly tones: Tones;
  /** How glossy it is, 0 to WHOLE. */
  readonly gloss: Uint8Array | null;
}
/** A swatch step by step: bare, then after each coat. It holds until its bench makes the next one: the grids are used again. */
export interface Swatch {
  readonly relief: ReliefMap;
  readonly lie: ReliefMaps;
  readonly stages: readonly Stage[];
}

/** One coat as the swatch needs it; two that are alike come out alike. */
interface Step {
  readonly coating: Coating;
  readonly method: Method;
  readonly hex: string | null;
  readonly coat: Coat;
}

/**
 * Makes swatches, and keeps what the last one was made of: the relief, where each coat went, and how it looked after each, so that a changed coat costs itself and those over it.
 */
export class SwatchBench {
  private relief: { readonly key: string; readonly map: ReliefMap; readonly lie: ReliefMaps } | null = null;
  private readonly masks = new Map<string, Mask>();
  private readonly layers = new Map<string, Layer>();
  private last: { readonly keys: readonly string[]; readonly stages: readonly Stage[]; readonly lie: ReliefMaps } | null = null;

  constructor(
    private readonly catalogue: Catalogue,
    private readonly pots: () => readonly Pot[],
  ) {}

  make(recipe: SwatchRecipe): Swatch {
    const { map, lie } = this.reliefFor(recipe);
    const steps = recipe.coats.map((coat): Step => {
      const coating = coatingBy(this.catalogue, coat.coatingId);
      return { coat, coating, method: methodBy(this.catalogue, coat.methodId), hex: coatHex(coating, coat.tint, this.pots()) };
    });
    const keys = steps.map((step) => this.keyOf(step, recipe));
    const sound = this.last !== null && this.last.lie === lie ? sharedStart(keys, this.last.keys) : 0;
    const stages: Stage[] = this.last !== null && sound > 0 ? this.last.stages.slice(0, sound + 1) : [bareStage()];
    this.freeStages(sound + 1);
    for (let i = sound; i < steps.length; i++) stages.push(this.after(stages[i]!, steps, i, recipe, lie));
    this.last = { keys, stages, lie };
    return { relief: map, lie, stages };
  }

  private freeMasks(): void {
    for (const { cells } of this.masks.values()) if (cells !== null) sharesGivenBack(cells);
    this.masks.clear();
  }
  /** Grids of stages from one on, but those that an earlier stage shares. */
  private freeStages(from: number): void {
    const stages = this.last?.stages ?? [];
    const kept = new Set(stages.slice(0, from).map(({ tones }) => tones));
    for (const tones of new Set(stages.slice(from).map((stage) => stage.tones))) if (!kept.has(tones)) tonesGivenBack(tones);
  }

  private reliefFor({ relief, units, seed }: SwatchRecipe): { readonly map: ReliefMap; readonly lie: ReliefMaps } {
    const key = JSON.stringify([relief, units, seed]);
    if (this.relief?.key !== key) {
      const map = reliefOf(relief, units, seed);
      this.relief = { key, map, lie: lieOf(map) };
      this.freeMasks();
      this.freeStages(0);
      this.last = null;
    }
    return this.relief;
  }

  private keyOf({ coat, coating, method, hex }: Step, { unitTints }: SwatchRecipe): string {
    return JSON.stringify([
      coating.id,
      method.id,
      hex,
      coat.coverPct,
      coat.goes,
      coat.thin,
      method.isByUnit ? unitTints.map((one) => [one, this.hexOf(one.paintId)]) : null,
    ]);
  }
  private readonly hexOf = (paintId: string): string | null => this.pots().find(({ id }) => id === paintId)?.hex ?? null;

  /** The surface after one more coat. */
  private after(under: Stage, steps: readonly Step[], index: number, recipe: SwatchRecipe, lie: ReliefMaps): Stage {
    const { coat, coating, method, hex } = steps[index]!;
    if (coating.family === 'mask') return under;
    let mask = this.maskFor(method, coat.coverPct / 100, recipe.seed + index * 7919, lie);
    const before = steps[index - 1];
    // A mask keeps off the one coat that goes over it, and is rubbed off after.
    if (before?.coating.family === 'mask') {
      const kept = this.maskFor(before.method, before.coat.coverPct / 100, recipe.seed + (index - 1) * 7919, lie);
      mask = without(mask, kept);
    }
    const gloss = coating.family === 'varnish' || coating.look.gloss >= 0.5 ? glossed(under.gloss, mask, coating) : under.gloss;
    if (hex === null || coating.look.hides === 0 || mask.share === 0) return { tones: under.tones, gloss };
    let tones = under.tones;
    const layers = method.isByUnit && recipe.unitTints.length > 0 ? this.unitLayers(recipe, coating, coat) : null;
    const layer = this.layerFor(hex, coating.look.hides, 1 / (1 + coat.thin));
    for (let go = 0; go < coat.goes; go++) {
      const over = layers === null ? laidOver(tones, layer, mask) : overUnits(tones, layers, mask, lie.unit);
      if (tones !== under.tones) tonesGivenBack(tones);
      tones = over;
    }
    return { tones, gloss };
  }

  private maskFor(method: Method, coverShare: number, seed: number, lie: ReliefMaps): Mask {
    const key = `${method.id} ${coverShare} ${seed}`;
    let mask = this.masks.get(key);
    if (mask === undefined) {
      mask = laidBy(method, lie, coverShare, seed);
      if (method.isByUnit) mask = unevened(mask, lie.unit, seed);
      if (this.masks.size > MAX_MASKS) this.freeMasks();
      this.masks.set(key, mask);
    }
    return mask;
  }

  private layerFor(hex: string, hides: number, strength: number): Layer {
    const key = `${hex} ${hides} ${strength}`;
    let layer = this.layers.get(key);
    if (layer === undefined) {
      if (this.layers.size > MAX_LAYERS) this.layers.clear();
      this.layers.set(key, (layer = layerOf(hex, hides, strength)));
    }
    return layer;
  }

  /** A layer for each tint, each as often as it has parts. */
  private unitLayers({ unitTints }: SwatchRecipe, { look }: Coating, { thin }: Coat): readonly Layer[] {
    return unitTints.flatMap(({ paintId, parts }) => {
      const pot = this.pots().find(({ id }) => id === paintId);
      return pot === undefined
        ? []
        : Array.from({ length: parts }, () => this.layerFor(stirred([{ pot, parts: 1 }]), look.hides, 1 / (1 + thin)));
    });
  }
}
/** Kept at once: 1 MB each. */
const MAX_MASKS = 40;
/** Kept at once: 0.4 MB each. */
const MAX_LAYERS = 40;

const bareStage = (): Stage => ({ tones: flatTones(BARE_HEX, CELLS * CELLS), gloss: null });

function sharedStart(a: readonly string[], b: readonly string[]): number {
  let n = 0;
  while (n < a.length && n < b.length && a[n] === b[n]) n++;
  return n;
}

/** Chance of one unit, the same for all its cells. */
const chanceOf = (unit: number, seed: number): number => (Math.imul(unit + 1, 2654435761) ^ Math.imul(seed + 1, 40503)) >>> 0;
/** One colour, more of it on some units than on others. */
function unevened(mask: Mask, unit: Uint16Array, seed: number): Mask {
  const cells = borrowedShares();
  const shareOf = sharesByUnit(unit, (own) => 0.35 + (chanceOf(own, seed) % 1_000) / 1_000);
  for (let i = 0; i < cells.length; i++) {
    const share = (mask.cells === null ? mask.share : mask.cells[i]!) * shareOf[unit[i]!]!;
    cells[i] = share > 255 ? 255 : share;
  }
  if (mask.cells !== null) sharesGivenBack(mask.cells);
  return { cells, share: null };
}
function sharesByUnit(unit: Uint16Array, share: (own: number) => number): Float32Array {
  let most = 0;
  for (let i = 0; i < unit.length; i++) if (unit[i]! > most) most = unit[i]!;
  return Float32Array.from({ length: most + 1 }, (_, own) => share(own));
}
/** What a mask leaves open. */
function without(mask: Mask, kept: Mask): Mask {
  const cells = borrowedShares();
  for (let i = 0; i < cells.length; i++) {
    const off = Math.min(FULL_COAT, kept.cells === null ? kept.share : kept.cells[i]!);
    cells[i] = ((mask.cells === null ? mask.share : mask.cells[i]!) * (FULL_COAT - off)) / FULL_COAT;
  }
  return { cells, share: null };
}

/** Each unit in one of the layers; a layer is laid over all of it once, and each cell takes its unit's. */
function overUnits(under: Tones, layers: readonly Layer[], mask: Mask, unit: Uint16Array): Tones {
  const kinds = [...new Set(layers)];
  const all = kinds.map((layer) => laidOver(under, layer, mask));
  const kindOf = sharesByUnit(unit, (own) => kinds.indexOf(layers[chanceOf(own, 5) % layers.length]!));
  const [first, ...others] = all;
  others.forEach((tones, k) => {
    for (let i = 0; i < tones.length; i++) if (kindOf[unit[i]!] === k + 1) first![i] = tones[i]!;
    tonesGivenBack(tones);
  });
  return first!;
}

function glossed(before: Uint8Array | null, mask: Mask, { look, family }: Coating): Uint8Array {
  const gloss = new Uint8Array(CELLS * CELLS);
  // Varnish goes everywhere it is brushed, whatever its colour does.
  if (family === 'varnish' || look.hides === 0) return gloss.fill(look.gloss * WHOLE);
  for (let i = 0; i < gloss.length; i++) {
    const laid = Math.min(1, (mask.cells === null ? mask.share : mask.cells[i]!) / FULL_COAT);
    gloss[i] = (before === null ? 0 : before[i]!) * (1 - laid) + look.gloss * WHOLE * laid;
  }
  return gloss;
}
