import { markOf } from '../../plan/change/mark.ts'
import type { Site } from '../../plan/site.ts'
import type { Included, IncludedPart, Override } from '../../plan/surround/templates.ts'
import type { Stretch } from '../../standard/pageTokens.ts'
import type { IncludedWriter } from '../../template/included.ts'
import type { ReadPage } from '../pages/readPage.ts'
import type { FittedMenu } from './menus.ts'
import type { Sources } from './source.ts'

/** A part that pages put in from a file of its own, read as from the page that is named. */
export interface ReadIncluded {
  /** Where its file is. */
  readonly path: string
  readonly from: string
  readonly page: ReadPage
}

/** The stretches of a part: its menus, none within another, and the texts between them. */
function* stretchesOf(
  page: ReadPage,
  menus: readonly FittedMenu[],
): Generator<Stretch & { menu?: FittedMenu }> {
  const own = menus
    .flatMap((menu) =>
      menu.groups.flatMap((group) =>
        group.page === page ? [{ start: group.start, end: group.end, menu }] : [],
      ),
    )
    .sort((a, b) => a.start - b.start || b.end - a.end)
  let at = 0
  for (const menu of own) {
    if (menu.start < at) continue
    if (menu.start > at) yield { start: at, end: menu.start }
    yield menu
    at = menu.end
  }
  if (at < page.text.length) yield { start: at, end: page.text.length }
}

/** The parts that pages put in, as the site has them before anything of theirs is held against what would be written. */
export function draftIncluded(
  sources: Sources,
  site: Site,
  found: readonly ReadIncluded[],
  menus: readonly FittedMenu[],
  idOf: (path: string) => string | undefined,
): Included[] {
  const files = new Map([...site.files.values()].map((file) => [file.path, file]))
  return found.flatMap(({ path, from, page }): Included[] => {
    const file = files.get(path)
    const entry = idOf(from)
    if (!file || entry === undefined) return []
    const where = /foot|bottom|end/i.test(path.slice(path.lastIndexOf('/') + 1)) ? 'footer' : 'header'
    const parts = [...stretchesOf(page, menus)].map((stretch): IncludedPart => {
      if (stretch.menu) return { kind: 'menu', pattern: stretch.menu.pattern.id }
      return { kind: 'text', where, bits: sources.bits(page, stretch) }
    })
    const { id, content } = file
    return [{ file: id, content, from: entry, encoding: { ...page.encoding }, parts, overrides: [] }]
  })
}

/**
 * What of a part would come out otherwise than it is, each with the mark of what it stands for: the items of its menus are
 * those of the plan, so that what differs is only how they are written.
 */
export function overridesOf(
  { parts }: Included,
  page: ReadPage,
  menus: readonly FittedMenu[],
  writer: IncludedWriter,
): Override[] {
  return [...stretchesOf(page, menus)].flatMap((stretch, at): Override[] => {
    const text = page.text.slice(stretch.start, stretch.end)
    const would = writer.part(parts[at]!)
    return would === text ? [] : [{ from: at, to: at + 1, bits: [text], over: markOf(would) }]
  })
}
