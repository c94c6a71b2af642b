import type { LinkWay } from '@viatica/core/statistics/linkPicture.ts'

/** What the ways of linking are called. */
export const WAY_WORDS: Readonly<Record<LinkWay, string>> = {
  text: 'text',
  pager: 'pager',
  breadcrumb: 'breadcrumb',
  menu: 'menu',
  footer: 'footer',
  around: 'other parts',
}
