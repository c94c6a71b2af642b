import { readList } from '../formats/list.ts'
import type { EntryId } from '../plan/ids.ts'
import { applyChange } from '../plan/change/apply.ts'
import { newSite, type Site } from '../plan/site.ts'
import type { Starter } from './outlines.ts'

/**
 * A new site from an outline.
 * @param newId gives the ids of its entries, the home page first
 */
export function siteFromStarter(starter: Starter, name: string, newId: () => EntryId): Site {
  const empty = newSite(name, newId())
  const { branches } = readList(starter.list, { newId })
  const { home } = empty.plan
  const { site } = applyChange(empty, { kind: 'add', parent: home, place: 0, branches: [...branches] })
  const { surround } = site
  const menus = surround.menus.map((menu) =>
    menu.kind === 'plan' ? { ...menu, depth: starter.menuDepth } : menu,
  )
  return {
    ...site,
    settings: { ...site.settings, ...starter.settings },
    surround: { ...surround, menus, words: starter.words ?? {} },
  }
}
