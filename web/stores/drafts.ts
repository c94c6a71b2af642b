import { defineStore } from 'pinia'
import { shallowReactive, shallowRef } from 'vue'
import { type Draft, DraftsInBrowser } from '../exchange/draftsInBrowser.ts'
import { useWindows } from './windows.ts'

/** The forms of this window whose content is not saved yet. */
export const useDrafts = defineStore('drafts', () => {
  const { mine } = useWindows()
  const stored = new DraftsInBrowser()
  const all = shallowRef<ReadonlyMap<string, Draft>>(new Map())
  /** Drafts whose forms are on the screen. */
  const shown = shallowReactive(new Set<string>())
  const adoptions = new Map<string, Promise<void>>()

  /** Takes over the drafts of a site that closed windows left; once for each site. */
  function adopt(site: string): Promise<void> {
    let adoption = adoptions.get(site)
    if (!adoption) {
      adoption = stored.adopt(site, mine).then((left) => {
        all.value = new Map([...left.map((draft) => [draft.id, draft] as const), ...all.value])
      })
      adoptions.set(site, adoption)
    }
    return adoption
  }

  function put(draft: Omit<Draft, 'window'>): void {
    const next = { ...draft, window: mine }
    all.value = new Map([...all.value, [draft.id, next]])
    stored.put(next)
  }

  function remove(id: string): void {
    if (!all.value.has(id)) return
    all.value = new Map([...all.value].filter(([other]) => other !== id))
    stored.remove(id)
  }

  return {
    adopt,
    put,
    remove,
    of: (site: string): readonly Draft[] => [...all.value.values()].filter((draft) => draft.site === site),
    /** Gives the newest draft of a form to the form that is shown now; undefined where there is none. */
    show(site: string, form: string): Draft | undefined {
      const draft = [...all.value.values()].findLast(
        (one) => one.site === site && one.form === form && !shown.has(one.id),
      )
      if (draft) shown.add(draft.id)
      return draft
    },
    hide: (id: string) => shown.delete(id),
    isShown: (id: string) => shown.has(id),
  }
})
