import type { PageEntry } from '../plan/entry.ts'
import type { Site } from '../plan/site.ts'

/** The document title of a page, by the pattern of the site; the home page has a pattern of its own. */
export function documentTitle({ plan, settings }: Pick<Site, 'plan' | 'settings'>, page: PageEntry): string {
  const pattern = page.id === plan.home ? settings.homeTitlePattern : settings.titlePattern
  const parts: Readonly<Record<string, string>> = {
    title: page.title,
    site: settings.name,
    tagline: settings.tagline,
  }
  return pattern.replace(/\{(title|site|tagline)\}/g, (_, name: string) => parts[name]!)
}

/** The first heading of a page: its own when the author gave one, else its title. */
export function firstHeading(page: PageEntry): string {
  return page.heading || page.title
}
