import { type WarningCode, viewsOf } from '../../advice/checks';
import { type WorkshopState, EMPTY_WORKSHOP } from '../../plan/workshop';
import { produce } from 'immer';
import type { Adhesive, Catalogue } from '../../catalogue';
import type { Plan, PlanDraft } from '../../plan';
import type { Bow } from '../../build/stack/bow';
import { type Figure, lengthWords } from '../../base/units';
import type { Derivation } from '../derive';
import { derivePipeline } from '../full';

/** One way to build the same board, and what it comes to. */
export interface BuildOption {
  readonly id: string;
  readonly group: 'edges' | 'adhesive' | 'substrate';
  readonly name: string;
  readonly says: string;
  /** The stack of the plan built this way. */
  readonly stack: Plan['stack'];
  readonly isOwn: boolean;
  readonly hours: Figure<'min'>;
  readonly cost: Figure<'money'>;
  readonly mass: Figure<'g'>;
  readonly readyText: string;
  readonly bow: Bow;
  /** What the checks of the stack and the cuts say of it. */
  readonly risks: readonly { readonly title: string; readonly isStop: boolean; readonly code: WarningCode }[];
}
export interface BuildOptionProgress {
  readonly buildOptions: readonly BuildOption[];
  readonly done: number;
  readonly of: number;
}

type Draft = Pick<BuildOption, 'id' | 'group' | 'name' | 'says'> & { readonly change: (stack: PlanDraft['stack']) => void };

/** Where builders differ: the same board built each way, side by side, one after another. */
export function* buildOptionsOf(
  plan: Plan,
  catalogue: Catalogue,
  shop: WorkshopState = EMPTY_WORKSHOP,
): Generator<BuildOptionProgress, void, void> {
  const drafts = draftsFor(plan, catalogue);
  const buildOptions: BuildOption[] = [];
  const derive = derivePipeline();
  yield { buildOptions, done: 0, of: drafts.length };
  for (const { change, ...option } of drafts) {
    const other = produce(plan, (draft) => change((draft as PlanDraft).stack));
    buildOptions.push({
      ...option,
      stack: other.stack,
      isOwn: JSON.stringify(other.stack) === JSON.stringify(plan.stack),
      ...countsOf(derive(other, catalogue, shop)),
    });
    yield { buildOptions: [...buildOptions], done: buildOptions.length, of: drafts.length };
  }
}

function countsOf({ tally, bow, warnings }: Derivation): Pick<BuildOption, 'hours' | 'cost' | 'mass' | 'readyText' | 'bow' | 'risks'> {
  return {
    hours: tally.handsOn,
    cost: tally.cost,
    mass: tally.mass,
    readyText: tally.readyText,
    bow,
    risks: warnings

      .filter(({ code }) => ['section', 'cuts'].includes(viewsOf(code)[0]))
      .map(({ title, severity, code }) => ({ title, code, isStop: severity === 'stop' })),
  };
}

function draftsFor({ stack, units }: Plan, catalogue: Catalogue): Draft[] {
  return [
    {
      id: 'cut-first',
      group: 'edges',
      name: 'Cut to size first',
      says: 'Each layer is cut to size, then aligned by hand before the glue sets.',
      change: (draft) => void (draft.edges = 'cut-first'),
    },
    {
      id: 'trim-after',
      group: 'edges',
      name: 'Trim flush after',
      says: `Upper layers ${lengthWords(stack.allowanceMm, units)} oversize per side, trimmed along the lowest layer when dry: more foam, no aligning.`,
      change: (draft) => void (draft.edges = 'trim-after'),
    },
    ...familiesOf(catalogue).map((adhesive): Draft => ({
      id: `adhesive-${adhesive.id}`,
      group: 'adhesive',
      name: adhesive.name,
      says: adhesive.remark,
      change: (draft) => glueAll(draft, adhesive),
    })),
    ...substratesOf(stack, units, catalogue),
  ];
}

/** One adhesive of each family: the one in use, or the first. */
function familiesOf(catalogue: Catalogue): Adhesive[] {
  const families = [...new Set(catalogue.adhesives.map(({ family }) => family))];
  return families.map((family) => catalogue.adhesives.find((adhesive) => adhesive.family === family)!);
}

/** Every joint with one adhesive, over the whole face where it can be laid so. */
function glueAll(stack: PlanDraft['stack'], { id, spreads }: Adhesive): void {
  const spread = spreads.includes('full') ? 'full' : spreads[0]!;
  for (const layer of stack.ground) [layer.glueBelowId, layer.spread] = [id, spread];
  [stack.raised.glueId, stack.raised.spread] = [id, spread];
  for (const facing of Object.values(stack.facings).flat()) [facing.glueBelowId, facing.spread] = [id, spread];
}

function substratesOf({ substrate }: Plan['stack'], units: Plan['units'], catalogue: Catalogue): Draft[] {
  const board = substrate ?? { ...catalogue.starter.substrate, sealed: 'none' as const, grain: null };
  const material = catalogue.materials.find(({ id }) => id === board.materialId)!;
  const name = `${material.name}, ${lengthWords(board.thicknessMm, units)}`;
  return [
    {
      id: 'substrate',
      group: 'substrate',
      name: `On ${name}`,
      says: 'Stiff, with a hard rim. Its face absorbs water-based glue.',
      change: (draft) => void (draft.substrate = { ...board }),
    },
    {
      id: 'sealed-substrate',
      group: 'substrate',
      name: `On ${name}, sealed`,
      says: 'Sealed on both faces before gluing. The glue must not need an absorbent face to dry.',
      change: (draft) => void (draft.substrate = { ...board, sealed: 'both' }),
    },
    {
      id: 'no-substrate',
      group: 'substrate',
      name: 'No substrate',
      says: 'Light, with no substrate that could bow. The rim is soft and the tile flexes when handled.',
      change: (draft) => void (draft.substrate = null),
    },
  ];
}
