import { htmlFaults, type HtmlFault, type HtmlFaultKind } from '../../content/htmlFaults.ts'
import type { Body, PageEntry } from '../../plan/entry.ts'
import { parseMainContent, serializeContent } from '../../standard/fragment.ts'
import { inContent } from '../bodyElements.ts'
import type { Found, PageRule } from '../rule.ts'

const known = new WeakMap<Body, ReturnType<typeof htmlFaults>>()

function faultsOf(page: PageEntry) {
  let faults = known.get(page.body)
  if (!faults) known.set(page.body, (faults = htmlFaults(page.body.html)))
  return faults
}

/** The change that writes main content as browsers read it, everything closed. */
export function asRead(page: PageEntry) {
  const html = serializeContent(parseMainContent(page.body.html))
  return { kind: 'setEntry' as const, entry: page.id, field: 'body' as const, value: { ...page.body, html } }
}

/** A rule that finds some kinds of faults of a source. @param fix what puts one right */
export function markupRule(
  kinds: readonly HtmlFaultKind[],
  head: Pick<PageRule, 'id' | 'severity' | 'about' | 'source'>,
  fix: (page: PageEntry, fault: HtmlFault) => Found['fix'],
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
          fix: fix(page, fault),
        })),
  }
}

export const HTML = 'HTML: https://html.spec.whatwg.org/multipage/syntax.html'
