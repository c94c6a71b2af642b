import { labelOf } from '../../plan/entry.ts'
import type { Site } from '../../plan/site.ts'
import { readPointer } from '../../pointer/pointer.ts'

/** What is wrong with a reference that leads to nothing. @param what a link, or a file that is shown or loaded */
export function goneWords(site: Site, reference: string, what: 'link' | 'file'): string {
  const { to, id } = readPointer(reference)!
  const gone = site.gone.get(`${to}:${id}`)
  if (to === 'entry') {
    const entry = site.plan.entries.get(id)
    if (entry) return `Link to “${labelOf(entry)}”, which has no page.`
    return gone ? `Link to a deleted page: “${gone.label}”` : 'Link to a page that does not exist.'
  }
  const name = what === 'link' ? 'Link to' : 'Use of'
  return gone ? `${name} a deleted file: ${gone.path}` : `${name} a file that does not exist.`
}
