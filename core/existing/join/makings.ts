import { addressesOf } from '../../address/addresses.ts'
import { markOf } from '../../plan/change/mark.ts'
import type { PageEntry } from '../../plan/entry.ts'
import type { EntryId } from '../../plan/ids.ts'
import { entryOf } from '../../plan/plan.ts'
import type { TemplatesSite } from '../../plan/site.ts'
import type { Override, PageMaking, Template } from '../../plan/surround/templates.ts'
import { itemAt, valueFor } from '../../standard/present.ts'
import { createTemplateWriter } from '../../template/write.ts'
import { isDifference } from '../../template/kept.ts'
import { writeContent } from '../../template/content.ts'
import { writingOn } from '../../template/writing.ts'
import type { Brought } from '../bring.ts'
import { meaningOf } from '../drift.ts'
import type { ReadPage } from '../pages/readPage.ts'
import { deviationsOf } from '../template/deviations.ts'
import type { Sources } from '../template/source.ts'
import { layOver } from './lying.ts'

/** How a page is made, and in how many places it differs from its template. */
export interface Making {
  readonly making: PageMaking
  readonly template: Template
  readonly differences: number
  /** What the page keeps where it is brought into line with its template. */
  readonly inLine: readonly Override[]
}

/** So many templates are tried on each page: those that most pages are made with. */
const MOST_TRIED = 12

/**
 * How pages are made with templates that were not read from them, so that every byte of them comes back.
 * @param after the site with these pages
 * @param spelt how the references of their content are written
 * @param templateOf which template each is made with; undefined for that which says most of it
 */
export function makingsFor(
  after: TemplatesSite,
  sources: Sources,
  brought: Brought,
  pages: readonly ReadPage[],
  spelt: ReadonlyMap<EntryId, PageMaking['spelt']>,
  templateOf: (id: EntryId) => string | undefined = () => undefined,
): ReadonlyMap<EntryId, Making> {
  const all = after.surround.templates
  const times = new Map(all.templates.map(({ id }) => [id, 0]))
  for (const { template } of Object.values(all.pages)) times.set(template, (times.get(template) ?? 0) + 1)
  const tried = [...all.templates]
    .sort((a, b) => valueFor(times, b.id) - valueFor(times, a.id))
    .slice(0, MOST_TRIED)
  const bare = Object.fromEntries(
    pages.map(({ path, encoding }) => {
      const id = valueFor(brought.ids, path)
      return [
        id,
        {
          template: itemAt(tried, 0).id,
          encoding: { ...encoding },
          overrides: [],
          spelt: valueFor(spelt, id),
        },
      ]
    }),
  )
  const templates = { ...all, pages: { ...all.pages, ...bare } }
  const site: TemplatesSite = { ...after, surround: { ...after.surround, templates } }
  const writer = createTemplateWriter(site)
  const published = { baseUrl: site.settings.baseUrl, root: templates.root }
  const { paths } = addressesOf(site)
  return new Map(
    pages.map((page): [EntryId, Making] => {
      const id = valueFor(brought.ids, page.path)
      const entry = entryOf(site.plan, id) as PageEntry
      const content = brought.contentIn.get(page)
      const writing = writingOn(site, valueFor(paths, id), published)
      const said = templateOf(id)
      const fits = (said === undefined ? tried : all.templates.filter((one) => one.id === said)).map(
        (template) => {
          const written = template.parts.map((part) => writer.part(id, part))
          const textOf = new Map(template.parts.map((part, at) => [part, written[at]!]))
          const lying = layOver(page.text, content, template.parts, (part) => valueFor(textOf, part))
          const found = deviationsOf(sources, page, template.parts, lying, content, {
            part: (part) => valueFor(textOf, part),
            bits: (bits) => writing.bits(bits, {}, templates.spelling),
            isContent: (text) => writeContent(site, templates, id, entry.body.html, published) === text,
          })
          const overrides = found.map(({ override, would, stretch }): Override => {
            const { folder } = brought
            const isSame = meaningOf(folder, page, stretch) === meaningOf(folder, page, stretch, would)
            return isSame && override.from < override.to ? { ...override, over: markOf(would) } : override
          })
          const kept = found.reduce(
            (sum, { stretch, would }) => sum + stretch.end - stretch.start + would.length,
            0,
          )
          return { template, overrides, kept }
        },
      )
      const { template, overrides } = fits.reduce((best, fit) => (fit.kept < best.kept ? fit : best))
      const differs = (override: Override) =>
        isDifference(override, template.parts.slice(override.from, override.to))
      return [
        id,
        {
          template,
          differences: overrides.filter(differs).length,
          inLine: overrides.filter((override) => !differs(override)),
          making: {
            ...bare[id]!,
            template: template.id,
            overrides,
          },
        },
      ]
    }),
  )
}
