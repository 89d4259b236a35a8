import type { Point } from '@spare-acre/core/base/geometry';
import { shortId } from '../stores/device/name';

/** One drag: where it began, its own name for undo, and what to do on the way. */
export interface Drag {
  readonly move: (at: Point, from: Point, gesture: string, event: PointerEvent) => void;
  readonly end?: (gesture: string, hasMoved: boolean) => void;
}

/** Under this many px a press is a click. */
const SLOP_PX = 3;

/** Follows the pointer from a press to its release, in mm of the plan. */
export function useDragMm(toMm: (event: PointerEvent) => Point): (event: PointerEvent, drag: Drag) => void {
  return (event, drag) => {
    if (event.button !== 0) return;
    event.stopPropagation();
    const target = event.currentTarget as Element;
    const from = toMm(event);
    const gesture = shortId();
    let hasMoved = false;
    target.setPointerCapture(event.pointerId);
    const onMove = (raw: Event): void => {
      const moved = raw as PointerEvent;
      hasMoved ||= Math.hypot(moved.clientX - event.clientX, moved.clientY - event.clientY) > SLOP_PX;
      if (hasMoved) drag.move(toMm(moved), from, gesture, moved);
    };
    const onEnd = (): void => {
      for (const [name, listener] of listeners) target.removeEventListener(name, listener);
      drag.end?.(gesture, hasMoved);
    };
    const listeners = [
      ['pointermove', onMove],
      ['pointerup', onEnd],
      ['pointercancel', onEnd],
    ] as const;
    for (const [name, listener] of listeners) target.addEventListener(name, listener);
  };
}
