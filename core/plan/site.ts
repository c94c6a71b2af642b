import * as v from 'valibot'
import { isLanguageTag } from '../standard/language.ts'
import { isBaseUrl } from '../standard/target.ts'
import {
  type Entry,
  isBegun,
  type PageEntry,
  type Picture,
  pictureSchema,
  redirectTargetSchema,
} from './entry.ts'
import { type EntryId, entryIdSchema, type FileId, fileIdSchema } from './ids.ts'
import type { SiteFile } from './file.ts'
import type { GoneByPointer } from './gone.ts'
import { newPage } from './newEntry.ts'
import type { Plan } from './plan.ts'
import { sitePathSchema } from '../standard/sitePath.ts'
import { filledLine, line } from '../standard/text.ts'
import {
  type PiecesSurround,
  STANDARD_SURROUND,
  type Surround,
  type TemplatesSurround,
} from './surround/surround.ts'

export const LAYOUTS = ['flat', 'nested', 'folders', 'own'] as const
export const SEPARATORS = ['-', '_'] as const
export const EXTENSIONS = ['.html', '.htm', '.php', '.shtml'] as const
export const LINK_STYLES = ['relative', 'root', 'absolute'] as const
export const PLANNED_RULES = ['left-out', 'text', 'stand-in'] as const

/** An address that pages had, or that others took them to have, and where it should lead. */
const redirectSchema = v.strictObject({ from: sitePathSchema, to: redirectTargetSchema })
export type OwnRedirect = v.InferOutput<typeof redirectSchema>

/** What each setting of a site may hold. */
export const settingSchemas = {
  name: filledLine(200),
  tagline: line(300),
  language: v.pipe(line(35), v.check(isLanguageTag, 'must be a language tag such as en or pt-BR')),
  /** Where the site will be published, ending in `/`; empty when not known. */
  baseUrl: v.pipe(
    line(500),
    v.transform((url) => (url === '' || url.endsWith('/') ? url : `${url}/`)),
    v.check(
      (url) => url === '' || isBaseUrl(url),
      'must be an address such as https://www.example.org/ without ? or #',
    ),
  ),
  layout: v.picklist(LAYOUTS, 'must be flat, nested, folders or own'),
  /** In the flat layout: whether a file name starts with those of its sections. */
  carrySection: v.boolean('must be true or false'),
  separator: v.picklist(SEPARATORS, 'must be - or _'),
  extension: v.picklist(EXTENSIONS, 'must be .html, .htm, .php or .shtml'),
  /** Whether links start at the page, at the root of the host, or with the published address. */
  linkStyle: v.picklist(LINK_STYLES, 'must be relative, root or absolute'),
  /** Whether a link to a folder's own page names `index.html`, or stops at the folder. */
  namesIndex: v.boolean('must be true or false'),
  /** What becomes of planned pages on the site. */
  plannedPages: v.picklist(PLANNED_RULES, 'must be left-out, text or stand-in'),
  /** The page that hosts show for an address where there is none. */
  notFound: v.nullable(entryIdSchema),
  /** Redirects of the author; those of pinned pages follow from the plan. */
  redirects: v.pipe(v.array(redirectSchema), v.maxLength(5000, 'must be at most 5000 redirects')),
  /** The document title of a page, with `{title}`, `{section}`, `{site}` and `{tagline}` in it; see `documentTitle`. */
  titlePattern: filledLine(200),
  homeTitlePattern: filledLine(200),
  logo: v.nullable(pictureSchema),
  /** Whether pages have Open Graph metadata, where the base URL is known. */
  sharing: v.boolean('must be true or false'),
  /** The picture that browsers show for the site beside its name: a file. */
  icon: v.nullable(fileIdSchema),
  /** Findings that the author has set aside, by their keys, each with why. */
  setAside: v.pipe(
    v.array(v.strictObject({ key: line(300), reason: filledLine(500) })),
    v.maxLength(5000, 'must be at most 5000 findings'),
  ),
  /** Words that are spelt right here, whatever a dictionary says. */
  ownWords: v.pipe(v.array(filledLine(60)), v.maxLength(5000, 'must be at most 5000 words')),
} as const

export type SettingName = keyof typeof settingSchemas
export type Settings = { readonly [K in SettingName]: v.InferOutput<(typeof settingSchemas)[K]> }

/** The settings that a new site starts with, but for its name. */
export const DEFAULT_SETTINGS: Omit<Settings, 'name'> = {
  tagline: '',
  language: 'en',
  baseUrl: '',
  layout: 'flat',
  carrySection: false,
  separator: '-',
  extension: '.html',
  linkStyle: 'relative',
  namesIndex: true,
  plannedPages: 'left-out',
  notFound: null,
  redirects: [],
  titlePattern: '{title} · {site}',
  homeTitlePattern: '{site}',
  logo: null,
  sharing: true,
  icon: null,
  setAside: [],
  ownWords: [],
}

/** One site: what was decided for all of its pages, what stands around them, the files they use, and the plan. */
export interface Site {
  readonly settings: Settings
  readonly surround: Surround
  readonly files: ReadonlyMap<FileId, SiteFile>
  readonly plan: Plan
  /** What is remembered of pages and files that were removed. */
  readonly gone: GoneByPointer
}

/** A site whose pages are put together of pieces. */
export interface PiecesSite extends Site {
  readonly surround: PiecesSurround
}

/** A site whose pages are written from templates. */
export interface TemplatesSite extends Site {
  readonly surround: TemplatesSurround
}

export const isOfPieces = (site: Site): site is PiecesSite => site.surround.kind === 'pieces'
export const isOfTemplates = (site: Site): site is TemplatesSite => site.surround.kind === 'templates'

/** What is made in one way of a site of pieces, and in another of one of templates. */
export function byKind<Made>(
  site: Site,
  ways: { readonly pieces: (site: PiecesSite) => Made; readonly templates: (site: TemplatesSite) => Made },
): Made {
  switch (site.surround.kind) {
    case 'pieces':
      return ways.pieces(site as PiecesSite)
    case 'templates':
      return ways.templates(site as TemplatesSite)
  }
}

/** Whether an entry is a page that stands on the finished site: begun, or a stand-in for one that is planned. */
export function isWritten(
  { settings }: Pick<Site, 'settings'>,
  entry: Entry | undefined,
): entry is PageEntry {
  return entry?.kind === 'page' && (settings.plannedPages === 'stand-in' || isBegun(entry))
}

/** The files of a site by path, so that what is written does not depend on the order in which they came. */
export function filesByPath({ files }: Pick<Site, 'files'>): SiteFile[] {
  return [...files.values()].sort((a, b) => (a.path < b.path ? -1 : 1))
}

/** A site with a plan, and all else as new sites have it but for the settings given. */
export function siteWith(settings: Partial<Settings> & Pick<Settings, 'name'>, plan: Plan): Site {
  return {
    settings: { ...DEFAULT_SETTINGS, ...settings },
    surround: STANDARD_SURROUND,
    files: new Map(),
    plan,
    gone: new Map(),
  }
}

/** A site with nothing in it but a home page. */
export function newSite(name: string, home: EntryId): Site {
  return siteWith(
    { name },
    {
      home,
      entries: new Map([[home, newPage(home, 'Home', { heading: name })]]),
      parents: new Map(),
      children: new Map(),
    },
  )
}

/**
 * The attributes that let a browser leave the room of a picture before it has come; empty where its size is not known. Only
 * the style sheet of Viatica is known to set a height for them: one of the author may set a width alone.
 * https://html.spec.whatwg.org/multipage/images.html#sizes-and-dimensions (4.8.17, dimension attributes)
 */
export function sizeAttributes(
  { files, surround }: Pick<Site, 'files' | 'surround'>,
  { file }: Picture,
): string {
  const hasOurs = surround.kind === 'pieces' && surround.headFiles.ourStyles
  const pixels = hasOurs ? files.get(file)?.pixels : undefined
  return pixels ? ` width="${pixels.width}" height="${pixels.height}"` : ''
}

/** What a picture says to those who do not see it: what was said for it where it stands, else what is kept with it. */
export function altOf({ files }: Pick<Site, 'files'>, { file, alt }: Picture): string {
  return alt || (files.get(file)?.alt ?? '')
}
