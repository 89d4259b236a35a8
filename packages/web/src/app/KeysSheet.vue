<script setup lang="ts">
const GROUPS = [
  {
    name: 'Anywhere',
    keys: [
      ['Ctrl Z', 'undo'],
      ['Ctrl Y', 'redo'],
      ['?', 'this sheet'],
      ['Tab', 'go to the next thing'],
    ],
  },
  {
    name: 'Ground: tools',
    keys: [
      ['V', 'take hold'],
      ['R, H', 'raise ground, a hill'],
      ['B, M', 'bank, ramp'],
      ['D, X', 'dig a pit, a crater'],
      ['P, C', 'pool, channel'],
      ['T, W', 'track, wall'],
      ['O, F', 'plot, field'],
      ['K, G', 'keep clear, small lights'],
    ],
  },
  {
    name: 'Ground: drawing',
    keys: [
      ['Arrows', 'move the cursor one grid step; with Shift, ten'],
      ['Space', 'set a point'],
      ['Enter', 'finish: two points make a rectangle'],
      ['Backspace', 'remove the last point'],
      ['digits', 'type the next point: x, y, or +x, +y from the last'],
      ['Esc', 'cancel'],
    ],
  },
  {
    name: 'Ground: what is chosen',
    keys: [
      ['Arrows', 'move it, with Shift by ten steps'],
      ['[ and ]', 'narrower, wider'],
      ['Shift click', 'choose several'],
      ['Del', 'remove'],
      ['Esc', 'deselect'],
    ],
  },
  {
    name: 'Cuts: a part',
    keys: [
      ['Tab', 'go from part to part'],
      ['Arrows', 'move it by 1 mm, with Shift by 10'],
      ['T', 'turn it'],
      ['P', 'pin or unpin'],
    ],
  },
  {
    name: 'Ground: the sheet',
    keys: [
      ['+ and −', 'nearer, farther'],
      ['0', 'whole table'],
      ['Alt', 'held while dragging: no snapping'],
    ],
  },
  {
    name: 'Ground: other tables',
    keys: [
      ['Enter', 'pick a tile up, put it down'],
      ['Q', 'turn it'],
      ['L', 'lock it'],
    ],
  },
  { name: 'Ground: in the round, walking', keys: [['Arrows', 'ahead, back, turn; with Shift stride']] },
  { name: 'Section', keys: [['Arrows', 'move the chosen end of the cut']] },
] as const;
</script>

<template>
  <section v-for="group in GROUPS" :key="group.name" class="mb-3">
    <h3 class="fs-6">{{ group.name }}</h3>
    <div v-for="[key, what] in group.keys" :key="key" class="line">
      <span>{{ what }}</span>
      <kbd>{{ key }}</kbd>
    </div>
  </section>
</template>
