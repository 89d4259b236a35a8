import { Color, mix } from 'spectral.js';
import type { Catalogue, Coating } from '../../catalogue';
import type { OwnPaint, Tint } from '../../plan';

/** A paint that can be stirred: of the catalogue, or the builder's own. */
export type Pot = Pick<OwnPaint, 'id' | 'name' | 'hex' | 'tintingStrength'>;
/** Every paint there is, the builder's own first. */
export const potsOf = (catalogue: Catalogue, own: readonly Pot[]): readonly Pot[] => [...own, ...catalogue.paints];

/** Reflectances are worked out once a paint. */
const COLOURS = new Map<string, Color>();
function colourOf({ hex, tintingStrength }: Pot): Color {
  const key = `${hex} ${tintingStrength}`;
  let colour = COLOURS.get(key);
  if (colour === undefined) {
    colour = new Color(hex);
    colour.tintingStrength = tintingStrength;
    COLOURS.set(key, colour);
  }
  return colour;
}

/**
 * The colour of paints stirred together by parts: pigments mix by what they absorb and scatter band by band (Kubelka and Munk), never by the mean of their screen colours.
 * @throws RangeError for no parts
 */
export function stirred(parts: readonly { readonly pot: Pot; readonly parts: number }[]): string {
  if (parts.length === 0) throw new RangeError('a mix needs at least one paint');
  if (parts.length === 1) return parts[0]!.pot.hex;
  const all = parts.reduce((sum, one) => sum + one.parts, 0);
  return mix(...parts.map(({ pot, parts: share }) => [colourOf(pot), share / all] as const))
    .toString({ format: 'hex' })
    .toLowerCase();
}

/** The colour a coat dries to; null for what has none, as varnish. @param tint none for the coating's own */
export function coatHex({ look }: Pick<Coating, 'look'>, tint: Tint, pots: readonly Pot[]): string | null {
  const known = tint.flatMap(({ paintId, parts }) => {
    const pot = pots.find(({ id }) => id === paintId);
    return pot === undefined ? [] : [{ pot, parts }];
  });
  return known.length === 0 ? look.hex : stirred(known);
}
