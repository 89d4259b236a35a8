<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next/components/BButton';
import { computed, ref, watch } from 'vue';
import { FAMILY_NAMES, type FamilyName, familyNamed, newPiece, takenOver } from '@spare-acre/core/build/pieces';
import { viewsOf } from '@spare-acre/core/advice/checks/warning';
import type { Piece } from '@spare-acre/core/plan';
import TabbedSheets from '../../ui/TabbedSheets.vue';
import ViewWarnings from '../../ui/ViewWarnings.vue';
import { useCatalogue } from '../../stores/workshop/catalogue';
import { shortId } from '../../stores/device/name';
import { usePlan } from '../../stores/board/plan';
import { useLook } from '../../stores/board/useLook';
import PieceBench from './PieceBench.vue';
import PieceFactList from './PieceFactList.vue';
import PieceFromBoard from './PieceFromBoard.vue';
import PieceGallery from './PieceGallery.vue';
import PiecePanel from './PiecePanel.vue';
import { chosenPieceId, scaleOf } from './pieceChoice';

const store = usePlan();
const catalogues = useCatalogue();
const pieces = computed(() => store.plan!.pieces);
const piece = computed(() => pieces.value.find(({ id }) => id === chosenPieceId.value) ?? pieces.value[0] ?? null);
useLook(
  () => ['pieces', 'bench'],
  () => (piece.value === null ? [] : [piece.value.id]),
);
const onBench = computed(() => store.slices.bench?.find(({ pieceId }) => pieceId === piece.value?.id) ?? null);
/** What else is wrong with pieces comes after all that is told of the chosen one. */
const hasOthers = computed(() =>
  store.warnings.some(({ code, pieceId }) => viewsOf(code).includes('pieces') && pieceId !== piece.value?.id),
);
const isTaking = ref(false);
watch(piece, () => (isTaking.value = false));
const NOTES = [
  { id: 'sizes', name: 'Sizes' },
  { id: 'facts', name: 'Details' },
] as const;
const note = ref<(typeof NOTES)[number]['id']>('sizes');

const taken = (): readonly string[] => pieces.value.map(({ name }) => name);
function take(family: FamilyName): void {
  const catalogue = catalogues.catalogue!;
  add(newPiece(family, shortId(), scaleOf(store.plan!, catalogue), taken(), catalogue));
}
const takeOver = (piece: Piece, isMadeHere: boolean): void => add(takenOver(piece, { id: shortId(), taken: taken(), isMadeHere }));
function add(made: Piece): void {
  if (store.edit({ code: 'pieces/add', pieces: [made], why: `Add ${made.name}` }) === '') chosenPieceId.value = made.id;
  isTaking.value = false;
  isFromBoard.value = false;
}
/** The other boards are asked for only when somebody wants them. */
const isFromBoard = ref(false);
</script>

<template>
  <div class="bench pieces">
    <nav class="gallery" aria-label="Pieces">
      <div class="d-flex align-items-baseline gap-2">
        <h2>Pieces</h2>
        <BButton variant="key" class="ms-auto" :aria-expanded="isTaking" @click="isTaking = !isTaking">{{
          isTaking ? 'Back' : 'Add piece'
        }}</BButton>
      </div>
      <BButton
        v-if="isTaking || pieces.length === 0"
        variant="key"
        class="mt-2"
        :aria-pressed="isFromBoard"
        @click="isFromBoard = !isFromBoard"
        >{{ isFromBoard ? 'New piece' : 'From another board' }}</BButton
      >
      <PieceFromBoard v-if="(isTaking || pieces.length === 0) && isFromBoard" @take="takeOver" />
      <ul v-else-if="isTaking || pieces.length === 0" class="families" aria-label="Kinds of piece">
        <li v-for="family in FAMILY_NAMES" :key="family">
          <BButton variant="bare" @click="take(family)">
            <b>{{ familyNamed(family).name }}</b>
            <span class="quiet">{{ familyNamed(family).says }}</span>
          </BButton>
        </li>
      </ul>
      <PieceGallery v-else :pieces="pieces" :chosen-id="piece?.id ?? null" @choose="(id) => (chosenPieceId = id)" />
    </nav>
    <div class="drawing rows">
      <PieceBench v-if="piece !== null" :key="piece.id" :piece="piece" :made="onBench" />
      <p v-else class="quiet p-4">No pieces yet. Add one from the list. Its parts, materials and sessions are calculated.</p>
    </div>
    <aside class="notes" aria-label="Notes">
      <template v-if="piece !== null">
        <h2>{{ piece.name }}</h2>
        <TabbedSheets v-model="note" label="Notes" :tabs="NOTES">
          <ViewWarnings view="pieces" :piece-id="piece.id" />
          <PiecePanel v-if="note === 'sizes'" :key="piece.id" :piece="piece" @gone="chosenPieceId = null" />
          <PieceFactList v-else-if="onBench !== null" :made="onBench" />
          <section v-if="hasOthers">
            <h3>Other pieces</h3>
            <ViewWarnings view="pieces" :not-piece-id="piece.id" />
          </section>
        </TabbedSheets>
      </template>
    </aside>
  </div>
</template>

<style scoped>
.pieces {
  grid-template-columns: 218px minmax(0, 1fr) 310px;
}
.gallery {
  border-right: 1px solid var(--rule);
  padding: 12px 12px 12px 18px;
  overflow-y: auto;
  min-height: 0;
}
.families {
  list-style: none;
  margin: 8px 0 0;
  padding: 0;
}
.families button {
  all: unset;
  display: block;
  cursor: pointer;
  padding: 7px 6px;
  border-bottom: 1px solid var(--rule);
  width: 100%;
  box-sizing: border-box;
}
.families button:hover {
  background: var(--sheet);
}
.families button:focus-visible {
  outline: 2px solid var(--slate);
}
.families span {
  display: block;
  font-size: 0.9rem;
}
.rows {
  display: flex;
  flex-direction: column;
  padding: 12px 18px;
  gap: 8px;
  min-height: 0;
}
@media (max-width: 900px) {
  .pieces {
    grid-template-columns: minmax(0, 1fr);
  }
  .gallery {
    border-right: 0;
  }
}
.gallery h2 {
  font-size: 1.1rem;
}
</style>
