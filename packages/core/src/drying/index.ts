export { coatWaits, glueWait } from './waits';
