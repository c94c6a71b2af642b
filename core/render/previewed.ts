import type { Site } from '../plan/site.ts'
import { templatesOf, withTemplates } from '../plan/surround/surround.ts'

const known = new WeakMap<Site, { readonly top: string; readonly shown: Site }>()

/**
 * A site as previews write it. They stand under an address of their own, where links from the top of the site, and whole
 * ones, would lead out of them: these are relative there, or start from the top of the preview in an author's own HTML, and
 * all else is as it will come out.
 * @param top the path of the preview, `/` at both ends
 */
export function previewed(site: Site, top: string): Site {
  const templates = templatesOf(site.surround)
  const { linkStyle, notFound } = site.settings
  if (linkStyle === 'relative' && notFound === null && !templates) return site
  const before = known.get(site)
  if (before?.top === top) return before.shown
  const baseUrl = templates && site.settings.baseUrl !== '' ? top : site.settings.baseUrl
  const shown: Site = {
    ...site,
    settings: { ...site.settings, linkStyle: 'relative', notFound: null, baseUrl },
    surround: templates ? withTemplates(site.surround, { ...templates, root: top }) : site.surround,
  }
  known.set(site, { top, shown })
  return shown
}
