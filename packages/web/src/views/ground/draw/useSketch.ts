import { type ComputedRef, type Ref, type ShallowRef, computed, ref, shallowRef } from 'vue';
import { type Point, distanceMm } from '@spare-acre/core/base/geometry';
import { LIMITS } from '@spare-acre/core/plan/fields';
import { type Shape, rectangle } from '@spare-acre/core/plan/shapes';
import { freshStrip, newFeature } from '@spare-acre/core/plan/features';
import { type Plan, snapLines, snapped } from '@spare-acre/core/plan';
import { parsePoint } from '@spare-acre/core/base/units';
import { shortId } from '../../../stores/device/name';
import { PLAN_STEP_MM } from '../../../ui/arrowStep';
import { useCatalogue } from '../../../stores/workshop/catalogue';
import { usePlan } from '../../../stores/board/plan';
import { MEASURE, type Tool, TOOLS, type ToolId } from './tools';

export type AreaForm = 'area' | 'round' | 'strip';
/** A feature being drawn, by mouse or by keys. */
export interface Sketch {
  readonly tool: ComputedRef<Tool>;
  /** Whether presses set points: a feature is being drawn, or two points of a picture are asked for. */
  readonly isSetting: ComputedRef<boolean>;
  readonly points: ShallowRef<readonly Point[]>;
  /** Where the next point would go. */
  readonly cross: ShallowRef<Point | null>;
  readonly refusal: Ref<string>;
  /** The form areas are drawn in: corner by corner, round, or along a line. */
  readonly areaForm: Ref<AreaForm>;
  /** The form that is being drawn now. */
  readonly form: ComputedRef<AreaForm | null>;
  /** The two points last measured, until they are used. */
  readonly measured: ShallowRef<readonly [Point, Point] | null>;
  readonly forgetMeasure: () => void;
  readonly choose: (id: ToolId) => void;
  readonly snap: (point: Point, exceptId: string | null, isFree: boolean) => Point;
  readonly pointAt: (at: Point) => void;
  /** Sets a typed point: `x, y`, or `+x, +y` from the last. @returns what is wrong with it, or nothing */
  readonly typePoint: (typed: string) => string;
  /** Shows why something could not be done; an empty message clears it. */
  readonly refuse: (message: string) => void;
  readonly addPoint: () => void;
  readonly takeBack: () => void;
  readonly giveUp: () => void;
  readonly finish: () => void;
}

const REACH_PX = 7;

/** @param reachMm how far a line of the plan pulls; null where nothing does */
const snappedOn = (plan: Plan, point: Point, exceptId: string | null, reachMm: number | null): Point =>
  reachMm === null ? snapped(point, { x: [], y: [] }, 0, 0).point : snapped(point, snapLines(plan, exceptId), reachMm, PLAN_STEP_MM).point;

/** The shape that a tool makes of the points set; null for too few of them. */
function shapeOf({ draws }: Tool, form: AreaForm | 'strip' | null, points: readonly Point[]): Shape | null {
  const [first, second] = points;
  if (draws === null || first === undefined || second === undefined) return null;
  if (form === 'strip') return { form: 'strip', points, ...freshStrip(draws.kind) };
  if (form === 'round')
    return { form: 'round', centre: first, radiusMm: Math.max(LIMITS.radiusMm.min, Math.round(distanceMm(first, second))) };
  return points.length === 2 ? rectangle(first, second) : { form: 'outline', points };
}

/** @param scale px for a mm; @param drawn told of the new feature */
export function useSketch(scale: Ref<number>, drawn: (id: string) => void): Sketch {
  const store = usePlan();
  const catalogues = useCatalogue();
  const toolId = ref<ToolId>('hold');
  const tool = computed(() => (toolId.value === 'measure' ? MEASURE : TOOLS.find(({ id }) => id === toolId.value)!));
  const points = shallowRef<readonly Point[]>([]);
  const cross = shallowRef<Point | null>(null);
  const refusal = ref('');
  const areaForm = ref<AreaForm>('area');
  const form = computed(() => {
    const { draws } = tool.value;
    return draws === null ? null : draws.form === 'area' && draws.kind !== 'hill' ? areaForm.value : draws.form;
  });
  const measured = shallowRef<readonly [Point, Point] | null>(null);

  function giveUp(): void {
    if (points.value.length === 0) toolId.value = 'hold';
    points.value = [];
    cross.value = null;
    refusal.value = '';
  }

  function finish(): void {
    const { draws, measures } = tool.value;
    if (measures && points.value.length >= 2) {
      measured.value = [points.value[0]!, points.value[1]!];
      points.value = [];
      toolId.value = 'hold';
      return;
    }
    const made = shapeOf(tool.value, form.value, points.value);
    if (draws === null || made === null) {
      refusal.value = 'Set at least two points: click, or press Space.';
      return;
    }
    const id = shortId();
    const feature = newFeature(store.plan!, draws.kind, made, id, catalogues.catalogue!);
    refusal.value = store.edit({ code: 'features/add', features: [feature], why: `Draw ${feature.name.toLowerCase()}` });
    if (refusal.value !== '') return;
    points.value = [];
    cross.value = null;
    toolId.value = 'hold';
    drawn(id);
  }

  function addPoint(): void {
    const at = cross.value;
    const last = points.value.at(-1);
    if (at === null || (last !== undefined && last.x === at.x && last.y === at.y)) return;
    points.value = [...points.value, at];
    refusal.value = '';
    if (tool.value.measures && points.value.length === 2) finish();
  }

  return {
    tool,
    isSetting: computed(() => tool.value.draws !== null || tool.value.measures === true),
    points,
    cross,
    refusal,
    areaForm,
    form,
    measured,
    finish,
    giveUp,
    addPoint,
    pointAt: (at) => void (cross.value = at),
    typePoint(typed) {
      const parsed = parsePoint(typed, points.value.at(-1) ?? null, store.plan!.units, LIMITS.coordinateMm);
      if (!parsed.ok) return parsed.problem.message;
      cross.value = parsed.value;
      addPoint();
      return '';
    },
    refuse: (message) => void (refusal.value = message),
    forgetMeasure: () => void (measured.value = null),
    choose(id) {
      giveUp();
      toolId.value = id;
    },
    snap: (point, exceptId, isFree) => snappedOn(store.plan!, point, exceptId, isFree ? null : REACH_PX / scale.value),
    takeBack: () => void (points.value = points.value.slice(0, -1)),
  };
}
