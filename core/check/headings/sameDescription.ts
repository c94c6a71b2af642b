import { COMMON_PRACTICE } from '../rule.ts'
import { sameOnPages } from './sameText.ts'

export const sameDescription = sameOnPages(
  {
    id: 'same-description',
    severity: 'warning',
    about: 'pages with the same description',
    source: COMMON_PRACTICE,
  },
  ({ description }) => description,
  (others) => `The description is that of another page, too: ${others}.`,
)
