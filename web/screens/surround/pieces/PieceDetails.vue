<script setup lang="ts">
import { IconArrowDown, IconArrowUp, IconTrash } from '@tabler/icons-vue'
import { pieceWarnings } from '@viatica/core/pieces/warnings.ts'
import { pieceName } from '@viatica/core/plan/surround/piece.ts'
import { PLACE_NAMES, PLACES } from '@viatica/core/plan/surround/place.ts'
import { Checkbox } from 'ant-design-vue'
import { computed } from 'vue'
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
const warnings = computed(() => pieceWarnings(openSite.site!, piece.value))
const places = PLACES.map((value) => ({ value, label: PLACE_NAMES[value] }))

function moveTo(place: (typeof PLACES)[number]): void {
  if (place === standing.value.place) return
  surrounding.move({ piece: props.id, place, at: surrounding.surround.places[place].length, beside: false })
}

function stand(beside: boolean): void {
  surrounding.move({ piece: props.id, place: standing.value.place, at: standing.value.at, beside })
}
</script>

<template>
  <div>
    <header>
      <h2>{{ pieceName(piece.kind) }}</h2>
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
