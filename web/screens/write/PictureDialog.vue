<script setup lang="ts">
import { filePointer } from '@viatica/core/pointer/pointer.ts'
import { escapeAttribute, escapeText } from '@viatica/core/standard/escape.ts'
import { Button, Checkbox, Input } from 'ant-design-vue'
import { computed, ref, useId } from 'vue'
import { sitesApi } from '../../api/sites.ts'
import ModalDialog from '../../parts/ModalDialog.vue'
import { useSiteFiles } from '../../stores/siteFiles.ts'
import type { Insertion } from './insertion.ts'

/** Chooses a picture of the site, or takes one in, with what it says and what stands under it. */
const emit = defineEmits<{ close: []; pick: [Insertion] }>()

const siteFiles = useSiteFiles()
const id = useId()
const chosenId = ref('')
const alt = ref('')
const caption = ref('')
const isDecoration = ref(false)
const size = ref({ width: 0, height: 0 })
const chooser = ref<HTMLInputElement>()

const pictures = computed(() => siteFiles.ofKind('picture'))
const chosen = computed(() => pictures.value.find((file) => file.id === chosenId.value))
/** A picture must say something, or say that it only decorates. */
const isReady = computed(
  () => chosen.value && (isDecoration.value || (alt.value.trim() || chosen.value.alt) !== ''),
)

function choose(file: string): void {
  chosenId.value = file
  alt.value = ''
  size.value = { width: 0, height: 0 }
}

function measured(event: Event): void {
  const { naturalWidth: width, naturalHeight: height } = event.target as HTMLImageElement
  size.value = { width, height }
}

async function takeIn(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const taken = input.files?.[0]
  input.value = ''
  if (!taken) return
  const [added] = await siteFiles.takeIn([{ file: taken, path: taken.name }], '')
  if (added) choose(added)
}

function take(): void {
  if (!isReady.value) return
  const said = isDecoration.value ? '' : alt.value.trim() || chosen.value!.alt
  const { width, height } = size.value
  const measure = width > 0 ? ` width="${width}" height="${height}"` : ''
  const img = `<img src="${filePointer(chosenId.value)}" alt="${escapeAttribute(said)}"${measure}>`
  const under = caption.value.trim()
  const html = under ? `<figure>${img}<figcaption>${escapeText(under)}</figcaption></figure>` : img
  emit('pick', { html })
}
</script>

<template>
  <ModalDialog open title="A picture" @close="emit('close')">
    <p v-if="pictures.length === 0" class="quiet">The site has no pictures yet.</p>
    <ul v-else class="pictures" role="radiogroup" aria-label="Pictures of the site">
      <li v-for="file in pictures" :key="file.id" role="none">
        <button
          type="button"
          role="radio"
          :aria-checked="file.id === chosenId"
          :aria-label="file.path"
          :title="file.path"
          @click="choose(file.id)"
        >
          <img :src="sitesApi.pictureUrl(file)" alt="" loading="lazy" />
        </button>
      </li>
    </ul>
    <Button size="small" @click="chooser?.click()">Upload …</Button>
    <input
      ref="chooser"
      type="file"
      hidden
      accept="image/*"
      aria-label="A picture from this computer"
      @change="takeIn"
    />
    <p v-if="siteFiles.faults.length > 0" class="field-fault" role="alert">
      {{ siteFiles.faults.join(' ') }}
    </p>
    <template v-if="chosen">
      <img :src="sitesApi.pictureUrl(chosen)" alt="" class="measure" @load="measured" />
      <div class="field">
        <label class="field-label" :for="`${id}-alt`">Alternative text</label>
        <Input :id="`${id}-alt`" v-model:value="alt" :placeholder="chosen.alt" :disabled="isDecoration" />
      </div>
      <Checkbox v-model:checked="isDecoration">Decorative image</Checkbox>
      <div class="field">
        <label class="field-label" :for="`${id}-caption`">Caption</label>
        <Input :id="`${id}-caption`" v-model:value="caption" placeholder="none" @press-enter="take" />
      </div>
    </template>
    <template #buttons>
      <Button @click="emit('close')">Cancel</Button>
      <Button type="primary" :disabled="!isReady" @click="take">Insert</Button>
    </template>
  </ModalDialog>
</template>

<style scoped>
.pictures {
  display: grid;
  grid-template-columns: repeat(4, 1fr);
  gap: 6px;
  max-height: 220px;
  margin: 0 0 8px;
  padding: 2px;
  overflow-y: auto;
  list-style: none;
}

.pictures button {
  display: block;
  width: 100%;
  height: 64px;
  padding: 2px;
  background: #fff;
  border: 2px solid var(--rule);
  border-radius: 3px;
  cursor: pointer;
}

.pictures button[aria-checked='true'] {
  border-color: var(--ochre);
}

.pictures img {
  width: 100%;
  height: 100%;
  object-fit: contain;
}

.measure {
  position: absolute;
  width: 1px;
  height: 1px;
  opacity: 0;
}

.field {
  margin-top: 10px;
}
</style>
