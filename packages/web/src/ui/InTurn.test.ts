import { mount } from '@vue/test-utils';
import { h, nextTick, ref } from 'vue';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { InTurn, takeTurns, useListInTurns } from './InTurn';

const panels = (names: readonly string[]) => names.map((name) => h(InTurn, null, () => h('p', name)));
const frame = (names: () => readonly string[]) => ({
  setup() {
    takeTurns();
    return () => h('main', panels(names()));
  },
});

describe('panels in turn', () => {
  beforeEach(() => void vi.useFakeTimers());
  // The queue is left empty: it is one for the page.
  afterEach(async () => {
    await vi.runAllTimersAsync();
    vi.useRealTimers();
  });

  it('are mounted one in each task, in their order', async () => {
    const page = mount(frame(() => ['a', 'b', 'c']));
    const seen = [page.text()];
    for (let task = 0; task < 4; task++) {
      vi.advanceTimersToNextTimer();
      await nextTick();
      seen.push(page.text());
    }
    expect(seen).toEqual(['', 'a', 'ab', 'abc', 'abc']);
  });

  it('are mounted at once where nobody takes turns', () => {
    expect(mount({ render: () => panels(['a', 'b']) }).text()).toBe('ab');
  });

  it('that are gone before their turn hold up nobody', async () => {
    const names = ref(['a', 'b', 'c']);
    const page = mount(frame(() => names.value));
    names.value = ['a'];
    await nextTick();
    vi.advanceTimersToNextTimer();
    await nextTick();
    expect(page.text()).toBe('a');
    names.value = ['a', 'd'];
    await nextTick();
    vi.advanceTimersToNextTimer();
    await nextTick();
    expect(page.text()).toBe('ad');
  });
});

describe('a list in turns', () => {
  beforeEach(() => void vi.useFakeTimers());
  // The queue is left empty: it is one for the page.
  afterEach(async () => {
    await vi.runAllTimersAsync();
    vi.useRealTimers();
  });

  const list = ref<number[]>([]);
  const Rows = {
    setup() {
      const rows = useListInTurns(() => list.value, 3);
      return () => rows.value.join(' ');
    },
  };
  const Frame = {
    setup() {
      takeTurns();
      return () => h(Rows);
    },
  };

  it('grows by so many in each task, and goes on when more is added', async () => {
    list.value = [1, 2, 3, 4, 5, 6, 7];
    const page = mount(Frame);
    expect(page.text()).toBe('1 2 3');
    vi.advanceTimersToNextTimer();
    await nextTick();
    expect(page.text()).toBe('1 2 3 4 5 6');
    await vi.runAllTimersAsync();
    expect(page.text()).toBe('1 2 3 4 5 6 7');
    list.value = [...list.value, 8, 9, 10, 11, 12];
    await vi.runAllTimersAsync();
    expect(page.text()).toBe('1 2 3 4 5 6 7 8 9 10 11 12');
  });

  it('shows less at once when the list shrinks', async () => {
    list.value = [1, 2, 3, 4, 5];
    const page = mount(Frame);
    await vi.runAllTimersAsync();
    list.value = [1];
    await nextTick();
    expect(page.text()).toBe('1');
  });
});
