import { redirectsOf } from '../../address/redirects.ts'
import type { SiteRule } from '../rule.ts'

/** An address that was given out, and that leads to what stands there now instead of the page that moved. */
export const pinnedHidden: SiteRule = {
  id: 'pinned-hidden',
  group: 'addresses',
  severity: 'error',
  about: 'addresses that were given out and lead elsewhere now',
  source: 'W3C, Cool URIs don’t change: https://www.w3.org/Provider/Style/URI',
  from: ({ site }) => [site.plan, site.settings, site.files],
  findAll: ({ site }) =>
    redirectsOf(site).flatMap(({ from, to, rests }) =>
      rests === undefined || to.to !== 'entry'
        ? []
        : [
            {
              place: {
                in: 'entry' as const,
                entry: site.plan.entries.has(to.entry) ? to.entry : site.plan.home,
              },
              words:
                rests === 'leads-nowhere' || rests === 'leads-back'
                  ? `The address ${from} was given out and leads to a page that is not on the site.`
                  : `The address ${from} was given out for this page, and something else stands there now.`,
              gist: `${from} ${rests}`,
            },
          ],
    ),
}
