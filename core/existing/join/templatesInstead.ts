import { type FileSource, type OutputFile, sharedFiles } from '../../formats/archive.ts'
import { bytesOfText } from '../../formats/textBytes.ts'
import { applyChange } from '../../plan/change/apply.ts'
import type { Change, SingleChange } from '../../plan/change/change.ts'
import { pageSchema, type PageEntry } from '../../plan/entry.ts'
import type { EntryId } from '../../plan/ids.ts'
import { entryOf } from '../../plan/plan.ts'
import type { Site, TemplatesSite } from '../../plan/site.ts'
import type { Menu } from '../../plan/surround/menu.ts'
import { MAX_MENUS, withTemplates } from '../../plan/surround/surround.ts'
import type { PageMaking, Templates } from '../../plan/surround/templates.ts'
import { createPageWriter } from '../../render/pageWriter.ts'
import { bring, type Step } from '../bring.ts'
import type { FoundFile } from '../intake/folderFiles.ts'
import { contentOf } from '../template/build.ts'
import { claimId, type IdOf, Sources } from '../template/source.ts'
import { makingsFor } from './makings.ts'
import { knownIds, pagesOf } from './standing.ts'
import * as v from 'valibot'
import { isSameData } from '../../standard/sameData.ts'
import { valueFor } from '../../standard/present.ts'

/** A site of pieces on its way to templates. Nothing is changed yet. */
export interface Turned {
  readonly change: Change
  /** What Viatica made for all pages, and is a file of the site from then on: by the key that the change has for it. */
  readonly contents: ReadonlyMap<string, OutputFile>
}

const NO_BYTES = new Uint8Array()

const bytesOf = (source: FileSource): Uint8Array =>
  'text' in source ? bytesOfText({ text: source.text }) : NO_BYTES

/** The menus of what was read under ids of the site: one that the site has already is that. */
function menusFor({ surround }: Site, found: readonly Menu[]) {
  const bare = ({ id: _, name: __, ...menu }: Menu) => menu
  const taken = new Set(surround.menus.map(({ id }) => id))
  const ids = new Map<string, string>()
  const added: Menu[] = []
  for (const menu of found) {
    const there = surround.menus.find((one) => isSameData(bare(one), bare(menu)))
    if (there) ids.set(menu.id, there.id)
    else if (taken.size < MAX_MENUS) {
      const id = claimId(menu.id, taken)
      ids.set(menu.id, id)
      added.push({ ...menu, id })
    }
  }
  return { ids, added }
}

/**
 * Works out templates for a site of pieces: its pages are read as if their author had written them by hand. Each comes out
 * as it did, to the byte.
 * @param year that the pages are written in
 * @param tell hears what is begun
 */
export function templatesInstead(
  site: Site,
  year: number,
  tell: (step: Step) => void = () => undefined,
): Turned {
  const writer = createPageWriter(site, year)
  const known = knownIds(site)
  const pages = pagesOf(site).map(([id, path]): FoundFile => ({
    path,
    bytes: bytesOfText({ text: () => writer.page(id) }),
  }))
  const shared = sharedFiles(site)
  const others = [...site.files.values()].map(({ path }): FoundFile => ({ path, bytes: NO_BYTES }))
  const made = shared.map((file): FoundFile => ({ path: file.path, bytes: bytesOf(file) }))
  const brought = bring([...pages, ...others, ...made], [], tell, known)
  const found = brought.site.surround.templates

  const isMade = new Map(shared.map((file) => [file.path, file]))
  const files = [...brought.site.files.values()].filter(({ path }) => isMade.has(path))
  const newFiles = new Map(files.map(({ path, id }) => [path, id]))
  const idOf: IdOf = (path) => {
    const entry = known.entries.get(path)
    if (entry !== undefined) return { to: 'entry', id: entry }
    const file = known.files.get(path) ?? newFiles.get(path)
    return file === undefined ? undefined : { to: 'site-file', id: file }
  }
  const sources = new Sources(brought.folder, idOf)
  const { ids: menuIds, added } = menusFor(site, brought.site.surround.menus)

  const spelt = new Map<EntryId, PageMaking['spelt']>()
  const bodies: SingleChange[] = []
  for (const page of brought.folder.pages) {
    const id = valueFor(brought.ids, page.path)
    const content = brought.contentIn.get(page)
    const body = content ? contentOf(sources, page, content, found.spelling) : { html: '', spelt: {} }
    const { changed } = (entryOf(site.plan, id) as PageEntry).body
    const value = { html: body.html, changed }
    const isSound = v.is(pageSchema, { id, kind: 'page', title: 'x', body: value })
    spelt.set(id, isSound ? body.spelt : {})
    bodies.push({
      ...{ kind: 'setEntry', entry: id, field: 'body' },
      value: isSound ? value : { html: '', changed },
    })
  }
  const templates: Templates = {
    ...found,
    pages: {},
    menus: found.menus.map((pattern) => ({ ...pattern, menu: menuIds.get(pattern.menu) ?? pattern.menu })),
  }
  const before: SingleChange[] = [
    ...files.map((file): SingleChange => ({ kind: 'addFile', file })),
    ...added.map((menu, at): SingleChange => ({
      ...{ kind: 'addMenu', at: site.surround.menus.length + at, menu },
    })),
    ...bodies,
  ]
  const set = (value: Templates): SingleChange => ({ kind: 'setSurround', field: 'templates', value })
  const { site: ready } = applyChange(site, { kind: 'batch', changes: before })
  const after: TemplatesSite = { ...ready, surround: withTemplates(ready.surround, templates) }
  const makings = makingsFor(
    after,
    sources,
    brought,
    brought.folder.pages,
    spelt,
    (id) => found.pages[id]!.template,
  )
  const whole = {
    ...templates,
    pages: Object.fromEntries([...makings].map(([id, { making }]) => [id, making])),
  }
  return {
    change: {
      kind: 'batch',
      words: 'Templates instead of pieces',
      changes: [...before, set(whole)],
    },
    contents: new Map(files.map(({ path, content }) => [content, valueFor(isMade, path)])),
  }
}
