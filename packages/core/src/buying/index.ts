export { leastCost } from './least-cost';
export type { LeastCost } from './least-cost';
export { basketOf, priceAt } from './offers';
export type { Basket, Offer, Terms, Want } from './offers';
