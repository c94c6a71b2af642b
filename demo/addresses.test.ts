import { applyChange } from '@viatica/core/plan/change/apply.ts'
import type { SetSite } from '@viatica/core/plan/change/change.ts'
import { EXTENSIONS, LAYOUTS, SEPARATORS, type Settings, type Site } from '@viatica/core/plan/site.ts'
import { loadDemo } from './load.ts'
import { checkLinks, finished } from './testing/host.ts'

const demo = loadDemo()
const { site } = demo
const WRITTEN = 37

type Rule = Pick<Settings, 'layout' | 'carrySection' | 'separator' | 'extension'>
const RULES = LAYOUTS.flatMap((layout) =>
  (layout === 'flat' ? [false, true] : [false]).flatMap((carrySection) =>
    SEPARATORS.flatMap((separator) =>
      EXTENSIONS.map((extension): Rule => ({ layout, carrySection, separator, extension })),
    ),
  ),
)

const change = (field: keyof Rule, value: unknown) => ({ kind: 'setSite', field, value }) as SetSite

const written = (from: Site) => finished({ ...demo, site: from })

function withRule(from: Site, rule: Rule): Site {
  return (Object.keys(rule) as (keyof Rule)[]).reduce(
    (now, field) => applyChange(now, change(field, rule[field])).site,
    from,
  )
}

describe('the demo with its addresses settled anew', () => {
  test.each(RULES)(
    'an independent link checker (linkinator) finds every link whole: $layout $carrySection $separator $extension',
    async (rule) => {
      const files = written(withRule(site, rule))
      const { links } = await checkLinks(files, `index${rule.extension}`)
      expect(links.filter(({ state }) => state === 'BROKEN')).toEqual([])
      const reached = links.filter(
        (link) => link.state === 'OK' && link.url.split('#')[0]!.endsWith(rule.extension),
      )
      expect(new Set(reached.map((link) => link.url.split('#')[0])).size).toBe(WRITTEN)
    },
  )

  test('and settled back is the same to the byte', () => {
    const { layout, carrySection, separator, extension } = site.settings
    const before = written(site)
    for (const rule of RULES) {
      const there = withRule(site, rule)
      const back = written(withRule(there, { layout, carrySection, separator, extension }))
      expect([...back.keys()]).toEqual([...before.keys()])
      for (const [path, bytes] of before) expect(back.get(path)!.equals(bytes)).toBe(true)
    }
  })
})
