import { withTemplates } from '../plan/surround/surround.ts'
import fc from 'fast-check'
import type { PageMaking, Template, Templates } from '../plan/surround/templates.ts'
import { arbitrarySite } from '../testing/arbitrarySite.ts'
import { createTemplateWriter } from './write.ts'

const template = (id: string): Template => ({
  id,
  name: id,
  parts: [{ kind: 'text', where: 'head', bits: [`<!-- ${id} -->`] }, { kind: 'title' }, { kind: 'content' }],
})

/** Pages that say how they are made: by a template that is there, by one that went, or not at all. */
const arbitraryTemplated = fc
  .tuple(arbitrarySite(12), fc.array(fc.constantFrom('a', 'b', 'gone', undefined), { minLength: 1 }))
  .map(([site, made]) => {
    const ids = [...site.plan.entries.values()].flatMap(({ kind, id }) => (kind === 'page' ? [id] : []))
    const pages: Record<string, PageMaking> = {}
    for (const [at, id] of ids.entries()) {
      const own = made[at % made.length]
      if (own)
        pages[id] = { template: own, encoding: { name: 'utf-8', hasMark: false }, overrides: [], spelt: {} }
    }
    const templates: Templates = {
      templates: [template('a'), template('b')],
      menus: [],
      breadcrumbs: [],
      pagers: [],
      pages,
      included: [],
      spelling: { start: 'relative', index: 'named', isPlain: false },
      root: '/',
      letters: 'plain',
      signs: 'plain',
      texts: {},
    }
    return { site, templates, ids }
  })

test('every page is written by a template that is there, whatever it and its siblings say', () => {
  fc.assert(
    fc.property(arbitraryTemplated, ({ site, templates, ids }) => {
      const writer = createTemplateWriter({ ...site, surround: withTemplates(site.surround, templates) })
      for (const id of ids) {
        const own = templates.pages[id]?.template
        const by = writer.templateOf(id).id
        if (own === 'a' || own === 'b') expect(by).toBe(own)
        expect(writer.shown(id)).toContain(`<!-- ${by} -->`)
      }
    }),
  )
})
