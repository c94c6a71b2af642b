import type { SingleChange } from '../plan/change/change.ts'
import { labelOf } from '../plan/entry.ts'
import type { EntryId, FileId } from '../plan/ids.ts'
import { walk } from '../plan/plan.ts'
import type { Site } from '../plan/site.ts'
import { modelOf } from '../plan/surround/piece.ts'
import type { HeadFile } from '../plan/surround/rules.ts'
import { allPieces, pickedLinksOf, piecesOf, templatesOf } from '../plan/surround/surround.ts'
import { compileBody } from '../render/body.ts'
import { filePointer } from '../pointer/pointer.ts'
import { filesInHtml } from '../render/authorHtml.ts'

/** One place that uses a file of the site. */
export interface FileUse {
  readonly where:
    | 'logo'
    | 'icon'
    | 'banner'
    | 'content'
    | 'link'
    | 'piece'
    | 'every page'
    | 'style sheet'
    | 'template'
  /** The page, or what else the place is called. */
  readonly label: string
  /** The page, where it is one. */
  readonly entry?: EntryId
}

/** The files that a part of some templates names, wherever in it they stand. */
function* filesNamedIn(value: unknown): Generator<FileId> {
  if (typeof value !== 'object' || value === null) return
  if ('to' in value && 'id' in value) {
    if (value.to === 'site-file' || value.to === 'included') yield value.id as FileId
    return
  }
  for (const one of Object.values(value)) yield* filesNamedIn(one)
}

/** The uses of files in the author's own HTML around the content. */
function* usesInTemplates({ plan, surround }: Site): Generator<readonly [FileId, FileUse]> {
  const templates = templatesOf(surround)
  if (!templates) return
  const { templates: all, menus, breadcrumbs, pagers, included, pages } = templates
  for (const template of all)
    for (const file of new Set(filesNamedIn(template.parts)))
      yield [file, { where: 'template', label: `Template “${template.name}”` }]
  for (const file of new Set(filesNamedIn([menus, breadcrumbs, pagers, included])))
    yield [file, { where: 'template', label: 'HTML around the content' }]
  for (const [id, { overrides }] of Object.entries(pages)) {
    const entry = plan.entries.get(id)
    if (!entry || overrides.length === 0) continue
    for (const file of new Set(filesNamedIn(overrides)))
      yield [file, { where: 'template', label: labelOf(entry), entry: id }]
  }
}

/** Every place of a site that uses each of its files; a file without uses is not there. */
export function fileUses(
  site: Site,
  /** The files that each style sheet of the site names, by the id of the sheet. */
  namedBySheets: ReadonlyMap<FileId, ReadonlySet<FileId>>,
): Map<FileId, FileUse[]> {
  const uses = new Map<FileId, FileUse[]>()
  const put = (file: FileId, use: FileUse) => {
    if (!site.files.has(file)) return
    const known = uses.get(file)
    if (known) known.push(use)
    else uses.set(file, [use])
  }
  if (site.settings.logo) put(site.settings.logo.file, { where: 'logo', label: 'Logo' })
  if (site.settings.icon !== null) put(site.settings.icon, { where: 'icon', label: 'Icon' })
  const { styles, scripts } = piecesOf(site.surround).headFiles
  for (const one of [...styles, ...scripts])
    if (one.from === 'site') put(one.file, { where: 'every page', label: 'Every page' })
  for (const { piece } of allPieces(site.surround)) {
    const { name: label, files } = modelOf(piece.kind)
    for (const file of files(piece)) put(file, { where: 'piece', label })
    if (piece.kind === 'html')
      for (const file of filesInHtml(piece.html)) put(file, { where: 'piece', label })
  }
  for (const { label, links } of pickedLinksOf(site.surround)) {
    for (const { target } of links) if (target.to === 'file') put(target.file, { where: 'piece', label })
  }
  for (const { entry } of walk(site.plan)) {
    if (entry.kind === 'link' && entry.target.to === 'file')
      put(entry.target.file, { where: 'link', label: labelOf(entry), entry: entry.id })
    if (entry.kind !== 'page') continue
    const use = { label: labelOf(entry), entry: entry.id }
    if (entry.banner) put(entry.banner.file, { where: 'banner', ...use })
    const shown = compileBody(entry.body).pointers.flatMap(({ to, id }) => (to === 'site-file' ? [id] : []))
    for (const file of new Set(shown)) put(file, { where: 'content', ...use })
  }
  for (const [file, use] of usesInTemplates(site)) put(file, use)
  for (const [sheet, files] of namedBySheets) {
    const label = site.files.get(sheet)?.path ?? 'A style sheet'
    for (const file of files) put(file, { where: 'style sheet', label })
  }
  return uses
}

/**
 * The changes that take a file away with what cannot be without it: logo, icon, banners and lists of the surround do without;
 * main content and own HTML show what the picture says in its place.
 */
export function removalOf(site: Site, file: FileId): SingleChange[] {
  const changes: SingleChange[] = []
  if (site.settings.logo?.file === file) changes.push({ kind: 'setSite', field: 'logo', value: null })
  if (site.settings.icon === file) changes.push({ kind: 'setSite', field: 'icon', value: null })
  for (const entry of site.plan.entries.values()) {
    if (entry.kind === 'page' && entry.banner?.file === file)
      changes.push({ kind: 'setEntry', entry: entry.id, field: 'banner', value: null })
  }
  for (const { piece } of allPieces(site.surround)) {
    if (piece.kind === 'banner' && piece.picture?.file === file)
      changes.push({ kind: 'setPiece', piece: { ...piece, picture: null } })
  }
  const { headFiles } = piecesOf(site.surround)
  const isOther = (one: HeadFile) => one.from !== 'site' || one.file !== file
  if (![...headFiles.styles, ...headFiles.scripts].every(isOther)) {
    const value = {
      ...headFiles,
      styles: headFiles.styles.filter(isOther),
      scripts: headFiles.scripts.filter(isOther),
    }
    changes.push({ kind: 'setSurround', field: 'headFiles', value })
  }
  const path = site.files.get(file)?.path
  const gone = path === undefined ? [] : [{ to: filePointer(file), path, label: '' }]
  return [...changes, { kind: 'removeFile', file, gone }]
}
