import { changesBetween } from '@spare-acre/core/plan';
import { beforeEach, describe, expect, test, vi } from 'vitest';
import { CATALOGUE, CATALOGUE_ANSWER, aServer, freshStores } from '../../testing/world';
import { useCatalogue } from './catalogue';

beforeEach(() => void freshStores());

const sheets = CATALOGUE.sheets.with(0, { ...CATALOGUE.sheets[0]!, priceMinor: 4711 });
const DEARER = { ...CATALOGUE_ANSWER, edition: 'second', catalogue: { ...CATALOGUE, sheets } };
/** A server whose catalogue is another after the first answer. @param isKnown whether it still knows the edition it told */
function aChangingServer(isKnown: boolean) {
  let times = 0;
  return aServer(({ path }) => {
    if (path.includes('/catalogue/changes'))
      return { status: 200, body: { changes: isKnown ? changesBetween(CATALOGUE_ANSWER, DEARER) : null } };
    return { status: 200, body: times++ === 0 ? CATALOGUE_ANSWER : DEARER };
  });
}
const paths = (asked: ReturnType<typeof aServer>): readonly string[] => asked.map(({ path }) => path.replace('/api', ''));

describe('the catalogue asked for again', () => {
  test('is what changed, put into what is there: all that did not change stays the same object', async () => {
    const asked = aChangingServer(true);
    const store = useCatalogue();
    const before = await store.load();
    const after = await store.renew();
    expect(paths(asked)).toEqual(['/catalogue', '/catalogue/changes?since=first']);
    expect(after.sheets[0]!.priceMinor).toBe(4711);
    expect(after.sheets[1]).toBe(before.sheets[1]);
    expect(after.coatings).toBe(before.coatings);
    expect(store.inUse).toBe(after);
  });

  test('is all of it where the server knows that edition no longer', async () => {
    const asked = aChangingServer(false);
    const store = useCatalogue();
    await store.load();
    expect((await store.renew()).sheets[0]!.priceMinor).toBe(4711);
    expect(paths(asked)).toEqual(['/catalogue', '/catalogue/changes?since=first', '/catalogue']);
  });

  test('is kept for use without a network where this device keeps the old', async () => {
    const put = vi.fn();
    const match = vi.fn(() => Promise.resolve({}));
    vi.stubGlobal('caches', { open: () => Promise.resolve({ match, put }) });
    aChangingServer(true);
    const store = useCatalogue();
    await store.load();
    expect(put).not.toHaveBeenCalled();
    await store.renew();
    await vi.waitFor(() => expect(put).toHaveBeenCalledOnce());
    expect(put.mock.calls[0]![0]).toBe('/api/catalogue');
    expect(await (put.mock.calls[0]![1] as Response).json()).toMatchObject({ edition: 'second' });
    vi.unstubAllGlobals();
  });
});
