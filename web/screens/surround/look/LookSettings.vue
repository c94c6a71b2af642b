<script setup lang="ts">
import {
  type ColourName,
  DEFAULT_LOOK,
  FONTS,
  HERE_LOOKS,
  HOVER_LOOKS,
  isOpenFont,
  type Look,
  SIDES,
  SIZES,
  WIDTHS,
} from '@viatica/core/plan/surround/look.ts'
import { directionOf } from '@viatica/core/plan/surround/siteWords.ts'
import { Button } from 'ant-design-vue'
import { computed } from 'vue'
import LabelledChoice from '../../../parts/LabelledChoice.vue'
import { useOpenSite } from '../../../stores/openSite.ts'
import { useSurrounding } from '../../../stores/surrounding.ts'

/** The few choices from which the style sheet of the site is made. */
const openSite = useOpenSite()
const surrounding = useSurrounding()
const look = computed(() => surrounding.pieces.look)

const COLOURS: readonly (readonly [ColourName, string])[] = [
  ['page', 'Page'],
  ['text', 'Text'],
  ['link', 'Links'],
  ['visited', 'Visited links'],
  ['accent', 'Accent'],
  ['headerBack', 'Header'],
  ['headerText', 'Text in the header'],
  ['menuBack', 'Menu in the header'],
  ['menuText', 'Its links'],
  ['menuVisited', 'Its visited links'],
  ['footerBack', 'Footer'],
  ['footerText', 'Text in the footer'],
]
const FONT_LABELS = {
  serif: 'serif, as in books',
  'old-style': 'old-style serif',
  sans: 'sans, of the system',
  humanist: 'humanist sans',
  mono: 'monospace',
  literata: 'Literata, a serif for reading',
  bitter: 'Bitter, a serif with weight',
  'source-sans': 'Source Sans 3',
  atkinson: 'Atkinson Hyperlegible',
  'plex-mono': 'IBM Plex Mono, monospace',
}
const HERE_LABELS = { bar: 'a bar', fill: 'filled with the accent', bold: 'bold and underlined' }
const HOVER_LABELS = { fill: 'filled', underline: 'underlined', accent: 'in the accent' }

/** A choice among a few values, as text and as it is kept. */
interface Choice {
  readonly field: Exclude<keyof Look, 'colours'>
  readonly label: string
  readonly options: readonly { readonly value: string; readonly label: string }[]
  readonly isNumber?: boolean
}

const named = <Value extends string>(values: readonly Value[], labels: Readonly<Record<Value, string>>) =>
  values.map((value) => ({ value, label: labels[value] }))
const numbers = (values: readonly number[], unit: string) =>
  values.map((value) => ({ value: String(value), label: `${value} ${unit}` }))
const fonts = named(FONTS, FONT_LABELS)

const TYPE: readonly Choice[] = [
  { field: 'textFont', label: 'Text', options: fonts },
  { field: 'headingFont', label: 'Headings', options: fonts },
  { field: 'menuFont', label: 'Menus', options: fonts },
  { field: 'size', label: 'Size of text', options: numbers(SIZES, 'px'), isNumber: true },
  { field: 'width', label: 'Width of pages', options: numbers(WIDTHS, 'rem'), isNumber: true },
]
/** The side that the sidebar is on: a site that is read from right to left is laid out the other way round. */
const sides = computed(() => {
  const isTurned = directionOf(openSite.shown.settings.language) === 'rtl'
  return named(SIDES, isTurned ? { left: 'right', right: 'left' } : { left: 'left', right: 'right' })
})
const groups = computed((): readonly { heading: string; choices: readonly Choice[] }[] => [
  { heading: 'Type', choices: TYPE },
  {
    heading: 'Menus',
    choices: [
      { field: 'here', label: 'Current-page style', options: named(HERE_LOOKS, HERE_LABELS) },
      { field: 'hover', label: 'Hover style', options: named(HOVER_LOOKS, HOVER_LABELS) },
      { field: 'side', label: 'Sidebar position', options: sides.value },
    ],
  },
])

const hasOpenFont = computed(() =>
  [look.value.textFont, look.value.headingFont, look.value.menuFont].some(isOpenFont),
)

function set(fields: Partial<Look>): void {
  openSite.notice = surrounding.setRule('look', { ...look.value, ...fields }) ?? ''
}

const setColour = (name: ColourName, event: Event) =>
  set({ colours: { ...look.value.colours, [name]: (event.target as HTMLInputElement).value } })
</script>

<template>
  <div>
    <h2>Colours</h2>
    <div class="colours">
      <label v-for="[name, label] in COLOURS" :key="name">
        <input type="color" :value="look.colours[name]" @change="setColour(name, $event)" />
        {{ label }}
      </label>
    </div>
    <template v-for="group in groups" :key="group.heading">
      <h2>{{ group.heading }}</h2>
      <LabelledChoice
        v-for="{ field, label, options, isNumber } in group.choices"
        :key="field"
        :label="label"
        :options="options"
        :model-value="String(look[field])"
        @update:model-value="(value) => set({ [field]: isNumber ? Number(value) : value })"
      />
    </template>
    <p v-if="hasOpenFont" class="quiet">
      Named fonts are open: their files go into the site, with their licence, and nothing is fetched from
      elsewhere.
    </p>
    <Button size="small" @click="set(DEFAULT_LOOK)">Reset to defaults</Button>
  </div>
</template>

<style scoped>
h2 {
  margin: 14px 0 8px;
  padding-bottom: 3px;
  border-bottom: 2px solid var(--pine);
  font-size: 16px;
}

h2:first-child {
  margin-top: 0;
}

.colours {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 5px 8px;
  font-size: 13px;
}

.colours label {
  display: flex;
  align-items: center;
  gap: 6px;
  line-height: 1.15;
}

input {
  flex: none;
  width: 30px;
  height: 24px;
  padding: 0;
  background: none;
  border: 1px solid #bdb79f;
  border-radius: 3px;
}
</style>
