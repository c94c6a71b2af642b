<script setup lang="ts">
import { entryPointer, filePointer } from '@viatica/core/pointer/pointer.ts'
import { addressesOf } from '@viatica/core/address/addresses.ts'
import { freeHeadingId, headingsOf, withHeadingId } from '@viatica/core/content/headings.ts'
import { pointerFor } from '@viatica/core/content/ownLinks.ts'
import { labelOf, type PageEntry } from '@viatica/core/plan/entry.ts'
import type { EntryId } from '@viatica/core/plan/ids.ts'
import { newPage } from '@viatica/core/plan/newEntry.ts'
import { childrenOf } from '@viatica/core/plan/plan.ts'
import { filesByPath } from '@viatica/core/plan/site.ts'
import { soundFileName } from '@viatica/core/standard/fileName.ts'
import { valueFor } from '@viatica/core/standard/present.ts'
import { isAllowedTarget, likelyTarget } from '@viatica/core/standard/target.ts'
import { Button, Input } from 'ant-design-vue'
import { computed, onMounted, ref, useId } from 'vue'
import { foundAsTyped } from '../../parts/foundAsTyped.ts'
import ModalDialog from '../../parts/ModalDialog.vue'
import { useOpenSite } from '../../stores/openSite.ts'
import { useWriting } from '../../stores/writing.ts'
import { siteWork } from '../../workers/siteWork.ts'
import type { Insertion } from './insertion.ts'

/** Finds where a link shall lead: pages and their headings, files, addresses elsewhere, a page that is still to be made. */
const props = defineProps<{ selected: string }>()
const emit = defineEmits<{ close: []; pick: [Insertion] }>()

/** One place that a link can lead to. */
interface Choice {
  readonly key: string
  readonly label: string
  readonly detail: string
  readonly isHeading?: boolean
  /** Does what is needed for the place to be there. @returns what to write; undefined where that is refused */
  readonly reach: () => Pick<Insertion, 'href' | 'heading'> | undefined
}

const MOST_PAGES = 12
const MOST_FILES = 6

const openSite = useOpenSite()
const writing = useWriting()
const id = useId()
const typed = ref(props.selected.trim())
const field = ref<{ focus(): void }>()

const site = computed(() => openSite.shown)
const words = computed(() => typed.value.trim())
const { found, active, whenFound } = foundAsTyped(words, (of) => siteWork.search(of))

const pageAt = (page: EntryId) => {
  const entry = site.value.plan.entries.get(page)
  return entry?.kind === 'page' ? entry : undefined
}

/** The main content of a page; of the one that is being written, what stands in the editor. */
const textOf = (page: PageEntry) => (page.id === writing.page?.id ? writing.readable : page.body.html)

/** The headings of a page; one without an id is given one when it is chosen. */
function headingChoices(page: PageEntry): Choice[] {
  return headingsOf(textOf(page)).flatMap(({ text, id: known }, at): Choice[] =>
    text === ''
      ? []
      : [
          {
            key: `${page.id}#${at}`,
            label: text,
            detail: known ? `#${known}` : 'an anchor will be added',
            isHeading: true,
            reach: () => reachHeading(page, at, text, known),
          },
        ],
  )
}

function reachHeading(page: PageEntry, at: number, text: string, known: string) {
  if (known) return { href: entryPointer(page.id, known) }
  const id = freeHeadingId(textOf(page), soundFileName(text, '-'))
  const href = entryPointer(page.id, id)
  // The text that is being written is the editor's: the id is given there.
  if (page.id === writing.page?.id) return { href, heading: { at, id } }
  const value = { ...page.body, html: withHeadingId(page.body.html, at, id) }
  return openSite.makeOrTell({ kind: 'setEntry', entry: page.id, field: 'body', value })
    ? { href }
    : undefined
}

/** Makes a page that is planned under the one that is written. */
function plan() {
  const parent = writing.page!.id
  const page = crypto.randomUUID()
  const place = childrenOf(site.value.plan, parent).length
  const branches = [{ ...newPage(page, words.value, { state: 'planned' }), entries: [] }]
  return openSite.makeOrTell({ kind: 'add', parent, place, branches })
    ? { href: entryPointer(page) }
    : undefined
}

const choices = computed<Choice[]>(() => {
  const { paths } = addressesOf(site.value)
  const wanted = words.value.toLowerCase()
  const pages = (found.value ?? []).flatMap(({ entry }) => pageAt(entry) ?? []).slice(0, MOST_PAGES)
  const own = writing.page ? pointerFor(site.value, writing.page.id, words.value) : undefined
  const target = likelyTarget(words.value)
  const all: Choice[] = []
  if (own)
    all.push({
      key: 'own',
      label: words.value,
      detail: 'this path of the site',
      reach: () => ({ href: own }),
    })
  else if (isAllowedTarget(target))
    all.push({ key: 'elsewhere', label: target, detail: 'leaves the site', reach: () => ({ href: target }) })
  pages.forEach((page, at) => {
    all.push({
      key: page.id,
      label: labelOf(page),
      detail: valueFor(paths, page.id),
      reach: () => ({ href: entryPointer(page.id) }),
    })
    if (at < 3) all.push(...headingChoices(page))
  })
  for (const { id: file, path } of filesByPath(site.value)
    .filter((one) => matches(one.path, wanted))
    .slice(0, MOST_FILES))
    all.push({
      key: `file ${file}`,
      label: path,
      detail: 'file of the site',
      reach: () => ({ href: filePointer(file) }),
    })
  if (words.value !== '' && !isAllowedTarget(target) && !own)
    all.push({ key: 'new', label: words.value, detail: 'a new page, planned under this one', reach: plan })
  return all
})

function matches(path: string, wanted: string): boolean {
  return wanted !== '' && path.toLowerCase().includes(wanted)
}

function take(choice: Choice | undefined): void {
  const reached = choice?.reach()
  if (choice && reached) emit('pick', { ...reached, text: props.selected || choice.label })
}

const takeActive = () => whenFound(() => take(choices.value[active.value]))

function press(event: KeyboardEvent): void {
  const by = { ArrowDown: 1, ArrowUp: -1 }[event.key]
  if (by !== undefined) {
    event.preventDefault()
    const count = choices.value.length
    if (count > 0) active.value = (active.value + by + count) % count
    document.getElementById(`${id}-${active.value}`)?.scrollIntoView({ block: 'nearest' })
  } else if (event.key === 'Enter') {
    event.preventDefault()
    takeActive()
  }
}

onMounted(() => field.value?.focus())
</script>

<template>
  <ModalDialog open title="Where the link leads" @close="emit('close')">
    <label class="field-label" :for="id">A page, a heading, a file, or an address</label>
    <Input
      :id="id"
      ref="field"
      v-model:value="typed"
      autocomplete="off"
      role="combobox"
      aria-autocomplete="list"
      :aria-expanded="choices.length > 0"
      :aria-controls="`${id}-list`"
      :aria-activedescendant="choices.length > 0 ? `${id}-${active}` : undefined"
      @keydown="press"
    />
    <ul v-show="choices.length > 0" :id="`${id}-list`" role="listbox" aria-label="Places that it can lead to">
      <li
        v-for="(choice, at) in choices"
        :id="`${id}-${at}`"
        :key="choice.key"
        role="option"
        :aria-selected="at === active"
        :class="{ active: at === active, heading: choice.isHeading }"
        @click="take(choice)"
        @mousemove="active = at"
      >
        <span class="label">{{ choice.label }}</span>
        <span class="detail">{{ choice.detail }}</span>
      </li>
    </ul>
    <p v-if="choices.length === 0" class="quiet">
      Type some of a title, a path, or an address such as www.example.org.
    </p>
    <template #buttons>
      <Button @click="emit('close')">Cancel</Button>
      <Button type="primary" :disabled="choices.length === 0" @click="takeActive">Link</Button>
    </template>
  </ModalDialog>
</template>

<style scoped>
ul {
  max-height: 320px;
  margin: 6px 0 0;
  padding: 0;
  overflow-y: auto;
  border: 1px solid var(--rule);
  list-style: none;
}

li {
  display: flex;
  gap: 12px;
  justify-content: space-between;
  padding: 4px 10px;
  cursor: pointer;
}

.active {
  background: #d5e3da;
}

.heading {
  padding-left: 28px;
}

.detail {
  flex: none;
  max-width: 55%;
  overflow: hidden;
  color: var(--slate);
  text-overflow: ellipsis;
  white-space: nowrap;
}

.active .detail {
  color: var(--ink);
}

.label {
  overflow-wrap: anywhere;
}
</style>
