import { Claims } from '../../address/claims.ts'
import { applyChange } from '../../plan/change/apply.ts'
import type { Change, SingleChange } from '../../plan/change/change.ts'
import { labelOf, type PageEntry, pageSchema } from '../../plan/entry.ts'
import type { EntryId, TemplateId } from '../../plan/ids.ts'
import { entryOf } from '../../plan/plan.ts'
import type { SiteFile } from '../../plan/file.ts'
import { isOfTemplates, type Site } from '../../plan/site.ts'
import { templatesOf } from '../../plan/surround/surround.ts'
import type { PageMaking } from '../../plan/surround/templates.ts'
import { fileNameFault, nameKey } from '../../standard/fileName.ts'
import { valueFor } from '../../standard/present.ts'
import { bring, type Brought, NothingToBring, type Step } from '../bring.ts'
import type { FoundFile } from '../intake/folderFiles.ts'
import { plainName, titleParts } from '../pages/folder.ts'
import { Targets } from '../pages/targets.ts'
import type { ReadPage } from '../pages/readPage.ts'
import { contentOf } from '../template/build.ts'
import { type IdOf, Sources } from '../template/source.ts'
import { type Joining, placesFor } from './branches.ts'
import { type Making, makingsFor } from './makings.ts'
import { pointedContent } from './pointed.ts'
import { knownIds, pagesOf, standingOf } from './standing.ts'
import * as v from 'valibot'

/** A page as it comes into a site. */
export interface JoinedPage {
  readonly path: string
  readonly id: EntryId
  readonly title: string
  readonly parent: EntryId
  /** The name of its template; undefined where pages are made of pieces. */
  readonly template: TemplateId | undefined
  /** In how many places it differs from that. */
  readonly differences: number
}

/** Some pages on their way into a site. Nothing is changed yet. */
export interface Joined {
  /** What puts them there; the bytes of files have keys of their own, see `withKeys`. */
  readonly change: Change
  readonly pages: readonly JoinedPage[]
  /** The bytes of the files that come along, by the keys that the change has for them. */
  readonly contents: ReadonlyMap<string, { readonly path: string; readonly bytes: Uint8Array }>
  /** What does not come in as a page, and why: nothing of it, or as a file. */
  readonly passedOver: readonly { readonly path: string; readonly reason: string }[]
}

/** What of the files can come in: the site has nothing at their paths. */
function newcomers(site: Site, found: readonly FoundFile[]) {
  const claims = new Claims(site)
  const keepsPaths = site.settings.layout === 'own'
  // In pieces, pages get addresses of their own.
  const pages = keepsPaths || isOfTemplates(site) ? pagesOf(site) : []
  const there = new Set(
    [...pages.map(([, path]) => path), ...[...site.files.values()].map(({ path }) => path)].map(nameKey),
  )
  const fresh: FoundFile[] = []
  const passedOver: { path: string; reason: string }[] = []
  for (const file of found) {
    const isThere = there.has(nameKey(file.path))
    if (isThere) passedOver.push({ path: file.path, reason: 'The site already has a file at this path.' })
    else if (keepsPaths && claims.isTaken(file.path, ''))
      passedOver.push({ path: file.path, reason: 'This path is already taken on the site.' })
    else fresh.push(file)
  }
  return { fresh, passedOver }
}

/** Some pages that were read for a site that is there. */
export interface ReadForSite {
  readonly site: Site
  readonly brought: Brought
  readonly pages: readonly ReadPage[]
  /** The files that come along. */
  readonly files: readonly SiteFile[]
  readonly sources: Sources
  readonly idOf: IdOf
  readonly passedOver: Joined['passedOver']
}

/**
 * Reads some existing pages for a site: among the pages that are there where these are the author's own HTML too.
 * @param found with their paths from the top of the site
 * @param tell hears what is begun
 * @throws NothingToBring where no page can come in
 */
export function readForSite(
  site: Site,
  found: readonly FoundFile[],
  tell: (step: Step) => void = () => undefined,
): ReadForSite {
  const { fresh, passedOver } = newcomers(site, found)
  const templates = templatesOf(site.surround)
  const standing = isOfTemplates(site) ? standingOf(site).files : []
  const known = knownIds(site)
  const isFresh = new Set(fresh.map(({ path }) => path))
  const ids = templates ? known : { ...known, entries: new Map<string, EntryId>() }
  const brought = bring([...standing, ...fresh], [], tell, ids)
  const pages = brought.folder.pages.filter(({ path }) => isFresh.has(path))
  if (pages.length === 0)
    throw new NothingToBring(
      passedOver.length > 0
        ? 'The site already has files at the paths of all these pages.'
        : 'There are no pages among these files: no .html, .htm, .xhtml, .php or .shtml.',
    )
  const files = [...brought.site.files.values()].filter(({ path }) => isFresh.has(path))
  const newFiles = new Map(files.map(({ path, id }) => [path, id]))
  const idOf: IdOf = (path) => {
    const entry = (isFresh.has(path) ? brought.ids.get(path) : undefined) ?? known.entries.get(path)
    if (entry !== undefined) return { to: 'entry', id: entry }
    const file = newFiles.get(path) ?? known.files.get(path)
    return file === undefined ? undefined : { to: 'site-file', id: file }
  }
  const { published } = brought.folder.targets
  const all = [...known.entries.keys(), ...known.files.keys(), ...isFresh]
  const sources = new Sources({ ...brought.folder, targets: new Targets(all, published) }, idOf)
  const left = brought.report.leftover.filter(({ path }) => isFresh.has(path) && !brought.ids.has(path))
  return { site, brought, pages, files, sources, idOf, passedOver: [...passedOver, ...left] }
}

/**
 * Works out how pages that were read come into their site: where each stands in the plan, what its content is, and, in a
 * site of templates, with which one it is made and where it differs from it. No byte of the pages that are there changes but
 * by what follows from the plan.
 */
export function joinPages(read: ReadForSite, joining: Joining): Joined {
  const { site, brought, pages, files, sources, idOf, passedOver } = read
  const templates = templatesOf(site.surround)
  const spelt = new Map<string, PageMaking['spelt']>()
  const empty: { path: string; reason: string }[] = []
  const entryFor = (page: ReadPage): PageEntry => {
    const id = valueFor(brought.ids, page.path)
    const content = brought.contentIn.get(page)
    const body = !content
      ? { html: '', spelt: {} }
      : templates
        ? contentOf(sources, page, content, templates.spelling)
        : { html: pointedContent(sources, page, content, idOf), spelt: {} }
    const whole = { id, kind: 'page', title: 'x', body: { html: body.html, changed: '' } }
    const checked = v.safeParse(pageSchema, whole)
    const isSound = checked.success
    // A template keeps it in its place.
    if (!checked.success && !templates)
      empty.push({
        path: page.path,
        reason: `Its content cannot be kept (${checked.issues[0].message}): the page comes in without it.`,
      })
    spelt.set(id, isSound ? body.spelt : {})
    const stem = page.path.slice(page.path.lastIndexOf('/') + 1).replace(/\.[^.]*$/, '')
    const keepsPath = site.settings.layout === 'own'
    const entry = entryOf(brought.site.plan, id) as PageEntry
    // Of a page that comes alone, nothing else tells what in its title is the name of its site.
    const own = titleParts(entry.title).find((part) => plainName(part) === plainName(entry.heading))
    return {
      ...entry,
      ...(own === undefined || entry.heading === '' ? {} : { title: entry.heading, heading: '' }),
      inMenu: joining.inMenu,
      inOrder: true,
      inSearch: true,
      pin: keepsPath ? { name: stem || 'page', addresses: [page.path] } : null,
      fileName: keepsPath || /^index$/i.test(stem) || fileNameFault(stem) !== undefined ? '' : stem,
      body: { html: isSound ? body.html : '', changed: '' },
    }
  }
  const entries = new Map(pages.map((page) => [valueFor(brought.ids, page.path), entryFor(page)]))
  const adding: SingleChange[] = [
    ...files.map((file): SingleChange => ({ kind: 'addFile', file })),
    ...placesFor(site, brought, entries, joining).map(({ parent, place, branch }): SingleChange => ({
      ...{ kind: 'add', parent, place, branches: [branch] },
    })),
  ]
  const after = applyChange(site, { kind: 'batch', changes: adding }).site
  const makings = isOfTemplates(after)
    ? makingsFor(after, sources, brought, pages, spelt)
    : new Map<EntryId, Making>()
  return {
    change: {
      kind: 'batch',
      words: pages.length === 1 ? '1 page imported' : `${pages.length} pages imported`,
      changes: [
        ...adding,
        ...[...makings].map(([page, { making, inLine }]): SingleChange => ({
          kind: 'setMaking',
          page,
          making: joining.inLine ? { ...making, overrides: [...inLine] } : making,
        })),
      ],
    },
    pages: pages.map(({ path }) => {
      const id = valueFor(brought.ids, path)
      const made = makings.get(id)
      return {
        path,
        id,
        title: labelOf(entryOf(after.plan, id)),
        parent: valueFor(after.plan.parents, id),
        template: made?.template.name,
        differences: made?.differences ?? 0,
      }
    }),
    contents: new Map(
      files.map(({ path, content }) => [content, { path, bytes: valueFor(brought.contents, content) }]),
    ),
    passedOver: [...passedOver, ...empty],
  }
}
