import { combine } from '@atlaskit/pragmatic-drag-and-drop/combine'
import {
  draggable,
  dropTargetForElements,
  monitorForElements,
} from '@atlaskit/pragmatic-drag-and-drop/element/adapter'
import {
  attachClosestEdge,
  type Edge,
  extractClosestEdge,
} from '@atlaskit/pragmatic-drag-and-drop-hitbox/closest-edge'
import type { Piece } from '@viatica/core/plan/surround/piece.ts'
import type { Place } from '@viatica/core/plan/surround/place.ts'
import { onBeforeUnmount, onMounted, type Ref, ref } from 'vue'
import { useSurrounding } from '../../../stores/surrounding.ts'

/** Pieces are dragged from the list and from the page, to either: what is dropped where is the same for both. */

const isPiece = ({ source }: { source: { data: Record<string, unknown> } }) =>
  source.data['piece'] !== undefined

function whileMounted(start: () => () => void): void {
  let stop: (() => void) | undefined
  onMounted(() => (stop = start()))
  onBeforeUnmount(() => stop?.())
}

/** Moves what is dropped, for as long as the screen is there. @returns whether a piece is being dragged */
export function usePieceDrops(): Ref<boolean> {
  const surrounding = useSurrounding()
  const isDragging = ref(false)
  whileMounted(() =>
    monitorForElements({
      canMonitor: isPiece,
      onDragStart: () => (isDragging.value = true),
      onDrop({ source, location }) {
        isDragging.value = false
        const target = location.current.dropTargets[0]
        if (!target) return
        const piece = source.data['piece'] as string
        const place = target.data['place'] as Place
        const edge = extractClosestEdge(target.data)
        const others = surrounding.pieces.places[place].filter(({ id }) => id !== piece)
        const before = others.findIndex(({ id }) => id === target.data['beforePiece'])
        const at = before < 0 ? others.length : before + (edge === 'top' ? 0 : 1)
        surrounding.move({ piece, place, at, beside: edge === 'right' })
      },
    }),
  )
  return isDragging
}

/** An element that a piece can be dragged by, and others dropped at. @returns the edge that one would be dropped at */
export function usePieceDrag(
  element: Ref<HTMLElement | undefined>,
  standing: () => { readonly piece: Piece; readonly place: Place },
): Ref<Edge | null> {
  const edge = ref<Edge | null>(null)
  whileMounted(() =>
    combine(
      draggable({ element: element.value!, getInitialData: () => ({ piece: standing().piece.id }) }),
      dropTargetForElements({
        element: element.value!,
        canDrop: ({ source }) => isPiece({ source }) && source.data['piece'] !== standing().piece.id,
        getData: ({ input, element: over }) =>
          attachClosestEdge(
            { place: standing().place, beforePiece: standing().piece.id },
            { input, element: over, allowedEdges: ['top', 'bottom', 'right'] },
          ),
        onDrag: ({ self }) => (edge.value = extractClosestEdge(self.data)),
        onDragLeave: () => (edge.value = null),
        onDrop: () => (edge.value = null),
      }),
    ),
  )
  return edge
}

/** An element that stands for a whole place: what is dropped there comes last in it. @returns whether something is over it */
export function usePlaceDrop(element: Ref<HTMLElement | undefined>, place: () => Place): Ref<boolean> {
  const isOver = ref(false)
  whileMounted(() =>
    dropTargetForElements({
      element: element.value!,
      canDrop: isPiece,
      getData: () => ({ place: place() }),
      onDragEnter: () => (isOver.value = true),
      onDragLeave: () => (isOver.value = false),
      onDrop: () => (isOver.value = false),
    }),
  )
  return isOver
}
