import type { Change } from '../plan/change/change.ts'
import { guarded } from '../plan/change/guard.ts'
import type { EntryId } from '../plan/entry.ts'
import type { Site } from '../plan/site.ts'
import type { Bits, Override, PageMaking, Templates } from '../plan/surround/templates.ts'
import { createTemplateWriter } from '../template/write.ts'

/** The change that sets the templates of a site to something else; undefined for a site without. */
function changed(site: Site, edit: (templates: Templates) => Templates): Change | undefined {
  const { templates } = site.surround
  return templates
    ? guarded(site, { kind: 'setSurround', field: 'templates', value: edit(templates) })
    : undefined
}

function withMaking(site: Site, page: EntryId, edit: (making: PageMaking) => PageMaking): Change | undefined {
  const { templates } = site.surround
  if (!templates) return undefined
  const making = createTemplateWriter(site, templates).makingOf(page)
  return changed(site, (all) => ({ ...all, pages: { ...all.pages, [page]: edit(making) } }))
}

/** Writes a text of a template otherwise, on all pages that are made with it. @param at the number of the part */
export const setTemplateText = (site: Site, template: string, at: number, bits: Bits): Change | undefined =>
  changed(site, (all) => ({
    ...all,
    templates: all.templates.map((one) =>
      one.id === template
        ? {
            ...one,
            parts: one.parts.map((part, n) => (n === at && part.kind === 'text' ? { ...part, bits } : part)),
          }
        : one,
    ),
  }))

/** Makes a page with another template. What it keeps of its own stood in the one before: it is not taken over. */
export const setTemplateOf = (site: Site, page: EntryId, template: string): Change | undefined =>
  withMaking(site, page, (making) => ({ ...making, template, overrides: [] }))

/** Brings what a page keeps into line with its template. */
export const dropOverride = (site: Site, page: EntryId, override: Override): Change | undefined =>
  withMaking(site, page, (making) => ({
    ...making,
    overrides: making.overrides.filter((one) => one !== override),
  }))
