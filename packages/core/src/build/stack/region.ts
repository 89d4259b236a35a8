import { type Catalogue, type StockRegion, regionOf } from '../../catalogue';
import type { Stack } from '../../plan';

/** Where the stock of a board is bought, by the sheets it lies on. */
export const stockRegion = ({ substrate, ground }: Pick<Stack, 'substrate' | 'ground'>, catalogue: Catalogue): StockRegion =>
  regionOf([...(substrate === null ? [] : [substrate.thicknessMm]), ...ground.map(({ thicknessMm }) => thicknessMm)], catalogue);
