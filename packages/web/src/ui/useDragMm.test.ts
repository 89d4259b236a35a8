import { beforeEach, expect, test, vi } from 'vitest';
import { useDragMm } from './useDragMm';

/** 2 px for a mm. */
const drag = useDragMm(({ clientX, clientY }) => ({ x: clientX / 2, y: clientY / 2 }));
let target: HTMLElement;
const pointer = (type: string, clientX: number, clientY: number, button = 0): PointerEvent =>
  Object.assign(new PointerEvent(type, { clientX, clientY, button, bubbles: true }));
const press = (clientX: number, clientY: number, button = 0): PointerEvent => {
  const event = pointer('pointerdown', clientX, clientY, button);
  Object.defineProperty(event, 'currentTarget', { value: target });
  return event;
};
beforeEach(() => {
  target = document.createElement('div');
  target.setPointerCapture = vi.fn();
});

test('a drag is told in mm from where it began, all of it under one name', () => {
  const moves: unknown[] = [];
  const names = new Set<string>();
  const end = vi.fn();
  drag(press(100, 100), { move: (at, from, gesture) => (moves.push([from, at]), names.add(gesture)), end });
  target.dispatchEvent(pointer('pointermove', 110, 100));
  target.dispatchEvent(pointer('pointermove', 120, 140));
  target.dispatchEvent(pointer('pointerup', 120, 140));
  expect(moves).toEqual([
    [
      { x: 50, y: 50 },
      { x: 55, y: 50 },
    ],
    [
      { x: 50, y: 50 },
      { x: 60, y: 70 },
    ],
  ]);
  expect(names.size).toBe(1);
  expect(end).toHaveBeenCalledExactlyOnceWith([...names][0], true);
  target.dispatchEvent(pointer('pointermove', 200, 200)); // after the release nobody listens
  expect(moves).toHaveLength(2);
});

test('a tremble of under 3 px is a click', () => {
  const [move, end] = [vi.fn(), vi.fn()];
  drag(press(100, 100), { move, end });
  target.dispatchEvent(pointer('pointermove', 102, 101));
  target.dispatchEvent(pointer('pointerup', 102, 101));
  expect(move).not.toHaveBeenCalled();
  expect(end.mock.calls[0]![1]).toBe(false);
});

test('another button, or a drag the system takes away, leaves nothing hanging', () => {
  const [move, end] = [vi.fn(), vi.fn()];
  drag(press(100, 100, 2), { move, end });
  target.dispatchEvent(pointer('pointermove', 150, 100));
  expect(move).not.toHaveBeenCalled();
  drag(press(100, 100), { move, end });
  target.dispatchEvent(pointer('pointercancel', 100, 100));
  expect(end).toHaveBeenCalledOnce();
});
