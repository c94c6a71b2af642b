import { itemAt, valueFor } from '../../standard/present.ts'
import { collect } from '../collect.ts'
import type { AttributeToken, Stretch } from '../../standard/pageTokens.ts'
import { attributeOf, type PageElement } from '../pages/nodes.ts'
import { oneLine, type ReadPage } from '../pages/readPage.ts'
import type { FoundMark } from '../report.ts'
import { unitsOf } from '../template/units.ts'
import type { LinkGroup } from './linkGroups.ts'
import { most } from '../most.ts'
import { type FoundMenu, keysOf } from './recognise.ts'

export const NO_MARK: FoundMark = { form: 'none', on: '', value: '' }

interface Tag {
  readonly tag: string
  readonly attributes: readonly AttributeToken[]
}

/** The tags that an item is made of, up to the items under it. */
function tagsIn({ tokens }: ReadPage, { start, end }: Stretch): Tag[] {
  let [from, to] = [0, tokens.length]
  while (from < to) {
    const middle = (from + to) >> 1
    if (itemAt(tokens, middle).start < start) from = middle + 1
    else to = middle
  }
  const tags: Tag[] = []
  for (let at = from; at < tokens.length && itemAt(tokens, at).end <= end; at++) {
    const token = tokens[at]!
    if (token.kind === 'open') tags.push(token)
  }
  return tags
}

const valueIn = ({ attributes }: Tag, name: string) => attributes.find((one) => one.name === name)?.value
const classesOf = (tag: Tag) =>
  oneLine(valueIn(tag, 'class') ?? '')
    .split(' ')
    .filter((one) => one !== '')

/** What one writing of an item has that another has not. */
function markBetween(here: readonly Tag[], plain: readonly Tag[]): FoundMark {
  const linked = (tags: readonly Tag[]) =>
    tags.some((tag) => tag.tag === 'a' && valueIn(tag, 'href') !== undefined)
  if (!linked(here) && linked(plain)) {
    const around = here.find(({ tag }) => !plain.some((one) => one.tag === tag))
    return { form: 'text', on: around?.tag ?? here[0]?.tag ?? '', value: around?.tag ?? '' }
  }
  const more = here.filter(
    ({ tag }) => here.filter((one) => one.tag === tag).length > plain.filter((one) => one.tag === tag).length,
  )
  if (more[0]) {
    const [wrapper] = more
    const named = classesOf(wrapper!)[0]
    return { form: 'element', on: wrapper!.tag, value: named ?? wrapper!.tag }
  }
  for (const tag of here) {
    const other = plain.find((one) => one.tag === tag.tag)
    if (!other) continue
    const added = classesOf(tag).filter((one) => !classesOf(other).includes(one))
    if (added.length > 0) return { form: 'class', on: tag.tag, value: added.join(' ') }
  }
  for (const tag of here) {
    const other = plain.find((one) => one.tag === tag.tag)
    if (!other) continue
    for (const { name, value } of tag.attributes)
      if (name !== 'href' && name !== 'class' && valueIn(other, name) !== value)
        return { form: 'attribute', on: tag.tag, value: value === '' ? name : `${name}="${value}"` }
  }
  return NO_MARK
}

/** The item that is marked on a page: its key; undefined where none differs from how it is written elsewhere. */
interface PageMark {
  readonly group: LinkGroup
  readonly key: string
  readonly mark: FoundMark
  readonly at: Stretch
}

/** Which items of a menu are marked on which pages, and how the mark is written. */
export function marksOf(
  folder: Parameters<typeof keysOf>[0],
  { groups }: FoundMenu,
  isAbove: (path: string, page: string) => boolean,
): { readonly mark: FoundMark; readonly marks: readonly PageMark[] } {
  const items = groups.flatMap((group) => {
    const keys = keysOf(folder, group)
    const all = flat(unitsOf(group))
    const places = new Map(group.items.map((item, at) => [item, at]))
    return all.map((unit) => {
      const key = keys[valueFor(places, unit.item)]!
      const head = { start: unit.start, end: unit.units.length > 0 ? unit.list.start : unit.end }
      return { group, key, at: head, tags: tagsIn(group.page, head) }
    })
  })
  const shape = (tags: readonly Tag[]) =>
    tags
      .map(
        ({ tag, attributes }) =>
          `${tag} ${attributes.map(({ name, value }) => (name === 'href' || name === 'src' ? name : `${name}=${value}`)).join(' ')}`,
      )
      .join('>')
  const byKey = new Map<string, typeof items>()
  for (const item of items) collect(byKey, item.key, item)
  const marks: PageMark[] = []
  const forms: FoundMark[] = []
  for (const [key, own] of byKey) {
    const isOwn = ({ group }: (typeof own)[number]) => key === `/${group.page.path}`
    const elsewhere = own.filter((item) => !isOwn(item) && !isAbove(key.slice(1), item.group.page.path))
    const usual = most((elsewhere.length > 0 ? elsewhere : own).map(({ tags }) => shape(tags)))
    const plain =
      own.find(({ tags }) => shape(tags) === usual && elsewhere.length > 0)?.tags ??
      // An item that only ever stands on its own page is plain as the others are.
      items.find((item) => item.key !== key && item.key !== `/${item.group.page.path}`)?.tags
    if (!plain) continue
    for (const item of own) {
      if (shape(item.tags) === usual && elsewhere.length > 0) continue
      const mark = markBetween(item.tags, plain)
      if (mark.form === 'none') continue
      if (isOwn(item)) forms.push(mark)
      marks.push({ group: item.group, key, mark, at: item.at })
    }
  }
  const form = most(forms.map((mark) => JSON.stringify(mark)))
  const owning = groups.filter((group) => keysOf(folder, group).includes(`/${group.page.path}`)).length
  const mark = form && forms.length * 2 >= owning ? (JSON.parse(form) as FoundMark) : NO_MARK
  return { mark, marks: marks.filter((one) => one.mark.form === mark.form && one.mark.value === mark.value) }
}

function flat(units: ReturnType<typeof unitsOf>): (typeof units)[number][] {
  return units.flatMap((unit) => [unit, ...flat(unit.units)])
}

/**
 * Finds the mark that style rules alone make: the body carries a name of its own on each page, and rules join it with a
 * name that an item carries. @returns the mark of the menu that has these groups
 */
export function pageNameMarks(
  pages: readonly ReadPage[],
  css: string,
): (groups: readonly LinkGroup[]) => FoundMark | undefined {
  const attribute = (['id', 'class'] as const).find((one) =>
    isJoined(namesOfBodies(pages, one), one, css, pages.length),
  )
  if (!attribute) return () => undefined
  return (groups) =>
    groups.some(({ page, start, end }) => /\s(?:id|class)\s*=/i.test(page.text.slice(start, end)))
      ? { form: 'page-name', on: 'body', value: attribute }
      : undefined
}

/** What the bodies of pages are named, without those that have no name. */
function namesOfBodies(pages: readonly ReadPage[], attribute: 'id' | 'class'): ReadonlySet<string> {
  const names = pages.map(({ root }) => {
    const body = bodyOf(root)
    return body === undefined ? '' : oneLine(attributeOf(body, attribute) ?? '')
  })
  return new Set(names.filter((name) => name !== ''))
}

/** Whether rules join names of bodies with names of other elements. */
function isJoined(
  names: ReadonlySet<string>,
  attribute: 'id' | 'class',
  css: string,
  pages: number,
): boolean {
  if (names.size < 2 || names.size * 2 < pages) return false
  const sign = attribute === 'id' ? '#' : '.'
  const joined = [...names].filter((name) =>
    name
      .split(' ')
      .some((one) =>
        new RegExp(`(?:body)?\\${sign}${escaped(one)}\\b[^,{}]*[#.][\\w-]+[^,{}]*[,{]`).test(css),
      ),
  )
  return joined.length >= 2
}

const escaped = (text: string) => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')

function bodyOf(root: ReadPage['root']): PageElement | undefined {
  const waiting = [root]
  for (const next of waiting) {
    if (next.tag === 'body') return next
    if (next.depth < 2) waiting.push(...next.children)
  }
  return undefined
}
