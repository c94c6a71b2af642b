import type { Element, ElementContent, RootContent } from 'hast'
import { lastOf } from '../../standard/present.ts'
import { element, isElement, isGap, type Parent, styleOf, textIn } from './tree.ts'

/** Signs that programs write before the items of a list as text, where they write no list. */
const BULLET = /^\s*([•·▪◦‣●○■□➢✓§–-]|o(?=[\s\u00a0]{2}))[\s\u00a0]+/
const NUMBER = /^\s*\(?(\d{1,3}|[a-z]|[ivxlc]{1,6})[.)][\s\u00a0]+/i

/** An item of a list that a program wrote as a paragraph. */
interface Item {
  readonly level: number
  readonly isNumbered: boolean
  /** The number before it; 1 where there is none. */
  readonly number: number
  readonly content: ElementContent[]
}

/** The level of a paragraph that a word processor shows as an item of a list; 0 for any other. */
function levelOf(paragraph: Element): number {
  return Number(/\blevel(\d)/.exec(styleOf(paragraph, 'mso-list'))?.[1] ?? 0)
}

/** Takes the sign before an item out of it, which the word processor has marked as no part of the text. */
function takeMarkedSign(parent: Element): string | undefined {
  for (const [at, child] of parent.children.entries()) {
    if (!isElement(child)) continue
    if (/^ignore/.test(styleOf(child, 'mso-list'))) {
      parent.children.splice(at, 1)
      return textIn(child).trim()
    }
    const inside = takeMarkedSign(child)
    if (inside !== undefined) return inside
  }
  return undefined
}

/** Takes a sign off the text of an item that begins with it. */
function takeWrittenSign(parent: Element, length: number): void {
  let left = length
  for (const child of parent.children) {
    if (left <= 0) return
    const has = textIn(child).length
    if (child.type === 'text') child.value = child.value.slice(left)
    else if (isElement(child)) takeWrittenSign(child, left)
    left -= has
  }
}

const numberOf = (sign: string): number => Number(/\d+/.exec(sign)?.[0] ?? 1)

/** A paragraph as an item where a word processor says it is one. */
function markedItem(node: RootContent): Item | undefined {
  if (!isElement(node) || !/^(p|div|h[1-6])$/.test(node.tagName)) return undefined
  const level = levelOf(node)
  if (level === 0) return undefined
  const sign = takeMarkedSign(node) ?? ''
  const isNumbered = /^\(?(\d|[a-z]{1,4}[.)])/i.test(sign)
  return { level, isNumbered, number: numberOf(sign), content: node.children }
}

/** The sign that a paragraph begins with, where it could be one of an item. */
function writtenSign(node: RootContent | undefined): { sign: string; isNumbered: boolean } | undefined {
  if (!isElement(node, 'p')) return undefined
  const text = textIn(node)
  const bullet = BULLET.exec(text)
  const number = bullet ? null : NUMBER.exec(text)
  const sign = (bullet ?? number)?.[0]
  return sign === undefined || sign.length === text.length ? undefined : { sign, isNumbered: number !== null }
}

/** Whether a sign alone makes a list: others stand in texts, too, and make one only where the next has such a one. */
const isSure = (sign: string) => /[•▪◦‣●○■□➢]/.test(sign)

/** A list from items, those of a deeper level within the item before them. */
function listOf(items: readonly Item[]): Element[] {
  const made: Element[] = []
  let open: { readonly level: number; readonly list: Element }[] = []
  for (const { level, isNumbered, number, content } of items) {
    open = open.filter((one) => one.level <= level)
    const last = open.at(-1)
    const isOther = last?.level === level && (last.list.tagName === 'ol') !== isNumbered
    if (last?.level !== level || isOther) {
      if (isOther) open = open.slice(0, -1)
      const start = isNumbered && number > 1 ? { start: number } : {}
      const list = element(isNumbered ? 'ol' : 'ul', [], start)
      const above = open.at(-1)?.list.children.at(-1)
      if (isElement(above)) above.children.push(list)
      else made.push(list)
      open = [...open, { level, list }]
    }
    lastOf(open).list.children.push(element('li', content))
  }
  return made
}

/** Makes lists of the paragraphs that stand for their items. */
export function makeLists(parent: Parent): void {
  const made: RootContent[] = []
  let items: Item[] = []
  const end = () => {
    made.push(...listOf(items))
    items = []
  }
  const nodes = parent.children
  for (const [at, child] of nodes.entries()) {
    const marked = markedItem(child)
    if (marked) {
      items.push(marked)
      continue
    }
    if (items.length > 0 && isGap(child)) continue
    const here = writtenSign(child)
    const next = writtenSign(nodes.slice(at + 1, at + 4).find((one) => !isGap(one)))
    const isNext = next?.isNumbered === here?.isNumbered
    if (here && (isSure(here.sign) || isNext || items.at(-1)?.isNumbered === here.isNumbered)) {
      takeWrittenSign(child as Element, here.sign.length)
      const { isNumbered, sign } = here
      items.push({ level: 1, isNumbered, number: numberOf(sign), content: (child as Element).children })
      continue
    }
    end()
    if (isElement(child)) makeLists(child)
    made.push(child)
  }
  end()
  parent.children = made as ElementContent[]
}

/** The level that an item says it is at, for those who hear it; 0 where it says none. */
const saidLevel = (list: RootContent): number => {
  const item = isElement(list, 'ul', 'ol') ? list.children.find((child) => isElement(child, 'li')) : undefined
  const said = isElement(item)
    ? (item.properties['dataAriaLevel'] ?? item.properties['ariaLevel'])
    : undefined
  return Number(said ?? 0)
}

/**
 * Lists as the standard has them: one that stands in a list goes into the item before it, and lists that follow one another
 * and say that they are one, of deeper items, become one.
 */
export function nestLists(parent: Parent): void {
  for (const child of parent.children) if (isElement(child)) nestLists(child)
  if (isElement(parent as RootContent, 'ul', 'ol')) intoItems(parent as Element)
  joinLevels(parent)
}

function intoItems(list: Element): void {
  const items: ElementContent[] = []
  for (const child of list.children) {
    const before = items.findLast((one) => isElement(one, 'li'))
    if (isElement(child, 'ul', 'ol') && isElement(before)) before.children.push(child)
    else items.push(child)
  }
  list.children = items
}

function joinLevels(parent: Parent): void {
  const areParts = areWrapped(parent)
  const made: RootContent[] = []
  let open: { readonly level: number; readonly list: Element }[] = []
  for (const child of parent.children) {
    const level = saidLevel(child)
    if (level === 0) {
      if (!isGap(child)) open = []
      made.push(child)
      continue
    }
    const list = child as Element
    open = open.filter((one) => one.level <= level)
    const last = open.at(-1)
    if (last?.level === level && last.list.tagName === list.tagName && areParts) {
      last.list.children.push(...list.children)
      continue
    }
    if (last?.level === level) open = open.slice(0, -1)
    const above = open.at(-1)?.list.children.findLast((one) => isElement(one, 'li'))
    if (isElement(above)) above.children.push(list)
    else made.push(list)
    open = [...open, { level, list }]
  }
  parent.children = made as ElementContent[]
}

/** Whether lists beside each other are parts of one: some editors wrap each item in a list of its own. */
const areWrapped = (parent: Parent): boolean =>
  parent.children
    .filter((child) => isElement(child, 'ul', 'ol'))
    .every((list) => isElement(list) && list.children.filter((one) => isElement(one, 'li')).length <= 1)
