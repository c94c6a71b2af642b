<script setup lang="ts">
import type { SingleChange } from '@viatica/core/plan/change/change.ts'
import type { Picture } from '@viatica/core/plan/entry.ts'
import { MEDIA_TYPES } from '@viatica/core/plan/file.ts'
import { soundFileName } from '@viatica/core/standard/fileName.ts'
import { Button } from 'ant-design-vue'
import { computed, ref, useId } from 'vue'
import { Refusal } from '../api/request.ts'
import { sitesApi } from '../api/sites.ts'
import { useOpenSite } from '../stores/openSite.ts'
import ChoiceField from './ChoiceField.vue'
import SavedText from './SavedText.vue'

const props = defineProps<{
  label: string
  value: Picture | null
  /** The change that sets the picture. */
  change: (picture: Picture | null) => SingleChange
}>()

const openSite = useOpenSite()
const id = useId()
const fault = ref<string>()
const isSending = ref(false)
const chooser = ref<HTMLInputElement>()

const options = computed(() => [
  { value: '', label: 'none' },
  ...[...openSite.site!.files.values()].map((file) => ({ value: file.id, label: file.path })),
])
const shown = computed(() => {
  const file = props.value && openSite.site!.files.get(props.value.file)
  return file ? sitesApi.previewUrl(openSite.id, file.path) : undefined
})

function choose(file: string): void {
  fault.value = openSite.make(props.change(file === '' ? null : { file, alt: props.value?.alt ?? '' }))
}

const saveAlt = (alt: string) => openSite.make(props.change({ file: props.value!.file, alt }))

/** A path in the folder of pictures that no file of the site has yet. */
function freePath(name: string, ending: string): string {
  const taken = new Set([...openSite.site!.files.values()].map((file) => file.path))
  let path = `pictures/${name}.${ending}`
  for (let n = 2; taken.has(path); n++) path = `pictures/${name}-${n}.${ending}`
  return path
}

async function send(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  if (!file) return
  isSending.value = true
  fault.value = undefined
  try {
    const [, base = file.name, ending = ''] = /^(.*)\.([^.]*)$/.exec(file.name.toLowerCase()) ?? []
    const { content } = await sitesApi.keepPicture(file, file.name)
    const added = { id: crypto.randomUUID(), path: freePath(soundFileName(base, '-'), ending), content }
    fault.value = openSite.make({
      kind: 'batch',
      changes: [
        { kind: 'addFile', file: added },
        props.change({ file: added.id, alt: props.value?.alt ?? '' }),
      ],
    })
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    fault.value = error.message
  } finally {
    isSending.value = false
  }
}
</script>

<template>
  <div class="field">
    <label class="field-label" :for="id">{{ label }}</label>
    <div class="row">
      <img v-if="shown" :src="shown" alt="" class="thumb" />
      <ChoiceField :id="id" class="select" :value="value?.file ?? ''" :options="options" @change="choose" />
      <Button :loading="isSending" title="Take a picture from this computer" @click="chooser?.click()"
        >Add …</Button
      >
      <input
        ref="chooser"
        type="file"
        hidden
        :accept="Object.values(MEDIA_TYPES).join()"
        :aria-label="`${label} from disk`"
        @change="send"
      />
    </div>
    <span v-if="fault" class="field-fault" role="alert">{{ fault }}</span>
  </div>
  <SavedText v-if="value" label="Alternative text" :value="value.alt" :save="saveAlt">
    <template #hint>what it says to those who do not see it; empty when it only decorates</template>
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
