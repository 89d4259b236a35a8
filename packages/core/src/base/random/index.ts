export { seeded } from './seeded';
export type { Random } from './seeded';
