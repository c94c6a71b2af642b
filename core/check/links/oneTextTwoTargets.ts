import type { SiteRule } from '../rule.ts'
import { keyOf, menusOf, CONSISTENT } from './menuTexts.ts'

/** One text in a menu that leads to two places. */
export const oneTextTwoTargets: SiteRule = {
  id: 'one-text-two-targets',
  group: 'links',
  severity: 'warning',
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
