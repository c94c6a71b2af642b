import TestSequencer from '@jest/test-sequencer'

/** What takes longest, from the longest on: begun last, one of these would leave a processor idle at the end. */
const SLOW = [
  'web/exchange/exchange',
  'cli/publish/publish',
  'core/formats/finishedSite',
  'server/routes/publish',
  'core/existing/join/join',
  'core/existing/bring',
  'core/existing/manuals',
  'core/existing/corrections',
  'web/screens/write/visual/visual',
]

/** By the list above, the rest by size, as Jest has them where it knows nothing else. */
export default class SlowFirst extends TestSequencer {
  async sort(tests) {
    const rank = ({ path }) => {
      const at = SLOW.findIndex((name) => path.endsWith(`/${name}.test.ts`))
      return at < 0 ? SLOW.length : at
    }
    return (await super.sort(tests)).sort((a, b) => rank(a) - rank(b))
  }
}
