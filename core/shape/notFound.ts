import type { Change, SingleChange } from '../plan/change/change.ts'
import { labelOf } from '../plan/entry.ts'
import type { EntryId } from '../plan/ids.ts'
import { newPage } from '../plan/newEntry.ts'
import { childrenOf, entryOf } from '../plan/plan.ts'
import type { Site } from '../plan/site.ts'
import { escapePlainly } from '../standard/escape.ts'
import { itemAt, valueFor } from '../standard/present.ts'
import { tableOf } from '../standard/table.ts'

/** What the 404 page is called, by language. */
const TITLES = tableOf<string>({
  en: 'Page not found',
  de: 'Seite nicht gefunden',
  fr: 'Page introuvable',
  es: 'Página no encontrada',
  it: 'Pagina non trovata',
  nl: 'Pagina niet gevonden',
  pt: 'Página não encontrada',
  pl: 'Nie znaleziono strony',
})

const chosen = (value: EntryId | null): SingleChange => ({ kind: 'setSite', field: 'notFound', value })

/**
 * The change that makes a page the 404 page, or says that there is none. It leaves menus and the reading order: nobody is
 * led there.
 * @param id null for none
 */
export function chooseNotFound({ plan }: Site, id: EntryId | null): Change {
  if (id === null) return chosen(null)
  const entry = entryOf(plan, id)
  const changes: SingleChange[] = [chosen(id)]
  if (entry.inMenu) changes.push({ kind: 'setEntry', entry: id, field: 'inMenu', value: false })
  if (entry.kind === 'page' && entry.inOrder)
    changes.push({ kind: 'setEntry', entry: id, field: 'inOrder', value: false })
  return { kind: 'batch', words: `“${labelOf(entry)}” is now the 404 page`, changes }
}

/**
 * The change that adds a 404 page, the last one under the home page, with a map of the site; where nothing is computed, with a
 * link to the home page.
 * @param id of the new page
 * @param today as `2026-05-31`
 */
export function newNotFound({ plan, settings, surround }: Site, id: EntryId, today: string): Change {
  const title = TITLES.get(itemAt(settings.language.split('-'), 0).toLowerCase()) ?? valueFor(TITLES, 'en')
  const home = `<p><a href="entry:${plan.home}">${escapePlainly(labelOf(entryOf(plan, plan.home)))}</a></p>\n`
  // The pages of templates are their author's HTML: nothing is computed there.
  const html = surround.kind === 'templates' ? home : '<put-site-map></put-site-map>\n'
  const page = newPage(id, title, {
    ...{ fileName: '404', state: 'ready', inMenu: false, inOrder: false },
    body: { html, changed: today },
  })
  const place = childrenOf(plan, plan.home).length
  return {
    kind: 'batch',
    words: `404 page “${title}” added`,
    changes: [{ kind: 'add', parent: plan.home, place, branches: [{ ...page, entries: [] }] }, chosen(id)],
  }
}
