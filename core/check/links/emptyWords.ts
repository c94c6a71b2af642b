import { elementsOf, textOf } from '../../standard/fragment.ts'
import { attributeOf, elementsIn, inContent } from '../bodyElements.ts'
import type { PageRule } from '../rule.ts'

/** Link texts that say nothing by themselves, in the eight languages that Viatica has words for. */
const SAY_NOTHING = new Set([
  ...['here', 'click here', 'more', 'read more', 'link', 'this', 'this page', 'hier', 'mehr', 'weiterlesen'],
  ...[
    'ici',
    'cliquez ici',
    'plus',
    'lire la suite',
    'aquí',
    'haga clic aquí',
    'más',
    'qui',
    'clicca qui',
    'altro',
  ],
  ...['klik hier', 'meer', 'lees meer', 'aqui', 'clique aqui', 'mais', 'tutaj', 'kliknij tutaj', 'więcej'],
])

/** A link whose text does not tell where it leads. */
export const emptyWords: PageRule = {
  id: 'link-says-nothing',
  group: 'links',
  severity: 'warning',
  about: 'link texts that do not say where they lead',
  source: 'WCAG 2.2, 2.4.4: https://www.w3.org/TR/WCAG22/#link-purpose-in-context',
  from: (_, page) => [page.body],
  find: (_, page) =>
    elementsIn(page.body).flatMap((placed) => {
      const { element } = placed
      if (element.tagName !== 'a' || attributeOf(placed, 'href') === undefined) return []
      const alts = [...elementsOf(element)].flatMap((one) =>
        one.element.tagName === 'img'
          ? one.element.attrs.flatMap(({ name, value }) => (name === 'alt' ? [value] : []))
          : [],
      )
      const said = attributeOf(placed, 'aria-label') ?? [textOf(element), ...alts].join(' ')
      const text = said
        .replace(/[\s.…»>]+/g, ' ')
        .trim()
        .toLowerCase()
      if (text !== '' && !SAY_NOTHING.has(text)) return []
      const words =
        text === '' ? 'A link has no text.' : `The link text “${text}” does not say where it leads.`
      return [{ place: inContent(page, placed), words, gist: `${text} ${attributeOf(placed, 'href')}` }]
    }),
}
