import { cautionTexts, type Catalogue } from '../../catalogue';
import type { Figure } from '../../base/units';
import type { Plan } from '../../plan';
import { type Edit, appliedTo } from '../../plan/edits';
import { checkBoardFile } from '../../plan/stored/file';
import { stockId as placeOf, stockedIn } from '../../procurement/stock';
import { type WorkshopState, EMPTY_WORKSHOP, NOTHING_DONE } from '../../plan/workshop';
import type { Derivation } from '../derive';
import { derivePipeline } from '../full';

/** Another thing in the place of one, and what the board comes to with it. */
export interface Substitute {
  /** Where it stands in the catalogue. */
  readonly stockId: string;
  readonly name: string;
  readonly edit: Edit;
  readonly cost: Figure<'money'>;
  readonly hours: Figure<'min'>;
  readonly mass: Figure<'g'>;
  readonly readyText: string;
  readonly readyMin: number | null;
  /** How it differs to the eye; empty where it does not. */
  readonly look: string;
  /** What it can do to a person, in the words shown with its step, and is new on this board. */
  readonly hazards: readonly string[];
  /** Titles of warnings that it brings and the board does not have. */
  readonly warns: readonly string[];
}

type Replaced = 'adhesives' | 'coatings' | 'lengths' | 'claddings';
const isReplaced = (kind: string): kind is Replaced => ['adhesives', 'coatings', 'lengths', 'claddings'].includes(kind);

/**
 * What might be taken in the place of something, each with its trade: things of the same use that raise no warning that stops, the least dear first. Nothing for what has no like.
 * @param stockId where it stands in the catalogue, as `coatings.gloss-varnish`
 */
export function substitutesOf(
  plan: Plan,
  catalogue: Catalogue,
  stockId: string,
  shop: WorkshopState = EMPTY_WORKSHOP,
): readonly Substitute[] {
  const { kind = '', entryId: fromId = '' } = stockedIn(catalogue).get(stockId) ?? {};
  if (!isReplaced(kind)) return [];
  const derive = derivePipeline();
  const own = derive(plan, catalogue, shop);
  return likes(catalogue, kind, fromId)
    .flatMap(({ id, name }): Substitute[] => {
      const edit: Edit = { code: 'supply/replace', kind, fromId, toId: id, name };
      const other = appliedTo(plan, edit);
      if (!checkBoardFile({ ...other, record: NOTHING_DONE }, catalogue).ok) return [];
      const derived = derive(other, catalogue, shop);
      const warns = derived.warnings.filter((warning) => own.warnings.every(({ title }) => title !== warning.title));
      if (warns.some(({ severity }) => severity === 'stop')) return [];
      const { tally } = derived;
      return [
        {
          stockId: placeOf(kind, id),
          name,
          edit,
          cost: tally.cost,
          hours: tally.handsOn,
          mass: tally.mass,
          readyText: tally.readyText,
          readyMin: readyOf(derived),
          look: kind === 'coatings' ? lookOf(catalogue, fromId, id) : '',
          hazards: hazardsOf(catalogue, kind, id).filter((text) => !hazardsOf(catalogue, kind, fromId).includes(text)),
          warns: warns.map(({ title }) => title),
        },
      ];
    })
    .sort((a, b) => a.cost.value - b.cost.value);
}
const readyOf = ({ days }: Derivation): number | null => days.ready?.at.value ?? null;

/** Things of the same use. */
function likes(catalogue: Catalogue, kind: Replaced, id: string): readonly { readonly id: string; readonly name: string }[] {
  const isInUse = (other: { readonly id: string }): boolean =>
    other.id !== id && !(catalogue.outOfUse ?? []).includes(`${kind}.${other.id}`);
  switch (kind) {
    case 'coatings': {
      const own = catalogue.coatings.find((one) => one.id === id);
      return catalogue.coatings.filter(
        (one) => isInUse(one) && own !== undefined && one.family === own.family && one.spread.by === own.spread.by,
      );
    }
    case 'adhesives':
      return catalogue.adhesives.filter(isInUse);
    case 'lengths': {
      const own = catalogue.lengths.find((one) => one.id === id);
      return catalogue.lengths.filter((one) => isInUse(one) && one.section === own?.section);
    }
    case 'claddings': {
      const own = catalogue.claddings.find((one) => one.id === id);
      return catalogue.claddings.filter((one) => isInUse(one) && one.runs === own?.runs);
    }
  }
}

function lookOf(catalogue: Catalogue, fromId: string, toId: string): string {
  const [from, to] = [fromId, toId].map((id) => catalogue.coatings.find((one) => one.id === id)!.look);
  const said: string[] = [];
  if (from!.hex !== to!.hex) said.push('another colour');
  if (to!.gloss - from!.gloss > 0.15) said.push('glossier');
  if (from!.gloss - to!.gloss > 0.15) said.push('duller');
  if (from!.hides - to!.hides > 0.2) said.push('less opacity');
  return said.join(', ');
}
function hazardsOf(catalogue: Catalogue, kind: Replaced, id: string): readonly string[] {
  if (kind !== 'coatings' && kind !== 'adhesives') return [];
  return cautionTexts(catalogue, catalogue[kind].find((one) => one.id === id)?.cautionIds ?? []);
}
