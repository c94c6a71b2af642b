<script setup lang="ts">
import { FILE_TYPES, fileTypeOf, type SiteFile } from '@viatica/core/plan/file.ts'
import { Button } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { sitesApi } from '../../../api/sites.ts'
import SavedText from '../../../parts/SavedText.vue'
import { useChosen } from '../../../stores/chosen.ts'
import { useOpenSite } from '../../../stores/openSite.ts'
import { useSiteFiles } from '../../../stores/siteFiles.ts'
import { KIND_WORDS, kindOf, sizeWords, useWords } from './fileWords.ts'
import RemoveFileDialog from './RemoveFileDialog.vue'

/** One file of the site: what it is, where it stands, what it says, where it is used. */
const props = defineProps<{ file: SiteFile }>()

const openSite = useOpenSite()
const siteFiles = useSiteFiles()
const chosen = useChosen()
const removing = ref(false)
const chooser = ref<HTMLInputElement>()

const url = computed(() => sitesApi.previewUrl(openSite.id, props.file.path))
const isPicture = computed(() => kindOf(props.file.path) === 'picture')
const uses = computed(() => siteFiles.usesOf(props.file.id))
/** What may take its place: the same kind of file. */
const accept = computed(() =>
  [...FILE_TYPES]
    .flatMap(([ending, { kind }]) => (kind === kindOf(props.file.path) ? [`.${ending}`] : []))
    .join(),
)
const measure = ref('')

function measured(event: Event): void {
  const { naturalWidth, naturalHeight } = event.target as HTMLImageElement
  measure.value = `${naturalWidth} × ${naturalHeight} px, `
}

async function replace(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const taken = input.files?.[0]
  input.value = ''
  if (taken) await siteFiles.replace(props.file, taken)
}
</script>

<template>
  <div>
    <h2>{{ file.path.replace(/^.*\//, '') }}</h2>
    <!-- As a picture, never as a document: an SVG cannot run anything there. -->
    <img v-if="isPicture" :src="sitesApi.pictureUrl(file)" :alt="file.alt" class="picture" @load="measured" />
    <p class="facts">
      {{ KIND_WORDS[kindOf(file.path)] }}, {{ measure }}{{ sizeWords(file.size) }},
      {{ fileTypeOf(file.path)?.media }}
    </p>
    <SavedText
      label="Path"
      code
      :is-work="siteFiles.movesSheets(file)"
      :value="file.path"
      :save="(path) => siteFiles.rename(file, path)"
    >
      <template #hint>Use <code>/</code> between folders; all links follow</template>
    </SavedText>
    <SavedText
      v-if="isPicture"
      label="Default alternative text"
      :rows="2"
      :value="file.alt"
      :save="(alt) => siteFiles.describe(file, alt)"
    />
    <div class="buttons">
      <Button @click="chooser?.click()">Replace …</Button>
      <Button danger @click="removing = true">Remove …</Button>
      <a :href="url" target="_blank" rel="noopener">Open full size</a>
      <input
        ref="chooser"
        type="file"
        hidden
        :accept="accept"
        aria-label="The file to take its place"
        @change="replace"
      />
    </div>
    <h3>Used in</h3>
    <p v-if="uses.length === 0" class="quiet">Nothing of the site uses it.</p>
    <ul v-else>
      <li v-for="(use, at) in uses" :key="at">
        <button v-if="use.entry" type="button" class="link-button" @click="chosen.choose(use.entry)">
          {{ useWords(use) }}
        </button>
        <template v-else>{{ useWords(use) }}</template>
      </li>
    </ul>
    <RemoveFileDialog v-if="removing" :file="file" @close="removing = false" />
  </div>
</template>

<style scoped>
h2 {
  margin-bottom: 8px;
  border-bottom: 2px solid var(--pine);
  font-size: 17px;
  overflow-wrap: anywhere;
}

.picture {
  display: block;
  width: 100%;
  max-height: 170px;
  background: repeating-conic-gradient(#f0ece0 0 25%, #fff 0 50%) 0 0 / 16px 16px;
  border: 1px solid var(--rule);
  object-fit: contain;
}

.facts {
  margin: 6px 0 12px;
  color: var(--slate);
  font-size: 13px;
}

.buttons {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
  margin-bottom: 14px;
}

h3 {
  margin-bottom: 4px;
  font-size: 15px;
}

ul {
  margin: 0;
  padding-left: 18px;
}

li button {
  vertical-align: top;
}
</style>
