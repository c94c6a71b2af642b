<script setup lang="ts">
import IconFiles from '~icons/tabler/files'
import IconFileZip from '~icons/tabler/file-zip'
import IconFolderOpen from '~icons/tabler/folder-open'
import { Button } from 'ant-design-vue'
import { fromEvent } from 'file-selector'
import { ref } from 'vue'
import type { Picked } from '../../workers/bringWorker.ts'

/** Where existing pages come in: a folder or files dropped or picked, a zip archive. */
defineProps<{
  heading: string
  level: 2 | 3
  /** Whether single files are offered, too. */
  single?: boolean
}>()
const emit = defineEmits<{ picked: [picked: Picked] }>()

const folderChooser = ref<HTMLInputElement>()
const zipChooser = ref<HTMLInputElement>()
const fileChooser = ref<HTMLInputElement>()
const isOver = ref(false)

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
</script>

<template>
  <div
    class="drop"
    :class="{ over: isOver }"
    @dragover.prevent="isOver = true"
    @dragleave="isOver = false"
    @drop.prevent="take"
  >
    <component :is="`h${level}`" id="drop-heading">{{ heading }}</component>
    <p><slot /></p>
    <p class="buttons">
      <Button v-if="single" type="primary" @click="fileChooser?.click()">
        <span class="with-icon"><IconFiles width="17" height="17" aria-hidden="true" /> Choose files …</span>
      </Button>
      <Button :type="single ? 'default' : 'primary'" @click="folderChooser?.click()">
        <span class="with-icon"
          ><IconFolderOpen width="17" height="17" aria-hidden="true" /> Choose a folder …</span
        >
      </Button>
      <Button @click="zipChooser?.click()">
        <span class="with-icon"
          ><IconFileZip width="17" height="17" aria-hidden="true" /> Choose a zip archive …</span
        >
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
    <input
      v-if="single"
      ref="fileChooser"
      type="file"
      multiple
      hidden
      aria-label="Pages and other files"
      @change="take"
    />
  </div>
</template>

<style scoped>
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

h2,
h3 {
  margin-bottom: 8px;
  font-size: 19px;
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
</style>
