import { shortId } from './name';

const KEY = 'spare-acre/tab';
const lockName = (tab: string): string => `spare-acre/tab/${tab}`;

/**
 * This tab's own name. It survives a reload; a duplicated tab, which copies session storage, takes a new one, since the
 * first still holds the lock.
 */
export async function claimTab(): Promise<string> {
  const known = sessionStorage.getItem(KEY);
  const tab = known !== null && (await holdLock(lockName(known))) ? known : shortId();
  if (tab !== known) await holdLock(lockName(tab));
  sessionStorage.setItem(KEY, tab);
  return tab;
}

/** Names of the tabs that are open now, this one among them; null where the browser does not tell: it does not where a page is not served under TLS. */
export async function openTabs(): Promise<ReadonlySet<string> | null> {
  if (!hasLocks()) return null;
  const { held = [] } = await navigator.locks.query();
  return new Set(held.map(({ name = '' }) => name.replace(/^spare-acre\/tab\//, '')));
}

const hasLocks = (): boolean => (navigator as Partial<Navigator>).locks !== undefined;

/** Takes a lock until the tab closes. @returns false when someone else has it */
function holdLock(name: string): Promise<boolean> {
  if (!hasLocks()) return Promise.resolve(true);
  return new Promise((resolve) => {
    void navigator.locks.request(name, { ifAvailable: true }, (lock) => {
      resolve(lock !== null);
      return lock === null ? undefined : new Promise<never>(() => undefined);
    });
  });
}
