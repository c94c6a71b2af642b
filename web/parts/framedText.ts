import { onBeforeUnmount, onMounted, type Ref } from 'vue'
import { type LaidOut, readLaidOut } from './laidOut.ts'

/** After so long, a page that has said nothing counts as arrived: one that is cut off, or has no body. */
const LONGEST_MS = 2000

/**
 * Shows pages in a sandboxed frame one after the other, without a step in the history of the browser for each. A page is
 * sent only when the one before has arrived: the browser forgets a frame's next address when the address before it comes
 * through meanwhile. Of several that wait, the last is shown.
 */
export function useFramedText(frame: Ref<HTMLIFrameElement | undefined>) {
  /** Of the page that is in the frame, or on its way. */
  let url = ''
  let isOnItsWay = false
  let waiting: string | undefined
  let before = ''
  let timer: ReturnType<typeof setTimeout> | undefined

  function send(html: string): void {
    before = url
    url = URL.createObjectURL(new Blob([html], { type: 'text/html;charset=utf-8' }))
    isOnItsWay = true
    if (before === '') frame.value!.src = url
    else frame.value!.contentWindow!.location.replace(url)
    timer = setTimeout(arrived, LONGEST_MS)
  }

  function arrived(): void {
    if (!isOnItsWay) return
    isOnItsWay = false
    clearTimeout(timer)
    if (before !== '') URL.revokeObjectURL(before)
    if (waiting === undefined) return
    const html = waiting
    waiting = undefined
    send(html)
  }

  /** Shows a page in the place of what was shown. */
  function show(html: string): void {
    if (isOnItsWay) waiting = html
    else send(html)
  }

  /** What the page that is shown says of its layout; undefined for anything else, and for one that has gone. */
  function layoutSaid(event: MessageEvent): LaidOut | undefined {
    const said = readLaidOut(event.data)
    return said?.url === url ? said : undefined
  }

  function hear(event: MessageEvent): void {
    if (event.source === frame.value?.contentWindow && layoutSaid(event)) arrived()
  }
  onMounted(() => window.addEventListener('message', hear))
  onBeforeUnmount(() => {
    window.removeEventListener('message', hear)
    clearTimeout(timer)
    for (const one of [before, url]) if (one !== '') URL.revokeObjectURL(one)
  })

  return { show, layoutSaid }
}
