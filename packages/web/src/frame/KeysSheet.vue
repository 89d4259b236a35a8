<script setup lang="ts">
const GROUPS = [
  {
    name: 'Anywhere',
    keys: [
      ['Ctrl Z', 'undo'],
      ['Ctrl Y', 'do again'],
      ['?', 'this sheet'],
      ['Tab', 'go to the next thing'],
    ],
  },
  {
    name: 'Ground: tools',
    keys: [
      ['V', 'take hold'],
      ['R', 'raise ground'],
      ['D', 'dig a pit'],
      ['P', 'pool'],
      ['C', 'channel'],
      ['T', 'track'],
    ],
  },
  {
    name: 'Ground: drawing',
    keys: [
      ['Arrows', 'move the cross by a grid step, with Shift by ten'],
      ['Space', 'set a point'],
      ['Enter', 'finish: two points make a rectangle'],
      ['Backspace', 'take back a point'],
      ['Esc', 'give up'],
    ],
  },
  {
    name: 'Ground: a chosen feature',
    keys: [
      ['Arrows', 'move it, with Shift by ten steps'],
      ['[ and ]', 'narrower, wider'],
      ['Del', 'remove'],
      ['Esc', 'let go'],
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
