import { serialize } from 'parse5'
import { htmlFaults, type HtmlFaultKind } from '../../content/htmlFaults.ts'
import type { Body, PageEntry } from '../../plan/entry.ts'
import { parseMainContent } from '../../standard/fragment.ts'
import { inContent } from '../bodyElements.ts'
import type { PageRule } from '../rule.ts'

const known = new WeakMap<Body, ReturnType<typeof htmlFaults>>()

function faultsOf(page: PageEntry) {
  let faults = known.get(page.body)
  if (!faults) known.set(page.body, (faults = htmlFaults(page.body.html)))
  return faults
}

/** The change that writes main content as browsers read it, everything closed. */
function asRead(page: PageEntry) {
  const html = serialize(parseMainContent(page.body.html))
  return { kind: 'setEntry' as const, entry: page.id, field: 'body' as const, value: { ...page.body, html } }
}

function markupRule(
  kinds: readonly HtmlFaultKind[],
  head: Pick<PageRule, 'id' | 'severity' | 'about' | 'source'>,
  mends: boolean,
): PageRule {
  return {
    ...head,
    group: 'content',
    from: (_, page) => [page.body],
    find: (_, page) =>
      faultsOf(page)
        .filter(({ kind }) => kinds.includes(kind))
        .map((fault) => ({
          place: inContent(page, fault),
          words: `${fault.what[0]!.toUpperCase()}${fault.what.slice(1)}.`,
          gist: page.body.html.slice(Math.max(0, fault.start - 20), fault.end + 20),
          mend: mends ? asRead(page) : undefined,
        })),
  }
}

const HTML = 'HTML: https://html.spec.whatwg.org/multipage/syntax.html'

/** One unclosed element would swallow the footer, if pages were put together by hand. */
export const unclosed = markupRule(
  ['unclosed', 'stray end'],
  {
    id: 'not-closed',
    severity: 'fault',
    about: 'elements that are not closed, or that close nothing',
    source: HTML,
  },
  true,
)

export const parseErrors = markupRule(
  ['markup'],
  {
    id: 'markup',
    severity: 'fault',
    about: 'errors of the HTML standard',
    source: `${HTML.replace('syntax', 'parsing')}#parse-errors`,
  },
  false,
)

export const doubleId = markupRule(
  ['double id'],
  {
    id: 'double-id',
    severity: 'fault',
    about: 'ids that stand twice in a text',
    source: 'HTML: https://html.spec.whatwg.org/multipage/dom.html#the-id-attribute',
  },
  false,
)
