<script setup lang="ts">
import IconFile from '~icons/tabler/file'
import IconFileTypeCss from '~icons/tabler/file-type-css'
import IconFileTypeJs from '~icons/tabler/file-type-js'
import IconPhoto from '~icons/tabler/photo'
import IconPlus from '~icons/tabler/plus'
import IconTypography from '~icons/tabler/typography'
import { folderOf } from '@viatica/core/address/relative.ts'
import type { FileKind, SiteFile } from '@viatica/core/plan/file.ts'
import { Button, Progress } from 'ant-design-vue'
import { fromEvent } from 'file-selector'
import { type Component, computed, ref } from 'vue'
import { sitesApi } from '../../../api/sites.ts'
import VirtualRows from '../../../parts/VirtualRows.vue'
import { type Incoming, useSiteFiles } from '../../../stores/siteFiles.ts'
import { KIND_WORDS, kindOf, sizeWords } from './fileWords.ts'
import HeadFileLists from './HeadFileLists.vue'
import RemoveFileDialog from './RemoveFileDialog.vue'

/** The files of the site by folder; what is dropped here is taken in. */
const siteFiles = useSiteFiles()

const ICONS: Readonly<Record<FileKind, Component>> = {
  picture: IconPhoto,
  style: IconFileTypeCss,
  script: IconFileTypeJs,
  font: IconTypography,
  download: IconFile,
}

type Row = { readonly folder: string } | { readonly file: SiteFile }

const rows = computed<Row[]>(() => {
  const folders = new Map<string, SiteFile[]>()
  for (const file of siteFiles.files) {
    const folder = folderOf(file.path)
    folders.set(folder, [...(folders.get(folder) ?? []), file])
  }
  return [...folders].flatMap(([folder, files]): Row[] => [{ folder }, ...files.map((file) => ({ file }))])
})
const bytes = computed(() => siteFiles.files.reduce((sum, { size }) => sum + size, 0))

const isOver = ref(false)
const removing = ref(false)
const chooser = ref<HTMLInputElement>()

async function take(event: Event): Promise<void> {
  isOver.value = false
  const found = await fromEvent(event)
  const incoming = found.flatMap((one): Incoming[] =>
    one instanceof File ? [{ file: one, path: pathOf(one) }] : [],
  )
  if (event.target instanceof HTMLInputElement) event.target.value = ''
  await siteFiles.takeIn(incoming, '')
}

/** The path that a dropped file had inside of the folder that was dropped; its name for a single file. */
function pathOf(file: File): string {
  const { path, relativePath } = file as File & { path?: string; relativePath?: string }
  return (relativePath ?? path ?? file.name).replace(/^(\.?\/)+/, '')
}

function uses(id: string): string {
  const count = siteFiles.usesOf(id).length
  return count === 0 ? 'not used' : count === 1 ? '1 use' : `${count} uses`
}

function press(event: KeyboardEvent): void {
  if (event.key === 'Delete' && siteFiles.chosen) removing.value = true
}
</script>

<template>
  <div class="files">
    <section
      class="list"
      :class="{ over: isOver }"
      aria-label="Files of the site"
      @dragover.prevent="isOver = true"
      @dragleave="isOver = false"
      @drop.prevent="take"
    >
      <header>
        <span v-if="siteFiles.files.length > 0" class="quiet"
          >{{ siteFiles.files.length === 1 ? '1 file' : `${siteFiles.files.length} files` }},
          {{ sizeWords(bytes) }}. Drop more here, folders too.</span
        >
        <Button size="small" type="primary" @click="chooser?.click()">
          <IconPlus width="15" height="15" aria-hidden="true" /> Add files …
        </Button>
        <input
          ref="chooser"
          type="file"
          multiple
          hidden
          aria-label="Files from this computer"
          @change="take"
        />
      </header>
      <div v-if="siteFiles.sending" class="sending" role="status">
        <Progress
          :percent="Math.round((100 * siteFiles.sending.done) / siteFiles.sending.total)"
          :show-info="false"
          size="small"
          aria-label="Files taken in"
        />
        <span
          >{{ siteFiles.sending.done + 1 }} of {{ siteFiles.sending.total }}:
          {{ siteFiles.sending.name }}</span
        >
        <Button size="small" @click="siteFiles.stop">Stop</Button>
      </div>
      <ul v-if="siteFiles.faults.length > 0" class="faults" role="alert">
        <li v-for="fault in siteFiles.faults" :key="fault">{{ fault }}</li>
      </ul>
      <p v-if="siteFiles.roomWords" class="faults" role="status">{{ siteFiles.roomWords }}</p>
      <p v-if="rows.length === 0" class="empty">
        No files yet. Drop pictures, style sheets, scripts, fonts or downloads here: their paths will be right
        on every page.
      </p>
      <VirtualRows v-else class="rows" :rows="rows" :row-height="34" label="Files" @keydown="press">
        <template #default="{ row }">
          <h2 v-if="'folder' in row">{{ row.folder || 'beside the pages' }}</h2>
          <button
            v-else
            type="button"
            class="row-button file"
            :class="{ chosen: row.file.id === siteFiles.chosenId }"
            :aria-pressed="row.file.id === siteFiles.chosenId"
            @click="siteFiles.chosenId = row.file.id"
          >
            <img
              v-if="kindOf(row.file.path) === 'picture'"
              :src="sitesApi.pictureUrl(row.file)"
              alt=""
              loading="lazy"
            />
            <component :is="ICONS[kindOf(row.file.path)]" v-else width="20" height="20" aria-hidden="true" />
            <span class="name">{{ row.file.path.slice(folderOf(row.file.path).length) }}</span>
            <span class="kind">{{ KIND_WORDS[kindOf(row.file.path)] }}</span>
            <span class="size">{{ sizeWords(row.file.size) }}</span>
            <span class="uses" :class="{ none: siteFiles.usesOf(row.file.id).length === 0 }">{{
              uses(row.file.id)
            }}</span>
          </button>
        </template>
      </VirtualRows>
    </section>
    <HeadFileLists />
    <RemoveFileDialog
      v-if="removing && siteFiles.chosen"
      :file="siteFiles.chosen"
      @close="removing = false"
    />
  </div>
</template>

<style scoped>
.files {
  display: flex;
  flex: 1;
  flex-direction: column;
  gap: 12px;
  min-height: 0;
}

.list {
  display: flex;
  flex: 1 0 240px;
  flex-direction: column;
  min-height: 0;
  background: var(--card);
  border: 1px solid var(--rule);
}

.over {
  border: 2px dashed var(--pine);
}

header {
  display: flex;
  align-items: center;
  justify-content: flex-end;
  gap: 12px;
  padding: 6px 10px;
  border-bottom: 1px solid var(--rule);
}

header .quiet {
  flex: 1;
}

.sending {
  display: grid;
  grid-template-columns: 120px minmax(0, 1fr) auto;
  align-items: center;
  gap: 10px;
  padding: 6px 10px;
}

.faults {
  margin: 0;
  padding: 6px 10px 6px 26px;
  color: var(--brick);
}

.empty {
  max-width: 46em;
  margin: auto;
  padding: 24px;
  color: var(--slate);
  text-align: center;
}

.rows {
  flex: 1;
}

h2 {
  padding: 12px 10px 2px;
  font: 500 13px/1.3 var(--mono);
}

.file {
  grid-template-columns: 34px minmax(0, 1fr) 90px 76px 76px;
}

.file img {
  width: 34px;
  height: 26px;
  object-fit: contain;
}

.name {
  overflow: hidden;
  font: 13px var(--mono);
  text-overflow: ellipsis;
  white-space: nowrap;
}

.kind {
  color: var(--slate);
}

.size,
.uses {
  text-align: right;
}

.none {
  color: var(--slate);
  font-style: italic;
}

@media (max-width: 820px) {
  .sending {
    grid-template-columns: minmax(0, 1fr);
  }

  .file {
    grid-template-columns: 34px minmax(0, 1fr) 70px;
  }

  .file > :nth-child(n + 4) {
    display: none;
  }
}
</style>
