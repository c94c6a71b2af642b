import { outputFiles } from '@viatica/core/formats/archive.ts'
import { itemsOf } from '@viatica/core/navigate/menu.ts'
import { compileBody } from '@viatica/core/render/body.ts'
import { isBegun } from '@viatica/core/plan/entry.ts'
import { htmlFaults } from '@viatica/core/testing/htmlValidator.ts'
import { loadDemo } from './load.ts'
import { YEAR } from '@viatica/core/testing/year.ts'

const { site, contents } = loadDemo()
const entries = [...site.plan.entries.values()]
const pages = [...outputFiles(site, YEAR)].flatMap((file) =>
  'text' in file && file.path.endsWith('.html') ? [file] : [],
)

describe('the demo', () => {
  test('has about forty pages of every state, a group and a link', () => {
    expect(entries.filter(({ kind }) => kind === 'page').length).toBeGreaterThanOrEqual(38)
    expect(new Set(entries.flatMap((entry) => (entry.kind === 'page' ? [entry.state] : [])))).toEqual(
      new Set(['planned', 'draft', 'ready']),
    )
    expect(entries.map(({ kind }) => kind)).toEqual(expect.arrayContaining(['group', 'link']))
    expect(itemsOf(site, site.surround.menus[0]!, site.plan.home).length).toBeGreaterThan(7)
  })

  test('every written page has content and a description, and every pointer in a body leads to something', () => {
    for (const entry of entries) {
      if (!isBegun(entry)) continue
      expect(entry.body.html.length).toBeGreaterThan(200)
      expect(entry.description).not.toBe('')
      for (const slot of compileBody(entry.body).pointers) {
        const isThere =
          slot.to === 'site-file' ? site.files.has(slot.id) : isBegun(site.plan.entries.get(slot.id))
        expect({ page: entry.id, leadsTo: slot.id, isThere }).toEqual({
          page: entry.id,
          leadsTo: slot.id,
          isThere: true,
        })
      }
    }
  })

  test('every file is among the contents', () => {
    for (const file of site.files.values()) {
      const text = contents.get(file.content)?.toString()
      expect([file.path, text?.includes('<svg')]).toEqual([file.path, file.path.endsWith('.svg')])
    }
  })

  test.each(pages.map(({ path, text }) => [path, text] as const))(
    'html-validate (WHATWG HTML) finds nothing on %s',
    async (_, text) => {
      expect(await htmlFaults(text())).toEqual([])
    },
  )
})
