<script setup lang="ts">
import type { SetSite } from '@viatica/core/plan/change/change.ts'
import type { PieceOf } from '@viatica/core/plan/surround/piece.ts'
import { Checkbox } from 'ant-design-vue'
import { computed } from 'vue'
import PictureField from '../../../../parts/PictureField.vue'
import SavedText from '../../../../parts/SavedText.vue'
import { useOpenSite } from '../../../../stores/openSite.ts'
import { useSurrounding } from '../../../../stores/surrounding.ts'

const props = defineProps<{ piece: PieceOf<'brand'> }>()

const surrounding = useSurrounding()
const set = (fields: Partial<PieceOf<'brand'>>) => surrounding.set(props.piece, fields)

const openSite = useOpenSite()
const settings = computed(() => openSite.shown.settings)
const setSite = (field: SetSite['field'], value: unknown) =>
  openSite.make({ kind: 'setSite', field, value } as SetSite)
</script>

<template>
  <Checkbox class="tick" :checked="piece.picture" @change="set({ picture: $event.target.checked })"
    >shows the picture</Checkbox
  >
  <PictureField
    v-if="piece.picture"
    label="Picture of the site"
    :value="settings.logo"
    :change="(value) => ({ kind: 'setSite', field: 'logo', value })"
  />
  <Checkbox class="tick" :checked="piece.name" @change="set({ name: $event.target.checked })"
    >shows the name</Checkbox
  >
  <SavedText label="Name of the site" :value="settings.name" :save="(text) => setSite('name', text)" />
  <Checkbox class="tick" :checked="piece.tagline" @change="set({ tagline: $event.target.checked })"
    >shows the tagline</Checkbox
  >
  <SavedText label="Tagline" :value="settings.tagline" :save="(text) => setSite('tagline', text)" />
</template>
