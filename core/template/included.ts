import { folderOf } from '../address/relative.ts'
import type { HereMark } from '../navigate/menu.ts'
import { markOf } from '../plan/change/mark.ts'
import type { EntryId } from '../plan/ids.ts'
import type { Site } from '../plan/site.ts'
import type { Included, IncludedPart, Templates } from '../plan/surround/templates.ts'
import { includesIn } from '../standard/includes.ts'
import { valueFor } from '../standard/present.ts'
import type { Writing } from './writing.ts'

/** Where no item is marked. */
export const NO_MARK: HereMark = { here: undefined, nearest: undefined, within: new Set() }

/** Writes a part that pages put in from a file of its own. */
export interface IncludedWriter {
  /** A part of it by the plan and the patterns alone. */
  part(part: IncludedPart): string
  /** All of it, with what it keeps of its own. */
  text(): string
}

/** The path that references of a part start from: they stand in the pages that put it in. */
export const seenFrom = (paths: ReadonlyMap<EntryId, string>, { plan }: Site, from: EntryId, path: string) =>
  folderOf(paths.get(from) ?? valueFor(paths, plan.home)) + path.slice(path.lastIndexOf('/') + 1)

/** @param menu writes a menu by its pattern, with nothing marked */
export function includedWriter(
  { parts, overrides }: Included,
  { spelling }: Templates,
  writing: Writing,
  menu: (pattern: string) => string,
): IncludedWriter {
  const part = (one: IncludedPart): string => {
    switch (one.kind) {
      case 'text':
        return writing.bits(one.bits, {}, spelling)
      case 'menu':
        return menu(one.pattern)
    }
  }
  const wholly = (some: readonly IncludedPart[]) => some.map(part).join('')
  return {
    part,
    text() {
      let text = ''
      let at = 0
      for (const { from, to, bits, over } of overrides) {
        if (from < at || (over !== undefined && markOf(wholly(parts.slice(from, to))) !== over)) continue
        text += wholly(parts.slice(at, from)) + writing.bits(bits, {}, spelling)
        at = to
      }
      return text + wholly(parts.slice(at))
    },
  }
}

/** So much is put together of one page and no more. */
const MOST_CHARACTERS = 5_000_000
const MOST_DEEP = 8

/** With the line end after it, which is its own. https://www.php.net/manual/en/language.basic-syntax.instruction-separation.php */
const PHP_BLOCK = /<\?(?:php\b|=)?([^]*?)(?:\?>(?:\r\n?|\n)?|$)/g
const SSI_BLOCK = /<!--#include\b[^>]{0,400}?-->/g
const ASSIGNED = /\$(\w{1,60})\s{0,9}=\s{0,9}(?:"((?:[^"\\$\n]|\\.){0,2000})"|'((?:[^'\\\n]|\\.){0,2000})')/g
const SHOWN = /^\s{0,99}(?:echo|print)?[\s(]{0,9}\$(\w{1,60})[\s);]{0,99}$/

/**
 * A page about as its visitors get it: what it puts in from files of their own stands in it, and what it says first of
 * itself, too. Other code stays as it is: it is run by the server alone.
 * @param textOf what stands in a file
 */
export function withIncludes(
  path: string,
  text: string,
  textOf: (path: string) => string | undefined,
): string {
  const values = new Map<string, string>()
  let left = MOST_CHARACTERS
  const filled = (source: string, depth: number): string => {
    left -= source.length
    if (left < 0 || depth > MOST_DEEP) return ''
    const put = (code: string) =>
      includesIn(path, code)
        .map((include) => textOf(include.path))
        .map((found) => (found === undefined ? '' : filled(found, depth + 1)))
        .join('')
    const ran = source.replace(PHP_BLOCK, (whole, code: string) => {
      for (const [, name, double, single] of code.matchAll(ASSIGNED))
        values.set(name!, (double ?? single!).replace(/\\(.)/g, '$1'))
      const shown = SHOWN.exec(code)
      const isShowing = shown && (whole.startsWith('<?=') || /^\s{0,99}(?:echo|print)/.test(code))
      if (isShowing) return values.get(shown[1]!) ?? ''
      const all = includesIn(path, whole)
      return all.some((include) => textOf(include.path) !== undefined) ? put(whole) : whole
    })
    return ran.replace(SSI_BLOCK, (whole) =>
      includesIn(path, whole).some((include) => textOf(include.path) !== undefined) ? put(whole) : whole,
    )
  }
  return text.includes('<?') || text.includes('<!--#include') ? filled(text, 0) : text
}
