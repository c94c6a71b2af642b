<script setup lang="ts">
import IconArrowDown from '~icons/tabler/arrow-down'
import IconArrowUp from '~icons/tabler/arrow-up'
import IconChevronLeft from '~icons/tabler/chevron-left'
import IconTrash from '~icons/tabler/trash'
import { pieceWarnings } from '@viatica/core/pieces/warnings.ts'
import { pieceName } from '@viatica/core/plan/surround/piece.ts'
import { PLACE_NAMES, PLACES } from '@viatica/core/plan/surround/place.ts'
import { Checkbox } from 'ant-design-vue'
import { computed, nextTick, onMounted, ref } from 'vue'
import IconButton from '../../../parts/IconButton.vue'
import LabelledChoice from '../../../parts/LabelledChoice.vue'
import { useOpenSite } from '../../../stores/openSite.ts'
import { useSurrounding } from '../../../stores/surrounding.ts'
import { PIECE_FIELDS } from './fields/fields.ts'

/** The settings of one piece. These are for one piece for good: typing that is saved late must not land on the next. */
const props = defineProps<{ id: string }>()

const openSite = useOpenSite()
const surrounding = useSurrounding()

const standing = computed(() => surrounding.standing!)
const piece = computed(() => standing.value.piece)
const warnings = computed(() => pieceWarnings(openSite.shown, piece.value))
const places = PLACES.map((value) => ({ value, label: PLACE_NAMES[value] }))

const heading = ref<HTMLElement>()
// From the list or the page one goes on here; by the link of the view one has only come back.
onMounted(() => {
  if (!document.activeElement?.matches('a, button')) heading.value!.focus({ preventScroll: true })
})

/** Goes back to the list of all pieces, to where this one stands in it. */
function close(): void {
  surrounding.pieceId = ''
  void nextTick(() => surrounding.focusInList(props.id))
}

/** The keys of the list, where no field needs them. */
function press(event: KeyboardEvent): void {
  const isField =
    event.target instanceof Element && event.target.matches('input, select, textarea, [contenteditable]')
  if (event.key === 'Escape') close()
  else if (isField) return
  else if (event.altKey && event.key === 'ArrowUp') surrounding.step(props.id, 'up')
  else if (event.altKey && event.key === 'ArrowDown') surrounding.step(props.id, 'down')
  else if (event.key === 'Delete') surrounding.remove(props.id)
  else return
  event.preventDefault()
  event.stopPropagation()
}

function moveTo(place: (typeof PLACES)[number]): void {
  if (place === standing.value.place) return
  surrounding.move({ piece: props.id, place, at: surrounding.pieces.places[place].length, beside: false })
}

function stand(beside: boolean): void {
  surrounding.move({ piece: props.id, place: standing.value.place, at: standing.value.at, beside })
}
</script>

<template>
  <div @keydown="press">
    <button type="button" class="link-button back" @click="close">
      <IconChevronLeft width="16" height="16" aria-hidden="true" />All pieces
    </button>
    <header>
      <h2 ref="heading" tabindex="-1">{{ pieceName(piece.kind) }}</h2>
      <IconButton
        :icon="IconArrowUp"
        title="Up (Alt+↑)"
        label="Move the piece up"
        :disabled="!surrounding.canStep(id, 'up')"
        @click="surrounding.step(id, 'up')"
      />
      <IconButton
        :icon="IconArrowDown"
        title="Down (Alt+↓)"
        label="Move the piece down"
        :disabled="!surrounding.canStep(id, 'down')"
        @click="surrounding.step(id, 'down')"
      />
      <IconButton
        :icon="IconTrash"
        title="Remove (Delete)"
        label="Remove the piece"
        @click="surrounding.remove(id)"
      />
    </header>
    <ul v-if="warnings.length > 0" class="warnings" aria-label="Warnings">
      <li v-for="warning in warnings" :key="warning">{{ warning }}</li>
    </ul>
    <LabelledChoice
      label="Position"
      :options="places"
      :model-value="standing.place"
      @update:model-value="moveTo"
    />
    <Checkbox
      v-if="standing.at > 0"
      class="tick"
      :checked="piece.beside"
      @change="stand($event.target.checked)"
      >Same row as the piece before</Checkbox
    >

    <component :is="PIECE_FIELDS[piece.kind]" :piece="piece" />
  </div>
</template>

<style scoped>
header {
  display: flex;
  align-items: center;
  margin-bottom: 10px;
  border-bottom: 2px solid var(--pine);
}

.back {
  display: flex;
  align-items: center;
  min-height: 24px;
}

h2 {
  flex: 1;
  font-size: 17px;
}

:deep(.tick) {
  display: flex;
  margin: 0 0 10px;
}

.warnings {
  margin: 0 0 12px;
  padding: 6px 8px 6px 24px;
  color: var(--brick);
  border: 1px solid var(--brick);
  border-radius: 3px;
}
</style>
