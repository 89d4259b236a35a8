export { mixesOf } from './mixes';
