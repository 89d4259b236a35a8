import type { Plan } from '../plan';
import { edit } from './edit-definition';

type OfHundred = Plan['buying']['ofHundred'];
const said = (ofHundred: OfHundred): string => (ofHundred === null ? 'as reckoned' : `to be enough in ${ofHundred} of 100`);

/** Changes to how sure it is to be that there is enough. */
export const buyingEdits = {
  /** What had an answer of its own keeps it. */
  'buying/enough': edit<{ readonly ofHundred: OfHundred }>(
    ({ ofHundred }) => `Buy ${said(ofHundred)}`,
    ({ plan }, { ofHundred }) => void (plan.buying.ofHundred = ofHundred),
  ),
  /** One material is bought as sure as nothing else, or as all the others again. @param ofHundred `usual` for as the others */
  'buying/enough-of': edit<{ readonly supplyId: string; readonly name: string; readonly ofHundred: OfHundred | 'usual' }>(
    ({ name, ofHundred }) => `Buy ${name} ${ofHundred === 'usual' ? 'as sure as the rest' : said(ofHundred)}`,
    ({ plan }, { supplyId, ofHundred }) => {
      const others = plan.buying.own.filter((one) => one.supplyId !== supplyId);
      plan.buying.own = ofHundred === 'usual' ? others : [...others, { supplyId, ofHundred }];
    },
  ),
};
