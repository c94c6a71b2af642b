import { newPage } from '@viatica/core/plan/newEntry.ts'
import type { Branch } from '@viatica/core/plan/branch.ts'

const WORDS = 'lock basin towpath reservoir aqueduct mooring heron gate paddle summit cutting stage'.split(
  ' ',
)
const FIRST_LEVEL = 8
const FAN_OUT = 12

function bodyOf(n: number, pages: number, paragraphs: number): string {
  const word = (at: number) => WORDS[(n * 7 + at * 3) % WORDS.length]!
  const sentence = (at: number) =>
    `The ${word(at)} & the ${word(at + 1)} lie beyond the ${word(at + 2)} of the ${word(at + 3)}.`
  const paragraph = (at: number) => `<p>${[0, 1, 2, 3].map((step) => sentence(at + step)).join(' ')}</p>`
  const more = Array.from({ length: paragraphs - 1 }, (_, at) => paragraph((at + 1) * 4))
  return `${paragraph(0)}\n<h2>More</h2>\n${more.join('\n')}\n<p>See <a href="entry:p${(n * 31) % pages}">the other page</a>.</p>`
}

/**
 * A plan of so many pages: eight sections under the home page, each filled level by level, twelve to a page.
 * @param paragraphs in each text, of about fifty words each
 */
export function makeBranch(pages: number, paragraphs = 2): Branch {
  const make = (n: number): Branch & { entries: Branch[] } => ({
    ...newPage(`p${n}`, n === 0 ? 'Home' : `${WORDS[n % WORDS.length]} ${n}`, {
      description: `Page ${n} of the benchmark.`,
      state: 'ready',
      inMenu: n <= FIRST_LEVEL * 5,
      body: { html: bodyOf(n, pages, paragraphs), changed: '' },
    }),
    entries: [],
  })
  const all = Array.from({ length: pages }, (_, n) => make(n))
  all.forEach((branch, n) => {
    if (n === 0) return
    const parent = n <= FIRST_LEVEL ? 0 : 1 + Math.floor((n - FIRST_LEVEL - 1) / FAN_OUT)
    all[parent]!.entries.push(branch)
  })
  return all[0]!
}
