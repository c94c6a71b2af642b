import { mediaTypeOf } from '../plan/file.ts'
import type { PiecesSite, Site } from '../plan/site.ts'
import type { HeadFile } from '../plan/surround/rules.ts'
import { escapeAttribute } from '../standard/escape.ts'
import { generatedPaths } from '../address/generated.ts'
import type { Links } from './links.ts'

/**
 * The links to the icon of a site: https://html.spec.whatwg.org/multipage/links.html#rel-icon. A telephone that puts a site
 * beside its programs takes a picture in pixels: common practice.
 */
function iconElements({ settings, files }: Site, links: Links): string[] {
  const file = settings.icon === null ? undefined : files.get(settings.icon)
  const href = file && links.toFile(file.id)
  if (href === undefined) return []
  const type = mediaTypeOf(file!.path)
  const sizes = type === 'image/svg+xml' ? ' sizes="any"' : ''
  return [
    `<link rel="icon" href="${href}" type="${type}"${sizes}>`,
    ...(type === 'image/png' ? [`<link rel="apple-touch-icon" href="${href}">`] : []),
  ]
}

/**
 * The lines that name the icon, the style sheets and scripts of a site, the same on all pages of a folder: ours first, so that the
 * author's have the last word.
 */
export function headFileLines(site: PiecesSite, links: Links): string {
  const { ourStyles, ourScript, styles, scripts } = site.surround.headFiles
  const ours = generatedPaths(site)
  const addresses = (own: readonly HeadFile[]) =>
    own.flatMap((one) => {
      const href = one.from === 'elsewhere' ? escapeAttribute(one.url) : links.toFile(one.file)
      return href === undefined ? [] : [href]
    })
  const sheet = (href: string) => `<link rel="stylesheet" href="${href}">`
  const elements = [
    ...iconElements(site, links),
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
