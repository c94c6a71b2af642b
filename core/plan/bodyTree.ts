import { type Fragment, parseMainContent } from '../standard/fragment.ts'
import type { Body } from './entry.ts'

/** So many characters of sources are kept as trees, which take some forty times as many bytes. */
const MOST_KEPT = 4_000_000

const kept = new Map<Body, Fragment>()
let characters = 0

/**
 * Main content as a tree with the places in its source, for reading only: all that look at a text share it. The trees of
 * the texts that were asked for last are kept.
 */
export function bodyTree(body: Body): Fragment {
  const known = kept.get(body)
  if (known) {
    kept.delete(body)
    kept.set(body, known)
    return known
  }
  const tree = parseMainContent(body.html, true)
  kept.set(body, tree)
  characters += body.html.length
  for (const oldest of kept.keys()) {
    if (characters <= MOST_KEPT || oldest === body) break
    kept.delete(oldest)
    characters -= oldest.html.length
  }
  return tree
}

/** The tree of a text where it is kept; else one without places, which is made faster and not kept. */
export const bodyToRead = (body: Body): Fragment => kept.get(body) ?? parseMainContent(body.html)
