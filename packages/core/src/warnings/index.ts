export type { Warning, WarningView } from './warning';
export { mendIn, mended } from './mends';
export type { Mend } from './mends';
export { groundWarnings } from './ground-checks';
export { cutWarnings, glueWarnings } from './stack-checks';
export { coatWarnings } from './coat-checks';
