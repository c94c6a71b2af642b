import { useTimeoutFn } from '@vueuse/core'
import { followHeadings, followInText, renamedHeadingIds } from '@viatica/core/content/followHeadings.ts'
import { singlesOf } from '@viatica/core/plan/change/apply.ts'
import type { SetEntry, SingleChange } from '@viatica/core/plan/change/change.ts'
import { markOf } from '@viatica/core/plan/change/over.ts'
import { type EntryId, MAX_CONTENT, type PageEntry } from '@viatica/core/plan/entry.ts'
import { defineStore } from 'pinia'
import { computed, ref, watch } from 'vue'
import { useChosen } from './chosen.ts'
import { useOpenSite } from './openSite.ts'

/** Typing that pauses for this long is saved. */
const PAUSE_MS = 400

/** The main content that is being written: of the chosen page, saved as one types. */
export const useWriting = defineStore('writing', () => {
  const openSite = useOpenSite()
  const chosen = useChosen()

  const page = computed<PageEntry | undefined>(() =>
    chosen.entry?.kind === 'page' ? chosen.entry : undefined,
  )
  /** The page that the text belongs to: what is saved late must not land on the next one. */
  const writingFor = ref<EntryId>('')
  const text = ref('')
  const isTooLong = computed(() => text.value.length > MAX_CONTENT)
  /** The text as far as it is read: one that is too long to be kept would hold up the editor for seconds. */
  const readable = computed(() => (isTooLong.value ? '' : text.value))
  /** What of the site the text was written over. */
  const over = ref('')
  const fault = ref('')
  /** What another window wrote meanwhile, while this one has a text of its own; undefined where there is none. */
  const theirs = ref<string>()
  /** Counts up whenever the text is not the editor's own: it must show it anew. */
  const turn = ref(0)
  const pause = useTimeoutFn(() => saveNow(), PAUSE_MS, { immediate: false })

  const bodyOf = (id: EntryId) => {
    const entry = openSite.site?.plan.entries.get(id)
    return entry?.kind === 'page' ? entry.body : undefined
  }

  function take(html: string): void {
    text.value = over.value = html
    theirs.value = undefined
    fault.value = ''
    turn.value++
  }

  watch(
    () => page.value?.id,
    (id) => {
      saveNow()
      writingFor.value = id ?? ''
      take(page.value?.body.html ?? '')
    },
    { immediate: true },
  )

  /** Whether the last text that was saved from here was refused since: then it stands here alone. */
  let isLost = false
  openSite.onLost((change) => {
    const isOurs = (one: SingleChange) =>
      one.kind === 'setEntry' && one.field === 'body' && one.entry === writingFor.value
    if (!singlesOf(change).some(isOurs)) return false
    isLost = true
    return true
  })

  watch(
    () => bodyOf(writingFor.value)?.html,
    (html) => {
      if (html === undefined || (html === over.value && !isLost)) return
      // What came is what stands here already, or nothing of its own stands here.
      if (html === text.value) over.value = html
      else if (text.value === over.value && !isLost) take(html)
      else theirs.value = html
      isLost = false
    },
  )

  /** What tells the text of a page from other things that are typed. */
  const fieldOf = (entry: EntryId) => `${visit}:${entry}`
  const visit = crypto.randomUUID()

  function changeTo(html: string, base: string): SetEntry {
    const value = { html, changed: new Date().toISOString().slice(0, 10) }
    return { kind: 'setEntry', entry: writingFor.value, field: 'body', value, over: markOf(base) }
  }

  /** Takes what the editor says now; it is saved when the typing pauses. */
  function type(html: string): void {
    text.value = html
    fault.value = ''
    pause.start()
    if (html !== over.value && bodyOf(writingFor.value)) {
      const change = changeTo(html, over.value)
      openSite.keepTyped(fieldOf(writingFor.value), () => openSite.make(change), false)
    }
  }

  /** Puts another text in the place of this one, which the editor has not typed. */
  function replace(html: string): void {
    text.value = html
    turn.value++
    saveNow()
  }

  openSite.savesWith(saveNow)

  function saveNow(): void {
    pause.stop()
    const body = bodyOf(writingFor.value)
    if (!body || text.value === over.value || theirs.value !== undefined) return
    write(over.value)
  }

  /** Saves the text. @param base what it is written over */
  function write(base: string): void {
    const entry = writingFor.value
    const renamed = renamedHeadingIds(base, readable.value)
    const html = followInText(text.value, entry, renamed)
    if (html !== text.value) {
      // Its own links follow, too: the editor must show them.
      text.value = html
      turn.value++
    }
    const change = changeTo(html, base)
    const following = followHeadings(openSite.site!, entry, renamed)
    over.value = html
    const refused = openSite.whileTyping(fieldOf(entry), () =>
      openSite.make(
        following.length === 0
          ? change
          : {
              kind: 'batch',
              words: 'A heading renamed, and the links to it',
              changes: [change, ...following],
            },
      ),
    )
    openSite.forgetTyped(fieldOf(entry))
    if (refused === undefined) return
    over.value = base
    fault.value = refused
  }

  /** Where both windows wrote: goes on with the text of this one, over the other's, or with the other's. */
  function settle(keeps: 'mine' | 'theirs'): void {
    const other = theirs.value
    if (other === undefined) return
    if (keeps === 'theirs') return take(other)
    theirs.value = undefined
    write(other)
  }

  return { page, text, isTooLong, readable, turn, fault, theirs, type, saveNow, settle, replace }
})
