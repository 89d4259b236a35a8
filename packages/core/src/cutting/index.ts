export { cutSheets, jobKey, totalSheets, usedOfAll } from './cut-sheets';
