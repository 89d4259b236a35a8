export { brinefold } from './brinefold';
export { larkstone } from './larkstone';
