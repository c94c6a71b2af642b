import { whereIs } from '../../navigate/leads.ts'
import { isWritten, type PiecesSite } from '../../plan/site.ts'
import type { PieceOf } from '../../plan/surround/piece.ts'
import { type Call, callsOf, compileHtml, slotsOf, writeHtml } from '../../render/authorHtml.ts'
import { pointersIn } from '../../render/slots.ts'
import { valueFor } from '../../standard/present.ts'
import type { Around, Prepared } from '../around.ts'
import { callLinks, menuCalled, prepareCall } from '../computed/calls.ts'
import type { LinksOnPage, PieceOutput } from '../pieceOutput.ts'

/** The author's own HTML, closed by itself, with its links written and computed parts put in. */
function prepareOwnHtml({ html }: PieceOf<'html'>, around: Around): Prepared {
  const { indent, links } = around
  const compiled = compileHtml(html, indent.length)
  const { texts, between } = compiled
  if (between.length === 0) return texts[0] === '' ? '' : `${indent}${texts[0]}\n`
  const prepared = new Map<Call, Prepared>()
  for (const call of callsOf(compiled)) prepared.set(call, prepareCall(call, around))
  return (on) => {
    const html = writeHtml(compiled, links, (call) => {
      const part = valueFor(prepared, call)
      return typeof part === 'string' ? part : part(on)
    })
    return html.trim() === '' ? '' : `${indent}${html}\n`
  }
}

/** The links of own HTML: those to pages by id, those of computed parts, and all others as leaving the site. */
function linksOfOwnHtml(html: string, site: PiecesSite): LinksOnPage {
  const compiled = compileHtml(html, 0)
  const elsewhere = compiled.texts.flatMap((text) =>
    [...text.matchAll(/<a\b[^>]*\shref="(?!#)/g)].map(() => 'elsewhere' as const),
  )
  const pages = slotsOf(compiled).flatMap(({ attribute, to, id }) =>
    attribute === 'href' && to === 'entry' && isWritten(site, site.plan.entries.get(id)) ? [id] : [],
  )
  const calls = callsOf(compiled).map((call) => callLinks(site, call))
  return (on) => [...elsewhere, ...pages, ...calls.flatMap((linksOn) => linksOn(on))]
}

export const htmlOutput: PieceOutput<PieceOf<'html'>> = {
  prepare: (piece, around) => ({ html: prepareOwnHtml(piece, around) }),
  links: ({ html }, site) => linksOfOwnHtml(html, site),
  menus: ({ html }, site) =>
    callsOf(compileHtml(html, 0)).flatMap(({ element, attributes }) =>
      element === 'put-menu' ? (menuCalled(site, attributes) ?? []) : [],
    ),
  fromPlan({ html }, site) {
    return pointersIn(slotsOf(compileHtml(html, 0)))
      .map(({ to, id }) => (to === 'entry' ? whereIs(site, id) : ''))
      .join()
  },
}
