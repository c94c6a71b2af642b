import type { SiteRule } from '../rule.ts'
import { keyOf, menusOf, CONSISTENT } from './menuTexts.ts'

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
