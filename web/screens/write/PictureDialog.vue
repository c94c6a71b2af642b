<script setup lang="ts">
import { filePointer, readPointer } from '@viatica/core/pointer/pointer.ts'
import { Button, Checkbox, Input, InputNumber } from 'ant-design-vue'
import { computed, onBeforeUnmount, ref, shallowRef, useId, watch } from 'vue'
import { sitesApi } from '../../api/sites.ts'
import ModalDialog from '../../parts/ModalDialog.vue'
import { useSiteFiles } from '../../stores/siteFiles.ts'
import type { Insertion, Picture } from './insertion.ts'

/** Chooses a picture of the site, or adds one, with its alternative text, size and caption. */
const props = defineProps<{
  /** A picture that was dropped or pasted. */
  brought?: File | undefined
  /** The picture that gets other values; undefined for a new one. */
  edited: Picture | undefined
}>()
const emit = defineEmits<{ close: []; pick: [Insertion] }>()

const siteFiles = useSiteFiles()
const id = useId()
const pictures = computed(() => siteFiles.ofKind('picture'))
const chosenId = ref(readPointer(props.edited?.src ?? '')?.id ?? '')
const chosen = computed(() => pictures.value.find((file) => file.id === chosenId.value))
const alt = ref(props.edited?.alt ?? '')
const caption = ref(props.edited?.caption ?? '')
const isDecoration = ref(props.edited?.alt === '')
const size = ref({ width: props.edited?.width ?? 0, height: props.edited?.height ?? 0 })
/** How wide the picture is for its height, as it is in its file. */
const ratio = ref(0)
const chooser = ref<HTMLInputElement>()
/** A picture of the author's computer; it becomes a file of the site when it is inserted. */
const brought = shallowRef(props.brought)
const broughtUrl = ref('')
const isSending = ref(false)
const forgetUrl = () => broughtUrl.value && URL.revokeObjectURL(broughtUrl.value)
watch(
  brought,
  (file) => {
    forgetUrl()
    broughtUrl.value = file ? URL.createObjectURL(file) : ''
  },
  { immediate: true },
)
onBeforeUnmount(forgetUrl)
const shownUrl = computed(() =>
  brought.value ? broughtUrl.value : chosen.value ? sitesApi.pictureUrl(chosen.value) : '',
)

/** A picture from elsewhere has no file to choose, and can be edited as it is. */
const isThere = computed(
  () =>
    chosen.value !== undefined ||
    brought.value !== undefined ||
    (chosenId.value === '' && props.edited !== undefined),
)
/** A picture must say something, or say that it only decorates. */
const isReady = computed(
  () => isThere.value && (isDecoration.value || (alt.value.trim() || (chosen.value?.alt ?? '')) !== ''),
)

function choose(file: string, ofDisk?: File): void {
  if (file === chosenId.value && ofDisk === brought.value) return
  chosenId.value = file
  brought.value = ofDisk
  // What another picture shows is for its author to say; what was typed of this one stays.
  if (!props.edited) alt.value = ''
  size.value = { width: 0, height: 0 }
}

function measured(event: Event): void {
  const { naturalWidth: width, naturalHeight: height } = event.target as HTMLImageElement
  ratio.value = height > 0 ? width / height : 0
  if (size.value.width === 0) size.value = { width, height }
}

function setWidth(width: number): void {
  size.value = {
    width,
    height: ratio.value > 0 ? Math.max(1, Math.round(width / ratio.value)) : size.value.height,
  }
}

function bring(event: Event): void {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  if (file) choose('', file)
}

/** Makes a file of the site of a picture from the author's computer. @returns whether there is a picture to insert */
async function addBrought(): Promise<boolean> {
  if (!brought.value) return true
  isSending.value = true
  const added = await siteFiles.addPicture(brought.value)
  isSending.value = false
  if (added === undefined) return false
  chosenId.value = added
  brought.value = undefined
  return true
}

async function take(): Promise<void> {
  if (!isReady.value || isSending.value || !(await addBrought())) return
  const said = isDecoration.value ? '' : alt.value.trim() || (chosen.value?.alt ?? '')
  const src = chosen.value ? filePointer(chosenId.value) : props.edited!.src
  emit('pick', { picture: { src, alt: said, ...size.value, caption: caption.value.trim() } })
}
</script>

<template>
  <ModalDialog open :title="edited ? 'Edit picture' : 'A picture'" @close="emit('close')">
    <p v-if="pictures.length === 0 && !brought" class="quiet">The site has no pictures yet.</p>
    <ul v-else-if="pictures.length > 0" class="pictures" role="radiogroup" aria-label="Pictures of the site">
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
      @change="bring"
    />
    <p v-if="siteFiles.faults.length > 0" class="field-fault" role="alert">
      {{ siteFiles.faults.join(' ') }}
    </p>
    <template v-if="isThere">
      <figure v-if="shownUrl" class="shown">
        <img :src="shownUrl" alt="" @load="measured" />
        <figcaption v-if="brought" class="quiet">{{ brought.name }}</figcaption>
      </figure>
      <div class="field">
        <label class="field-label" :for="`${id}-alt`">Alternative text</label>
        <Input :id="`${id}-alt`" v-model:value="alt" :placeholder="chosen?.alt" :disabled="isDecoration" />
      </div>
      <Checkbox v-model:checked="isDecoration">Decorative image</Checkbox>
      <div class="field">
        <label class="field-label" :for="`${id}-width`">Width in pixels</label>
        <InputNumber
          :id="`${id}-width`"
          :value="size.width"
          :min="1"
          :max="10000"
          :precision="0"
          @change="(width) => setWidth(Number(width))"
        />
        <span v-if="size.height > 0" class="quiet"> × {{ size.height }}</span>
      </div>
      <div class="field">
        <label class="field-label" :for="`${id}-caption`">Caption</label>
        <Input :id="`${id}-caption`" v-model:value="caption" placeholder="none" @press-enter="take" />
      </div>
    </template>
    <template #buttons>
      <Button @click="emit('close')">Cancel</Button>
      <Button type="primary" :disabled="!isReady" :loading="isSending" @click="take">{{
        edited ? 'Apply' : 'Insert'
      }}</Button>
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

.shown {
  display: flex;
  align-items: center;
  gap: 8px;
  margin: 8px 0 0;
}

.shown img {
  max-width: 160px;
  max-height: 80px;
  object-fit: contain;
}

.field {
  margin-top: 10px;
}
</style>
