import { COMMON_PRACTICE, type SiteRule } from '../rule.ts'

/** The home page is `index` whatever its own file name says. */
export const homeName: SiteRule = {
  id: 'home-name',
  group: 'addresses',
  severity: 'hint',
  about: 'a file name on the home page, which is always index',
  source: COMMON_PRACTICE,
  from: ({ site }) => [site.plan.entries.get(site.plan.home)],
  findAll({ site: { plan } }) {
    const home = plan.entries.get(plan.home)
    if (home?.kind !== 'page' || home.fileName === '' || home.fileName === 'index') return []
    return [
      {
        place: { in: 'entry', entry: plan.home },
        words: `The home page is always index: its file name “${home.fileName}” is not used.`,
        gist: home.fileName,
        fix: { kind: 'setEntry', entry: plan.home, field: 'fileName', value: '' },
      },
    ]
  },
}
