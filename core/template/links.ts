import { wayTo } from '../navigate/breadcrumb.ts'
import { hereMark, indexOfMenu, itemsShown, type MenuItem, targetOfEntry } from '../navigate/menu.ts'
import type { LinkTarget } from '../plan/entry.ts'
import type { EntryId } from '../plan/ids.ts'
import type { TemplatesSite } from '../plan/site.ts'
import { menuOf } from '../plan/surround/surround.ts'
import type { Bits, TemplatePart } from '../plan/surround/templates.ts'
import { isWrittenAsLink } from './items.ts'
import { pagerValues } from './pager.ts'
import { createTemplateWriter } from './write.ts'

type Leads = EntryId | 'elsewhere'

/** The links of one part around the content of a page that is made with a template: to pages, or elsewhere. */
export interface LinksOfPart {
  readonly of: 'menu' | 'breadcrumb' | 'pager' | 'header' | 'footer'
  readonly links: readonly Leads[]
}

const leads = (target: LinkTarget | undefined): Leads[] =>
  target === undefined ? [] : [target.to === 'entry' ? target.entry : 'elsewhere']

/** The links of the items of a menu. @param isLink whether an item is written as a link */
const ofItems = (
  items: readonly MenuItem[],
  isLink: (item: MenuItem, level: number) => boolean,
  level = 1,
): Leads[] =>
  items.flatMap((item) => [
    ...(isLink(item, level) ? leads(item.target) : []),
    ...ofItems(item.items, isLink, level + 1),
  ])

/** Whether a part stands behind the content. */
const isPastContent = (parts: readonly TemplatePart[], at: number): boolean => {
  const content = parts.findIndex(({ kind }) => kind === 'content')
  return content >= 0 && at > content
}

/** Prepares what tells the links around the content of each page. */
export function templateLinks(site: TemplatesSite): (page: EntryId) => LinksOfPart[] {
  const { templates } = site.surround
  const writer = createTemplateWriter(site)
  const menus = new Map(templates.menus.map((pattern) => [pattern.id, pattern]))
  const included = new Map(templates.included.map((one) => [one.file, one]))
  return (page) => {
    const all: LinksOfPart[] = []
    const put = new Set<string>()
    const takeBits = (bits: Bits, of: 'header' | 'footer') => {
      const around: Leads[] = []
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
      if (around.length > 0) all.push({ of, links: around })
    }
    const take = (part: TemplatePart) => {
      switch (part.kind) {
        case 'menu': {
          const pattern = menus.get(part.pattern)
          const shown = pattern && menuOf(site.surround, pattern.menu)
          if (!shown) break
          const items = itemsShown(site, shown, pattern.shape, page)
          const mark = hereMark(site.plan, indexOfMenu(items), page)
          const isLink = (item: MenuItem, level: number) => isWrittenAsLink(pattern, item, level, mark)
          all.push({ of: 'menu', links: ofItems(items, isLink) })
          break
        }
        case 'breadcrumb': {
          const above = wayTo(site.plan, page).filter((id) => id !== page)
          all.push({ of: 'breadcrumb', links: above.flatMap((id) => leads(targetOfEntry(site, id))) })
          break
        }
        case 'pager': {
          // The links of the head are not seen.
          if (part.pattern === 'relations') break
          const values = Object.values(pagerValues(site, page))
          all.push({ of: 'pager', links: values.flatMap(({ target }) => leads(target)) })
          break
        }
        case 'text':
          takeBits(part.bits, part.where === 'footer' ? 'footer' : 'header')
          break
        case 'own':
          takeBits(part.usual, part.where === 'footer' ? 'footer' : 'header')
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
      takeBits(bits, isPastContent(parts, from) ? 'footer' : 'header')
      at = Math.max(at, to)
    }
    for (; at < parts.length; at++) take(parts[at]!)
    return all
  }
}
