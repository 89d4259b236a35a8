<script setup lang="ts">
const GROUPS = [
  {
    name: 'Anywhere',
    keys: [
      ['Ctrl Z', 'undo'],
      ['Ctrl Y', 'redo'],
      ['?', 'this sheet'],
      ['Tab', 'go to the next item'],
    ],
  },
  {
    name: 'Ground: tools',
    keys: [
      ['S', 'select'],
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
    name: 'Ground: selection',
    keys: [
      ['Arrows', 'move it; with Shift, ten steps'],
      ['[ and ]', 'narrower, wider'],
      ['Shift click', 'choose several'],
      ['Del', 'remove'],
      ['Esc', 'deselect'],
    ],
  },
  {
    name: 'Cuts: a part',
    keys: [
      ['Tab', 'go to the next part'],
      ['Arrows', 'move it by 1 mm; with Shift, 10 mm'],
      ['T', 'rotate it'],
      ['P', 'pin or unpin'],
    ],
  },
  {
    name: 'Ground: view',
    keys: [
      ['+ and −', 'zoom in, zoom out'],
      ['0', 'whole table'],
      ['Alt', 'hold while dragging: no snapping'],
    ],
  },
  {
    name: 'Ground: other layouts',
    keys: [
      ['Enter', 'pick up a tile, put it down'],
      ['Q', 'rotate it'],
      ['L', 'lock it'],
    ],
  },
  { name: 'Ground: 3D, walking', keys: [['Arrows', 'forward, back, turn; with Shift, faster']] },
  { name: 'Section', keys: [['Arrows', 'move the selected end of the cut']] },
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
