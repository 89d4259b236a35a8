import { type Catalogue, cautionTexts, coatingBy, methodBy } from '../../catalogue';
import { type Coat, type Plan, plainCoat } from '../../plan';
import { type Edit, appliedTo, atOnce } from '../../plan/edits';
import { type WorkshopState, EMPTY_WORKSHOP } from '../../plan/workshop';
import type { Figure } from '../../base/units';
import { derivePipeline } from '../full';

/** One way to make the water of a board, and what the board comes to with it. */
export interface WaterOption {
  readonly id: string;
  readonly name: string;
  readonly says: string;
  readonly isOwn: boolean;
  readonly edit: Edit;
  readonly cost: Figure<'money'>;
  readonly hours: Figure<'min'>;
  readonly mass: Figure<'g'>;
  readonly readyText: string;
  /** What it can do to a person, in the words shown with its step. */
  readonly hazards: readonly string[];
}
export interface WaterOptionProgress {
  readonly options: readonly WaterOption[];
  readonly done: number;
  readonly of: number;
}

/** The same board with its water made in every way, one after another; every surface that holds water is made alike. @source craft.md §6: other schools for water are gloss coats over paint, and gel layers */
export function* waterOptionsOf(
  plan: Plan,
  catalogue: Catalogue,
  shop: WorkshopState = EMPTY_WORKSHOP,
): Generator<WaterOptionProgress, void, void> {
  const derive = derivePipeline();
  const own = derive(plan, catalogue, shop);
  const wet = own.areas.list.filter(({ basins }) => basins.length > 0).map(({ surfaceId }) => surfaceId as string);
  const ways = catalogue.starter.water;
  const options: WaterOption[] = [];
  if (wet.length === 0) return yield { options, done: 0, of: 0 };
  yield { options, done: 0, of: ways.length };
  for (const way of ways) {
    const edits = wet.map((surfaceId) => ({
      code: 'coats/set' as const,
      surfaceId,
      coats: waterWay(plan.surfaces.find(({ id }) => id === surfaceId)!.coats, way, catalogue),
    }));
    const name = `${coatingBy(catalogue, way.coatingId).name}${way.goes > 1 ? `, ${way.goes} coats` : ''}`;
    const edit = atOnce(edits, `Use ${name.toLowerCase()} for water`);
    const other = appliedTo(plan, edit);
    const { tally } = derive(other, catalogue, shop);
    options.push({
      id: way.id,
      name,
      says: way.says,
      isOwn: wet.every((surfaceId) =>
        plan.surfaces.find(({ id }) => id === surfaceId)!.coats.some(({ coatingId }) => coatingId === way.coatingId),
      ),
      edit,
      cost: tally.cost,
      hours: tally.handsOn,
      mass: tally.mass,
      readyText: tally.readyText,
      hazards: cautionTexts(catalogue, [
        ...coatingBy(catalogue, way.coatingId).cautionIds,
        ...methodBy(catalogue, way.methodId).cautionIds,
      ]),
    });
    yield { options: [...options], done: options.length, of: ways.length };
  }
}

/** Coats with what stands for water in them taken out, and another in its place. */
export function waterWay(
  coats: readonly Coat[],
  { coatingId, methodId, goes }: Catalogue['starter']['water'][number],
  catalogue: Catalogue,
): readonly Coat[] {
  const isWater = ({ coatingId: id }: Coat): boolean => coatingBy(catalogue, id).family === 'water';
  const at = coats.findIndex(isWater);
  const others = coats.filter((coat) => !isWater(coat));
  const made = {
    ...plainCoat(
      { coatingId, methodId },
      others.map(({ id }) => id),
    ),
    goes,
  };
  return others.toSpliced(at < 0 ? others.length : at, 0, made);
}
