import { addressesOf } from '../address/addresses.ts'
import { STARTERS } from './outlines.ts'
import { siteFromStarter } from './starters.ts'

test.each(STARTERS)(
  '$name starts a site whose pages all have a title of their own and an address',
  (starter) => {
    let n = 0
    const site = siteFromStarter(starter, 'Ours', () => `e${n++}`)
    const lines = starter.list.split('\n')
    expect(site.plan.entries.size).toBe(lines.length + 1)
    expect(site.settings).toMatchObject({ name: 'Ours', ...starter.settings })
    const titles = [...site.plan.entries.values()].map((entry) => (entry.kind === 'page' ? entry.title : ''))
    expect(new Set(titles).size).toBe(titles.length)
    const paths = [...addressesOf(site).paths.values()]
    expect(new Set(paths).size).toBe(lines.length + 1)
    // No page had to be told apart by a number: the outline itself says what differs.
    expect(paths.filter((path) => /-2\./.test(path) && !/(lesson|exercise)-2\./.test(path))).toEqual([])
  },
)
