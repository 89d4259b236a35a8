export { insideOf, scattered, sizeOf } from './scatter';
export type { Scattered, ScatterTask, Spot } from './scatter';
export { strewnOn } from './strewn';
export type { Strewn } from './strewn';
