export { banksOf } from './banks';
export type { Bank, Dam, Leak } from './banks';
