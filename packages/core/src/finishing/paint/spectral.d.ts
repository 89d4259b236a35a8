declare module 'spectral.js' {
  /** A colour with the reflectance it stands for, 38 bands from 380 to 750 nm. */
  export class Color {
    constructor(colour: string | readonly number[]);
    readonly sRGB: readonly [number, number, number];
    readonly R: readonly number[];
    tintingStrength: number;
    toString(options?: { format?: 'hex' | 'rgb'; method?: 'clip' | 'map' }): string;
  }
  /** Pigments stirred together: each with its share. */
  export function mix(...colours: readonly (readonly [Color, number])[]): Color;
}
