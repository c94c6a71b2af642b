import { firstHeading } from '../../navigate/title.ts'
import { COMMON_PRACTICE } from '../rule.ts'
import { sameOnPages } from './sameText.ts'

export const sameHeading = sameOnPages(
  {
    id: 'same-heading',
    severity: 'warning',
    about: 'pages whose first heading is the same, though their titles differ',
    source: COMMON_PRACTICE,
  },
  (page) => (page.heading === '' ? '' : firstHeading(page)),
  (others) => `The first heading is that of another page, too: ${others}.`,
)
