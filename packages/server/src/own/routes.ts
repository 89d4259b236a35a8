import { Router } from 'express';
import type { Knex } from 'knex';
import { type Catalogue, OwnValue, figuresOf, whyNotOwn, withOwn } from '@spare-acre/core/catalogue';
import { CatalogueAnswer, OwnList, OwnParams } from '@spare-acre/core/wire';
import { HttpProblem } from '../problems';
import { smallJson } from '../reading/bodies';
import { dropOwn, listOwn, setOwn } from './own-values';

/** The catalogue as the builder has it, and figures of their own in it. */
export function ownRoutes(db: Knex, catalogue: Catalogue): Router {
  const api = Router();
  const figures = figuresOf(catalogue);

  api.get('/catalogue', async (_req, res) => {
    res.json(CatalogueAnswer.parse({ catalogue: withOwn(catalogue, await listOwn(db)) }));
  });
  api.get('/own-values', async (_req, res) => {
    const values = Object.entries(await listOwn(db)).map(([path, own]) => {
      const ours = figures.get(path);
      return { path, own, ours: ours === undefined ? null : { value: ours.value, low: ours.low, high: ours.high } };
    });
    res.json(OwnList.parse({ values }));
  });
  api.put('/own-values/:path', ...smallJson('1kb'), async (req, res) => {
    const { path } = OwnParams.parse(req.params);
    const own = OwnValue.parse(req.body);
    const refusal = whyNotOwn(path, own, figures.get(path));
    if (refusal !== null) throw new HttpProblem(422, 'Not a figure of this catalogue', refusal);
    await setOwn(db, path, own);
    res.status(204).end();
  });
  /** Back to ours. */
  api.delete('/own-values/:path', async (req, res) => {
    const { path } = OwnParams.parse(req.params);
    if (!(await dropOwn(db, path))) throw new HttpProblem(404, 'No such figure', 'There is no figure of your own at that place.');
    res.status(204).end();
  });
  return api;
}
