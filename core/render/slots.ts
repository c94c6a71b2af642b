import {
  type Form,
  formOf,
  nameOf,
  referencesIn,
  withReferences,
  type Placed,
} from '../pointer/attributes.ts'
import { type Pointer, readPointer } from '../pointer/pointer.ts'
import { type StyleReference, styleReferences, writeStyleReference } from '../pointer/styleReferences.ts'
import { type Element, elementsOf, type Fragment, type Node, serializeElement } from '../standard/fragment.ts'
import { SLOT_MARK, textsOf } from './containment.ts'
import { escapeAttribute, escapeText } from '../standard/escape.ts'
import type { Links } from './links.ts'

/** HTML with places in it that are written for each page. */
export interface Marked {
  /** One more than there are slots. */
  readonly texts: readonly string[]
  readonly slots: readonly Slot[]
}

/** How an address stands in its place. */
export type Standing =
  /** As an attribute of its own, which goes where the pointer leads nowhere. */
  | { readonly as: 'attribute' }
  /** With others, or with more, in one attribute. */
  | { readonly as: 'listed' }
  /** In the style of one element, or of a `style` element. */
  | { readonly as: 'style'; readonly form: StyleReference['form']; readonly isAttribute: boolean }
  /** Not itself: what is kept with the picture is said, as its author says nothing. */
  | { readonly as: 'alternative' }
  /** In a picture as a whole, in whose place stands what it says where the pointer leads nowhere. */
  | { readonly as: 'picture'; readonly html: Marked; readonly alt: string }

/** A place in HTML where an address must be written, and where that leads. */
export interface Slot extends Pointer {
  readonly attribute: string
  readonly standing: Standing
}

const SLOT_FORM = `${SLOT_MARK}(\\d+)${SLOT_MARK}`
/** Where an address or a picture is to be written in serialised content; the number of its slot is matched. */
export const SLOT = new RegExp(` [^\\s"'<>/=]+="${SLOT_FORM}"|${SLOT_FORM}`, 'g')

/** What stands at an address that leads nowhere, where something must: https://drafts.csswg.org/css-values-4/#about-invalid */
const NOWHERE = 'about:invalid'

/** Marks the places of pointers in a fragment. @returns the slots, by the number in their marks */
export function markSlots(fragment: Fragment): Slot[] {
  const slots: Slot[] = []
  const mark = (slot: Slot) => SLOT_MARK + (slots.push(slot) - 1) + SLOT_MARK

  const markAttributes = (element: Element) => {
    for (const attribute of element.attrs) {
      const form = formOf(attribute, element)
      if (form === undefined) continue
      const name = nameOf(attribute)
      attribute.value = withReferences(attribute.value, referencesIn(attribute, element), (url, at) => {
        const pointer = readPointer(url)
        return pointer && mark({ ...pointer, attribute: name, standing: standingIn(form, at) })
      })
    }
  }

  /** What takes the place of an element. */
  const instead = new Map<Node, Node>()
  const parents = new Set<NonNullable<Element['parentNode']>>()
  const put = (element: Element, value: string) => {
    const parent = element.parentNode!
    parents.add(parent)
    instead.set(element, { nodeName: '#text', value, parentNode: parent } as Node)
  }
  for (const { element } of [...elementsOf(fragment)]) {
    const source = element.tagName === 'img' ? sourceOf(element) : undefined
    if (element.tagName === 'style') {
      for (const text of textsOf(element)) {
        text.value = withReferences(text.value, styleReferences(text.value), (url, { form }) => {
          const pointer = readPointer(url)
          return (
            pointer &&
            mark({ ...pointer, attribute: '', standing: { as: 'style', form, isAttribute: false } })
          )
        })
      }
    }
    if (source === undefined) {
      markAttributes(element)
      continue
    }
    const alt = element.attrs.find(({ name }) => name === 'alt')?.value
    markAttributes(element)
    if (alt === undefined) {
      const said = mark({ ...source, attribute: 'alt', standing: { as: 'alternative' } })
      element.attrs.push({ name: 'alt', value: said })
    }
    const html = markedOf(serializeElement(element), slots)
    put(element, mark({ ...source, attribute: 'src', standing: { as: 'picture', html, alt: alt ?? '' } }))
  }
  for (const parent of parents) parent.childNodes = parent.childNodes.map((node) => instead.get(node) ?? node)
  return slots
}

function standingIn(form: Form, at: Placed): Standing {
  switch (form) {
    case 'address':
      return { as: 'attribute' }
    case 'sources':
    case 'refresh':
      return { as: 'listed' }
    case 'style':
      return { as: 'style', form: at.form!, isAttribute: true }
  }
}

const sourceOf = (element: Element): Pointer | undefined => {
  const source = element.attrs.find((attribute) => nameOf(attribute) === 'src')
  return source && readPointer(source.value)
}

/** Serialised HTML parted at its marks. @param slots by the number in their marks */
export function markedOf(html: string, slots: readonly Slot[]): Marked {
  const texts: string[] = []
  const found: Slot[] = []
  let from = 0
  for (const match of html.matchAll(SLOT)) {
    texts.push(html.slice(from, match.index))
    from = match.index + match[0].length
    found.push(slots[Number(match[1] ?? match[2])]!)
  }
  return { texts: [...texts, html.slice(from)], slots: found }
}

/** Every pointer of some slots in the order in which they stand, those within pictures as well. */
export function pointersIn(slots: readonly Slot[]): Slot[] {
  return slots.flatMap((slot) => {
    if (slot.standing.as === 'picture') return pointersIn(slot.standing.html.slots)
    return slot.standing.as === 'alternative' ? [] : [slot]
  })
}

/** A slot as it is written on a page. */
export function writeSlot(slot: Slot, links: Links): string {
  const href = links.toPointer(slot)
  const { attribute, standing } = slot
  switch (standing.as) {
    case 'attribute':
      return href === undefined ? '' : ` ${attribute}="${href}"`
    case 'listed':
      return href ?? NOWHERE
    case 'style': {
      const url = (href ?? NOWHERE).replaceAll('&amp;', '&')
      const text = writeStyleReference(url, standing.form)
      return standing.isAttribute ? escapeAttribute(text) : text
    }
    case 'alternative':
      return ` ${attribute}="${links.altOf(slot.id)}"`
    case 'picture':
      return href === undefined ? escapeText(standing.alt) : writeMarked(standing.html, links)
  }
}

/** Marked HTML with its addresses written for the page it stands on. */
export function writeMarked({ texts, slots }: Marked, links: Links): string {
  let html = texts[0]!
  slots.forEach((slot, at) => (html += writeSlot(slot, links) + texts[at + 1]))
  return html
}
