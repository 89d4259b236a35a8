import { useElementSize } from '@vueuse/core';
import type { D3ZoomEvent, ZoomBehavior } from 'd3-zoom';
import { type ComputedRef, type Ref, computed, onMounted, shallowRef } from 'vue';
import type { Point } from '@spare-acre/core/base/geometry';

/** Where the plan lies on the screen, and how to get from one to the other. */
export interface PlanView {
  readonly width: Ref<number>;
  readonly height: Ref<number>;
  /** px for a mm. */
  readonly scale: ComputedRef<number>;
  readonly toPx: ComputedRef<(point: Point) => Point>;
  /** The same in two steps, for what is dear to draw: `toPx` changes with the zoom alone, and a pan only moves the whole by `shift`. */
  readonly art: ComputedRef<{ readonly toPx: (point: Point) => Point; readonly shift: Point }>;
  readonly toMm: (event: { readonly clientX: number; readonly clientY: number }) => Point;
  readonly zoomBy: (factor: number) => void;
  readonly wholeTable: () => void;
}

/** Room left round the table for its rulers. */
const MARGIN = { left: 50, top: 32, right: 22 } as const;
/** Under it, where nothing else stands. */
export const FOOT_PX = 44;
const ZOOM_RANGE: [number, number] = [0.5, 24];

/** Zoom and pan of a drawing. @param mayPan whether pressing here moves the sheet rather than something on it @param footPx room under the table */
export function usePlanView(
  svg: Ref<SVGSVGElement | null>,
  tableMm: () => { readonly width: number; readonly depth: number },
  mayPan: (event: Event) => boolean,
  footPx: () => number,
): PlanView {
  const { width, height } = useElementSize(svg);
  const transform = shallowRef<{ readonly k: number; readonly x: number; readonly y: number }>({ k: 1, x: 0, y: 0 });
  const fit = computed(() => {
    const room = {
      width: Math.max(50, width.value - MARGIN.left - MARGIN.right),
      height: Math.max(50, height.value - MARGIN.top - footPx()),
    };
    const table = tableMm();
    const k = Math.min(room.width / table.width, room.height / table.depth);
    return { k, x: MARGIN.left + (room.width - table.width * k) / 2, y: MARGIN.top + (room.height - table.depth * k) / 2 };
  });
  const scale = computed(() => fit.value.k * transform.value.k);
  const toPx = computed(() => {
    const { k, x, y } = fit.value;
    const t = transform.value;
    return (point: Point): Point => ({ x: (point.x * k + x) * t.k + t.x, y: (point.y * k + y) * t.k + t.y });
  });

  /** Null until it is drawn, then where the art was drawn last. */
  let drawn: { readonly fit: object; readonly k: number; readonly at: Point; readonly toPx: (point: Point) => Point } | null = null;
  const art = computed(() => {
    const { k, x, y } = transform.value;
    if (drawn?.fit !== fit.value || drawn.k !== k) drawn = { fit: fit.value, k, at: { x, y }, toPx: toPx.value };
    return { toPx: drawn.toPx, shift: { x: x - drawn.at.x, y: y - drawn.at.y } };
  });

  /** Fetched once the drawing stands: it is seen before it is zoomed. */
  let change: ((how: 'whole' | number) => void) | null = null;
  onMounted(async () => {
    const [{ zoom, zoomIdentity }, { select }] = await Promise.all([import('d3-zoom'), import('d3-selection')]);
    // The view was left meanwhile.
    if (svg.value === null) return;
    const behaviour: ZoomBehavior<SVGSVGElement, unknown> = zoom<SVGSVGElement, unknown>()
      .scaleExtent(ZOOM_RANGE)
      .filter((event: Event) => event.type === 'wheel' || (!(event as MouseEvent).button && mayPan(event)))
      .on('zoom', (event: D3ZoomEvent<SVGSVGElement, unknown>) => (transform.value = event.transform));
    const sheet = select(svg.value).call(behaviour).on('dblclick.zoom', null);
    change = (how) => (how === 'whole' ? behaviour.transform(sheet, zoomIdentity) : behaviour.scaleBy(sheet, how));
  });

  return {
    width,
    height,
    scale,
    toPx,
    art,
    toMm({ clientX, clientY }) {
      const frame = svg.value!.getBoundingClientRect();
      const { k, x, y } = fit.value;
      const t = transform.value;
      return { x: ((clientX - frame.left - t.x) / t.k - x) / k, y: ((clientY - frame.top - t.y) / t.k - y) / k };
    },
    zoomBy: (factor) => change?.(factor),
    wholeTable: () => change?.('whole'),
  };
}
