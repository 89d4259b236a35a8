import { shortId } from '../stores/device/name';

const KEY = 'spare-acre/tab';
const lockName = (tab: string): string => `spare-acre/tab/${tab}`;
/** Where a tab says that it is open, in a browser without locks: it has none where a page is not served under TLS. */
const beatKey = (tab: string): string => `spare-acre/open-tab/${tab}`;
const BEAT_MS = 10_000;
/** A tab that is not looked at may beat once a minute; one that has not for longer has crashed. One that is closed says so at once. */
const BELIEVED_MS = 130_000;

/**
 * This tab's own name. It survives a reload; a duplicated tab, which copies session storage, takes a new one, since the
 * first still holds the lock.
 */
export async function claimTab(): Promise<string> {
  const known = sessionStorage.getItem(KEY);
  const tab = known !== null && (await hold(known)) ? known : shortId();
  if (tab !== known) await hold(tab);
  sessionStorage.setItem(KEY, tab);
  return tab;
}

/** Names of the tabs that are open now, this one among them. */
export async function openTabs(): Promise<ReadonlySet<string>> {
  if (!hasLocks()) return new Set(beating());
  const { held = [] } = await navigator.locks.query();
  return new Set(held.map(({ name = '' }) => name.replace(/^spare-acre\/tab\//, '')));
}

const hasLocks = (): boolean => (navigator as Partial<Navigator>).locks !== undefined;
const hold = (tab: string): Promise<boolean> => (hasLocks() ? holdLock(lockName(tab)) : Promise.resolve(beat(tab)));

/** Takes a lock until the tab closes. @returns false when someone else has it */
function holdLock(name: string): Promise<boolean> {
  return new Promise((resolve) => {
    void navigator.locks.request(name, { ifAvailable: true }, (lock) => {
      resolve(lock !== null);
      return lock === null ? undefined : new Promise<never>(() => undefined);
    });
  });
}

/** Says again and again that a tab is open, until it is closed. @returns false when another tab goes by that name */
function beat(tab: string): boolean {
  if (beating().includes(tab)) return false;
  const say = (): void => localStorage.setItem(beatKey(tab), String(Date.now()));
  say();
  const timer = setInterval(say, BEAT_MS);
  globalThis.addEventListener('pagehide', ({ persisted }: PageTransitionEvent) => {
    localStorage.removeItem(beatKey(tab));
    if (!persisted) clearInterval(timer);
  });
  globalThis.addEventListener('pageshow', say);
  return true;
}
const beating = (): readonly string[] =>
  Object.keys(localStorage)
    .filter((key) => key.startsWith(beatKey('')) && Date.now() - Number(localStorage.getItem(key)) < BELIEVED_MS)
    .map((key) => key.slice(beatKey('').length));
