export { leastCost } from './least-cost';
export type { LeastCost } from './least-cost';
export { PRICE_COLUMNS, priceListCsv, readPriceList } from './price-list';
export type { BadPrice, PriceList } from './price-list';
export { basketOf, priceAt } from './offers';
export type { Basket, Offer, Terms, Want } from './offers';
