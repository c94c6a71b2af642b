import fc from 'fast-check'
import { applyChange } from '../plan/change/apply.ts'
import type { Change, SingleChange } from '../plan/change/change.ts'
import { ChangeRefused } from '../plan/change/refused.ts'
import { differenceOf } from '../plan/change/restore.ts'
import { type EntryField, FIELDS_OF_KIND, STATES } from '../plan/entry.ts'
import type { SiteFile } from '../plan/file.ts'
import { newGroup, newLink, newPage } from '../plan/newEntry.ts'
import {
  EXTENSIONS,
  LAYOUTS,
  LINK_STYLES,
  PLANNED_RULES,
  SEPARATORS,
  type SettingName,
  type Site,
} from '../plan/site.ts'
import { DEFAULT_LOOK, FONTS } from '../plan/surround/look.ts'
import type { Menu } from '../plan/surround/menu.ts'
import { MENU_SHAPES } from '../plan/surround/menuShape.ts'
import type { Piece } from '../plan/surround/piece.ts'
import { PLACES } from '../plan/surround/place.ts'
import { BREADCRUMB_SEPARATORS, ORDER_SCOPES } from '../plan/surround/rules.ts'
import { escapeText } from '../standard/escape.ts'
import {
  CHARACTERS,
  type Included,
  INDEXES,
  type PageMaking,
  STARTS,
  type Templates,
} from '../plan/surround/templates.ts'
import { EMPTY_SURROUND, type Surround, type SurroundRule, allPieces } from '../plan/surround/surround.ts'
import { arbitrarySite } from './arbitrarySite.ts'

/** What a random change is drawn with: numbers, one after the other, and a text. */
export interface Draws {
  readonly numbers: readonly number[]
  readonly text: string
}

export const arbitraryDraws: fc.Arbitrary<Draws> = fc.record({
  numbers: fc.array(fc.nat(9999), { minLength: 12, maxLength: 12 }),
  text: fc
    .oneof(
      fc.constantFrom('Walks', 'walks', 'Über uns', '東京', 'CON', '<b>x</b>', "“1” & '2'", 'x'.repeat(190)),
      // What every object of the language has of itself.
      fc.constantFrom('constructor', 'valueOf', '__proto__'),
      fc.string({ minLength: 1, maxLength: 20 }).filter((text) => /^[^\p{C}\u2028\u2029]+$/u.test(text)),
    )
    .map((text) => text.trim() || 'page'),
})

/** Draws for one change on one site. */
class Drawing {
  #at = 0
  readonly text: string

  constructor(
    readonly site: Site,
    private readonly draws: Draws,
    readonly fresh: number,
  ) {
    this.text = draws.text
  }

  /** A number below `limit`. */
  below(limit: number): number {
    return this.draws.numbers[this.#at++ % this.draws.numbers.length]! % limit
  }

  of<Value>(values: readonly Value[]): Value {
    return values[this.below(values.length)]!
  }

  get flag(): boolean {
    return this.below(2) === 1
  }

  /** Mostly an entry of the plan, now and then one that is not there. */
  get entry(): string {
    return this.below(12) === 0 ? this.of(['gone', 'removed']) : this.of([...this.site.plan.entries.keys()])
  }

  get file(): string {
    return this.of([...this.site.files.keys(), ...this.site.files.keys(), 'f0', 'f3', 'f5', 'removed'])
  }

  get piece(): string {
    return this.of([...[...allPieces(this.site.surround)].map(({ piece }) => piece.id), 'gone'])
  }

  get menu(): string {
    return this.of([...this.site.surround.menus.map(({ id }) => id), 'gone'])
  }
}

const target = (d: Drawing) =>
  d.of([
    { to: 'entry' as const, entry: d.entry, fragment: d.flag ? 'part' : '' },
    { to: 'file' as const, file: d.file },
    { to: 'address' as const, url: 'https://example.org/?a=1&b=2' },
  ])

const redirectTarget = (d: Drawing) =>
  d.flag
    ? { to: 'entry' as const, entry: d.entry, fragment: '' }
    : { to: 'address' as const, url: 'https://example.org/old' }

const picture = (d: Drawing) => (d.below(3) === 0 ? null : { file: d.file, alt: d.text.slice(0, 100) })

/** A value for every field of an entry: one that is new here does not compile without its own. */
const FIELD_VALUES: { readonly [Field in EntryField]: (d: Drawing) => unknown } = {
  title: (d) => d.text,
  label: (d) => (d.flag ? d.text : ''),
  fileName: (d) => d.of(['', 'walks', 'café', 'stage 1', 'x#y']),
  heading: (d) => (d.flag ? d.text : ''),
  description: (d) => d.text,
  banner: (d) => {
    const one = picture(d)
    return one && { ...one, text: '' }
  },
  date: (d) => d.of(['', '2026-05-01', '2026-05-02', '1999-12-31']),
  note: (d) => `${d.text}\n${d.text}`,
  state: (d) => d.of(STATES),
  inMenu: (d) => d.flag,
  inOrder: (d) => d.flag,
  inSearch: (d) => d.flag,
  body: (d) => ({
    html: `<p id="part">${d.below(9)} <a href="entry:${d.entry}#part">there</a></p>`,
    changed: '',
  }),
  target,
  pin: (d) => (d.flag ? { name: 'kept', addresses: [`old/kept-${d.below(3)}.html`] } : null),
  seen: (d) => (d.flag ? { on: '2026-05-01', marks: { page: '1f' } } : null),
}

/** A value for every setting. */
const SETTING_VALUES: { readonly [Name in SettingName]: (d: Drawing) => unknown } = {
  name: (d) => d.text,
  tagline: (d) => d.text,
  language: (d) => d.of(['en', 'de-CH', 'ja']),
  baseUrl: (d) => d.of(['', 'https://www.example.org/', 'https://example.org/sub/']),
  layout: (d) => d.of(LAYOUTS),
  carrySection: (d) => d.flag,
  separator: (d) => d.of(SEPARATORS),
  extension: (d) => d.of(EXTENSIONS),
  linkStyle: (d) => d.of(LINK_STYLES),
  namesIndex: (d) => d.flag,
  sharing: (d) => d.flag,
  plannedPages: (d) => d.of(PLANNED_RULES),
  notFound: (d) => (d.flag ? d.entry : null),
  redirects: (d) => [
    { from: `old-${d.below(3)}.html`, to: redirectTarget(d) },
    ...(d.flag ? [{ from: d.of(['walks.html', 'index.html', 'old.html']), to: redirectTarget(d) }] : []),
  ],
  titlePattern: (d) => d.of(['{title}', '{title} · {site}', '{site}: {title}']),
  homeTitlePattern: (d) => d.of(['{site}', '{title} of {site}']),
  logo: picture,
  icon: (d) => picture(d)?.file ?? null,
  setAside: (d) => [{ key: `rule:${d.below(9)}`, reason: 'It is meant so.' }],
  ownWords: (d) => [d.text.slice(0, 60)],
}

const pickedLink = (d: Drawing) => ({
  id: `l${d.fresh}`,
  label: d.text,
  target: target(d),
  isButton: d.flag,
})

/** A piece of every kind. */
const PIECES: {
  readonly [Kind in Piece['kind']]: (
    d: Drawing,
  ) => Omit<Extract<Piece, { kind: Kind }>, 'id' | 'kind' | 'beside'>
} = {
  brand: (d) => ({ picture: d.flag, name: d.flag, tagline: d.flag }),
  menu: (d) => ({ menu: d.menu, shape: d.of(MENU_SHAPES), folds: d.flag }),
  links: (d) => ({ label: d.text.slice(0, 100), links: [pickedLink(d)] }),
  banner: (d) => ({ picture: picture(d), text: d.text }),
  breadcrumb: () => ({}),
  heading: () => ({}),
  pager: (d) => ({ shows: d.of(['words', 'labels', 'both']), up: d.flag }),
  columns: (d) => ({
    label: 'Columns',
    columns: [{ id: `c${d.fresh}`, heading: d.text, links: [pickedLink(d)] }],
  }),
  contact: (d) => ({ heading: d.text, lines: 'a@example.org' }),
  address: (d) => ({ lines: d.text }),
  copyright: (d) => ({ holder: d.text, from: d.flag ? 1971 : null }),
  text: (d) => ({ text: d.text }),
  html: (d) => ({ html: `<p>${d.below(9)}` }),
}

function pieceOfKind(d: Drawing, id: string, kind: Piece['kind']): Piece {
  return { id, kind, beside: d.flag, ...PIECES[kind](d) } as Piece
}

function menuWith(d: Drawing, id: string): Menu {
  if (d.flag) return { id, kind: 'picked', name: d.text.slice(0, 90), links: [pickedLink(d)] }
  const from = d.of([
    { at: 'home' as const },
    { at: 'section' as const },
    { at: 'entry' as const, entry: d.entry },
  ])
  return { id, kind: 'plan', name: d.text.slice(0, 90), from, depth: d.of([1, 2, 3]), exceptions: [] }
}

function makingWith(d: Drawing): PageMaking {
  return {
    template: d.of(['all', 'all', 'gone']),
    encoding: { name: d.of(['utf-8', 'windows-1252']), hasMark: d.flag },
    overrides: d.flag
      ? []
      : [
          {
            from: d.below(3),
            to: 3,
            bits: [`<p>${escapeText(d.text)}</p>`],
            ...(d.flag ? { over: 'x' } : {}),
          },
        ],
    spelt: d.flag
      ? {}
      : { [`entry:${d.entry}`]: { start: d.of(STARTS), index: d.of(INDEXES), isPlain: d.flag } },
  }
}

function includedPart(d: Drawing): Included {
  const file = d.file
  return {
    file,
    content: d.flag ? (d.site.files.get(file)?.content ?? 'none') : 'k1',
    from: d.entry,
    encoding: { name: d.of(['utf-8', 'windows-1252']), hasMark: false },
    parts: [
      {
        kind: 'text',
        where: 'header',
        bits: [
          `<p>${escapeText(d.text)} <a href="`,
          { to: 'entry', id: d.entry, tail: '', start: d.of(STARTS), index: d.of(INDEXES), isPlain: d.flag },
          `">there</a>${d.flag ? '<!--#include file="itself" -->' : ''}`,
        ],
      },
      { kind: 'menu', pattern: 'gone' },
    ],
    overrides: d.flag ? [] : [{ from: 1, to: 2, bits: ['<ul></ul>'], over: 'x' }],
  }
}

/** Templates of a title, the content, and mostly a part that pages put in from a file of its own. */
const bareTemplates = (d: Drawing): Templates => ({
  templates: [
    {
      id: 'all',
      name: 'All pages',
      parts: [
        { kind: 'text', where: 'head', bits: ['<!doctype html><title>'] },
        { kind: 'title' },
        {
          kind: 'text',
          where: 'header',
          bits: [
            `</title><p>${escapeText(d.text)}</p><!--#include virtual="`,
            { to: 'included', id: d.file, tail: '', start: d.of(STARTS), index: 'named', isPlain: d.flag },
            '" -->',
          ],
        },
        { kind: 'content' },
      ],
    },
  ],
  menus: [],
  breadcrumbs: [],
  pagers: [],
  pages: {},
  included: d.below(3) === 0 ? [] : [includedPart(d)],
  spelling: { start: 'relative', index: 'named', isPlain: false },
  root: '/',
  letters: d.of(CHARACTERS),
  signs: d.of(CHARACTERS),
  texts: d.flag ? {} : { [d.text]: `${escapeText(d.text)}&#33;` },
})

/** A value for every rule of the surround. */
const RULE_VALUES: { readonly [Rule in SurroundRule]: (d: Drawing) => unknown } = {
  here: (d) => ({ ...EMPTY_SURROUND.here, form: d.of(['link', 'text']), bodyId: d.flag }),
  breadcrumb: (d) => ({
    from: d.of([1, 2]),
    separator: d.of(BREADCRUMB_SEPARATORS),
    showsPage: d.flag,
    data: d.flag,
  }),
  order: (d) => ({ scope: d.of(ORDER_SCOPES), series: [d.entry] }),
  look: (d) => ({ ...DEFAULT_LOOK, textFont: d.of(FONTS) }),
  headFiles: (d) => ({
    ...EMPTY_SURROUND.headFiles,
    styles: d.flag
      ? [{ from: 'site', file: d.file }]
      : [{ from: 'elsewhere', url: 'https://example.org/a.css' }],
  }),
  words: (d) => (d.flag ? {} : { next: d.text.slice(0, 60) }),
  templates: (d) => (d.flag ? null : bareTemplates(d)),
}

/** A file of a few ids and paths, so that they meet. */
function fileWith(d: Drawing): SiteFile {
  const path = d.of(['pictures/p1.svg', 'pictures/P1.svg', 'styles/s.css', 'docs/d.pdf', 'style.css'])
  const pixels = path.endsWith('svg') && d.flag ? { pixels: { width: 9 + d.below(3), height: 7 } } : {}
  return { id: d.file, path, content: `k${d.below(3)}`, size: 2, ...pixels, alt: '' }
}

const goneWith = (d: Drawing, to: string) => ({
  to,
  path: `${d.below(3)}/last.html`,
  label: d.text.slice(0, 20),
})

const anyKind = (d: Drawing) => d.of(Object.keys(PIECES) as Piece['kind'][])

/** A change of every kind: one that is new does not compile without its own. */
const CHANGES: { readonly [Kind in SingleChange['kind']]: (d: Drawing) => object } = {
  add: (d) => {
    // Now and then one that is remembered as removed.
    const id = d.below(4) === 0 ? 'removed' : `n${d.fresh}`
    const page = { ...newPage(id, d.text), banner: FIELD_VALUES.banner(d), entries: [] }
    const link = { ...newLink(`m${d.fresh}`, d.text, target(d)), entries: [] }
    const group = { ...newGroup(`g${d.fresh}`, d.text), entries: [page, link] }
    return { parent: d.entry, place: d.below(4), branches: [d.flag ? group : page] }
  },
  remove: (d) => {
    const entries = d.below(3) === 0 ? [d.entry, d.entry] : [d.entry]
    return {
      entries,
      ...(d.flag ? { gone: [...entries, 'gone'].map((id) => goneWith(d, `entry:${id}`)) } : {}),
    }
  },
  move: (d) => ({ entry: d.entry, parent: d.entry, place: d.below(5) }),
  replaceEntry: (d) => {
    const id = d.entry
    const page = { ...newPage(id, d.text), banner: FIELD_VALUES.banner(d), body: FIELD_VALUES.body(d) }
    return { entry: d.of<object>([page, newGroup(id, d.text), newLink(id, d.text, target(d))]) }
  },
  setEntry: (d) => {
    const entry = d.entry
    const kind = d.site.plan.entries.get(entry)?.kind ?? 'page'
    // Mostly a field that its kind has.
    const field = d.of(d.below(9) === 0 ? (Object.keys(FIELD_VALUES) as EntryField[]) : FIELDS_OF_KIND[kind])
    return { entry, field, value: FIELD_VALUES[field](d) }
  },
  setSite: (d) => {
    const field = d.of(Object.keys(SETTING_VALUES) as SettingName[])
    return { field, value: SETTING_VALUES[field](d) }
  },
  addFile: (d) => ({ file: fileWith(d) }),
  setFile: (d) => ({ file: fileWith(d) }),
  removeFile: (d) => {
    const { file } = d
    return { file, ...(d.flag ? { gone: [goneWith(d, `site-file:${file}`)] } : {}) }
  },
  addPiece: (d) => ({
    place: d.of(PLACES),
    at: d.below(4),
    piece: pieceOfKind(d, `p${d.fresh}`, anyKind(d)),
  }),
  removePiece: (d) => ({ piece: d.piece }),
  movePiece: (d) => ({ piece: d.piece, place: d.of(PLACES), at: d.below(4), beside: d.flag }),
  setPiece: (d) => {
    const id = d.piece
    const before = [...allPieces(d.site.surround)].find(({ piece }) => piece.id === id)?.piece
    return { piece: pieceOfKind(d, id, before?.kind ?? anyKind(d)) }
  },
  addMenu: (d) => ({ at: d.below(3), menu: menuWith(d, `menu${d.fresh}`) }),
  removeMenu: (d) => ({ menu: d.menu }),
  setMenu: (d) => ({ menu: menuWith(d, d.menu) }),
  restore: restoreOf,
  setMaking: (d) => ({ page: d.entry, making: d.below(4) === 0 ? null : makingWith(d) }),
  setSurround: (d) => {
    const field = d.of(Object.keys(RULE_VALUES) as SurroundRule[])
    return { field, value: RULE_VALUES[field](d) }
  },
}

/** Back to what the site was before a few changes, of which some may make no sense by now. */
function restoreOf(d: Drawing): object {
  let then = d.site
  for (let n = d.below(3); n >= 0; n--) {
    const kind = d.of(KINDS.filter((one) => one !== 'restore'))
    try {
      then = applyChange(then, { kind, ...CHANGES[kind](d) } as SingleChange).site
    } catch (error) {
      if (!(error instanceof ChangeRefused)) throw error
    }
  }
  const other = { ...d.site, settings: { ...d.site.settings, tagline: `${d.site.settings.tagline}, anew` } }
  return differenceOf(d.site, then) ?? differenceOf(d.site, other)!
}

const KINDS = Object.keys(CHANGES) as SingleChange['kind'][]

/**
 * A change of any kind, in all of its settings, that may or may not make sense on the site; one in eight is a batch.
 * @param fresh makes the ids of what is added differ
 */
export function anyChange(site: Site, draws: Draws, fresh: number): Change {
  const single = (at: number): SingleChange => {
    const d = new Drawing(site, draws, fresh * 10 + at)
    for (let skipped = 0; skipped < at; skipped++) d.below(1)
    const kind = d.of(KINDS)
    return { kind, ...CHANGES[kind](d) } as SingleChange
  }
  const isBatch = draws.numbers.at(-1)! % 8 === 0
  return isBatch ? { kind: 'batch', changes: [single(0), single(1), single(2)] } : single(0)
}

/** A site with every setting drawn anew, where the site takes it. */
export function withAnySettings(site: Site, draws: Draws): Site {
  const fields = Object.keys(SETTING_VALUES) as SettingName[]
  return fields.reduce((now, field, fresh) => {
    const d = new Drawing(now, draws, fresh)
    for (let skipped = 0; skipped < fresh; skipped++) d.below(1)
    try {
      return applyChange(now, { kind: 'setSite', field, value: SETTING_VALUES[field](d) } as SingleChange)
        .site
    } catch (error) {
      if (!(error instanceof ChangeRefused)) throw error
      return now
    }
  }, site)
}

/** The same site with templates, from which some of its pages are made; as it is where it takes none. */
function withTemplates(site: Site, draws: Draws): Site {
  const d = new Drawing(site, draws, 0)
  const pages = [...site.plan.entries.keys()].filter(() => d.flag)
  const changes: SingleChange[] = [
    { kind: 'setSurround', field: 'templates', value: bareTemplates(d) },
    ...pages.map((page): SingleChange => ({ kind: 'setMaking', page, making: makingWith(d) })),
  ]
  try {
    return applyChange(site, { kind: 'batch', changes }).site
  } catch (error) {
    if (!(error instanceof ChangeRefused)) throw error
    return site
  }
}

/** A site as `arbitrarySite` draws it, one in three with templates. */
export const arbitraryStart = (size: number, surround?: fc.Arbitrary<Surround>): fc.Arbitrary<Site> =>
  fc
    .tuple(arbitrarySite(size, surround), fc.option(arbitraryDraws, { freq: 3, nil: undefined }))
    .map(([site, draws]) => (draws && draws.numbers[0]! % 2 === 1 ? withTemplates(site, draws) : site))

/** A site after a change; as it was where that is refused. */
export function tried(site: Site, change: Change | undefined): Site {
  if (!change) return site
  try {
    return applyChange(site, change).site
  } catch (error) {
    if (error instanceof ChangeRefused) return site
    throw error
  }
}
