import type { Change, SingleChange } from '@viatica/core/plan/change/change.ts'
import type { MovePiece, SetSurround } from '@viatica/core/plan/change/surroundChange.ts'
import type { Menu } from '@viatica/core/plan/surround/menu.ts'
import { pieceStep } from '@viatica/core/shape/pieceStep.ts'
import { newMenu, newPiece } from '@viatica/core/plan/surround/newPiece.ts'
import type { Piece, PieceKind } from '@viatica/core/plan/surround/piece.ts'
import type { Place } from '@viatica/core/plan/surround/place.ts'
import { menuOf, piecesOf, standingOf, type SurroundRule } from '@viatica/core/plan/surround/surround.ts'
import { defineStore } from 'pinia'
import { startWidth } from '../parts/pageWidths.ts'
import { computed, nextTick, ref, watch } from 'vue'
import { useOpenSite } from './openSite.ts'

/** Which piece and which menu of the surround are chosen, and what can be done to them. */
export const useSurrounding = defineStore('surrounding', () => {
  const openSite = useOpenSite()
  /** The piece whose settings are open; empty while all pieces are listed. */
  const pieceId = ref('')
  /** The piece that is pointed at in the list. */
  const pointedAt = ref('')
  const menuId = ref('')
  /** How wide visitors' screens are taken to be, in CSS pixels. */
  const width = ref(Math.min(768, startWidth()))

  // Sites that began alike have pieces and menus of the same ids.
  watch(
    () => openSite.id,
    () => {
      pieceId.value = pointedAt.value = menuId.value = ''
    },
  )

  const surround = computed(() => openSite.shown.surround)
  const pieces = computed(() => piecesOf(surround.value))
  const standing = computed(() => standingOf(surround.value, pieceId.value))
  const menu = computed(() => menuOf(surround.value, menuId.value) ?? surround.value.menus[0])

  function tell(change: Change): boolean {
    return openSite.makeOrTell(change)
  }

  /** Adds a piece at the end of a place and chooses it. A menu piece shows the first menu; without one, a new one. */
  function add(kind: PieceKind, place: Place): void {
    const id = crypto.randomUUID()
    const changes: SingleChange[] = []
    let shown = surround.value.menus[0]?.id
    if (kind === 'menu' && shown === undefined) {
      const first = newMenu('plan', crypto.randomUUID(), 'Main')
      shown = first.id
      changes.push({ kind: 'addMenu', at: 0, menu: first })
    }
    const at = pieces.value.places[place].length
    changes.push({ kind: 'addPiece', place, at, piece: newPiece(kind, id, shown ?? '') })
    const change = changes.length === 1 ? changes[0]! : { kind: 'batch' as const, changes }
    if (tell(change)) pieceId.value = id
  }

  /** Adds a menu at the end of a place, and chooses it. */
  function placeMenu(menu: string, place: Place): void {
    const id = crypto.randomUUID()
    const at = pieces.value.places[place].length
    if (tell({ kind: 'addPiece', place, at, piece: newPiece('menu', id, menu) })) pieceId.value = id
  }

  /** Removes a piece, and goes to the one beside it in the list. */
  function remove(id: string): void {
    const found = standingOf(surround.value, id)
    if (!found) return
    const rest = pieces.value.places[found.place]
    const next = rest[found.at + 1] ?? rest[found.at - 1]
    if (!tell({ kind: 'removePiece', piece: id })) return
    pieceId.value = ''
    void nextTick(() => focusInList(next?.id))
  }

  /** Gives the focus to a piece in the list, if that is shown. Without one, to where the first can be added. */
  function focusInList(id: string | undefined): void {
    const at = id === undefined ? '.place .add' : `[data-piece="${CSS.escape(id)}"]`
    document.querySelector<HTMLElement>(at)?.focus()
  }

  const canStep = (id: string, direction: 'up' | 'down') =>
    pieceStep(surround.value, id, direction) !== undefined

  function step(id: string, direction: 'up' | 'down'): void {
    const change = pieceStep(surround.value, id, direction)
    if (change) tell(change)
  }

  const move = (change: Omit<MovePiece, 'kind'>) => tell({ kind: 'movePiece', ...change })

  /** Sets some fields of a piece. @returns why that was refused */
  function set<P extends Piece>(piece: P, fields: Partial<P>): string | undefined {
    return openSite.make({ kind: 'setPiece', piece: { ...piece, ...fields } as Piece })
  }

  function addMenu(kind: Menu['kind']): void {
    const names = new Set(surround.value.menus.map(({ name }) => name))
    let name = kind === 'plan' ? 'Main' : 'Picked'
    for (let n = 2; names.has(name); n++) name = `${kind === 'plan' ? 'Main' : 'Picked'} ${n}`
    const id = crypto.randomUUID()
    if (tell({ kind: 'addMenu', at: names.size, menu: newMenu(kind, id, name) })) menuId.value = id
  }

  const removeMenu = (id: string) => tell({ kind: 'removeMenu', menu: id })

  /** Sets some fields of a menu. @returns why that was refused */
  function setMenu<M extends Menu>(of: M, fields: Partial<M>): string | undefined {
    return openSite.make({ kind: 'setMenu', menu: { ...of, ...fields } as Menu })
  }

  /** Sets a rule of the surround whole. @returns why that was refused */
  function setRule<Rule extends SurroundRule>(
    field: Rule,
    value: Extract<SetSurround, { field: Rule }>['value'],
  ): string | undefined {
    return openSite.make({ kind: 'setSurround', field, value } as SetSurround)
  }

  return {
    pieceId,
    pointedAt,
    menuId,
    width,
    surround,
    pieces,
    standing,
    menu,
    add,
    remove,
    focusInList,
    canStep,
    step,
    move,
    set,
    addMenu,
    placeMenu,
    removeMenu,
    setMenu,
    setRule,
  }
})
