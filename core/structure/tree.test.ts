import fc from 'fast-check'
import { newSite } from '../plan/site.ts'
import { childrenOf, type Plan } from '../plan/plan.ts'
import { arbitrarySite } from '../testing/arbitrarySite.ts'
import { BOX_HEIGHT, BOX_WIDTH, type Box, DIRECTIONS, structureOf } from './tree.ts'

/** Where the boxes of a branch stand, seen from its top box. */
function shapeOf(plan: Plan, boxes: ReadonlyMap<string, Box>, id: string, from: Box): string {
  const { x, y } = boxes.get(id)!
  const under = childrenOf(plan, id).map((child) => shapeOf(plan, boxes, child, from))
  return `(${Math.round(x - from.x)},${Math.round(y - from.y)}${under.join('')})`
}
const form = (plan: Plan, id: string): string =>
  `(${childrenOf(plan, id)
    .map((child) => form(plan, child))
    .join('')})`

// The rules of Reingold and Tilford, "Tidier Drawings of Trees", IEEE Transactions on Software Engineering, 1981.
describe('the drawing of any hierarchy', () => {
  test.each(DIRECTIONS)('is a tidy tree, drawn %s', (direction) => {
    fc.assert(
      fc.property(arbitrarySite(40), ({ plan }) => {
        const { boxes, width, height } = structureOf(plan, direction)
        const byId = new Map(boxes.map((box) => [box.id, box]))
        expect(byId.size).toBe(plan.entries.size)
        boxes.forEach((a, at) => {
          expect(a.x >= 0 && a.y >= 0 && a.x + BOX_WIDTH <= width && a.y + BOX_HEIGHT <= height).toBe(true)
          for (const b of boxes.slice(at + 1)) {
            const overlap = Math.abs(a.x - b.x) < BOX_WIDTH && Math.abs(a.y - b.y) < BOX_HEIGHT
            expect(overlap).toBe(false)
          }
        })
        const beside = direction === 'right' ? (box: Box) => box.y : (box: Box) => box.x
        const level = direction === 'right' ? (box: Box) => box.x : (box: Box) => box.y
        const forms = new Map<string, string>()
        for (const [id, box] of byId) {
          const under = childrenOf(plan, id).map((child) => byId.get(child)!)
          if (under.length > 0) {
            expect(beside(box)).toBeCloseTo((beside(under[0]!) + beside(under.at(-1)!)) / 2)
            for (const child of under) expect(level(child)).toBeGreaterThan(level(box))
            const order = under.map(beside)
            expect(order).toEqual([...order].sort((a, b) => a - b))
          }
          // The same form is drawn the same, wherever it stands.
          const drawn = shapeOf(plan, byId, id, box)
          expect(forms.get(form(plan, id)) ?? drawn).toBe(drawn)
          forms.set(form(plan, id), drawn)
        }
        for (const a of boxes) for (const b of boxes) if (a.depth === b.depth) expect(level(a)).toBe(level(b))
      }),
      { numRuns: 50 },
    )
  })

  test('folds what stands under an entry, and says how much', () => {
    fc.assert(
      fc.property(arbitrarySite(20), ({ plan }) => {
        const { boxes, width, height } = structureOf(plan, 'right', new Set([plan.home]))
        expect(boxes).toHaveLength(1)
        expect(boxes[0]).toMatchObject({ id: plan.home, folded: plan.entries.size - 1, x: 0, y: 0 })
        expect([width, height]).toEqual([BOX_WIDTH, BOX_HEIGHT])
      }),
    )
    expect(structureOf(newSite('S', 'h').plan, 'down').boxes).toHaveLength(1)
  })
})
