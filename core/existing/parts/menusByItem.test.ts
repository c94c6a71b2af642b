import fc from 'fast-check'
import { likeness, MenusByItem } from './menusByItem.ts'

const keys = fc.uniqueArray(fc.constantFrom(...'abcdefgh', 'constructor', ''), { maxLength: 6 })

test('finds the menu that comparing with each one finds', () => {
  fc.assert(
    fc.property(fc.array(keys, { maxLength: 12 }), keys, fc.array(fc.boolean()), (lists, list, refused) => {
      const menus = lists.map((one) => new Set(one))
      const own = new Set(list)
      const may = (at: number) => refused[at] !== true
      const at = menus.findIndex((menu, index) => may(index) && likeness(own, menu) >= 0.7)
      expect(new MenusByItem(menus).firstLike(own, may)).toBe(at < 0 ? undefined : at)
    }),
    { numRuns: 500 },
  )
})
