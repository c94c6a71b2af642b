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

/** Prepares what tells the links around the content of each page. */
export function templateLinks(site: Site, templates: Templates): (page: EntryId) => TemplateLinks {
  const writer = createTemplateWriter(site, templates)
  const menus = new Map(templates.menus.map((pattern) => [pattern.id, pattern]))
  const included = new Map(templates.included.map((one) => [one.file, one]))
  return (page) => {
    const menu: (EntryId | 'elsewhere')[] = []
    const around: (EntryId | 'elsewhere')[] = []
    const put = new Set<string>()
    const takeBits = (bits: Bits) => {
      for (const bit of bits) {
        if (typeof bit === 'string' || !('to' in bit)) continue
        switch (bit.to) {
          case 'entry':
            around.push(bit.id)
            break
          case 'site-file':
            break
          case 'included':
            // Once: a part that puts itself in would not end.
            if (put.has(bit.id)) break
            put.add(bit.id)
            for (const part of included.get(bit.id)?.parts ?? []) take(part)
            break
        }
      }
    }
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
          takeBits(part.bits)
          break
        case 'own':
          takeBits(part.usual)
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
      takeBits(bits)
      at = Math.max(at, to)
    }
    for (; at < parts.length; at++) take(parts[at]!)
    return { menu, around }
  }
}
