import { afterEach, beforeEach, expect, test, vi } from 'vitest';

/** Over plain http a browser has no locks. */
beforeEach(() => {
  vi.useFakeTimers();
  vi.stubGlobal('navigator', { ...navigator, locks: undefined });
  localStorage.clear();
  sessionStorage.clear();
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});
async function aTab() {
  vi.resetModules();
  sessionStorage.clear();
  return import('./tab');
}

test('without locks a tab is known as open by its beat, and as closed at once when it says so', async () => {
  const tab = await aTab();
  const name = await tab.claimTab();
  expect([...(await tab.openTabs())]).toEqual([name]);
  globalThis.dispatchEvent(new PageTransitionEvent('pagehide', { persisted: false }));
  expect([...(await tab.openTabs())]).toEqual([]);
});

test('a tab that crashed counts as closed when it has been silent for longer than any tab that is open', async () => {
  const tab = await aTab();
  await tab.claimTab();
  vi.clearAllTimers();
  vi.setSystemTime(Date.now() + 100_000);
  expect([...(await tab.openTabs())]).toHaveLength(1);
  vi.setSystemTime(Date.now() + 100_000);
  expect([...(await tab.openTabs())]).toEqual([]);
});

test('a duplicated tab takes a name of its own', async () => {
  const tab = await aTab();
  const name = await tab.claimTab();
  vi.resetModules();
  const twin = await import('./tab');
  expect(await twin.claimTab()).not.toBe(name);
});
