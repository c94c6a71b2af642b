<script setup lang="ts">
import { IconFileZip, IconFolderOpen } from '@tabler/icons-vue'
import { Button } from 'ant-design-vue'
import { fromEvent } from 'file-selector'
import { ref } from 'vue'
import { useAttempt } from '../../api/attempt.ts'
import { requestBlob } from '../../api/request.ts'
import type { Picked } from '../../workers/bringWorker.ts'

/** Where a folder of pages comes in: dropped, picked, as an archive, or the one that is there to try it with. */
const emit = defineEmits<{ picked: [picked: Picked] }>()

const folderChooser = ref<HTMLInputElement>()
const zipChooser = ref<HTMLInputElement>()
const isOver = ref(false)
const isFetching = ref(false)
const { trouble, attempt } = useAttempt()

const isZip = ({ name }: File) => /\.zip$/i.test(name)

/** The path of a file from the top of what was picked or dropped. */
function pathOf(file: File): string {
  const { path, relativePath, webkitRelativePath } = file as File & { path?: string; relativePath?: string }
  return (webkitRelativePath || (relativePath ?? path ?? file.name)).replace(/^(\.?\/)+/, '')
}

async function take(event: Event): Promise<void> {
  isOver.value = false
  const found = (await fromEvent(event)).flatMap((one) => (one instanceof File ? [one] : []))
  if (event.target instanceof HTMLInputElement) event.target.value = ''
  const [first] = found
  if (!first) return
  if (found.length === 1 && isZip(first)) emit('picked', { kind: 'zip', file: first })
  else emit('picked', { kind: 'folder', files: found.map((file) => ({ path: pathOf(file), file })) })
}

/** See examplePages.ts beside the screens. */
const EXAMPLE = '/examples/pages.zip'

async function tryExample(): Promise<void> {
  isFetching.value = true
  await attempt(async () => emit('picked', { kind: 'zip', file: await requestBlob(EXAMPLE) }))
  isFetching.value = false
}
</script>

<template>
  <section class="intake" aria-labelledby="intake-heading">
    <div
      class="drop"
      :class="{ over: isOver }"
      @dragover.prevent="isOver = true"
      @dragleave="isOver = false"
      @drop.prevent="take"
    >
      <h2 id="intake-heading">Drop the folder of your site here</h2>
      <p>
        Pages in which menu, header and footer were copied by hand are fine: HTML, PHP or SSI, in any
        encoding, with all their pictures and style sheets.
      </p>
      <p class="buttons">
        <Button type="primary" @click="folderChooser?.click()">
          <span class="with-icon"><IconFolderOpen :size="17" aria-hidden="true" /> Choose a folder …</span>
        </Button>
        <Button @click="zipChooser?.click()">
          <span class="with-icon"><IconFileZip :size="17" aria-hidden="true" /> Choose a zip archive …</span>
        </Button>
      </p>
      <input
        ref="folderChooser"
        type="file"
        webkitdirectory
        multiple
        hidden
        aria-label="Folder of pages"
        @change="take"
      />
      <input
        ref="zipChooser"
        type="file"
        accept=".zip,application/zip"
        hidden
        aria-label="Zip archive of pages"
        @change="take"
      />
    </div>
    <div class="promise">
      <h2>What happens then</h2>
      <ol>
        <li>Viatica works out how the pages are made: what all share, the menus, the plan.</li>
        <li>You see where pages differ from each other, and decide what is brought into line.</li>
        <li>
          Then edit the plan and download the pages in the HTML that you wrote. Only what an edit changes is
          written anew; all other bytes stay.
        </li>
      </ol>
      <p>Nothing is stored before you have seen it, and your folder is only read.</p>
      <p v-if="trouble" class="field-fault" role="alert">{{ trouble }}</p>
      <p>
        <button type="button" class="link-button" :disabled="isFetching" @click="tryExample">
          Try it with the pages of a village allotment society
        </button>
      </p>
    </div>
  </section>
</template>

<style scoped>
.intake {
  display: grid;
  grid-template-columns: minmax(0, 3fr) minmax(0, 2fr);
  gap: 24px 40px;
  max-width: 1080px;
  margin: 24px auto;
}

h2 {
  margin-bottom: 8px;
  font-size: 19px;
}

.drop {
  display: flex;
  flex-direction: column;
  justify-content: center;
  min-height: 260px;
  padding: 24px 32px;
  background: var(--card);
  border: 2px dashed var(--slate);
}

.over {
  background: var(--here);
  border-color: var(--ochre);
}

.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}

.with-icon {
  display: flex;
  gap: 6px;
  align-items: center;
}

ol {
  display: grid;
  gap: 6px;
  margin: 0 0 12px;
  padding-left: 20px;
}

.link-button {
  min-height: 24px;
}

@media (max-width: 800px) {
  .intake {
    grid-template-columns: minmax(0, 1fr);
    margin: 8px 0;
  }
}
</style>
