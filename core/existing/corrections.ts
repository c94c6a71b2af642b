import { attributeOf, type PageElement } from './pages/nodes.ts'
import type { ReadPage } from './pages/readPage.ts'
import type { Stretch } from '../standard/pageTokens.ts'

/** What the author of existing pages corrects of how they were understood; places are those of elements in a page's source. */
export type Correction =
  /** The element that begins there holds the content, on pages that have one like it, too. */
  | { readonly kind: 'content'; readonly path: string; readonly at: number }
  /** The links in the element that begins there are a menu, or are none, on all pages that have them in the same place. */
  | { readonly kind: 'menu' | 'no-menu'; readonly path: string; readonly at: number }
  /** These pages are made with a template of their own. */
  | { readonly kind: 'template'; readonly pages: readonly string[] }
  /** A page stands under another. */
  | { readonly kind: 'parent'; readonly path: string; readonly parent: string }

/** The corrections of some kinds. */
export const correctionsOf = <Kind extends Correction['kind']>(
  corrections: readonly Correction[],
  ...kinds: readonly Kind[]
): Extract<Correction, { kind: Kind }>[] =>
  corrections.filter((one): one is Extract<Correction, { kind: Kind }> =>
    (kinds as readonly string[]).includes(one.kind),
  )

/** The innermost element that a place of the source stands in. */
export function elementAt(root: PageElement, at: number): PageElement {
  let element = root
  for (;;) {
    const inner = element.children.find(({ start, end }) => start <= at && at < end)
    if (!inner) return element
    element = inner
  }
}

/** An element among those that it stands with: its id, else its tag with its classes, else its tag. */
function signOf(element: PageElement): string {
  const id = attributeOf(element, 'id')
  if (id !== undefined) return `#${id}`
  return `${element.tag}.${attributeOf(element, 'class') ?? ''}`
}

/** The way to an element, from the nearest one with an id, else from the top. */
function wayTo(element: PageElement): string[] {
  const way: string[] = []
  for (let at: PageElement | undefined = element; at?.parent; at = at.parent) {
    const sign = signOf(at)
    way.unshift(sign)
    if (sign.startsWith('#')) break
  }
  return way
}

/** The element of a page to which the same way leads; undefined where none does. */
function likeElement(root: PageElement, way: readonly string[]): PageElement | undefined {
  const [first, ...rest] = way
  let here: PageElement | undefined
  if (first?.startsWith('#')) {
    const waiting = [root]
    for (let next = waiting.pop(); next && !here; next = waiting.pop()) {
      if (next !== root && signOf(next) === first) here = next
      for (let at = next.children.length - 1; at >= 0; at--) waiting.push(next.children[at]!)
    }
  } else here = root.children.find((child) => signOf(child) === first)
  for (const sign of rest) here = here?.children.find((child) => signOf(child) === sign)
  return here
}

/** What holds the content of a page as its author pointed it out; undefined where nobody did. */
export function pointedContent(
  corrections: readonly Correction[],
  pages: ReadonlyMap<string, ReadPage>,
): (page: ReadPage) => Stretch | undefined {
  const pointed = correctionsOf(corrections, 'content').flatMap(({ path, at }) => {
    const page = pages.get(path)
    const element = page && elementAt(page.root, at)
    return page && element && element !== page.root ? [{ path, element, way: wayTo(element) }] : []
  })
  return (page) => {
    // The last word counts.
    const own = pointed.findLast(({ path }) => path === page.path)?.element
    if (own) return { start: own.from, end: own.to }
    for (const { way } of [...pointed].reverse()) {
      const like = likeElement(page.root, way)
      if (like) return { start: like.from, end: like.to }
    }
    return undefined
  }
}
