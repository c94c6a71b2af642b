import { useTimeoutFn } from '@vueuse/core'
import { computed, ref, shallowRef, watch } from 'vue'
import type { ListReading } from '../../workers/siteWorker.ts'
import { siteWork } from '../../workers/siteWork.ts'

const PAUSE_MS = 120
const NOTHING: ListReading = { lines: [], paths: new Map(), change: undefined, refused: undefined }

/** A list as it is typed or pasted, and what it was read as, a moment later. */
export function useListReading(pasted: string, destination: () => { parent: string; place: number }) {
  const text = ref(pasted)
  const reading = shallowRef(NOTHING)
  /** The text that was read, and where for. */
  const read = ref('')
  const wanted = computed(() => {
    const { parent, place } = destination()
    return { text: text.value, parent, place, key: `${parent} ${place} ${text.value}` }
  })
  /** Whether what was read is what stands there now. */
  const isCurrent = computed(() => read.value === wanted.value.key)

  async function readNow(): Promise<void> {
    const asked = wanted.value
    const answer = await siteWork.readList(asked.text, asked.parent, asked.place)
    if (asked.key !== wanted.value.key) return
    reading.value = answer
    read.value = asked.key
  }
  const { start } = useTimeoutFn(() => void readNow(), PAUSE_MS)
  watch(wanted, start)

  return { text, reading, isCurrent }
}
