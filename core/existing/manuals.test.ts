import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { parse } from 'parse5'
import { childrenOf } from '../plan/plan.ts'
import { type Element, elementsOf } from '../standard/fragment.ts'
import { attribute, textOf } from '../testing/readPage.ts'
import { found, written } from '../testing/written.ts'
import { bring } from './bring.ts'

/** Manuals from Debian's packages, made by tools of three kinds: taken in as they are, held against what their heads say. */

/** Takes a folder in, and sees that every file of it comes back. */
function taken(folder: string) {
  expect(existsSync(folder)).toBe(true)
  const files = readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile())
    .map((entry) => join(entry.parentPath, entry.name))
    .map((path) => ({ path: path.slice(folder.length + 1), bytes: new Uint8Array(readFileSync(path)) }))
  const { site, contents, report, ids } = bring(files)
  const [was, is] = [found(files), written(site, contents)]
  expect([...is.keys()].sort()).toEqual([...was.keys()].sort())
  for (const [path, text] of was) if (is.get(path) !== text) throw new Error(`${path} did not come back.`)
  const elements = new Map<string, readonly Element[]>()
  const on = (path: string) => {
    const text = Buffer.from(was.get(path)!, 'latin1').toString('utf8')
    const there = elements.get(path) ?? [...elementsOf(parse(text))].map(({ element }) => element)
    elements.set(path, there)
    return there
  }
  const resolved = (path: string, href: string | undefined) =>
    href === undefined ? undefined : new URL(href, `http://x.invalid/${path}`).pathname.slice(1)
  /** Where a `link` of the head leads. */
  const said = (path: string, rel: string) =>
    resolved(
      path,
      on(path)
        .filter(({ tagName }) => tagName === 'link')
        .filter((element) => attribute(element, 'rel') === rel)
        .map((element) => attribute(element, 'href'))[0],
    )
  const paths = new Map([...ids].map(([path, id]) => [id, path]))
  /** The pages under one, in the order of the plan. */
  const under = (path: string) => childrenOf(site.plan, ids.get(path)!).flatMap((id) => paths.get(id) ?? [])
  return { report, on, said, resolved, under }
}

test('a book made with DocBook: parents and order are those that its heads say', () => {
  // debian-handbook, in English.
  const { report, said } = taken('/usr/share/doc/debian-handbook/html/en-US')
  expect(report.pages).toHaveLength(127)
  for (const { path, parent } of report.pages) if (parent !== null) expect(parent).toBe(said(path, 'up'))
  const order = report.order!
  for (const [at, path] of order.slice(0, -1).entries()) expect(order[at + 1]).toBe(said(path, 'next'))
})

test('a manual made with Texinfo: parents are those that its heads say, pages under one in the order of these', () => {
  // libfftw3-doc. There, next is the next page of the same rank.
  const { report, said, under } = taken('/usr/share/doc/libfftw3-dev/html')
  expect(report.pages.length).toBeGreaterThanOrEqual(100)
  for (const { path, parent } of report.pages) {
    if (parent !== null) expect(`${path} under ${parent}`).toBe(`${path} under ${said(path, 'up')}`)
    const pages = under(path)
    for (const [at, page] of pages.slice(0, -1).entries()) expect(pages[at + 1]).toBe(said(page, 'next'))
  }
  // “Next: …, Previous: …, Up: … [Contents][Index]” is a pager, and a menu.
  expect(report.menus[0]!.items.map(({ label }) => label)).toEqual(['Contents', 'Index'])
})

test('a manual made with Sphinx: order is that of its heads, parents those of its breadcrumbs', () => {
  // python-kombu-doc. Its heads say no up.
  const { report, on, said, resolved } = taken('/usr/share/doc/python-kombu-doc/html')
  expect(report.pages.length).toBeGreaterThanOrEqual(100)
  const order = report.order!
  const chained = order.filter((path) => said(path, 'next') !== undefined)
  expect(chained.length).toBeGreaterThan(70)
  for (const path of chained) expect(order[order.indexOf(path) + 1]).toBe(said(path, 'next'))
  for (const { path, parent } of report.pages) {
    if (parent === null) continue
    const nav = on(path).find((element) => attribute(element, 'class') === 'related')!
    const crumbs = [...elementsOf(nav)]
      .map(({ element }) => element)
      .filter(
        (element) => element.tagName === 'li' && /\bnav-item-\d/.test(attribute(element, 'class') ?? ''),
      )
    const link = [...elementsOf(crumbs.at(-1)!)].find(({ element }) => element.tagName === 'a')!.element
    expect(`${path} under ${parent}`).toBe(`${path} under ${resolved(path, attribute(link, 'href'))}`)
    expect(textOf(link)).not.toBe('')
  }
  // One line holds fixed links, previous and next, and the breadcrumb.
  expect(report.menus[0]!.items.map(({ label }) => label)).toEqual(['index', 'modules'])
})
