import { entryOf } from '../plan/plan.ts'
import type { Site } from '../plan/site.ts'
import { itemsBelow, type MenuItem, targetOfEntry } from './menu.ts'
import { labelOf } from '../plan/entry.ts'

/** Every page of a site: the home page, and beside it what is under it. WCAG 2.2, 2.4.5, technique G63. */
export function wholeSite(site: Site, isAll: boolean): readonly MenuItem[] {
  const { plan } = site
  const home = entryOf(plan, plan.home)
  const first =
    isAll || home.inMenu
      ? [
          {
            id: home.id,
            entry: home.id,
            label: labelOf(home),
            target: targetOfEntry(site, home.id),
            items: [],
          },
        ]
      : []
  return [...first, ...itemsBelow(site, plan.home, Infinity, isAll)]
}
