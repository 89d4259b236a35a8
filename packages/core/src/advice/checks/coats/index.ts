export { coatWarnings } from './coat-checks';
