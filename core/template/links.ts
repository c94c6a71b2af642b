import { wayTo } from '../navigate/breadcrumb.ts'
import { itemsShown, type MenuItem, targetOfEntry } from '../navigate/menu.ts'
import type { EntryId, LinkTarget } from '../plan/entry.ts'
import type { Site } from '../plan/site.ts'
import { menuOf } from '../plan/surround/surround.ts'
import type { Bits, TemplatePart, Templates } from '../plan/surround/templates.ts'
import { pagerValues } from './pager.ts'
import { createTemplateWriter } from './write.ts'

/** The links around the content of a page that is made with a template: to pages, or elsewhere. */
interface TemplateLinks {
  readonly menu: readonly (EntryId | 'elsewhere')[]
  readonly around: readonly (EntryId | 'elsewhere')[]
}

const leads = (target: LinkTarget | undefined): (EntryId | 'elsewhere')[] =>
  target === undefined ? [] : [target.to === 'entry' ? target.entry : 'elsewhere']

const ofItems = (items: readonly MenuItem[]): (EntryId | 'elsewhere')[] =>
  items.flatMap((item) => [...leads(item.target), ...ofItems(item.items)])

const ofBits = (bits: Bits): EntryId[] =>
  bits.flatMap((bit) => (typeof bit !== 'string' && 'to' in bit && bit.to === 'entry' ? [bit.id] : []))

/** Prepares what tells the links around the content of each page. */
export function templateLinks(site: Site, templates: Templates): (page: EntryId) => TemplateLinks {
  const writer = createTemplateWriter(site, templates)
  const menus = new Map(templates.menus.map((pattern) => [pattern.id, pattern]))
  return (page) => {
    const menu: (EntryId | 'elsewhere')[] = []
    const around: (EntryId | 'elsewhere')[] = []
    const take = (part: TemplatePart) => {
      switch (part.kind) {
        case 'menu': {
          const pattern = menus.get(part.pattern)
          const shown = pattern && menuOf(site.surround, pattern.menu)
          if (shown) menu.push(...ofItems(itemsShown(site, shown, pattern.shape, page)))
          break
        }
        case 'breadcrumb':
          for (const id of wayTo(site.plan, page))
            if (id !== page) around.push(...leads(targetOfEntry(site, id)))
          break
        case 'pager':
          if (part.pattern === 'relations') break
          for (const value of Object.values(pagerValues(site, page))) around.push(...leads(value.target))
          break
        case 'text':
          around.push(...ofBits(part.bits))
          break
        case 'own':
          around.push(...ofBits(part.usual))
          break
        case 'title':
        case 'description':
        case 'heading':
        case 'content':
          break
      }
    }
    const { parts } = writer.templateOf(page)
    let at = 0
    for (const { from, to, bits, over } of writer.makingOf(page).overrides) {
      for (; at < from && at < parts.length; at++) take(parts[at]!)
      // What is only written otherwise leads where the plan says.
      if (over !== undefined) continue
      around.push(...ofBits(bits))
      at = Math.max(at, to)
    }
    for (; at < parts.length; at++) take(parts[at]!)
    return { menu, around }
  }
}
