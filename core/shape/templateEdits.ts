import type { Change } from '../plan/change/change.ts'
import { guarded } from '../plan/change/guard.ts'
import type { EntryId, TemplateId } from '../plan/ids.ts'
import { isOfTemplates, type Site, type TemplatesSite } from '../plan/site.ts'
import { templatesOf } from '../plan/surround/surround.ts'
import type {
  Bits,
  Override,
  PageMaking,
  Template,
  TemplatePart,
  Templates,
} from '../plan/surround/templates.ts'
import { itemAt } from '../standard/present.ts'
import { type FieldPlace, type Pattern, patternFields, withField } from '../template/patternFields.ts'
import { bitsOfSource, sourceOfBits } from '../template/partSource.ts'
import { createTemplateWriter } from '../template/write.ts'
import { isSameData } from '../standard/sameData.ts'

/** The change that sets the templates of a site to something else; undefined for a site without. */
function changed(site: Site, edit: (templates: Templates) => Templates): Change | undefined {
  const templates = templatesOf(site.surround)
  return templates && guarded(site, { kind: 'setSurround', field: 'templates', value: edit(templates) })
}

function withMaking(site: Site, page: EntryId, edit: (making: PageMaking) => PageMaking): Change | undefined {
  if (!isOfTemplates(site)) return undefined
  const making = edit(createTemplateWriter(site).makingOf(page))
  return guarded(site, { kind: 'setMaking', page, making })
}

/** Texts of a template that stand beside each other: the number of the first, and what they are. */
export interface TextRun {
  readonly from: number
  readonly texts: readonly Bits[]
}

/** What texts are edited of: a template, or a part that pages put in, by its file. */
export type TextsOf = { readonly template: TemplateId } | { readonly included: string }

/** The texts of a template between its holes. */
export function textRuns({ parts }: Pick<Template, 'parts'>): TextRun[] {
  const runs: { from: number; texts: Bits[] }[] = []
  parts.forEach((part, at) => {
    if (part.kind !== 'text') return
    const last = runs.at(-1)
    if (last && last.from + last.texts.length === at) last.texts.push(part.bits)
    else runs.push({ from: at, texts: [part.bits] })
  })
  return runs
}

/** How long the same beginning of two texts is, in characters that stand alone. */
function sameStart(a: string, b: string): number {
  let at = 0
  while (at < a.length && at < b.length && a[at] === b[at]) at++
  return at
}

/**
 * Writes a run of texts of a template otherwise, on all pages that are made with it or put it in. Only those of the texts are touched in
 * which something differs: what a page keeps stands in the place of single ones.
 * @param source what they say all together, with pointers
 */
export function setTemplateText(site: Site, of: TextsOf, run: TextRun, source: string): Change | undefined {
  const before = run.texts.map(sourceOfBits)
  const whole = before.join('')
  if (whole === source) return undefined
  const start = sameStart(whole, source)
  const reverse = (text: string) => [...text.slice(start)].reverse().join('')
  const end = sameStart(reverse(whole), reverse(source))
  let at = 0
  let first = -1
  let last = -1
  const places = before.map((text) => ({ from: at, to: (at += text.length) }))
  places.forEach(({ from, to }, n) => {
    if (to < start || (to === start && n < places.length - 1) || from > whole.length - end) return
    if (first < 0) first = n
    last = n
  })
  const now = source.slice(
    itemAt(places, first).from,
    source.length - (whole.length - itemAt(places, last).to),
  )
  const known = run.texts.slice(first, last + 1).flat()
  const edited = <Part extends TemplatePart>(parts: readonly Part[]): Part[] =>
    parts.map((part, n) => {
      const touched = n - run.from
      if (part.kind !== 'text' || touched < first || touched > last) return part
      return { ...part, bits: touched === first ? [...bitsOfSource(now, known)] : [] }
    })
  return changed(site, (all) =>
    'template' in of
      ? {
          ...all,
          templates: all.templates.map((one) =>
            one.id === of.template ? { ...one, parts: edited(one.parts) } : one,
          ),
        }
      : {
          ...all,
          included: all.included.map((one) =>
            one.file === of.included ? { ...one, parts: edited(one.parts) } : one,
          ),
        },
  )
}

/** Makes a page with another template. What it keeps of its own stood in the one before: it is not taken over. */
export const setTemplateOf = (site: Site, page: EntryId, template: TemplateId): Change | undefined =>
  withMaking(site, page, (making) => ({ ...making, template, overrides: [] }))

/** Brings what a page keeps into line with its template. */
export const dropOverride = (site: Site, page: EntryId, override: Override): Change | undefined =>
  withMaking(site, page, (making) => ({
    ...making,
    overrides: making.overrides.filter((one) => one !== override),
  }))

/** The pattern of a part of a template; undefined for one that has none. */
export function patternOf(
  { menus, breadcrumbs, pagers }: Templates,
  part: TemplatePart,
): Pattern | undefined {
  switch (part.kind) {
    case 'menu': {
      const pattern = menus.find(({ id }) => id === part.pattern)
      return pattern && { kind: part.kind, pattern }
    }
    case 'breadcrumb': {
      const pattern = breadcrumbs.find(({ id }) => id === part.pattern)
      return pattern && { kind: part.kind, pattern }
    }
    case 'pager': {
      const pattern = pagers.find(({ id }) => id === part.pattern)
      return pattern && { kind: part.kind, pattern }
    }
    case 'text':
    case 'title':
    case 'description':
    case 'heading':
    case 'content':
    case 'own':
      return undefined
  }
}

/** Templates with another pattern in the place of the one with its id. */
function withPattern(templates: Templates, { kind, pattern }: Pattern): Templates {
  const inPlace = <One extends { readonly id: string }>(all: readonly One[], next: One) =>
    all.map((one) => (one.id === next.id ? next : one))
  switch (kind) {
    case 'menu':
      return { ...templates, menus: inPlace(templates.menus, pattern) }
    case 'breadcrumb':
      return { ...templates, breadcrumbs: inPlace(templates.breadcrumbs, pattern) }
    case 'pager':
      return { ...templates, pagers: inPlace(templates.pagers, pattern) }
  }
}

/** A text of a pattern, written otherwise. @param source with holes and pointers */
export interface PatternEdit {
  readonly at: FieldPlace
  readonly source: string
}

/** A pattern with some of its texts written otherwise. @param alike whether items that are written in a way of their own give that up */
export function editedPattern(pattern: Pattern, edits: readonly PatternEdit[], alike = false): Pattern {
  const fields = patternFields(pattern)
  const edited = edits.reduce((now, { at, source }) => {
    const before = fields.find((field) => isSameData(field.at, at))?.bits ?? []
    return sourceOfBits(before) === source ? now : withField(now, at, bitsOfSource(source, before, true))
  }, pattern)
  return alike && edited.kind === 'menu' ? { kind: 'menu', pattern: { ...edited.pattern, own: {} } } : edited
}

/** Templates as they would be with an edited pattern: to see it before. */
export const templatesWith = (site: TemplatesSite, pattern: Pattern): TemplatesSite => ({
  ...site,
  surround: { ...site.surround, templates: withPattern(site.surround.templates, pattern) },
})

/** Writes a menu, breadcrumb or pager otherwise, on all pages that have it. */
export const setPattern = (site: Site, before: Pattern, after: Pattern): Change | undefined =>
  isSameData(before, after) ? undefined : changed(site, (templates) => withPattern(templates, after))
