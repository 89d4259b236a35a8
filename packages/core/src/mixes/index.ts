export { mixesOf } from './mixes';
export type { Mix, MixPart } from './mixes';
