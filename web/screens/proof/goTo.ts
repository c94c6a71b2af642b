import type { FindingPlace } from '@viatica/core/check/rule.ts'
import { type RouteLocationRaw, useRouter } from 'vue-router'
import { useOpenSite } from '../../stores/openSite.ts'
import { writingWay } from '../../stores/writingWay.ts'
import { useSurrounding } from '../../stores/surrounding.ts'

/** Gives what opens the place where something was found, on the stop where it can be put right. */
export function useGoTo(): (place: FindingPlace) => void {
  const router = useRouter()
  const openSite = useOpenSite()
  const surrounding = useSurrounding()

  function routeTo(place: FindingPlace): RouteLocationRaw {
    const params = { id: openSite.id }
    switch (place.in) {
      case 'content':
        return {
          name: 'write',
          params: { ...params, view: writingWay.value },
          query: { page: place.entry, at: String(place.start) },
        }
      case 'entry':
        return { name: 'plan', params, query: { page: place.entry } }
      case 'piece':
        surrounding.pieceId = place.piece
        return { name: 'surround', params }
      case 'menu':
        surrounding.menuId = place.menu
        return { name: 'surround', params: { ...params, view: 'menus' } }
      case 'template':
        return { name: 'surround', params }
      case 'look':
        return { name: 'surround', params: { ...params, view: 'design' } }
    }
  }
  return (place) => void router.push(routeTo(place))
}
