export { brinefold } from './brinefold';
export { larkstone } from './larkstone';
export { looseLot } from './loose-lot';
