import { itemsOf, type MenuItem } from '../../navigate/menu.ts'
import type { LinkTarget } from '../../plan/entry.ts'
import type { Checked, SiteRule } from '../rule.ts'

const keyOf = (target: LinkTarget) =>
  target.to === 'entry'
    ? `${target.entry}#${target.fragment}`
    : target.to === 'file'
      ? target.file
      : target.url

function* allItems(items: readonly MenuItem[]): Generator<MenuItem> {
  for (const item of items) {
    yield item
    yield* allItems(item.items)
  }
}

/** The items of every menu that is the same on all pages. */
function menusOf({ site }: Checked) {
  return site.surround.menus.map((menu) => ({
    menu,
    items: [...allItems(itemsOf(site, menu, site.plan.home))],
  }))
}

const CONSISTENT = 'WCAG 2.2, 3.2.4: https://www.w3.org/TR/WCAG22/#consistent-identification'

/** One text in a menu that leads to two places. */
export const oneTextTwoTargets: SiteRule = {
  id: 'one-text-two-targets',
  group: 'links',
  severity: 'doubt',
  about: 'one label in a menu that leads to two places',
  source: CONSISTENT,
  from: ({ site }) => [site.plan, site.settings, site.surround.menus, site.files],
  findAll: (checked) =>
    menusOf(checked).flatMap(({ menu, items }) => {
      const targets = new Map<string, Set<string>>()
      for (const { label, target } of items) {
        if (!target) continue
        const text = label.trim().toLowerCase()
        targets.set(text, (targets.get(text) ?? new Set()).add(keyOf(target)))
      }
      return [...targets].flatMap(([text, leads]) =>
        leads.size < 2
          ? []
          : [
              {
                place: { in: 'menu' as const, menu: menu.id },
                words: `In the menu “${menu.name}”, “${text}” leads to ${leads.size} places.`,
                gist: [text, ...leads].join(' '),
              },
            ],
      )
    }),
}

/** One place that two menus call by two names. */
export const oneTargetTwoTexts: SiteRule = {
  id: 'one-target-two-texts',
  group: 'links',
  severity: 'hint',
  about: 'one place that menus call by two names',
  source: CONSISTENT,
  from: ({ site }) => [site.plan, site.settings, site.surround.menus, site.files],
  findAll(checked) {
    const names = new Map<string, { texts: Map<string, string>; menu: string }>()
    for (const { menu, items } of menusOf(checked)) {
      for (const { label, target } of items) {
        if (!target) continue
        const known = names.get(keyOf(target)) ?? { texts: new Map(), menu: menu.id }
        known.texts.set(label.trim().toLowerCase(), label)
        known.menu = menu.id
        names.set(keyOf(target), known)
      }
    }
    return [...names.values()].flatMap(({ texts, menu }) =>
      texts.size < 2
        ? []
        : [
            {
              place: { in: 'menu' as const, menu },
              words: `Menus call one place ${[...texts.values()].map((text) => `“${text}”`).join(' and ')}.`,
              gist: [...texts.keys()].sort().join(' '),
            },
          ],
    )
  },
}
