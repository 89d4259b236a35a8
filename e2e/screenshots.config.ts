import base from './playwright.config';

/** The pictures of the README: the same browser as the tests, one after another. */
export default { ...base, testMatch: 'pictures.ts', workers: 1, reporter: [['line']] as const, timeout: 480_000 };
