import type { Plan } from '../plan';
import { edit } from './edit-definition';

type OfHundred = Plan['buying']['ofHundred'];
const said = (ofHundred: OfHundred): string => (ofHundred === null ? 'estimate only' : `to be enough ${ofHundred} times in 100`);

/** Where a plan speaks of a thing of each kind. */
const KEYS = {
  adhesives: ['glueBelowId', 'glueId'],
  coatings: ['coatingId'],
  lengths: ['lengthId'],
  claddings: ['claddingId'],
  methods: ['methodId'],
  layings: ['layingId'],
} as const;
export type ReplacedKind = keyof typeof KEYS;

function replaceIn(data: unknown, keys: ReadonlySet<string>, fromId: string, toId: string): void {
  if (typeof data !== 'object' || data === null) return;
  for (const [key, inner] of Object.entries(data)) {
    if (keys.has(key) && inner === fromId) (data as Record<string, unknown>)[key] = toId;
    else if (typeof inner === 'object') replaceIn(inner, keys, fromId, toId);
  }
}

/** Changes to how sure it is to be that there is enough, and to what is bought at all. */
export const buyingEdits = {
  /** Takes one thing in the place of another, wherever the plan has it. */
  'supply/replace': edit<{ readonly kind: ReplacedKind; readonly fromId: string; readonly toId: string; readonly name: string }>(
    ({ name }) => `Use ${name} instead`,
    ({ plan }, { kind, fromId, toId }) => {
      for (const part of [plan.stack, plan.surfaces, plan.pieces, plan.testPieces])
        replaceIn(part, new Set<string>(KEYS[kind]), fromId, toId);
    },
  ),
  /** What had an answer of its own keeps it. */
  'buying/enough': edit<{ readonly ofHundred: OfHundred }>(
    ({ ofHundred }) => `Buy ${said(ofHundred)}`,
    ({ plan }, { ofHundred }) => void (plan.buying.ofHundred = ofHundred),
  ),
  /** One material is bought as sure as nothing else, or as all the others again. @param ofHundred `usual` for as the others */
  'buying/enough-of': edit<{ readonly supplyId: string; readonly name: string; readonly ofHundred: OfHundred | 'usual' }>(
    ({ name, ofHundred }) => `Buy ${name} ${ofHundred === 'usual' ? 'with the usual safety margin' : said(ofHundred)}`,
    ({ plan }, { supplyId, ofHundred }) => {
      const others = plan.buying.own.filter((one) => one.supplyId !== supplyId);
      plan.buying.own = ofHundred === 'usual' ? others : [...others, { supplyId, ofHundred }];
    },
  ),
};
