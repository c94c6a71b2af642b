<script setup lang="ts">
import { MENU_SHAPES } from '@viatica/core/plan/surround/menuShape.ts'
import type { PieceOf } from '@viatica/core/plan/surround/piece.ts'
import { Checkbox } from 'ant-design-vue'
import { computed } from 'vue'
import LabelledChoice from '../../../../parts/LabelledChoice.vue'
import { useSurrounding } from '../../../../stores/surrounding.ts'
import { SHAPE_WORDS } from '../shapeWords.ts'

const props = defineProps<{ piece: PieceOf<'menu'> }>()

const surrounding = useSurrounding()
const set = (fields: Partial<PieceOf<'menu'>>) => surrounding.set(props.piece, fields)

const menus = computed(() => surrounding.surround.menus.map(({ id, name }) => ({ value: id, label: name })))
const shapes = MENU_SHAPES.map((value) => ({ value, label: SHAPE_WORDS[value] }))
</script>

<template>
  <LabelledChoice
    label="Menu"
    :options="menus"
    :model-value="piece.menu"
    @update:model-value="(menu) => set({ menu })"
  />
  <LabelledChoice
    label="Layout"
    :options="shapes"
    :model-value="piece.shape"
    @update:model-value="(shape) => set({ shape })"
  />
  <Checkbox class="tick" :checked="piece.folds" @change="set({ folds: $event.target.checked })"
    >Collapses to a menu button on small screens</Checkbox
  >
</template>
