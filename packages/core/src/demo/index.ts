export { brinefold } from './brinefold';
export { BRINEFOLD_LOG } from './log';
export { larkstone } from './larkstone';
export { looseLot } from './loose-lot';
