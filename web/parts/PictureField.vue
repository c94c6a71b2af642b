<script setup lang="ts">
import type { SingleChange } from '@viatica/core/plan/change/change.ts'
import type { Picture } from '@viatica/core/plan/entry.ts'
import { endingOf, FILE_TYPES } from '@viatica/core/plan/file.ts'
import { Button } from 'ant-design-vue'
import { computed, ref, useId } from 'vue'
import { sitesApi } from '../api/sites.ts'
import { useOpenSite } from '../stores/openSite.ts'
import { useSiteFiles } from '../stores/siteFiles.ts'
import ChoiceField from './ChoiceField.vue'
import SavedText from './SavedText.vue'

const props = defineProps<{
  label: string
  value: Picture | null
  /** The change that sets the picture. */
  change: (picture: Picture | null) => SingleChange
  /** The endings that it can have; those of all pictures where nothing is said. */
  types?: readonly string[]
  /** Whether nobody is told what it shows. */
  isDecorative?: boolean
}>()

const openSite = useOpenSite()
const siteFiles = useSiteFiles()
const id = useId()
const fault = ref<string>()
const chooser = ref<HTMLInputElement>()
const isSending = ref(false)

const endings = computed(
  () => props.types ?? [...FILE_TYPES].flatMap(([ending, { kind }]) => (kind === 'picture' ? [ending] : [])),
)

const options = computed(() => [
  { value: '', label: 'none' },
  ...siteFiles
    .ofKind('picture')
    .filter(({ id, path }) => endings.value.includes(endingOf(path)) || id === props.value?.file)
    .map((file) => ({ value: file.id, label: file.path })),
])
const file = computed(() => (props.value ? openSite.shown.files.get(props.value.file) : undefined))

function choose(chosen: string): void {
  fault.value = openSite.make(
    props.change(chosen === '' ? null : { file: chosen, alt: props.value?.alt ?? '' }),
  )
}

const saveAlt = (alt: string) => openSite.make(props.change({ file: props.value!.file, alt }))

async function send(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const taken = input.files?.[0]
  input.value = ''
  if (!taken) return
  isSending.value = true
  const added = await siteFiles.addPicture(taken)
  isSending.value = false
  fault.value = siteFiles.faults[0]
  if (added !== undefined) choose(added)
}
</script>

<template>
  <div class="field">
    <label class="field-label" :for="id">{{ label }}</label>
    <div class="row">
      <img v-if="file" :src="sitesApi.pictureUrl(file)" alt="" class="thumb" />
      <ChoiceField :id="id" class="select" :value="value?.file ?? ''" :options="options" @change="choose" />
      <Button :loading="isSending" title="Take a picture from this computer" @click="chooser?.click()"
        >Add …</Button
      >
      <input
        ref="chooser"
        type="file"
        hidden
        :accept="endings.map((ending) => `.${ending}`).join()"
        :aria-label="`${label} from disk`"
        @change="send"
      />
    </div>
    <span v-if="fault" class="field-fault" role="alert">{{ fault }}</span>
  </div>
  <SavedText
    v-if="value && !isDecorative"
    label="Alternative text"
    :value="value.alt"
    :placeholder="file?.alt"
    :save="saveAlt"
  >
    <template #hint>{{
      file?.alt ? 'empty for what is kept with the picture' : 'leave empty if decorative'
    }}</template>
  </SavedText>
</template>

<style scoped>
.row {
  display: flex;
  align-items: center;
  gap: 6px;
}

.thumb {
  width: 40px;
  height: 30px;
  object-fit: cover;
  border: 1px solid var(--rule);
}

.select {
  flex: 1;
  min-width: 0;
}
</style>
