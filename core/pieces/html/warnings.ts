import { htmlFaults } from '../../content/htmlFaults.ts'
import type { Site } from '../../plan/site.ts'
import type { PieceOf } from '../../plan/surround/piece.ts'
import { elementsOf, parseMainContent } from '../../standard/fragment.ts'

export function htmlWarnings(site: Site, { html }: PieceOf<'html'>): string[] {
  const warnings = htmlFaults(html).map(({ line, what }) => `Line ${line}: ${what}.`)
  for (const { element } of elementsOf(parseMainContent(html, true))) {
    const line = element.sourceCodeLocation?.startLine ?? 1
    if (element.tagName === 'h1')
      warnings.push(`Line ${line}: each page has a heading of the first level already.`)
    const name = element.attrs.find((one) => one.name === 'menu')?.value
    if (element.tagName === 'put-menu' && !site.surround.menus.some((menu) => menu.name === name))
      warnings.push(`Line ${line}: there is no menu called “${name ?? ''}”.`)
  }
  return warnings
}
