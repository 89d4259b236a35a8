import { describe, expect, test } from 'vitest';
import { outlineWords, ringIn } from './own-outline';

describe('an own outline', () => {
  test.each([
    ['0,0 10', '“10”'],
    ['0,0 10,0', '2 corners'],
    ['0,0 10,10 10,0 0,10', 'crosses itself'],
    ['0,0 4,0 4,4', '8.0 mm²'],
    ['0,0 9000,0 0,90', '5 m'],
  ])('%s is refused: %s', (typed, says) => {
    expect(ringIn(typed)).toMatchObject({ ok: false, problem: { field: 'outline', says: expect.stringContaining(says) as string } });
  });

  test('taken from a drawing, whose y runs down, it stands upright from its own corner', () => {
    const drawn = [
      { x: 100, y: 50 },
      { x: 160, y: 50 },
      { x: 160, y: 90 },
    ];
    expect(outlineWords(drawn)).toBe('0,40 60,40 60,0');
    expect(ringIn(outlineWords(drawn)).ok).toBe(true);
  });

  test('either way round is the same piece', () => {
    expect(ringIn('0,0 0,40 60,40')).toEqual(ringIn('60,40 0,40 0,0'));
  });
});
