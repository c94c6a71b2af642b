<script setup lang="ts">
import type { Plan } from '@viatica/core/plan/plan.ts'
import type { Structure } from '@viatica/core/structure/tree.ts'
import { Button, RadioGroup } from 'ant-design-vue'
import { computed, nextTick, ref } from 'vue'
import ModalDialog from '../../../parts/ModalDialog.vue'
import StructureDrawing from './StructureDrawing.vue'

/** Puts the structure on paper: fitted to one sheet, or in tiles to be stuck together. */
const props = defineProps<{ plan: Plan; structure: Structure; title: string }>()
const emit = defineEmits<{ close: [] }>()

/** ISO 216, in millimetres, the longer side first. */
const PAPERS = { A4: [297, 210], A3: [420, 297] } as const
const MARGIN_MM = 10
/** Room for the line that says which tile it is. */
const LINE_MM = 6
/** A CSS pixel: https://www.w3.org/TR/css-values/#absolute-lengths */
const MM_OF_PX = 25.4 / 96

const paper = ref<keyof typeof PAPERS>('A4')
const turn = ref<'landscape' | 'portrait'>('landscape')
const scale = ref<'fit' | '1' | '0.75' | '0.5'>('fit')
const isPrinting = ref(false)

const sheet = computed(() => {
  const [long, short] = PAPERS[paper.value]
  const [width, height] = turn.value === 'landscape' ? [long, short] : [short, long]
  return { width: width - 2 * MARGIN_MM, height: height - 2 * MARGIN_MM - LINE_MM }
})

interface Tile {
  readonly name: string
  readonly part: readonly [number, number, number, number]
}
const tiles = computed<Tile[]>(() => {
  const { width, height } = props.structure
  if (scale.value === 'fit') return [{ name: '', part: [0, 0, width, height] }]
  const pixel = MM_OF_PX * Number(scale.value)
  const [across, down] = [sheet.value.width / pixel, sheet.value.height / pixel]
  const [columns, rows] = [Math.ceil(width / across), Math.ceil(height / down)]
  return Array.from({ length: rows * columns }, (_, n): Tile => {
    const [row, column] = [Math.floor(n / columns), n % columns]
    return {
      name: `row ${row + 1} of ${rows}, column ${column + 1} of ${columns}`,
      part: [column * across, row * down, across, down],
    }
  })
})

async function print(): Promise<void> {
  isPrinting.value = true
  await nextTick()
  window.print()
  isPrinting.value = false
  emit('close')
}
</script>

<template>
  <ModalDialog open title="The structure on paper" @close="$emit('close')">
    <div class="field">
      <span id="paper" class="field-label">Paper</span>
      <RadioGroup v-model:value="paper" aria-labelledby="paper" :options="['A4', 'A3']" />
    </div>
    <div class="field">
      <span id="turn" class="field-label">Turned</span>
      <RadioGroup v-model:value="turn" aria-labelledby="turn" :options="['landscape', 'portrait']" />
    </div>
    <div class="field">
      <span id="scale" class="field-label">Size</span>
      <RadioGroup
        v-model:value="scale"
        aria-labelledby="scale"
        :options="[
          { value: 'fit', label: 'fitted to one sheet' },
          { value: '1', label: 'in tiles, full size' },
          { value: '0.75', label: 'in tiles, three quarters' },
          { value: '0.5', label: 'in tiles, half size' },
        ]"
      />
    </div>
    <p role="status">
      <strong>{{ tiles.length === 1 ? '1 sheet' : `${tiles.length} sheets` }}</strong>
    </p>
    <template #buttons>
      <Button @click="$emit('close')">Close</Button>
      <Button type="primary" @click="print">Print …</Button>
    </template>
  </ModalDialog>
  <Teleport v-if="isPrinting" to="body">
    <component :is="'style'"> @page { size: {{ paper }} {{ turn }}; margin: {{ MARGIN_MM }}mm; } </component>
    <div class="sheets">
      <figure v-for="tile in tiles" :key="tile.name">
        <StructureDrawing
          :plan="plan"
          :structure="structure"
          :part="tile.part"
          :title="title"
          :style="{ width: `${sheet.width}mm`, height: `${sheet.height}mm` }"
        />
        <figcaption>{{ title }}<template v-if="tile.name">, {{ tile.name }}</template></figcaption>
      </figure>
    </div>
  </Teleport>
</template>

<style>
/* Only the sheets go on paper. */
.sheets {
  display: none;
}

@media print {
  body:has(> .sheets) > :not(.sheets) {
    display: none !important;
  }

  body:has(> .sheets) {
    background: #fff;
  }

  .sheets {
    display: block;
  }

  .sheets figure {
    margin: 0;
    break-after: page;
    break-inside: avoid;
  }

  .sheets figure:last-child {
    break-after: auto;
  }

  .sheets svg {
    display: block;
  }

  .sheets figcaption {
    height: 5mm;
    font:
      3mm/5mm Barlow,
      sans-serif;
  }
}
</style>
