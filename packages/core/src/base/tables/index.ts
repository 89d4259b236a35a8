export { csvOf, rowsOf } from './tables';
