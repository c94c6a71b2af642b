import { rootPath } from '../../address/href.ts'
import { templatesOf } from '../../plan/surround/surround.ts'
import type { SiteRule } from '../rule.ts'

/** Whether something in some templates is written from the root of the host, wherever in them it is. */
function hasRootLinks(value: unknown): boolean {
  const waiting = [value]
  for (let next = waiting.pop(); next !== undefined || waiting.length > 0; next = waiting.pop()) {
    if (typeof next !== 'object' || next === null) continue
    if ('start' in next && next.start === 'root') return true
    for (const one of Object.values(next)) waiting.push(one)
  }
  return false
}

/** Links from the root of the host that begin with another folder than the one that the base URL says. */
export const rootDiffers: SiteRule = {
  id: 'root-differs',
  group: 'addresses',
  severity: 'error',
  about: 'links of existing HTML from the root of the host that start with another folder than the base URL',
  source: 'URL: https://url.spec.whatwg.org/#path-absolute-url-string',
  from: ({ site: { surround, settings } }) => [templatesOf(surround), settings.baseUrl],
  findAll({ site: { surround, settings, plan } }) {
    const templates = templatesOf(surround)
    const root = rootPath(settings.baseUrl)
    if (!templates || settings.baseUrl === '' || templates.root === root || !hasRootLinks(templates))
      return []
    return [
      {
        place: { in: 'entry', entry: plan.home },
        words: `Root-relative links start with ${templates.root}, but by its base URL the site is in ${root}`,
        gist: `${templates.root} ${root}`,
        fix: { kind: 'setSurround', field: 'templates', value: { ...templates, root } },
      },
    ]
  },
}
