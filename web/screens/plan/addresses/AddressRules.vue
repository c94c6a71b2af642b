<script setup lang="ts">
import { addressesOf } from '@viatica/core/address/addresses.ts'
import { applySoundly } from '@viatica/core/plan/change/sound.ts'
import { type Change, changeSchema, type SetSite } from '@viatica/core/plan/change/change.ts'
import { ChangeRefused } from '@viatica/core/plan/change/refused.ts'
import { labelOf } from '@viatica/core/plan/entry.ts'
import { walk } from '@viatica/core/plan/plan.ts'
import {
  EXTENSIONS,
  LAYOUTS,
  LINK_STYLES,
  PLANNED_RULES,
  SEPARATORS,
  type Settings,
} from '@viatica/core/plan/site.ts'
import { rippleWords } from '@viatica/core/ripple/rippleWords.ts'
import { valueFor } from '@viatica/core/standard/present.ts'
import { Button, Checkbox, Input } from 'ant-design-vue'
import * as v from 'valibot'
import { computed, ref, shallowRef, watch } from 'vue'
import LabelledChoice from '../../../parts/LabelledChoice.vue'
import RippleList from '../../../parts/ripple/RippleList.vue'
import ModalDialog from '../../../parts/ModalDialog.vue'
import VirtualRows from '../../../parts/VirtualRows.vue'
import { useOpenSite } from '../../../stores/openSite.ts'
import type { Foreseen } from '../../../workers/siteWorker.ts'
import { siteWork } from '../../../workers/siteWork.ts'

/** The settings of addresses, with every address now and as it would be, before they are taken. */
const RULES = [
  'layout',
  'carrySection',
  'separator',
  'extension',
  'linkStyle',
  'baseUrl',
  'namesIndex',
  'plannedPages',
] as const
type Rules = { -readonly [Name in (typeof RULES)[number]]: Settings[Name] }

/** What the history calls each of them. */
const RULE_WORDS: Readonly<Record<keyof Rules, string>> = {
  layout: 'layout',
  carrySection: 'carried names',
  separator: 'separator',
  extension: 'extension',
  linkStyle: 'style of links',
  baseUrl: 'base URL',
  namesIndex: 'links to folders',
  plannedPages: 'planned pages',
}

const LAYOUT_WORDS = {
  flat: 'all in one folder',
  nested: 'a folder for each section',
  folders: 'a folder for each page',
  own: 'every page keeps its path',
} as const
const LINK_WORDS = {
  relative: 'relative (works in any folder)',
  root: 'root-relative',
  absolute: 'absolute (needs the base URL)',
} as const
const PLANNED_WORDS = {
  'left-out': 'left out of menus and of the site',
  text: 'plain text in menus',
  'stand-in': 'a placeholder page',
} as const
const optionsOf = <V extends string>(values: readonly V[], words?: Readonly<Record<V, string>>) =>
  values.map((value) => ({ value, label: words?.[value] ?? value }))

const openSite = useOpenSite()
const site = computed(() => openSite.shown)
const showsAll = ref(false)
const showsRipple = ref(false)

const taken = (): Rules => {
  const { settings } = site.value
  return Object.fromEntries(RULES.map((name) => [name, settings[name]])) as unknown as Rules
}
const wanted = ref<Rules>(taken())
const leave = () => (wanted.value = taken())

/** What is wished for and not so yet, as one change. */
const change = computed((): Change | undefined => {
  const changes = RULES.filter((name) => wanted.value[name] !== site.value.settings[name]).map(
    (name) => ({ kind: 'setSite', field: name, value: wanted.value[name] }) as SetSite,
  )
  // Absolute links need the published address: it comes before them, and goes after them.
  if (wanted.value.linkStyle === 'absolute') changes.reverse()
  if (changes.length === 0) return undefined
  const names = changes.map(({ field }) => RULE_WORDS[field as keyof Rules]).join(', ')
  return { kind: 'batch', words: `Addresses settled anew: ${names}`, changes }
})

const outcome = computed(() => {
  if (!change.value) return { after: site.value, fault: '' }
  const checked = v.safeParse(changeSchema, change.value)
  if (!checked.success) return { after: site.value, fault: checked.issues[0].message }
  try {
    return { after: applySoundly(site.value, checked.output).site, fault: '' }
  } catch (error) {
    if (error instanceof ChangeRefused) return { after: site.value, fault: error.message }
    throw error
  }
})

const pages = computed(() => {
  const now = addressesOf(site.value).paths
  const then = addressesOf(outcome.value.after).paths
  return [...walk(site.value.plan)].flatMap(({ entry, depth }) =>
    entry.kind === 'page'
      ? [
          {
            id: entry.id,
            label: labelOf(entry),
            depth,
            now: valueFor(now, entry.id),
            then: valueFor(then, entry.id),
            isPinned: entry.pin !== null,
          },
        ]
      : [],
  )
})
const moved = computed(() => pages.value.filter(({ now, then }) => now !== then))
const listed = computed(() => (moved.value.length === 0 || showsAll.value ? pages.value : moved.value))
const pinnedMoved = computed(() => moved.value.filter(({ isPinned }) => isPinned).length)

const foreseen = shallowRef<Foreseen>()
watch(
  () => [change.value, outcome.value.fault] as const,
  async ([asked, fault]) => {
    foreseen.value = undefined
    if (!asked || fault) return
    const answer = await siteWork.foresee(asked)
    if (asked === change.value && typeof answer !== 'string') foreseen.value = answer
  },
)

function take(): void {
  if (change.value && openSite.makeOrTell(change.value)) leave()
}
// What others change, or undo brings back, is what the form starts from again.
watch(
  () => site.value.settings,
  (now, before) => RULES.some((name) => now[name] !== before[name]) && leave(),
)
</script>

<template>
  <div class="rules">
    <form class="form" @submit.prevent="take">
      <LabelledChoice
        v-model="wanted.layout"
        label="Folder structure"
        :options="optionsOf(LAYOUTS, LAYOUT_WORDS)"
      >
        <Checkbox v-if="wanted.layout === 'flat'" v-model:checked="wanted.carrySection" class="below">
          Prefix with section name
        </Checkbox>
      </LabelledChoice>
      <div class="pair">
        <LabelledChoice v-model="wanted.separator" label="Word separator" :options="optionsOf(SEPARATORS)" />
        <LabelledChoice v-model="wanted.extension" label="Extension" :options="optionsOf(EXTENSIONS)" />
      </div>
      <LabelledChoice
        v-model="wanted.linkStyle"
        label="Link style"
        :options="optionsOf(LINK_STYLES, LINK_WORDS)"
      >
        <Checkbox v-model:checked="wanted.namesIndex" class="below">
          Include <code>index{{ wanted.extension }}</code>
        </Checkbox>
      </LabelledChoice>
      <div class="field">
        <label class="field-label" for="base">Base URL</label>
        <Input id="base" v-model:value="wanted.baseUrl" placeholder="https://www.example.org/" />
      </div>
      <LabelledChoice
        v-model="wanted.plannedPages"
        label="Planned pages are"
        :options="optionsOf(PLANNED_RULES, PLANNED_WORDS)"
      />
      <p v-if="outcome.fault" class="field-fault" role="alert">{{ outcome.fault }}</p>
      <p class="buttons">
        <Button type="primary" html-type="submit" :disabled="!change || outcome.fault !== ''"> Apply </Button>
        <Button :disabled="!change" @click="leave">Cancel</Button>
      </p>
    </form>
    <section class="effect" aria-label="Effect on every address">
      <div class="sum" role="status">
        <strong>
          <template v-if="!change">{{ pages.length }} addresses as they are</template>
          <template v-else-if="moved.length === 0">No address changes</template>
          <template v-else>{{ moved.length }} of {{ pages.length }} addresses change</template>
        </strong>
        <span v-if="foreseen"> · on the finished site: {{ rippleWords(foreseen.ripple) }}</span>{{ ' ' }}
        <button
          v-if="foreseen && foreseen.ripple.pages.length > 0"
          type="button"
          class="link-button"
          @click="showsRipple = true"
        >
          Show
        </button>
        <p v-if="pinnedMoved > 0">
          {{ pinnedMoved === 1 ? '1 of them is pinned' : `${pinnedMoved} of them are pinned` }}: what stands
          there now will lead on to the new address.
        </p>
      </div>
      <Checkbox v-if="moved.length > 0" v-model:checked="showsAll" class="all">
        also those that stay
      </Checkbox>
      <VirtualRows v-slot="{ row }" class="list" :rows="listed" :row-height="30" label="Addresses">
        <div class="page" :class="{ moves: row.now !== row.then, two: !change }">
          <span class="name" :style="{ paddingLeft: `${row.depth * 12}px` }">{{ row.label }}</span>
          <code>{{ row.now }}</code>
          <code v-if="row.now !== row.then" class="then">→ {{ row.then }}</code>
          <span v-else-if="change" class="quiet">stays</span>
        </div>
      </VirtualRows>
    </section>
    <ModalDialog
      v-if="showsRipple && foreseen"
      open
      wide
      title="What these settings change"
      @close="showsRipple = false"
    >
      <RippleList :ripple="foreseen.ripple" of="foreseen" />
      <template #buttons><Button @click="showsRipple = false">Close</Button></template>
    </ModalDialog>
  </div>
</template>

<style scoped>
.rules {
  display: grid;
  grid-template-columns: 270px minmax(0, 1fr);
  gap: 22px;
}

.form {
  min-height: 0;
  padding: 2px;
  overflow-y: auto;
}

.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
}

.below {
  margin-top: 6px;
}

.buttons {
  display: flex;
  gap: 8px;
  margin: 16px 0 0;
}

.effect {
  display: flex;
  flex-direction: column;
  min-height: 0;
}

.sum {
  flex: none;
  min-height: 42px;
}

.sum p {
  margin: 2px 0 0;
}

.all {
  flex: none;
}

.list {
  flex: 1;
  margin-top: 6px;
  background: var(--card);
  border: 1px solid var(--rule);
}

.page {
  display: grid;
  grid-template-columns: 1fr 1.2fr 1.4fr;
  align-items: center;
  gap: 12px;
  height: 30px;
  padding: 0 10px;
  border-bottom: 1px solid #eee9da;
}

.two {
  grid-template-columns: 1fr 2fr;
}

.page > * {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.moves code:first-of-type {
  color: var(--slate);
  text-decoration: line-through;
}

.then {
  font-weight: 600;
}

@media (max-width: 820px) {
  .rules {
    grid-template-columns: minmax(0, 1fr);
  }

  .form {
    overflow: visible;
  }

  .list {
    flex: none;
    height: 260px;
  }
}
</style>
