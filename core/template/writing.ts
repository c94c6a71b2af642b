import type { LinkTarget } from '../plan/entry.ts'
import type { Site } from '../plan/site.ts'
import { templatesOf } from '../plan/surround/surround.ts'
import { fragmentHref } from '../address/relative.ts'
import { escapeAttribute } from '../standard/escape.ts'
import type { Address, Bits, PatternHole, Spelling } from '../plan/surround/templates.ts'
import { textWriter } from './asWritten.ts'
import { pathOfReference } from './lastPath.ts'
import { type Published, spelt } from './spelling.ts'

/** What stands in a hole of a pattern. */
export interface Value {
  readonly label: string
  readonly title: string
  readonly target: LinkTarget | undefined
}
export type Values = Readonly<Partial<Record<PatternHole['of'], Value>>>

/** Writes texts of the author's for one page. */
export interface Writing {
  bits(bits: Bits, values: Values, spelling: Spelling): string
}

/** An `href` of which the value is to come. */
const HREF_BEGUN = /\s(?:xlink:)?href\s?=\s?(["']?)$/i

/** @param from the path of the page */
export function writingOn(site: Site, from: string, published: Published): Writing {
  const write = textWriter(templatesOf(site.surround) ?? null)
  const address = ({ to, id, tail, ...spelling }: Address): string =>
    spelt(from, pathOfReference(site, to === 'entry' ? to : 'site-file', id), spelling, published) + tail
  const href = (target: LinkTarget, spelling: Spelling): string => {
    switch (target.to) {
      case 'address':
        return escapeAttribute(target.url)
      case 'entry': {
        const path = pathOfReference(site, 'entry', target.entry)
        return spelt(from, path, spelling, published) + fragmentHref(target.fragment)
      }
      case 'file':
        return spelt(from, pathOfReference(site, 'site-file', target.file), spelling, published)
    }
  }
  return {
    bits(bits, values, spelling) {
      let text = ''
      /** The quote that a link without a target leaves open. */
      let open = ''
      for (const bit of bits) {
        if (typeof bit === 'string') {
          text += open !== '' && bit.startsWith(open) ? bit.slice(1) : bit
          open = ''
        } else if ('to' in bit) text += address(bit)
        else {
          const value = values[bit.of]
          if (!value) continue
          if (bit.hole !== 'href') text += write(value[bit.hole])
          else if (value.target) text += href(value.target, spelling)
          else {
            // Without a target it is no link: an empty `href` would lead to the page itself.
            const attribute = HREF_BEGUN.exec(text)
            open = attribute?.[1] ?? ''
            if (attribute) text = text.slice(0, attribute.index)
          }
        }
      }
      return text
    },
  }
}
