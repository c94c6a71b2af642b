import type { Addresses } from '../address/layout.ts'
import type { PageLinks } from '../statistics/linkGraph.ts'
import type { Change } from '../plan/change/change.ts'
import type { PageEntry } from '../plan/entry.ts'
import type { EntryId, MenuId, PieceId, TemplateId } from '../plan/ids.ts'
import type { Site } from '../plan/site.ts'
import type { UnknownWords } from '../spelling/spelling.ts'

/** `fault`: visitors meet it. `warning`: it may be meant. `hint`: it could be better. */
export const SEVERITIES = ['error', 'warning', 'hint'] as const
export type Severity = (typeof SEVERITIES)[number]

export const GROUPS = [
  'addresses',
  'links',
  'structure',
  'sameness',
  'titles and headings',
  'content',
  'access',
] as const
export type RuleGroup = (typeof GROUPS)[number]

/** What a finding is about. */
export type FindingPlace =
  | { readonly in: 'entry'; readonly entry: EntryId }
  /** A part of a page's main content, in characters of its source; the line from 1. */
  | {
      readonly in: 'content'
      readonly entry: EntryId
      readonly start: number
      readonly end: number
      readonly line: number
    }
  | { readonly in: 'piece'; readonly piece: PieceId }
  | { readonly in: 'menu'; readonly menu: MenuId }
  | { readonly in: 'template'; readonly template: TemplateId }
  | { readonly in: 'look' }

/** What a rule found. */
export interface Found {
  readonly place: FindingPlace
  /** What is wrong, in the author's words. */
  readonly words: string
  /** What was judged: while it stays, a finding that was set aside stays so. */
  readonly gist: string
  /** The change that puts it right, where there is one. */
  readonly fix?: Change | undefined
  /** What its author can say to put it right, where that is all it needs. */
  readonly asks?: Asked | undefined
}

/** What a finding asks for: where a link leads, what a picture says, which language it is, what a page is called. */
export type Asked = 'target' | 'alternative' | 'language' | 'title'

/** What rules may ask for; all of it is worked out at most once for a site. */
export interface Checked {
  readonly site: Site
  readonly addresses: Addresses
  /** The pages that are on the site, in plan order. */
  readonly pages: readonly PageEntry[]
  readonly graph: ReadonlyMap<EntryId, PageLinks>
  readonly clicks: ReadonlyMap<EntryId, number>
  /** Empty as long as no dictionary was asked. */
  readonly unknownWords: UnknownWords
}

interface RuleHead {
  /** Stands in what authors set aside: it never changes. */
  readonly id: string
  readonly group: RuleGroup
  readonly severity: Severity
  /** What it looks for. */
  readonly about: string
  /** Where it is written down, or “common practice”. */
  readonly source: string
}

/** A rule that looks at one page after the other. */
export interface PageRule extends RuleHead {
  /** All that its findings on a page follow from: where each is the same object as before, they are the same. */
  readonly from: (checked: Checked, page: PageEntry) => readonly unknown[]
  readonly find: (checked: Checked, page: PageEntry) => readonly Found[]
}

/** A rule that looks at the site as a whole. */
export interface SiteRule extends RuleHead {
  readonly from: (checked: Checked) => readonly unknown[]
  /** Reads a page for `findAll` while its text is at hand. It keeps what it read, and finds nothing. */
  readonly read?: (checked: Checked, page: PageEntry) => unknown
  readonly findAll: (checked: Checked) => readonly Found[]
}

export type Rule = PageRule | SiteRule

/** A finding as the author sees it. */
export interface Finding extends Found {
  readonly rule: Rule['id']
  /** Tells it from all others, and stays as long as what was judged does. */
  readonly key: string
}

export const COMMON_PRACTICE = 'common practice'
