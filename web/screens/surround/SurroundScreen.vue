<script setup lang="ts">
import { type Component, computed } from 'vue'
import { useRoute } from 'vue-router'
import ViewNav from '../../parts/ViewNav.vue'
import WidthChoice from '../../parts/WidthChoice.vue'
import { useOpenSite } from '../../stores/openSite.ts'
import { useSiteFiles } from '../../stores/siteFiles.ts'
import { useSurrounding } from '../../stores/surrounding.ts'
import StopLayout from '../site/StopLayout.vue'
import CompareBoard from './compare/CompareBoard.vue'
import FileDetails from './files/FileDetails.vue'
import FilesBoard from './files/FilesBoard.vue'
import LookBoard from './look/LookBoard.vue'
import LookSettings from './look/LookSettings.vue'
import MarksBoard from './marks/MarksBoard.vue'
import MarksSettings from './marks/MarksSettings.vue'
import MenuDetails from './menus/MenuDetails.vue'
import MenusBoard from './menus/MenusBoard.vue'
import PageOnShow from './PageOnShow.vue'
import PieceDetails from './pieces/PieceDetails.vue'
import PiecesBoard from './pieces/PiecesBoard.vue'
import SourceBoard from './source/SourceBoard.vue'
import TemplatesBoard from './templates/TemplatesBoard.vue'
import WordsBoard from './words/WordsBoard.vue'

/** One side of the surround to settle. */
interface View {
  readonly name: string
  readonly label: string
  readonly board?: Component
  /** What stands at the right, where it does not depend on what is chosen. */
  readonly settings?: Component
  /** What a click on the page chooses, where the page is shown. */
  readonly chooses?: 'piece' | 'menu' | 'page'
}

const VIEWS: readonly View[] = [
  { name: '', label: 'Pieces', chooses: 'piece' },
  { name: 'menus', label: 'Menus', board: MenusBoard, chooses: 'menu' },
  { name: 'current-page', label: 'Current page', board: MarksBoard, settings: MarksSettings },
  { name: 'design', label: 'Design', board: LookBoard, settings: LookSettings, chooses: 'page' },
  { name: 'labels', label: 'Labels', board: WordsBoard },
  { name: 'files', label: 'Files', board: FilesBoard },
  { name: 'source', label: 'Source', board: SourceBoard },
  { name: 'compare', label: 'Compare', board: CompareBoard },
]

/** Where pages are in their author's own HTML, that settles the look, the marks and the labels. */
const VIEWS_OF_TEMPLATES: readonly View[] = [
  { name: '', label: 'Templates', chooses: 'page' },
  { name: 'menus', label: 'Menus', board: MenusBoard, chooses: 'page' },
  ...VIEWS.filter(({ name }) => ['files', 'source', 'compare'].includes(name)),
]

/** What stands at the right while nothing is chosen. */
const NOTHING_CHOSEN: Readonly<Record<string, string>> = {
  menus: 'There is no menu yet. Add one from the plan, or of links that you pick.',
  files: 'Choose a file to rename, replace or describe it, and to see where it is used.',
}

const route = useRoute()
const siteFiles = useSiteFiles()
const surrounding = useSurrounding()
const openSite = useOpenSite()
const isTemplated = computed(() => openSite.site?.surround.kind === 'templates')
const views = computed(() => (isTemplated.value ? VIEWS_OF_TEMPLATES : VIEWS))
const view = computed(
  () => views.value.find(({ name }) => name === (route.params['view'] ?? '')) ?? views.value[0]!,
)
const hasDetails = computed(() => !['labels', 'source', 'compare'].includes(view.value.name))
</script>

<template>
  <StopLayout
    :has-details="hasDetails"
    :details-label="view.name === '' ? view.label : 'Settings of what is chosen'"
  >
    <h1 class="unseen">Surround: {{ view.label }}</h1>
    <div class="bar">
      <ViewNav label="Views of the surround" stop="surround" :views="views" :shown="view.name" />
      <WidthChoice v-if="view.chooses" v-model="surrounding.width" />
    </div>
    <component :is="view.board" v-if="view.board" />
    <PageOnShow v-if="view.chooses" :key="view.chooses" :chooses="view.chooses" />
    <template #details>
      <component :is="view.settings" v-if="view.settings" />
      <FileDetails
        v-else-if="view.name === 'files' && siteFiles.chosen"
        :key="siteFiles.chosenId"
        :file="siteFiles.chosen"
      />
      <MenuDetails v-else-if="view.name === 'menus' && surrounding.menu" :key="surrounding.menu.id" />
      <TemplatesBoard v-else-if="view.name === '' && isTemplated" />
      <PieceDetails
        v-else-if="view.name === '' && surrounding.standing"
        :id="surrounding.standing.piece.id"
        :key="surrounding.standing.piece.id"
      />
      <PiecesBoard v-else-if="view.name === ''" />
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
