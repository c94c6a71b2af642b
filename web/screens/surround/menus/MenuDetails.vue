<script setup lang="ts">
import { labelOf } from '@viatica/core/plan/entry.ts'
import { walk } from '@viatica/core/plan/plan.ts'
import type { MenuException, PlanMenu } from '@viatica/core/plan/surround/menu.ts'
import { Button, Checkbox } from 'ant-design-vue'
import { computed } from 'vue'
import LabelledChoice from '../../../parts/LabelledChoice.vue'
import SavedText from '../../../parts/SavedText.vue'
import StateMark from '../../../parts/StateMark.vue'
import { useOpenSite } from '../../../stores/openSite.ts'
import { useSurrounding } from '../../../stores/surrounding.ts'
import PickedLinks from '../PickedLinks.vue'

/** The settings of one menu, and what is different about single entries in it. */
const openSite = useOpenSite()
const surrounding = useSurrounding()
/** These are of one menu for good: typing that is saved late must not land on the next. */
const { id } = surrounding.menu!

const menu = computed(() => surrounding.surround.menus.find((one) => one.id === id)!)
const plan = computed(() => openSite.shown.plan)

const STARTS = [
  { value: 'home', label: 'the home page' },
  { value: 'section', label: 'the section that a page is in' },
  { value: 'entry', label: 'one entry of the plan' },
] as const
const DEPTHS = ['1', '2', '3'].map((value) => ({
  value,
  label: value === '1' ? '1 level' : `${value} levels`,
}))

const entries = computed(() =>
  [...walk(plan.value)].flatMap(({ entry, depth }) => (depth > 0 ? [{ entry, depth }] : [])),
)
const holders = computed(() =>
  entries.value
    .filter(({ entry }) => entry.kind !== 'link')
    .map(({ entry, depth }) => ({ value: entry.id, label: `${'– '.repeat(depth - 1)}${labelOf(entry)}` })),
)
/** The entries that the menu can show, as far as it goes down from the home page. */
const listed = computed(() => {
  const at = menu.value
  if (at.kind !== 'plan' || at.from.at !== 'home') return []
  return entries.value.filter(({ entry, depth }) => depth <= at.depth && entry.inMenu)
})

function start(at: PlanMenu['from']['at']): void {
  const from = at === 'entry' ? { at, entry: holders.value[0]?.value ?? plan.value.home } : { at }
  openSite.notice = surrounding.setMenu(menu.value as PlanMenu, { from }) ?? ''
}

const exceptionOf = (entry: string) =>
  menu.value.kind === 'plan' ? menu.value.exceptions.find((one) => one.entry === entry) : undefined

/** Sets what is different about an entry; one that is not different any more is forgotten. */
function except(entry: string, fields: Partial<MenuException>): string | undefined {
  const of = menu.value as PlanMenu
  const next = { label: '', leftOut: false, ...exceptionOf(entry), ...fields, entry }
  const others = of.exceptions.filter((one) => one.entry !== entry)
  return surrounding.setMenu(of, {
    exceptions: next.label === '' && !next.leftOut ? others : [...others, next],
  })
}
</script>

<template>
  <div>
    <h2>{{ menu.name }}</h2>
    <SavedText label="Name" :value="menu.name" :save="(name) => surrounding.setMenu(menu, { name })">
      <template #hint>the label for screen readers, too</template>
    </SavedText>
    <template v-if="menu.kind === 'plan'">
      <LabelledChoice
        label="Starts from"
        :options="STARTS"
        :model-value="menu.from.at"
        @update:model-value="start"
      />
      <LabelledChoice
        v-if="menu.from.at === 'entry'"
        label="Entry"
        :options="holders"
        :model-value="menu.from.entry"
        @update:model-value="
          (entry) => surrounding.setMenu(menu as PlanMenu, { from: { at: 'entry', entry } })
        "
      />
      <LabelledChoice
        label="Shows"
        :options="DEPTHS"
        :model-value="String(menu.depth)"
        @update:model-value="
          (depth) => surrounding.setMenu(menu as PlanMenu, { depth: Number(depth) as 1 | 2 | 3 })
        "
      />
      <template v-if="listed.length > 0">
        <h3>Entries in this menu</h3>
        <details
          v-for="{ entry, depth } in listed"
          :key="entry.id"
          :style="{ marginLeft: `${(depth - 1) * 14}px` }"
        >
          <summary :class="{ out: exceptionOf(entry.id)?.leftOut }">
            <StateMark :entry="entry" /> {{ exceptionOf(entry.id)?.label || labelOf(entry) }}
            <span v-if="exceptionOf(entry.id)?.leftOut" class="quiet">left out</span>
          </summary>
          <SavedText
            label="Label in this menu"
            :placeholder="labelOf(entry)"
            :value="exceptionOf(entry.id)?.label ?? ''"
            :save="(label) => except(entry.id, { label })"
          />
          <Checkbox
            :checked="exceptionOf(entry.id)?.leftOut ?? false"
            @change="except(entry.id, { leftOut: $event.target.checked })"
            >left out of this menu</Checkbox
          >
        </details>
      </template>
    </template>
    <PickedLinks
      v-else
      label="Links"
      :links="menu.links"
      :save="(links) => surrounding.setMenu(menu, { links } as never)"
    />
    <Button class="remove" size="small" danger @click="surrounding.removeMenu(id)">Remove this menu</Button>
  </div>
</template>

<style scoped>
h2 {
  margin-bottom: 10px;
  padding-bottom: 3px;
  border-bottom: 2px solid var(--pine);
  font-size: 17px;
}

h3 {
  margin: 14px 0 4px;
  font-size: 14px;
}

summary {
  display: flex;
  align-items: center;
  gap: 6px;
  padding: 2px 0;
  cursor: pointer;
}

.out {
  color: var(--slate);
  text-decoration: line-through;
}

.remove {
  margin-top: 16px;
}
</style>
