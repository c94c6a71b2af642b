import { pageAtPath } from '@viatica/core/address/addresses.ts'
import { type PageLine, pageSources } from '@viatica/core/compare/pages.ts'
import type { Site } from '@viatica/core/plan/site.ts'
import { thisYear } from '@viatica/core/standard/date.ts'

const IS_PAGE = /\.(?:html?|php|shtml)$/i

/** Returns what reads the lines of a published page with its parts; undefined for a file that is no page. */
export function readerOf(
  site: Site,
  path: string,
): ((text: string) => readonly Pick<PageLine, 'text' | 'region'>[]) | undefined {
  if (!IS_PAGE.test(path)) return undefined
  const sources = pageSources(site, thisYear())
  const page = pageAtPath(site, path)
  return (text) => sources.published(page, text)
}
