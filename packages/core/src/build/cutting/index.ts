export { cutSheets, totalSheets, usedOfAll } from './cut-sheets';
export { jobKey } from './to-cut-with';
export { tooLarge } from './too-large';
