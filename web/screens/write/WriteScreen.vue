<script setup lang="ts">
import { itemAt } from '@viatica/core/standard/present.ts'
import IconChevronDown from '~icons/tabler/chevron-down'
import IconLayoutBottombarCollapse from '~icons/tabler/layout-bottombar-collapse'
import IconLink from '~icons/tabler/link'
import IconMarkdown from '~icons/tabler/markdown'
import IconPhoto from '~icons/tabler/photo'
import IconUsers from '~icons/tabler/users'
import { InputFault } from '@viatica/core/formats/inputFault.ts'
import { blocksBeyond } from '@viatica/core/content/mergeContent.ts'
import { textOfBody } from '@viatica/core/statistics/wordCount.ts'
import { shortened } from '@viatica/core/standard/text.ts'
import { escapeAttribute, escapeText } from '@viatica/core/standard/escape.ts'
import type { SingleChange } from '@viatica/core/plan/change/change.ts'
import { newPage } from '@viatica/core/plan/newEntry.ts'
import { childrenOf } from '@viatica/core/plan/plan.ts'
import { Button } from 'ant-design-vue'
import { computed, defineAsyncComponent, nextTick, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import IconButton from '../../parts/IconButton.vue'
import MenuButton from '../../parts/MenuButton.vue'
import LivePage from '../../parts/LivePage.vue'
import ViewNav from '../../parts/ViewNav.vue'
import { startWidth } from '../../parts/pageWidths.ts'
import WidthChoice from '../../parts/WidthChoice.vue'
import { useOpenSite } from '../../stores/openSite.ts'
import { useWindows } from '../../stores/windows.ts'
import { useWriting } from '../../stores/writing.ts'
import { type WritingWay, writingWay } from '../../stores/writingWay.ts'
import StopLayout from '../site/StopLayout.vue'
import { computedParts } from './computedParts.ts'
import { type Insertion, type Picture, pictureHtml } from './insertion.ts'
import LinkDialog from './LinkDialog.vue'
import PagesDialog from './PagesDialog.vue'
import PictureDialog from './PictureDialog.vue'
import type SourceEditorType from './source/SourceEditor.vue'
import StartFrom from './StartFrom.vue'
import TextDetails from './TextDetails.vue'
import type VisualEditorType from './visual/VisualEditor.vue'

/** Only one of the two is shown; each is large. */
const SourceEditor = defineAsyncComponent(() => import('./source/SourceEditor.vue'))
const VisualEditor = defineAsyncComponent(() => import('./visual/VisualEditor.vue'))

const VIEWS = [
  { name: '', label: 'Visual' },
  { name: 'source', label: 'HTML' },
]

const route = useRoute()
const openSite = useOpenSite()
const writing = useWriting()
const windows = useWindows()
const view = computed<WritingWay>(() => (route.params['view'] === 'source' ? 'source' : ''))
watch(view, (way) => (writingWay.value = way), { immediate: true })
const width = ref(startWidth())
const showsPage = ref(true)

const sourceEditor = ref<InstanceType<typeof SourceEditorType>>()
const visualEditor = ref<InstanceType<typeof VisualEditorType>>()
const asked = ref<'link' | 'picture' | 'pages'>()
const selected = ref('')

/** The picture that gets other values; undefined for a new one. */
const edited = ref<Picture>()

/** Pictures of the author's computer that are still to be asked for. */
const brought = ref<readonly File[]>([])

/** Asks for each picture that was dropped or pasted, one after the other. */
function bring(files: readonly File[]): void {
  const pictures = files.filter(({ type }) => type.startsWith('image/'))
  const other = files.find((file) => !pictures.includes(file))
  if (other)
    openSite.notice = `${other.name} is not a picture. Add it under Surround › Files, then link to it.`
  brought.value = pictures
  if (pictures.length > 0) ask('picture')
}

function askNext(): void {
  brought.value = brought.value.slice(1)
  if (brought.value.length > 0) ask('picture')
}

async function close(): Promise<void> {
  asked.value = undefined
  await nextTick()
  askNext()
}

function ask(what: 'link' | 'picture', picture?: Picture): void {
  edited.value = picture
  selected.value = (sourceEditor.value ?? visualEditor.value)?.selected() ?? ''
  asked.value = what
}

async function take(insertion: Insertion): Promise<void> {
  asked.value = undefined
  // Behind a dialog, the text takes no focus.
  await nextTick()
  const { heading } = insertion
  if (heading) (sourceEditor.value ?? visualEditor.value)?.giveHeadingId(heading.at, heading.id)
  visualEditor.value?.insert(insertion)
  const { href, text = '', picture, computed: part } = insertion
  sourceEditor.value?.insert(
    (marked) =>
      part ??
      (picture
        ? pictureHtml(picture)
        : `<a href="${escapeAttribute(href!)}">${marked || escapeText(text)}</a>`),
  )
  askNext()
}

/** What both wrote where they wrote in the same part, as words. */
const sides = computed(() => {
  const { text, theirs = '' } = writing
  const words = (html: string, other: string) =>
    shortened(textOfBody({ html: blocksBeyond(html, other).join(' '), changed: '' }), 300) ||
    'nothing: it is removed'
  return { mine: words(text, theirs), theirs: words(theirs, text) }
})

const parts = computed(() => computedParts(openSite.shown))
/** The entry of the menu that asks which pages to list. */
const PICK = 'pick'
const partEntries = computed(() => [
  ...parts.value.map(({ label, html }) => ({ key: html, label })),
  { key: PICK, label: 'Pages picked by hand …', begins: true },
])
function insertPart(key: string): void {
  if (key === PICK) asked.value = 'pages'
  else void take({ computed: key })
}

/** Brings a heading into sight, in whichever way the text is written. */
function show(at: number, start: number): void {
  sourceEditor.value?.show(start)
  visualEditor.value?.show(at)
}

function press(event: KeyboardEvent): void {
  if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'k') return
  event.preventDefault()
  ask('link')
}

const chooser = ref<HTMLInputElement>()

/** Reads files in Markdown: one takes the place of the text, several become pages under this one. */
async function takeMarkdown(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const files = [...(input.files ?? [])]
  input.value = ''
  const page = writing.page
  if (files.length === 0 || !page) return
  try {
    const { readMarkdown } = await import('@viatica/core/formats/markdown.ts').catch(() => {
      throw new InputFault('The server of Viatica cannot be reached.')
    })
    const read = await Promise.all(
      files.map(async (file) => ({
        name: file.name.replace(/\.\w+$/, ''),
        ...readMarkdown(await textOf(file)),
      })),
    )
    if (read.length === 1) return writing.replace(itemAt(read, 0).html)
    const first = childrenOf(openSite.shown.plan, page.id).length
    const changes = read.map(({ name, title, html }, at): SingleChange => {
      const body = { html, changed: new Date().toISOString().slice(0, 10) }
      const branch = { ...newPage(crypto.randomUUID(), title || name, { state: 'draft' }), body, entries: [] }
      return { kind: 'add', parent: page.id, place: first + at, branches: [branch] }
    })
    openSite.makeOrTell({
      kind: 'batch',
      words: `${read.length} pages brought in under “${page.title}”`,
      changes,
    })
  } catch (error) {
    if (!(error instanceof InputFault)) throw error
    openSite.notice = `${error.message} Nothing was changed.`
  }
}

/** @throws InputFault naming the file that is no text in UTF-8 */
async function textOf(file: File): Promise<string> {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(await file.arrayBuffer())
  } catch {
    throw new InputFault(`${file.name} is not text in UTF-8.`)
  }
}

onBeforeUnmount(() => writing.saveNow(true))

// Other windows are told which text is open here, and that it is not any more.
watch(
  () => writing.page?.id ?? '',
  (page) => windows.write(openSite.id, page),
  { immediate: true },
)
const leave = () => windows.write(openSite.id, '')
onMounted(() => window.addEventListener('pagehide', leave))
onBeforeUnmount(() => {
  window.removeEventListener('pagehide', leave)
  leave()
})
</script>

<template>
  <StopLayout details-label="Beside the text" :has-details="writing.page !== undefined">
    <h1 class="unseen">Write: {{ writing.page?.title ?? 'nothing chosen' }}</h1>
    <div v-if="writing.page" class="writing" @keydown="press" @focusout="writing.saveNow()">
      <div class="bar">
        <ViewNav label="Ways to write" stop="write" :views="VIEWS" :shown="view" />
        <span class="page-title">{{ writing.page.title }}</span>
        <template v-if="view === 'source'">
          <IconButton :icon="IconLink" title="Link (Ctrl+K)" label="Link" @click="ask('link')" />
          <IconButton :icon="IconPhoto" label="Picture" @click="ask('picture')" />
        </template>
        <!-- The texts of existing pages are published as they are written: nothing is calculated in them. -->
        <MenuButton
          v-if="openSite.site!.surround.kind === 'pieces'"
          class="plain-button insert"
          label="Insert what is worked out from the plan"
          :entries="partEntries"
          @act="insertPart"
        >
          Insert <IconChevronDown width="14" height="14" aria-hidden="true" />
        </MenuButton>
        <IconButton
          :icon="IconMarkdown"
          title="Import Markdown …: one file takes the place of this text, several become pages under it"
          label="Import Markdown …"
          @click="chooser?.click()"
        />
        <input
          ref="chooser"
          type="file"
          multiple
          hidden
          accept=".md,.markdown,.txt"
          aria-label="Files in Markdown"
          @change="takeMarkdown"
        />
        <IconButton
          :icon="IconLayoutBottombarCollapse"
          label="Show preview"
          :aria-pressed="showsPage"
          @click="showsPage = !showsPage"
        />
        <WidthChoice v-if="showsPage" v-model="width" />
      </div>
      <p v-if="windows.countOn(writing.page.id) > 0" class="others" role="status">
        <IconUsers width="17" height="17" aria-hidden="true" />
        {{ windows.countOn(writing.page.id) === 1 ? 'Another window has' : 'Other windows have' }}
        this text open, too: what is written there comes in here.
      </p>
      <div v-if="writing.theirs !== undefined" class="conflict" role="alert">
        <p>
          Another window changed the same part of this text. Yours is kept here and not saved yet; theirs is
          saved, and stays in the history.
        </p>
        <dl>
          <dt>Yours</dt>
          <dd>{{ sides.mine }}</dd>
          <dt>Theirs</dt>
          <dd>{{ sides.theirs }}</dd>
        </dl>
        <Button size="small" @click="writing.settle('mine')">Keep mine</Button>
        <Button size="small" @click="writing.settle('theirs')">Use theirs</Button>
      </div>
      <div v-else-if="writing.replaced !== undefined" class="conflict" role="alert">
        <p>Another window replaced text that you wrote here. Yours is in the history.</p>
        <Button size="small" @click="writing.answerReplaced(true)">Restore mine</Button>
        <Button size="small" @click="writing.answerReplaced(false)">Leave theirs</Button>
      </div>
      <p v-if="writing.fault" class="field-fault" role="alert">Not saved: {{ writing.fault }}</p>
      <StartFrom v-if="writing.text.trim() === ''" />
      <SourceEditor v-if="view === 'source'" ref="sourceEditor" class="editor" @files="bring" />
      <VisualEditor
        v-else
        ref="visualEditor"
        class="editor"
        @link="ask('link')"
        @files="bring"
        @picture="(picture) => ask('picture', picture)"
      />
      <LivePage v-if="showsPage" :page="writing.page.id" :width="width" class="page" />
      <LinkDialog v-if="asked === 'link'" :selected="selected" @pick="take" @close="asked = undefined" />
      <PagesDialog v-if="asked === 'pages'" @pick="take" @close="asked = undefined" />
      <PictureDialog
        v-if="asked === 'picture'"
        :edited="edited"
        :brought="brought[0]"
        @pick="take"
        @close="close"
      />
    </div>
    <p v-else class="none">Only a page has main content. Choose one in the outline.</p>
    <template #details>
      <TextDetails v-if="writing.page" :key="writing.page.id" :page="writing.page" @show="show" />
    </template>
  </StopLayout>
</template>

<style scoped>
.writing {
  display: flex;
  flex: 1;
  flex-direction: column;
  gap: 8px;
}

.bar {
  display: flex;
  flex: none;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px;
  min-height: 30px;
}

.page-title {
  flex: 1;
  min-width: 0;
  margin-left: 12px;
  overflow: hidden;
  color: var(--slate);
  text-overflow: ellipsis;
  white-space: nowrap;
}

.others {
  display: flex;
  flex: none;
  align-items: center;
  gap: 8px;
  margin: 0;
  padding: 5px 12px;
  border: 1px solid var(--slate);
  border-radius: 3px;
}

.conflict {
  display: flex;
  flex: none;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
  padding: 8px 12px;
  border: 2px solid var(--brick);
  border-radius: 3px;
}

.conflict p {
  flex: 1 1 20em;
  margin: 0;
}

.conflict dl {
  display: grid;
  flex: 1 1 100%;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 2px 10px;
  order: 1;
  margin: 0;
  max-height: 6em;
  overflow: auto;
}

.conflict dt {
  color: var(--slate);
}

.conflict dd {
  margin: 0;
  overflow-wrap: anywhere;
}

.writing > .editor {
  flex: 3 1 0;
  min-height: 240px;
}

.page {
  flex: 2 1 0;
  min-height: 160px;
}

.none {
  margin: 12vh auto 0;
  color: var(--slate);
  font-size: 15px;
}
</style>
