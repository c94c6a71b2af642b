import { folderOf } from '../../address/relative.ts'
import type { EntryId } from '../../plan/ids.ts'
import { isOfTemplates, type TemplatesSite } from '../../plan/site.ts'
import type { Bits, Included, Spelling } from '../../plan/surround/templates.ts'
import { valueFor } from '../../standard/present.ts'
import { createTemplateWriter } from '../../template/write.ts'
import { bitsOf, bitsOfOverrides, insertedFiles } from '../insertedFiles.ts'
import { type Found, type SiteRule } from '../rule.ts'

/** Whether a reference starts at the page that it is on; without a base URL absolute ones do, too. */
const startsAtPage = ({ start }: Spelling, baseUrl: string): boolean =>
  start === 'relative' || start === 'dot' || (start === 'absolute' && baseUrl === '')

/** The parts that pages put in of which some links start at the page. */
function relativeParts({ surround: { templates }, settings }: TemplatesSite): Included[] {
  const menus = new Map(templates.menus.map((pattern) => [pattern.id, pattern]))
  return templates.included.filter(({ parts, overrides }) => {
    const isRelative = (bits: Bits) =>
      bits.some((bit) => typeof bit !== 'string' && 'to' in bit && startsAtPage(bit, settings.baseUrl))
    return (
      isRelative(bitsOf(parts)) ||
      isRelative(bitsOfOverrides(overrides)) ||
      parts.some((part) => {
        const pattern = part.kind === 'menu' ? menus.get(part.pattern) : undefined
        return pattern !== undefined && startsAtPage(pattern.spelling, settings.baseUrl)
      })
    )
  })
}

/** A part with links that start at the page, on a page in another folder than the one that they were written for. */
export const includedElsewhere: SiteRule = {
  id: 'included-in-other-folder',
  group: 'links',
  severity: 'error',
  about: 'parts in files of their own whose relative links are wrong on pages of another folder',
  source: 'URL: https://url.spec.whatwg.org/#relative-url-string',
  from: ({ site, addresses }) => [site.surround, addresses.paths, site.files, site.settings.baseUrl],
  findAll({ site, pages, addresses: { paths } }) {
    if (!isOfTemplates(site) || site.surround.templates.included.length === 0) return []
    const relative = relativeParts(site)
    if (relative.length === 0) return []
    const inserted = insertedFiles(site, createTemplateWriter(site))
    const folder = (page: EntryId) => folderOf(paths.get(page) ?? valueFor(paths, site.plan.home))
    return pages.flatMap(({ id }): Found[] => {
      const all = inserted(id)
      return relative.flatMap(({ file, from }) => {
        const path = site.files.get(file)?.path
        if (path === undefined || !all.has(file) || folder(from) === folder(id)) return []
        const words = `The links of ${path} are relative to the folder ${folder(from) || '/'}. They are wrong on this page, which is in ${folder(id) || '/'}.`
        return [{ place: { in: 'entry', entry: id }, words, gist: `${file} ${folder(from)}` }]
      })
    })
  },
}
