import type { Site } from '../plan/site.ts'
import type { HeadFile } from '../plan/surround/rules.ts'
import { escapeAttribute } from '../standard/escape.ts'
import { generatedPaths } from '../address/generated.ts'
import type { Links } from './links.ts'

/**
 * The lines that name the style sheets and scripts of a site, the same on all pages of a folder: ours first, so that the
 * author's have the last word.
 */
export function headFileLines(site: Site, links: Links): string {
  const { ourStyles, ourScript, styles, scripts } = site.surround.headFiles
  const ours = generatedPaths(site)
  const addresses = (own: readonly HeadFile[]) =>
    own.flatMap((one) => {
      const href = one.from === 'elsewhere' ? escapeAttribute(one.url) : links.toFile(one.file)
      return href === undefined ? [] : [href]
    })
  const sheet = (href: string) => `<link rel="stylesheet" href="${href}">`
  const elements = [
    ...(ourStyles ? [sheet(links.toPath(ours.style))] : []),
    ...addresses(styles).map(sheet),
    // Ours runs at once, so that menus do not jump; the others when the page is there.
    ...(ourScript ? [`<script src="${links.toPath(ours.script)}"></script>`] : []),
    ...addresses(scripts).map((href) =>
      /\.mjs$/.test(href)
        ? `<script type="module" src="${href}"></script>`
        : `<script src="${href}" defer></script>`,
    ),
  ]
  return elements.map((element) => `    ${element}\n`).join('')
}
