import { newPage } from '../plan/newEntry.ts'
import { readdirSync, readFileSync } from 'node:fs'
import { parse } from 'parse5'
import { type Branch, planOfBranch } from '../plan/branch.ts'
import { siteWith } from '../plan/site.ts'
import { elementsOf } from '../standard/fragment.ts'
import { neighboursIn, readingOrder } from './readingOrder.ts'

/**
 * Reading order on real material: Debian's package `debian-handbook`, whose pages say in their heads which page
 * comes before, after and above. The plan is built from `rel="up"` and from the order of links in the contents
 * list of the first page; previous and next then follow by our rule and must equal those in the heads.
 */
const FOLDER = '/usr/share/doc/debian-handbook/html/en-US'

interface Heads {
  readonly prev: string | undefined
  readonly next: string | undefined
  readonly up: string | undefined
}

const files = readdirSync(FOLDER).filter((name) => name.endsWith('.html'))
const documents = new Map(files.map((name) => [name, parse(readFileSync(`${FOLDER}/${name}`, 'utf8'))]))

function elements(name: string, tagName: string) {
  return [...elementsOf(documents.get(name)!)]
    .map(({ element }) => element)
    .filter((element) => element.tagName === tagName)
}

const attribute = (element: { attrs: { name: string; value: string }[] }, name: string) =>
  element.attrs.find((candidate) => candidate.name === name)?.value

function headOf(name: string): Heads {
  const links = elements(name, 'link')
  const to = (rel: string) => {
    const link = links.find((candidate) => attribute(candidate, 'rel') === rel)
    return link && attribute(link, 'href')
  }
  return { prev: to('prev'), next: to('next'), up: to('up') }
}

const heads = new Map(files.map((name) => [name, headOf(name)]))

/** Pages in the order in which the contents list first names them. */
const contents = [
  ...new Set(
    elements('index.html', 'a')
      .map((link) => attribute(link, 'href')?.replace(/#.*$/, '') ?? '')
      .filter((href) => documents.has(href) && href !== 'index.html'),
  ),
]

function branchOf(name: string): Branch {
  const under = contents.filter((other) => heads.get(other)!.up === name)
  const id = name.toLowerCase().replace(/[^a-z0-9]+/g, '-')
  return {
    ...newPage(id, name, { state: 'ready' }),
    entries: under.map(branchOf),
  }
}

test('previous and next of all 127 pages of the Debian handbook', () => {
  const plan = planOfBranch(branchOf('index.html'))
  const order = readingOrder(siteWith({ name: 'Handbook' }, plan))
  const neighbours = neighboursIn([order])
  const nameOf = (id: string | undefined) => {
    const entry = id === undefined ? undefined : plan.entries.get(id)
    return entry?.kind === 'page' ? entry.title : undefined
  }
  expect(files).toHaveLength(127)
  expect(order).toHaveLength(127)
  const computed = Object.fromEntries(
    order.map((id) => [
      nameOf(id)!,
      { prev: nameOf(neighbours(id).previous), next: nameOf(neighbours(id).next) },
    ]),
  )
  const published = Object.fromEntries(
    files.map((name) => [name, { prev: heads.get(name)!.prev, next: heads.get(name)!.next }]),
  )
  expect(computed).toEqual(published)
})
