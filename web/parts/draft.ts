import { onScopeDispose, watch } from 'vue'
import { useRoute } from 'vue-router'
import { useDrafts } from '../stores/drafts.ts'

/** A form whose content outlives its screen and its window until it is saved. */
export interface DraftedForm<Content> {
  readonly site: string
  /** Names the form within the site. */
  readonly form: string
  /** Names the form for its author. */
  readonly words: string
  /** The content, as plain data; undefined while there is nothing to save. */
  readonly content: () => Content | undefined
  /** Fills the form with content that was not saved. */
  readonly restore: (content: Content) => void
}

/** Stores what is typed into a form until it is saved or discarded. @returns what discards it */
export function useDraft<Content>({ site, form, words, content, restore }: DraftedForm<Content>): () => void {
  const drafts = useDrafts()
  const route = useRoute()
  let id = crypto.randomUUID() as string
  let isOver = false

  const discard = () => drafts.remove(id)

  watch(
    content,
    (now) => {
      if (now === undefined) return discard()
      drafts.put({ id, site, form, words, at: route.fullPath, content: now })
      drafts.show(site, form)
    },
    { deep: true },
  )

  void drafts.adopt(site).then(() => {
    // What is typed already is newer.
    if (isOver || content() !== undefined) return
    const draft = drafts.show(site, form)
    if (!draft) return
    id = draft.id
    restore(draft.content as Content)
  })

  onScopeDispose(() => {
    isOver = true
    drafts.hide(id)
  })
  return discard
}
