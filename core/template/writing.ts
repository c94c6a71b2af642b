import type { LinkTarget } from '../plan/entry.ts'
import type { Site } from '../plan/site.ts'
import { addressesOf } from '../address/addresses.ts'
import { fragmentHref } from '../address/relative.ts'
import { escapeAttribute } from '../standard/escape.ts'
import type { Address, Bits, PatternHole, Spelling } from '../plan/surround/templates.ts'
import { textWriter } from './asWritten.ts'
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

/** @param from the path of the page */
export function writingOn(site: Site, from: string, published: Published): Writing {
  const { paths } = addressesOf(site)
  const write = textWriter(site.surround.templates)
  const address = ({ to, id, tail, ...spelling }: Address): string => {
    const path = to === 'entry' ? paths.get(id) : site.files.get(id)?.path
    return path === undefined ? '' : spelt(from, path, spelling, published) + tail
  }
  const href = (target: LinkTarget | undefined, spelling: Spelling): string => {
    if (!target) return ''
    if (target.to === 'address') return escapeAttribute(target.url)
    const path = target.to === 'entry' ? paths.get(target.entry) : site.files.get(target.file)?.path
    const part = target.to === 'entry' ? fragmentHref(target.fragment) : ''
    return path === undefined ? '' : spelt(from, path, spelling, published) + part
  }
  return {
    bits(bits, values, spelling) {
      let text = ''
      for (const bit of bits) {
        if (typeof bit === 'string') text += bit
        else if ('to' in bit) text += address(bit)
        else {
          const value = values[bit.of]
          if (value) text += bit.hole === 'href' ? href(value.target, spelling) : write(value[bit.hole])
        }
      }
      return text
    },
  }
}
