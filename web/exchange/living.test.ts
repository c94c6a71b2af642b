import { livingInBrowser, sayThatWeLive } from './living.ts'

/** Locks as browsers have them in secure contexts: a request is granted at once, and held until its work is done. */
function giveLocks(): void {
  const held = new Set<string>()
  const locks = {
    async request(name: string, work: () => Promise<void>) {
      held.add(name)
      await work()
      held.delete(name)
    },
    query: () => Promise.resolve({ held: [...held, 'another'].map((name) => ({ name })) }),
  }
  Object.defineProperty(globalThis, 'navigator', { value: { locks }, configurable: true })
}

test.each(['by asking them', 'by their locks'])(
  'windows are known to live %s, until they are gone',
  async (how) => {
    if (how === 'by their locks') giveLocks()
    const [one, other] = [sayThatWeLive('one'), sayThatWeLive('other')]
    expect(await livingInBrowser()).toEqual(new Set(['one', 'other']))
    one()
    await new Promise((resolve) => setTimeout(resolve))
    expect(await livingInBrowser()).toEqual(new Set(['other']))
    other()
  },
)
