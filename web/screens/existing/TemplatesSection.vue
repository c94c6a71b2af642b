<script setup lang="ts">
import type { Correction } from '@viatica/core/existing/corrections.ts'
import type { DrawnPage as Drawn, PointedElement } from '@viatica/core/existing/drawn.ts'
import type { Overview } from '@viatica/core/existing/overview.ts'
import { itemAt } from '@viatica/core/standard/present.ts'
import { Button, Spin } from 'ant-design-vue'
import { computed, ref, shallowRef, watch } from 'vue'
import ChoiceField from '../../parts/ChoiceField.vue'
import VirtualRows from '../../parts/VirtualRows.vue'
import DrawnPage from './DrawnPage.vue'
import type { ExistingPages } from './existingPages.ts'
import { counted } from '../../parts/pages/steps.ts'

/** Which pages are made alike, each template drawn as one of its pages; what was guessed wrongly is corrected by pointing. */
const props = defineProps<{ overview: Overview; existing: ExistingPages }>()

const templates = computed(() => props.overview.report.templates)
const chosen = ref(0)
const template = computed(() => templates.value[Math.min(chosen.value, templates.value.length - 1)]!)
const path = ref('')
watch(
  template,
  ({ pages }) => {
    if (!pages.includes(path.value)) path.value = pages[0]!
  },
  { immediate: true },
)

const drawn = shallowRef<Drawn>()
const elements = shallowRef<readonly PointedElement[]>([])
const at = ref<number>()

watch(
  [path, () => props.overview],
  async ([wanted]) => {
    at.value = undefined
    const [page, all] = await Promise.all([props.existing.draw(wanted), props.existing.elements(wanted)])
    if (wanted !== path.value) return
    drawn.value = page
    elements.value = all
  },
  { immediate: true },
)

const place = computed(() => elements.value.findIndex((one) => one.at === at.value))
const element = computed(() => elements.value[place.value])

/** What is pointed at may stand inside of a line: the block around it is meant. */
function point(to: number): void {
  const nearest = elements.value.findLast((one) => one.at <= to)
  at.value = nearest?.at
}

const correct = (kind: 'content' | 'menu' | 'no-menu') => {
  const correction: Correction = { kind, path: path.value, at: at.value! }
  return props.existing.correct(correction)
}
const apart = () => props.existing.correct({ kind: 'template', pages: [path.value] })

const pages = computed(() => template.value.pages.map((value) => ({ value, label: value })))
const list = ref<{ focusRow(index: number): Promise<void> }>()
function step(event: KeyboardEvent): void {
  const by = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0
  if (by === 0 || elements.value.length === 0) return
  event.preventDefault()
  const to = Math.min(elements.value.length - 1, Math.max(0, place.value + by))
  at.value = itemAt(elements.value, to).at
  void list.value?.focusRow(to)
}
watch(place, (to) => {
  if (to >= 0) void list.value?.focusRow(to)
})
</script>

<template>
  <div class="templates">
    <div class="choice">
      <div role="group" aria-label="Templates" class="names">
        <button
          v-for="(one, n) in templates"
          :key="one.name"
          type="button"
          :class="{ chosen: one === template }"
          :aria-pressed="one === template"
          @click="chosen = n"
        >
          {{ one.name }} <span class="quiet">{{ counted(one.pages.length, 'page') }}</span>
        </button>
      </div>
      <p class="page-choice">
        <label for="shown-page">Shown on</label>
        <ChoiceField
          id="shown-page"
          :value="path"
          :options="pages"
          @change="(shown: string) => (path = shown)"
        />
      </p>
    </div>
    <div class="both">
      <Spin v-if="!drawn" />
      <DrawnPage v-else class="drawn" :page="drawn" :path="path" @point="point" />
      <section class="pointing" aria-labelledby="pointing-heading">
        <h2 id="pointing-heading">Is something wrong?</h2>
        <p class="quiet">
          Point at an element of the page, or choose it here, and say what it is.
          {{ counted(elements.length, 'element') }}.
        </p>
        <VirtualRows
          ref="list"
          class="elements"
          :rows="elements"
          :row-height="26"
          label="Elements of the page"
          :lead="Math.max(0, place)"
          @keydown="step"
        >
          <template #default="{ row, index }">
            <button
              type="button"
              class="row-button element"
              :class="{ chosen: row.at === at }"
              :aria-pressed="row.at === at"
              :tabindex="index === Math.max(0, place) ? 0 : -1"
              :style="{ paddingLeft: `${6 + Math.min(row.level, 12) * 10}px` }"
              @click="at = row.at"
            >
              <code>{{ row.name }}</code> <span>{{ row.words }}</span>
            </button>
          </template>
        </VirtualRows>
        <div
          class="buttons"
          role="group"
          :aria-label="element ? `About ${element.name}` : 'About the element'"
        >
          <Button :disabled="!element" @click="correct('content')">This is the content</Button>
          <Button :disabled="!element" @click="correct('menu')">This is a menu</Button>
          <Button :disabled="!element" @click="correct('no-menu')">This is not a menu</Button>
          <Button v-if="template.pages.length > 1" @click="apart">Separate template for this page</Button>
        </div>
      </section>
    </div>
  </div>
</template>

<style scoped>
.templates {
  display: flex;
  flex: 1;
  flex-direction: column;
  gap: 10px;
  min-height: 0;
}

.choice {
  display: flex;
  flex: none;
  flex-wrap: wrap;
  gap: 6px 24px;
  align-items: center;
}

.names {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}

.names button {
  padding: 4px 12px;
  color: var(--ink);
  background: var(--card);
  border: 1px solid var(--rule);
  border-left: 4px solid var(--rule);
  font: inherit;
  cursor: pointer;
}

.names .chosen {
  border-left-color: var(--ochre);
  font-weight: 600;
}

.page-choice {
  white-space: nowrap;
  display: flex;
  gap: 8px;
  align-items: center;
  margin: 0;
}

.page-choice :deep(select) {
  max-width: 60vw;
}

.both {
  display: grid;
  flex: 1;
  grid-template-columns: minmax(0, 1fr) 320px;
  gap: 16px;
  min-height: 0;
}

.pointing {
  display: flex;
  flex-direction: column;
  gap: 6px;
  min-height: 0;
}

.pointing h2 {
  font-size: 16px;
}

.pointing p {
  margin: 0;
}

.elements {
  flex: 1;
  min-height: 120px;
  background: var(--card);
  border: 1px solid var(--rule);
}

.element {
  display: block;
  overflow: hidden;
  text-align: left;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.element.chosen {
  background: var(--here);
}

.buttons {
  display: grid;
  gap: 6px;
}

@media (max-width: 860px) {
  .both {
    grid-template-columns: minmax(0, 1fr);
  }

  .drawn {
    height: 420px;
  }

  .elements {
    max-height: 260px;
  }
}
</style>
