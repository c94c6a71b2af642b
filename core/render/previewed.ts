import type { Site } from '../plan/site.ts'

const known = new WeakMap<Site, Site>()

/**
 * A site as previews write it. They stand under an address of their own, where links from the top of the site, and whole
 * ones, would lead out of them: these are relative there, and all else is as it will come out.
 */
export function previewed(site: Site): Site {
  if (site.settings.linkStyle === 'relative') return site
  let relative = known.get(site)
  if (!relative) {
    relative = { ...site, settings: { ...site.settings, linkStyle: 'relative' } }
    known.set(site, relative)
  }
  return relative
}
