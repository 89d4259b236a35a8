import type { Knex } from 'knex';
import { stockedIn } from '@spare-acre/core/procurement/stock';
import { NewOffers, ShopParams, ShopPlay, ShopTerms, Shops } from '@spare-acre/core/io/wire';
import { type GuardedRoutes, guardedRoutes } from '../access/may';
import type { CatalogueKeeper } from '../own/keeper';
import { HttpProblem } from '../problems';
import { smallJson } from '../reading/bodies';
import { addShop, askShops, listShops, removeShop, setOffers, setPlays, setTerms } from './shops';

const noSuchShop = (): HttpProblem => new HttpProblem(404, 'No such shop', 'There is no shop with that id that supports this.');

/** Shops, their terms and prices. */
export function shopRoutes(db: Knex, keeper: CatalogueKeeper): GuardedRoutes {
  const api = guardedRoutes();
  const told = async () => Shops.parse({ shops: await listShops(db), nowMs: Date.now() });
  const isThere = async (id: string): Promise<boolean> => (await db('shops').where({ id }).first('id')) !== undefined;

  api.get('/shops', 'look', async (_req, res) => {
    res.json(await told());
  });
  api.post('/shops', 'build', ...smallJson('10kb'), async (req, res) => {
    await addShop(db, ShopTerms.parse(req.body));
    res.status(201).json(await told());
  });
  /** Asks them now, without waiting for the next time. */
  api.post('/shops/ask', 'build', async (_req, res) => {
    await askShops(db, (await keeper.now()).catalogue, Date.now());
    res.json(await told());
  });
  api.put('/shops/:shopId', 'build', ...smallJson('10kb'), async (req, res) => {
    const { shopId } = ShopParams.parse(req.params);
    if (!(await setTerms(db, shopId, ShopTerms.parse(req.body)))) throw noSuchShop();
    res.json(await told());
  });
  api.put('/shops/:shopId/plays', 'build', ...smallJson('1kb'), async (req, res) => {
    const { shopId } = ShopParams.parse(req.params);
    if (!(await setPlays(db, shopId, ShopPlay.parse(req.body).plays))) throw noSuchShop();
    await askShops(db, (await keeper.now()).catalogue, Date.now());
    res.json(await told());
  });
  api.put('/shops/:shopId/offers', 'build', ...smallJson('2mb'), async (req, res) => {
    const { shopId } = ShopParams.parse(req.params);
    const { offers } = NewOffers.parse(req.body);
    if (!(await isThere(shopId))) throw noSuchShop();
    const stocked = stockedIn((await keeper.now()).catalogue);
    const strange = offers.find(({ stockId }) => !stocked.has(stockId));
    if (strange !== undefined) throw new HttpProblem(422, 'No such item', `stockId: the catalogue has no item “${strange.stockId}”.`);
    await setOffers(db, shopId, offers, Date.now());
    res.json(await told());
  });
  api.delete('/shops/:shopId', 'delete', async (req, res) => {
    const { shopId } = ShopParams.parse(req.params);
    if (!(await removeShop(db, shopId))) throw noSuchShop();
    res.json(await told());
  });
  return api;
}
