<script setup lang="ts">
import { type Component, computed } from 'vue'
import { useRoute } from 'vue-router'
import ViewNav from '../../parts/ViewNav.vue'
import WidthChoice from '../../parts/WidthChoice.vue'
import { useSiteFiles } from '../../stores/siteFiles.ts'
import { useSurrounding } from '../../stores/surrounding.ts'
import StopLayout from '../site/StopLayout.vue'
import CompareBoard from './compare/CompareBoard.vue'
import FileDetails from './files/FileDetails.vue'
import FilesBoard from './files/FilesBoard.vue'
import LivePages from './LivePages.vue'
import LookBoard from './look/LookBoard.vue'
import LookSettings from './look/LookSettings.vue'
import MarksBoard from './marks/MarksBoard.vue'
import MarksSettings from './marks/MarksSettings.vue'
import MenuDetails from './menus/MenuDetails.vue'
import MenusBoard from './menus/MenusBoard.vue'
import PieceDetails from './pieces/PieceDetails.vue'
import PiecesBoard from './pieces/PiecesBoard.vue'
import SourceBoard from './source/SourceBoard.vue'
import WordsBoard from './words/WordsBoard.vue'

/** One side of the surround to settle. */
interface View {
  readonly name: string
  readonly label: string
  readonly board: Component
  /** What stands at the right, where it does not depend on what is chosen. */
  readonly settings?: Component
  readonly hasPages: boolean
}

const VIEWS: readonly View[] = [
  { name: '', label: 'Pieces', board: PiecesBoard, hasPages: true },
  { name: 'menus', label: 'Menus', board: MenusBoard, hasPages: true },
  {
    name: 'current-page',
    label: 'Current page',
    board: MarksBoard,
    settings: MarksSettings,
    hasPages: false,
  },
  { name: 'design', label: 'Design', board: LookBoard, settings: LookSettings, hasPages: true },
  { name: 'labels', label: 'Labels', board: WordsBoard, hasPages: false },
  { name: 'files', label: 'Files', board: FilesBoard, hasPages: false },
  { name: 'source', label: 'Source', board: SourceBoard, hasPages: false },
  { name: 'compare', label: 'Compare', board: CompareBoard, hasPages: false },
]

/** What stands at the right while nothing is chosen. */
const NOTHING_CHOSEN: Readonly<Record<string, string>> = {
  '': 'Choose a piece to settle what it shows, or add one to a place. Every page carries the same.',
  menus: 'There is no menu yet. Add one from the plan, or of links that you pick.',
  files: 'Choose a file to rename, replace or describe it, and to see where it is used.',
}

const route = useRoute()
const siteFiles = useSiteFiles()
const surrounding = useSurrounding()
const view = computed(() => VIEWS.find(({ name }) => name === (route.params['view'] ?? '')) ?? VIEWS[0]!)
const hasDetails = computed(() => !['labels', 'source', 'compare'].includes(view.value.name))
</script>

<template>
  <StopLayout :has-details="hasDetails" details-label="Settings of what is chosen">
    <h1 class="unseen">Surround: {{ view.label }}</h1>
    <div class="bar">
      <ViewNav label="Views of the surround" stop="surround" :views="VIEWS" :shown="view.name" />
      <WidthChoice v-if="view.hasPages" v-model="surrounding.width" />
    </div>
    <component :is="view.board" />
    <LivePages v-if="view.hasPages" />
    <template #details>
      <component :is="view.settings" v-if="view.settings" />
      <FileDetails
        v-else-if="view.name === 'files' && siteFiles.chosen"
        :key="siteFiles.chosenId"
        :file="siteFiles.chosen"
      />
      <MenuDetails v-else-if="view.name === 'menus' && surrounding.menu" :key="surrounding.menu.id" />
      <PieceDetails
        v-else-if="view.name === '' && surrounding.standing"
        :id="surrounding.standing.piece.id"
        :key="surrounding.standing.piece.id"
      />
      <p v-else class="quiet">{{ NOTHING_CHOSEN[view.name] }}</p>
    </template>
  </StopLayout>
</template>

<style scoped>
.bar :deep(.views) {
  min-width: 0;
}

.bar {
  display: flex;
  flex: none;
  flex-wrap: wrap;
  gap: 2px 6px;
  align-items: center;
  justify-content: space-between;
  margin-bottom: 8px;
}
</style>
