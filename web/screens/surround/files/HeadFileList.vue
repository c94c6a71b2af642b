<script setup lang="ts">
import type { HeadFile } from '@viatica/core/plan/surround/rules.ts'
import { likelyTarget } from '@viatica/core/standard/target.ts'
import { computed, ref, useId } from 'vue'
import ChoiceField from '../../../parts/ChoiceField.vue'
import OrderButtons from '../../../parts/OrderButtons.vue'
import SavedText from '../../../parts/SavedText.vue'
import { useOpenSite } from '../../../stores/openSite.ts'
import { useSiteFiles } from '../../../stores/siteFiles.ts'

/** The author's own style sheets, or scripts, in the order in which pages name them. */
const props = defineProps<{
  label: string
  kind: 'style' | 'script'
  files: readonly HeadFile[]
  save: (files: HeadFile[]) => string | undefined
}>()

const ELSEWHERE = ':elsewhere'

const openSite = useOpenSite()
const siteFiles = useSiteFiles()
const id = useId()
const wantsAddress = ref(false)

const nameOf = (one: HeadFile) =>
  one.from === 'elsewhere' ? one.url : (openSite.shown.files.get(one.file)?.path ?? 'a file that is gone')
const options = computed(() => {
  const named = new Set(props.files.map((one) => (one.from === 'site' ? one.file : '')))
  const free = siteFiles.ofKind(props.kind).filter((file) => !named.has(file.id))
  return [
    { value: '', label: 'Add …' },
    ...free.map((file) => ({ value: file.id, label: file.path })),
    { value: ELSEWHERE, label: 'External URL' },
  ]
})

function tell(files: HeadFile[]): void {
  openSite.notice = props.save(files) ?? ''
}

function add(value: string): void {
  wantsAddress.value = value === ELSEWHERE
  if (value !== '' && value !== ELSEWHERE) tell([...props.files, { from: 'site', file: value }])
}

function addAddress(url: string): string | undefined {
  const isNamed = props.files.some((one) => one.from === 'elsewhere' && one.url === url)
  const refused = isNamed ? undefined : props.save([...props.files, { from: 'elsewhere', url }])
  if (refused === undefined) wantsAddress.value = false
  return refused
}
</script>

<template>
  <section :aria-label="label">
    <h2>{{ label }}</h2>
    <slot />
    <ol v-if="files.length > 0">
      <li v-for="(one, at) in files" :key="nameOf(one)">
        <code :title="nameOf(one)">{{ nameOf(one) }}</code>
        <span v-if="one.from === 'elsewhere'" class="leaves">leaves the site</span>
        <OrderButtons :name="nameOf(one)" :items="files" :at="at" @change="tell" />
      </li>
    </ol>
    <label class="unseen" :for="id">Add to {{ label.toLowerCase() }}</label>
    <ChoiceField
      :id="id"
      class="add"
      :value="wantsAddress ? ELSEWHERE : ''"
      :options="options"
      @change="add"
    />
    <SavedText
      v-if="wantsAddress"
      label="Its address"
      code
      value=""
      placeholder="https://www.example.org/site.css"
      :sound="likelyTarget"
      :save="addAddress"
    >
      <template #hint>visitors fetch it from there; it is loaded in full views, not in small ones</template>
    </SavedText>
  </section>
</template>

<style scoped>
h2 {
  margin-bottom: 5px;
  border-bottom: 2px solid var(--pine);
  font-size: 15.5px;
}

ol {
  margin: 4px 0;
  padding-left: 22px;
}

li code {
  flex: 1;
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

li {
  line-height: 24px;
}

li > * {
  display: inline-block;
  vertical-align: middle;
}

li code {
  max-width: calc(100% - 80px);
}

li:has(.leaves) code {
  max-width: calc(100% - 180px);
}

.leaves {
  margin: 0 6px;
  padding: 0 5px;
  border: 1px solid var(--rule);
  border-radius: 3px;
  font-size: 12px;
  line-height: 18px;
}

.add {
  margin: 4px 0 8px;
}
</style>
