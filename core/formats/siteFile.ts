import { findNodeAtLocation, parse, type ParseError, parseTree, printParseErrorCode } from 'jsonc-parser'
import * as v from 'valibot'
import { branchForJson, type BranchForJson, entriesOfBranch } from '../plan/branch.ts'
import { type Entry, FIELDS_OF_KIND, type EntryField, pageSchema } from '../plan/entry.ts'
import type { EntryId } from '../plan/ids.ts'
import type { SiteFile } from '../plan/file.ts'
import { goneList } from '../plan/gone.ts'
import { MAX_LEVELS } from '../plan/plan.ts'
import { filesByPath, type SettingName, settingSchemas, type Site } from '../plan/site.ts'
import { siteFault } from '../plan/siteFault.ts'
import { earlierSiteDataEntries, fromSiteData, siteDataEntries } from '../plan/siteData.ts'
import { recordOf } from '../standard/record.ts'
import { isSameData } from '../standard/sameData.ts'
import { tooDeepAt } from './jsonDepth.ts'
import { checkSize, InputFault, placeIn } from './inputFault.ts'

const FORMAT = 'viatica-site'

/** The most that a site file can have: the files of a site in base64, and its plan. Counted in characters. */
export const MAX_SITE_FILE = 110_000_000

/** Of a longer text no place is looked for: that would take many times its room. */
const MOST_LOCATED = 2_000_000

/** Each level of the plan opens a list and an object; bodies and settings need a few more. */
const MAX_JSON_DEPTH = 2 * MAX_LEVELS + 8

/** Version 2 has pieces and templates beside each other; see `surroundOfNow`. */
const VERSIONS = [2, 3] as const
const VERSION = 3

const fileEntries = {
  format: v.literal(FORMAT, `must be "${FORMAT}": this is not a site file`),
  /** The bytes of the files by key, in base64. */
  contents: v.optional(recordOf(v.pipe(v.string(), v.check(isBase64, 'must be base64'))), {}),
}

const fileSchema = v.variant(
  'version',
  [
    v.strictObject({ ...fileEntries, version: v.literal(2), ...earlierSiteDataEntries }),
    v.strictObject({ ...fileEntries, version: v.literal(VERSION), ...siteDataEntries }),
  ],
  `must be ${VERSIONS.join(' or ')}: this is not a site file, or one of a later version`,
)

/** A site as it stands in a site file, with the bytes of its files in base64 under their keys. */
export interface ReadSite {
  readonly site: Site
  readonly contents: ReadonlyMap<string, string>
}

/** Stops at the first bracket that is too deep, before anything that calls itself for each level reads the file. */
function checkDepth(text: string): void {
  const deep = tooDeepAt(text, MAX_JSON_DEPTH)
  if (deep !== undefined)
    throw new InputFault(`The plan has more than ${MAX_LEVELS} levels.`, placeIn(text, deep))
}

function readJson(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    if (text.length > MOST_LOCATED) throw new InputFault('This is not a site file, or it is cut off.')
    const errors: ParseError[] = []
    parse(text, errors, { disallowComments: true })
    const first = errors[0]
    const what = first
      ? printParseErrorCode(first.error)
          .replace(/([a-z])([A-Z])/g, '$1 $2')
          .toLowerCase()
      : 'not JSON'
    throw new InputFault(
      `This is not a site file, or it is cut off (JSON: ${what}).`,
      placeIn(text, first?.offset ?? 0),
    )
  }
}

/** RFC 4648, section 4. A pattern for the whole would need room for every group of an 80 MB text. */
function isBase64(text: string): boolean {
  return text.length % 4 === 0 && !/[^A-Za-z0-9+/]/.test(text.replace(/={1,2}$/, ''))
}

/** RFC 4648, section 4: three bytes in four characters. */
function bytesInBase64(text: string): number {
  const padding = text.endsWith('==') ? 2 : text.endsWith('=') ? 1 : 0
  return (text.length / 4) * 3 - padding
}

/**
 * Reads a site file.
 * @throws InputFault, with the place, for anything that is not a sound site file
 */
export const readSiteFile = (text: string): ReadSite =>
  readSiteText(text, ({ content }, contents) =>
    Object.hasOwn(contents, content) ? bytesInBase64(contents[content]!) : undefined,
  )

/**
 * Reads the text of a site file, whose bytes may stand elsewhere.
 * @param sizeOf how many bytes a file has; undefined for one whose bytes are missing
 * @throws InputFault, with the place, for anything that is not a sound site file
 */
export function readSiteText(
  text: string,
  sizeOf: (file: SiteFile, contents: Readonly<Record<string, string>>) => number | undefined,
): ReadSite {
  checkSize(text, MAX_SITE_FILE)
  checkDepth(text)
  const result = v.safeParse(fileSchema, readJson(text), { abortEarly: true })
  if (!result.success) {
    const issue = result.issues[0]
    const path = (issue.path ?? []).map((item) => item.key as string | number)
    const what = `${path.join('.') || 'The file'}: ${issue.message}`
    const tree = text.length > MOST_LOCATED ? undefined : parseTree(text)
    if (!tree) throw new InputFault(what)
    const node = findNodeAtLocation(tree, path) ?? findNodeAtLocation(tree, path.slice(0, -1)) ?? tree
    throw new InputFault(what, placeIn(text, node.offset))
  }
  const { contents, ...data } = result.output
  const sized = data.files.map((file) => {
    const size = sizeOf(file, contents)
    if (size === undefined) throw new InputFault(`The contents of ${file.path} are missing.`)
    return { ...file, size }
  })
  const files = new Map(sized.map((file) => [file.id, file]))
  const ids = new Set<EntryId>()
  for (const { entry } of entriesOfBranch(data.plan)) {
    if (ids.has(entry.id)) throw new InputFault(`Two entries have the id "${entry.id}".`)
    ids.add(entry.id)
  }
  if (files.size < data.files.length) throw new InputFault('Two files have the same id.')
  const site: Site = { ...fromSiteData(data), files }
  const fault = siteFault(site)
  if (fault) throw new InputFault(fault)
  return { site, contents: new Map(Object.entries(contents)) }
}

/** What each field is when the file does not say; a title is always said. */
const USUAL: Partial<Record<EntryField, unknown>> = {
  ...v.parse(pageSchema, { id: 'x', kind: 'page', title: 'x' }),
  title: undefined,
}

/** An entry of the file: what is as it would be anyway is left out. */
function entryForFile(entry: Entry, entries: readonly BranchForJson[]): object {
  const fields: Partial<Record<EntryField, unknown>> = entry
  const kept: Record<string, unknown> = { kind: entry.kind, id: entry.id }
  for (const field of FIELDS_OF_KIND[entry.kind]) {
    if (!isSameData(fields[field], USUAL[field])) kept[field] = fields[field]
  }
  if (entries.length > 0) kept['entries'] = entries
  return kept
}

/**
 * Writes a site as a site file. Reading it again gives the same site, and writing that the same text.
 * @param contents the bytes of the files in base64, by key
 */
export const writeSiteFile = (site: Site, contents: ReadonlyMap<string, string>): string =>
  `${JSON.stringify(siteFileData(site, contents), null, SITE_FILE_INDENT)}\n`

/** How a site file is indented. */
export const SITE_FILE_INDENT = 2

/** What a site file holds, to be written as JSON. @param contents the bytes of the files in base64, by key */
export function siteFileData(site: Site, contents: ReadonlyMap<string, string>): object {
  const { settings, surround, plan, gone } = site
  return {
    format: FORMAT,
    version: VERSION,
    settings: Object.fromEntries(
      (Object.keys(settingSchemas) as SettingName[]).map((name) => [name, settings[name]]),
    ),
    surround,
    // How large they are is told by their bytes.
    files: filesByPath(site).map(({ size: _, ...file }) => file),
    plan: branchForJson(plan, plan.home, entryForFile),
    ...(gone.size === 0 ? {} : { gone: goneList(gone) }),
    contents: Object.fromEntries([...contents].sort(([a], [b]) => (a < b ? -1 : 1))),
  }
}
