<script setup lang="ts">
import { labelOf } from '@viatica/core/plan/entry.ts'
import { childrenOf, walk } from '@viatica/core/plan/plan.ts'
import {
  BREADCRUMB_SEPARATORS,
  type BreadcrumbRule,
  type HereRule,
  ORDER_SCOPES,
  type OrderRule,
} from '@viatica/core/plan/surround/rules.ts'
import { Checkbox } from 'ant-design-vue'
import { computed } from 'vue'
import LabelledChoice from '../../../parts/LabelledChoice.vue'
import SavedText from '../../../parts/SavedText.vue'
import { useOpenSite } from '../../../stores/openSite.ts'
import { useSurrounding } from '../../../stores/surrounding.ts'

/** How pages say where a visitor is: marks in menus, breadcrumbs, previous and next. */
const openSite = useOpenSite()
const surrounding = useSurrounding()

const here = computed(() => surrounding.pieces.here)
const breadcrumb = computed(() => surrounding.pieces.breadcrumb)
const order = computed(() => surrounding.surround.order)

const setHere = (fields: Partial<HereRule>) => surrounding.setRule('here', { ...here.value, ...fields })
const setBreadcrumb = (fields: Partial<BreadcrumbRule>) =>
  surrounding.setRule('breadcrumb', { ...breadcrumb.value, ...fields })
const setOrder = (fields: Partial<OrderRule>) => surrounding.setRule('order', { ...order.value, ...fields })

const FORMS = [
  { value: 'link', label: 'stays a link' },
  { value: 'text', label: 'becomes plain text' },
] as const
const LEVELS = [
  { value: '1', label: 'the first level below the home page' },
  { value: '2', label: 'the second level' },
] as const
const separators = BREADCRUMB_SEPARATORS.map((value) => ({ value, label: value }))
const SCOPE_LABELS = {
  site: 'the whole site',
  section: 'each section',
  series: 'selected sections',
}
const scopes = ORDER_SCOPES.map((value) => ({ value, label: SCOPE_LABELS[value] }))
const sections = computed(() => {
  const { plan } = openSite.shown
  return [...walk(plan)].flatMap(({ entry, depth }) =>
    depth > 0 && childrenOf(plan, entry.id).length > 0 ? [{ entry, depth }] : [],
  )
})

function pickSeries(id: string, isPicked: boolean): void {
  const others = order.value.series.filter((one) => one !== id)
  setOrder({ series: isPicked ? [...others, id] : others })
}
</script>

<template>
  <div>
    <h2>Here mark</h2>
    <LabelledChoice
      label="The item of the current page"
      :options="FORMS"
      :model-value="here.form"
      @update:model-value="(form) => setHere({ form })"
    />
    <div class="two">
      <SavedText label="Its class" code :value="here.here" :save="(text) => setHere({ here: text })" />
      <SavedText
        label="Class of sections"
        code
        :value="here.within"
        :save="(text) => setHere({ within: text })"
      />
    </div>
    <Checkbox
      class="tick"
      :checked="here.marksSections"
      @change="setHere({ marksSections: $event.target.checked })"
      >Also mark parent items</Checkbox
    >
    <Checkbox class="tick" :checked="here.bodyId" @change="setHere({ bodyId: $event.target.checked })"
      >the body element carries an id of the page</Checkbox
    >

    <h2>Breadcrumb</h2>
    <LabelledChoice
      label="Begins with pages of"
      :options="LEVELS"
      :model-value="breadcrumb.from === 1 ? '1' : '2'"
      @update:model-value="(level) => setBreadcrumb({ from: level === '1' ? 1 : 2 })"
    />
    <LabelledChoice
      label="Separator"
      :options="separators"
      :model-value="breadcrumb.separator"
      @update:model-value="(separator) => setBreadcrumb({ separator })"
    />
    <Checkbox
      class="tick"
      :checked="breadcrumb.showsPage"
      @change="setBreadcrumb({ showsPage: $event.target.checked })"
      >ends with the page itself</Checkbox
    >
    <Checkbox class="tick" :checked="breadcrumb.data" @change="setBreadcrumb({ data: $event.target.checked })"
      >Add structured data (schema.org)</Checkbox
    >

    <h2>Previous and next</h2>
    <LabelledChoice
      label="Previous/next runs through"
      :options="scopes"
      :model-value="order.scope"
      @update:model-value="(scope) => setOrder({ scope })"
    />
    <fieldset v-if="order.scope === 'series'">
      <legend class="field-label">Sections read as series</legend>
      <Checkbox
        v-for="{ entry, depth } in sections"
        :key="entry.id"
        class="tick"
        :style="{ marginLeft: `${(depth - 1) * 14}px` }"
        :checked="order.series.includes(entry.id)"
        @change="pickSeries(entry.id, $event.target.checked)"
        >{{ labelOf(entry) }}</Checkbox
      >
      <p v-if="sections.length === 0" class="quiet">The plan has no section yet.</p>
    </fieldset>
  </div>
</template>

<style scoped>
h2 {
  margin: 16px 0 8px;
  padding-bottom: 3px;
  border-bottom: 2px solid var(--pine);
  font-size: 16px;
}

h2:first-child {
  margin-top: 0;
}

.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
}

.tick {
  display: flex;
  margin: 0 0 8px;
}

fieldset {
  margin: 0;
  padding: 0;
  border: 0;
}
</style>
