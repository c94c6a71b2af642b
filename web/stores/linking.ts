import {
  LINK_WAYS,
  type LinkPicture,
  type LinkWay,
  type PicturePage,
  wayBit,
} from '@viatica/core/statistics/linkPicture.ts'
import type { EntryId } from '@viatica/core/plan/ids.ts'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { siteWork } from '../workers/siteWork.ts'
import { keptUp } from './keptUp.ts'
import { useOpenSite } from './openSite.ts'

/** The picture is drawn anew when the typing pauses. */
const PAUSE_MS = 300

/** A row or a column that is shown, with its place in the whole picture. */
export interface Line extends PicturePage {
  readonly at: number
}

/** The picture of the open site's links, what of it is shown, and the cell that is looked at. */
export const useLinking = defineStore('linking', () => {
  const openSite = useOpenSite()
  const picture = shallowRef<LinkPicture>()
  const ways = ref<ReadonlySet<LinkWay>>(new Set(LINK_WAYS))
  /** Only pages of these sections are shown; of all, where empty. */
  const fromSection = ref<EntryId>('')
  const toSection = ref<EntryId>('')
  const from = ref<EntryId>('')
  const to = ref<EntryId>('')

  const linesOf = (section: EntryId) => {
    const lines = (picture.value?.pages ?? []).map((page, at): Line => ({ ...page, at }))
    const within = lines.filter((page) => page.section === section)
    // A section that is gone hides nothing.
    return within.length > 0 ? within : lines
  }
  const rows = computed(() => linesOf(fromSection.value))
  const columns = computed(() => linesOf(toSection.value))
  const mask = computed(() => [...ways.value].reduce((bits, way) => bits | wayBit(way), 0))

  /** The ways that are shown in which one page links to another, as bits. */
  function cell(row: Line, column: Line): number {
    const { cells, pages } = picture.value!
    return cells[row.at * pages.length + column.at]! & mask.value
  }

  async function draw(): Promise<void> {
    const drawn = openSite.site
    const answer = await siteWork.linkPicture()
    if (drawn === openSite.site) picture.value = answer
  }

  const keepUp = keptUp(openSite, draw, PAUSE_MS)
  watch(
    () => openSite.id,
    () => {
      picture.value = undefined
      from.value = to.value = fromSection.value = toSection.value = ''
    },
  )

  function toggle(way: LinkWay): void {
    const next = new Set(ways.value)
    if (!next.delete(way)) next.add(way)
    ways.value = next
  }

  return { picture, ways, fromSection, toSection, from, to, rows, columns, cell, keepUp, toggle }
})
