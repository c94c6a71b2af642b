import { hierarchy, type HierarchyPointNode, tree } from 'd3-hierarchy'
import type { EntryId } from '../plan/ids.ts'
import { childrenOf, type Plan } from '../plan/plan.ts'

/** Whether the levels of the drawing follow each other to the right or downwards. */
export const DIRECTIONS = ['right', 'down'] as const
export type Direction = (typeof DIRECTIONS)[number]

/** An entry as a box. */
export interface Box {
  readonly id: EntryId
  readonly parent: EntryId | undefined
  readonly depth: number
  /** The upper left corner. */
  readonly x: number
  readonly y: number
  /** How many entries are folded away under it. */
  readonly folded: number
}

/** The hierarchy as boxes on a sheet that starts at 0, 0. */
export interface Structure {
  readonly direction: Direction
  readonly boxes: readonly Box[]
  readonly width: number
  readonly height: number
}

export const BOX_WIDTH = 164
export const BOX_HEIGHT = 38
/** The room between boxes side by side, and between levels. */
const GAP_BESIDE = { right: 8, down: 20 } as const
const GAP_LEVELS = { right: 52, down: 44 } as const

interface Node {
  readonly id: EntryId
  readonly children: readonly Node[]
  readonly folded: number
}

function countUnder(plan: Plan, id: EntryId): number {
  return childrenOf(plan, id).reduce((sum, child) => sum + 1 + countUnder(plan, child), 0)
}

function nodeOf(plan: Plan, id: EntryId, folded: ReadonlySet<EntryId>): Node {
  if (folded.has(id)) return { id, children: [], folded: countUnder(plan, id) }
  return { id, children: childrenOf(plan, id).map((child) => nodeOf(plan, child, folded)), folded: 0 }
}

/**
 * Draws the hierarchy as a tidy tree: no boxes overlap, a parent stands midway between its first and last child,
 * and equal shapes are drawn alike (Reingold and Tilford, "Tidier Drawings of Trees", 1981; laid out in linear time
 * as Buchheim, Jünger and Leipert show, 2002).
 * @param folded entries whose children are not drawn
 */
export function structureOf(
  plan: Plan,
  direction: Direction,
  folded: ReadonlySet<EntryId> = new Set(),
): Structure {
  const [across, along] = direction === 'right' ? [BOX_HEIGHT, BOX_WIDTH] : [BOX_WIDTH, BOX_HEIGHT]
  const layout = tree<Node>()
    .nodeSize([across + GAP_BESIDE[direction], along + GAP_LEVELS[direction]])
    .separation((a, b) => (a.parent === b.parent ? 1 : 1.35))
  const nodes: HierarchyPointNode<Node>[] = []
  layout(hierarchy(nodeOf(plan, plan.home, folded), ({ children }) => [...children])).eachBefore((node) =>
    nodes.push(node),
  )
  const least = Math.min(...nodes.map((node) => node.x))
  const boxes = nodes.map((node): Box => {
    const beside = node.x - least
    const { id, folded: hidden } = node.data
    return {
      id,
      parent: node.parent?.data.id,
      depth: node.depth,
      x: direction === 'right' ? node.y : beside,
      y: direction === 'right' ? beside : node.y,
      folded: hidden,
    }
  })
  return {
    direction,
    boxes,
    width: Math.max(...boxes.map(({ x }) => x)) + BOX_WIDTH,
    height: Math.max(...boxes.map(({ y }) => y)) + BOX_HEIGHT,
  }
}

/** The line from a box to one under it, as the `d` of an SVG path: straight out, across, and straight in. */
export function connection(from: Box, to: Box, direction: Direction): string {
  if (direction === 'right') {
    const middle = to.x - GAP_LEVELS.right / 2
    return `M${from.x + BOX_WIDTH} ${from.y + BOX_HEIGHT / 2}H${middle}V${to.y + BOX_HEIGHT / 2}H${to.x}`
  }
  const middle = to.y - GAP_LEVELS.down / 2
  return `M${from.x + BOX_WIDTH / 2} ${from.y + BOX_HEIGHT}V${middle}H${to.x + BOX_WIDTH / 2}V${to.y}`
}
