import * as v from 'valibot'
import type { Site } from '../plan/site.ts'

/** How a web server leads on from an address that has moved, beside or instead of pages that do. */
export const REDIRECT_RULES = ['none', 'apache', 'nginx'] as const
export type RedirectRules = (typeof REDIRECT_RULES)[number]

/** How pages put in what they share from files of its own, on a server that does that. */
export const INCLUDES = ['none', 'php', 'ssi'] as const
export type IncludesBy = (typeof INCLUDES)[number]

const yesNo = v.boolean('must be true or false')

/** What a host gets beside the pages and files of the site. */
export const outputChoicesSchema = v.strictObject({
  /** `sitemap.xml`, for search engines. */
  sitemap: yesNo,
  /** `robots.txt`, for search engines. */
  robots: yesNo,
  /** A page at each address that leads on. */
  redirectPages: yesNo,
  /** What the web server itself is told of redirects and of the 404 page. */
  rules: v.picklist(REDIRECT_RULES, 'must be none, apache or nginx'),
  /** Whether what pages share stands in files of its own, that the web server puts in. */
  includes: v.picklist(INCLUDES, 'must be none, php or ssi'),
})
export type OutputChoices = v.InferOutput<typeof outputChoicesSchema>

/** What suits any host. */
export const USUAL_CHOICES: OutputChoices = {
  sitemap: true,
  robots: true,
  redirectPages: true,
  rules: 'none',
  includes: 'none',
}

/** What a site gets of which nothing was said: existing pages, which keep their addresses, come out with nothing beside them. */
export function usualChoices({ settings }: Pick<Site, 'settings'>): OutputChoices {
  return settings.layout === 'own' ? { ...USUAL_CHOICES, sitemap: false, robots: false } : USUAL_CHOICES
}
