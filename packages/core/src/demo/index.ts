export { brinefold } from './brinefold';
