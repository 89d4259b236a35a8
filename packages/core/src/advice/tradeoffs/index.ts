export { axesOf, withAnswers } from './axes';
export type { Axis, Combination } from './axes';
export { keepsTo, limitsFrom } from './limits';
export type { Limits } from './limits';
export { AIMS, asSeen, beats, combinationsOf, frontOf, weighed } from './weigh';
export type { Aim, Way, Weighed, Weight } from './weigh';
export { scalesFor } from './scales';
export type { Scales, WholeWeight } from './scales';
