<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { showText } from '@spare-acre/core/base/units';
import type { Piece } from '@spare-acre/core/plan';
import { usePlan } from '../../stores/board/plan';

/** Every piece of the board, with what is to be known before it is opened. */
defineProps<{ pieces: readonly Piece[]; chosenId: string | null }>();
const emit = defineEmits<{ choose: [id: string] }>();
const store = usePlan();
/** What is cut from sheets, or of what is all of strips these. */
const countOf = ({ partCount, stripCount }: { readonly partCount: number; readonly stripCount: number }): string =>
  partCount === 0 && stripCount > 0 ? counted(stripCount, 'strip') : counted(partCount, 'part');
const counted = (count: number, what: string): string => `${count} ${count === 1 ? what : `${what}s`}`;
const entryOf = (id: string) => store.slices.pieces?.find(({ pieceId }) => pieceId === id) ?? null;
</script>

<template>
  <ul class="list">
    <li v-for="piece in pieces" :key="piece.id">
      <BButton variant="bare" :aria-pressed="piece.id === chosenId" @click="emit('choose', piece.id)">
        <b
          >{{ piece.name }}<template v-if="piece.count > 1"> × {{ piece.count }}</template></b
        >
        <span v-if="entryOf(piece.id)?.problem" class="attention">not possible with these sizes</span>
        <span v-else-if="entryOf(piece.id) !== null" class="quiet">
          {{ entryOf(piece.id)!.familyName.toLowerCase() }}, {{ countOf(entryOf(piece.id)!)
          }}<template v-if="entryOf(piece.id)!.mass !== null">, {{ showText(entryOf(piece.id)!.mass!, store.showing) }}</template>
        </span>
      </BButton>
    </li>
  </ul>
</template>

<style scoped>
.list {
  list-style: none;
  margin: 8px 0 0;
  padding: 0;
}
.list button {
  all: unset;
  display: block;
  box-sizing: border-box;
  width: 100%;
  cursor: pointer;
  padding: 7px 8px;
  border-left: 3px solid transparent;
  border-bottom: 1px solid var(--rule);
}
.list button[aria-pressed='true'] {
  background: var(--sheet);
  border-left-color: var(--clay);
}
.list button:focus-visible {
  outline: 2px solid var(--slate);
}
.list span {
  display: block;
  font-size: 0.9rem;
}
</style>
