/** What a site can be taken away as, each by the name under which it is given out. */
export const EXPORTS = ['archive.zip', 'site.json', 'plan.opml'] as const
export type Export = (typeof EXPORTS)[number]
