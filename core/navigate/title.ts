import { labelOf, type PageEntry } from '../plan/entry.ts'
import { ancestorsOf } from '../plan/plan.ts'
import type { Site } from '../plan/site.ts'

const PART = /\{(title|section|site|tagline)\}/

/** The top-level section that a page is in, by its label; none of the home page and of sections themselves. */
function sectionOf({ plan }: Pick<Site, 'plan'>, page: PageEntry): string {
  const section = plan.entries.get(ancestorsOf(plan, page.id)[1] ?? '')
  return section ? labelOf(section) : ''
}

/**
 * The document title of a page, by the pattern of the site; the home page has a pattern of its own. A part that is empty
 * takes what stands between it and the part before it along. A page always has a title.
 */
export function documentTitle(site: Pick<Site, 'plan' | 'settings'>, page: PageEntry): string {
  const { plan, settings } = site
  const pattern = page.id === plan.home ? settings.homeTitlePattern : settings.titlePattern
  const parts: Readonly<Record<string, string>> = {
    title: page.title,
    section: sectionOf(site, page),
    site: settings.name,
    tagline: settings.tagline,
  }
  // Texts and names of parts by turns: text, name, text, name, text.
  const [first = '', ...rest] = pattern.split(PART)
  let title = first
  let isBegun = rest.length === 0
  /** What stands before the next part that has something to say. */
  let between = ''
  for (let at = 0; at < rest.length; at += 2) {
    const part = parts[rest[at]!]!.trim()
    const after = rest[at + 1]!
    if (part !== '') {
      title += between + part
      isBegun = true
      between = after
    } else if (isBegun) between = /[([]\s*$/.test(between) ? after.replace(/^\s*[)\]]/, '') : after
  }
  return (isBegun ? title + between : '').trim() || page.title
}

/** The first heading of a page: its own when the author gave one, else its title. */
export function firstHeading(page: PageEntry): string {
  return page.heading || page.title
}
