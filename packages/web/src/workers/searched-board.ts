import type { Remote } from 'comlink';
import type { Searches } from './searches.worker';
import { Told } from './told';

/** The copy of the open board that searches are made on. Nothing is sent before something is asked. */
export const searchedBoard = new Told();

/** Tells what changed since the searches were last told. A worker that dies over it is heard of by the search that is asked next. */
export function tellSearches(to: Remote<Searches>): void {
  const news = searchedBoard.news();
  if (news !== null) void to.take(news).catch(() => undefined);
}
