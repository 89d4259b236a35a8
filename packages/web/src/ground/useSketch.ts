import { type Ref, type ShallowRef, computed, ref, shallowRef } from 'vue';
import type { Point } from '@spare-acre/core/geometry';
import { type Shape, freshStrip, newFeature, rectangle, snapLines, snapped } from '@spare-acre/core/plan';
import { shortId } from '../drafts/name';
import { usePlan } from '../stores/plan';
import { type Tool, TOOLS, type ToolId } from './tools';

/** A feature being drawn, by mouse or by keys. */
export interface Sketch {
  readonly tool: Ref<Tool>;
  readonly points: ShallowRef<readonly Point[]>;
  /** Where the next point would go. */
  readonly cross: ShallowRef<Point | null>;
  readonly refusal: Ref<string>;
  readonly choose: (id: ToolId) => void;
  readonly snap: (point: Point, exceptId: string | null, isFree: boolean) => Point;
  readonly pointAt: (at: Point) => void;
  /** Shows why something could not be done; an empty message clears it. */
  readonly refuse: (message: string) => void;
  readonly addPoint: () => void;
  readonly takeBack: () => void;
  readonly giveUp: () => void;
  readonly finish: () => void;
}

/** Grid that points come to rest on, and how near (px) a line must be to hold one. */
export const GRID_MM = 5;
const REACH_PX = 7;

/** @param scale px for a mm; @param drawn told of the new feature */
export function useSketch(scale: Ref<number>, drawn: (id: string) => void): Sketch {
  const store = usePlan();
  const toolId = ref<ToolId>('hold');
  const tool = computed(() => TOOLS.find(({ id }) => id === toolId.value)!);
  const points = shallowRef<readonly Point[]>([]);
  const cross = shallowRef<Point | null>(null);
  const refusal = ref('');

  function giveUp(): void {
    if (points.value.length === 0) toolId.value = 'hold';
    points.value = [];
    cross.value = null;
    refusal.value = '';
  }

  function shape(): Shape | null {
    const { draws } = tool.value;
    const own = points.value;
    if (draws === null || own.length < 2) return null;
    if (draws.form === 'strip') return { form: 'strip', points: own, ...freshStrip(draws.kind) };
    return own.length === 2 ? rectangle(own[0]!, own[1]!) : { form: 'outline', points: own };
  }

  function finish(): void {
    const { draws } = tool.value;
    const made = shape();
    if (draws === null || made === null) {
      refusal.value = 'Two points at least: Space or a click sets one.';
      return;
    }
    const id = shortId();
    const feature = newFeature(store.plan!, draws.kind, made, id);
    refusal.value = store.edit(`Draw ${feature.name.toLowerCase()}`, (plan) => void plan.features.push(feature as never));
    if (refusal.value !== '') return;
    points.value = [];
    cross.value = null;
    toolId.value = 'hold';
    drawn(id);
  }

  return {
    tool,
    points,
    cross,
    refusal,
    finish,
    giveUp,
    pointAt(at) {
      cross.value = at;
    },
    refuse(message) {
      refusal.value = message;
    },
    choose(id) {
      giveUp();
      toolId.value = id;
    },
    snap: (point, exceptId, isFree) =>
      isFree
        ? snapped(point, { x: [], y: [] }, 0, 0).point
        : snapped(point, snapLines(store.plan!, exceptId), REACH_PX / scale.value, GRID_MM).point,
    addPoint() {
      const at = cross.value;
      const last = points.value.at(-1);
      if (at === null || (last !== undefined && last.x === at.x && last.y === at.y)) return;
      points.value = [...points.value, at];
      refusal.value = '';
    },
    takeBack() {
      points.value = points.value.slice(0, -1);
    },
  };
}
