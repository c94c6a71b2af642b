import { ownTargetOf } from '../../content/ownLinks.ts'
import type { PageEntry } from '../../plan/entry.ts'
import type { EntryId } from '../../plan/ids.ts'
import type { Site } from '../../plan/site.ts'
import { type Mention, mentionsIn } from '../../pointer/mentions.ts'
import { asBrowsersRead, withoutQuery } from '../../standard/reference.ts'
import { inContent } from '../bodyElements.ts'
import { pagesToLookFrom, type TextAround, textsAround } from '../textsAround.ts'
import {
  type Checked,
  COMMON_PRACTICE,
  type Found,
  type FindingPlace,
  type PageRule,
  type SiteRule,
} from '../rule.ts'

/** What a mention says to its author; undefined where it says nothing. */
type Judgement = (site: Site, from: EntryId, mention: Mention) => string | undefined

const WHERE = { option: 'a list of options', script: 'a script' }

/** It works now, and will not when the address changes. */
const named: Judgement = (site, from, mention) =>
  ownTargetOf(site, from, mention.text)
    ? `Address in ${WHERE[mention.in]}: “${mention.text}”. Viatica does not change it when the page or file moves.`
    : undefined

/** A page that needs no server to run it: what is not among the files of the site is not on its host. */
const IS_PAGE = /^(?![a-z][a-z0-9+.-]*:|\/\/).*\.x?html?$/i

/** Looks like the address of a page of this site, and is none. */
const dead: Judgement = (site, from, mention) =>
  IS_PAGE.test(withoutQuery(asBrowsersRead(mention.text))) && !ownTargetOf(site, from, mention.text)
    ? `No page at “${mention.text}”, which ${WHERE[mention.in]} uses.`
    : undefined

type Head = Pick<SiteRule, 'id' | 'severity' | 'about'>

interface Looked extends Omit<TextAround, 'place'> {
  readonly place: (mention: Mention) => FindingPlace
}

/** Each text once for a place. */
function judged({ site }: Checked, { html, place, isShown, ...text }: Looked, judge: Judgement): Found[] {
  const mentions = new Map<string, Mention>()
  for (const mention of mentionsIn(html)) if (!mentions.has(mention.text)) mentions.set(mention.text, mention)
  const pages = pagesToLookFrom(text, mentions.size)
  return [...mentions.values()].flatMap((mention): Found[] => {
    const from = pages.find((page) => judge(site, page, mention) !== undefined)
    if (from === undefined || isShown?.() === false) return []
    return [{ place: place(mention), words: judge(site, from, mention)!, gist: mention.text }]
  })
}

/** Returns the line of a place, from 1. Ask for places in their order: each line is counted once. */
function lineCounter(html: string): (at: number) => number {
  let [line, from] = [1, 0]
  return (at) => {
    for (let next = html.indexOf('\n', from); next >= 0 && next < at; next = html.indexOf('\n', from)) {
      line++
      from = next + 1
    }
    return line
  }
}

const inText = (head: Head, judge: Judgement): PageRule => ({
  ...head,
  group: 'links',
  source: COMMON_PRACTICE,
  from: ({ site, addresses }, page) => [page.body, addresses.paths, site.files, site.settings.baseUrl],
  find: (checked, page: PageEntry) => {
    const { html } = page.body
    const lineOf = lineCounter(html)
    const place = ({ at }: Mention) => inContent(page, { start: at, end: at, line: lineOf(at) })
    return judged(checked, { html, pages: [page.id], place }, judge)
  },
})

const around = (head: Head, judge: Judgement): SiteRule => ({
  ...head,
  group: 'links',
  source: COMMON_PRACTICE,
  from: ({ site, addresses }) => [site.surround, addresses.paths, site.files, site.settings.baseUrl],
  findAll: (checked) =>
    [...textsAround(checked.site)].flatMap((one) =>
      judged(checked, { ...one, place: () => one.place }, judge),
    ),
})

/** Scripts and lists of options that use addresses of the site, in texts and around them. */
export const namedInScript = inText(
  {
    id: 'address-in-script',
    severity: 'hint',
    about: 'addresses of this site in scripts and lists of options of main content',
  },
  named,
)
export const namedInScriptAround = around(
  {
    id: 'address-in-script-around',
    severity: 'hint',
    about: 'addresses of this site in scripts and lists of options around the main content',
  },
  named,
)

/** The same, where nothing is at the address. */
export const deadInScript = inText(
  {
    id: 'dead-address-in-script',
    severity: 'warning',
    about: 'addresses in scripts and lists of options of main content where there is no page',
  },
  dead,
)
export const deadInScriptAround = around(
  {
    id: 'dead-address-in-script-around',
    severity: 'warning',
    about: 'addresses in scripts and lists of options around the main content where there is no page',
  },
  dead,
)
