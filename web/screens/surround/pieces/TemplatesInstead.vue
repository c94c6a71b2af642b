<script setup lang="ts">
import { withKept } from '@viatica/core/plan/change/kept.ts'
import { Alert, Button } from 'ant-design-vue'
import { proxy, wrap } from 'comlink'
import { onBeforeUnmount, ref, shallowRef } from 'vue'
import { Refusal, requestBlob } from '../../../api/request.ts'
import ModalDialog from '../../../parts/ModalDialog.vue'
import { type SentFile, sendFiles } from '../../../parts/pages/sendFiles.ts'
import { counted, type Working, WRONG } from '../../../parts/pages/steps.ts'
import WorkProgress from '../../../parts/pages/WorkProgress.vue'
import { useOpenSite } from '../../../stores/openSite.ts'
import type { BringWork, Progress, TurnedSite } from '../../../workers/bringWorker.ts'

/** Makes templates of the pieces: the HTML of all pages is their author's from then on. */
const openSite = useOpenSite()

const isOpen = ref(false)
const progress = shallowRef<Working>()
const trouble = ref('')
const turned = shallowRef<TurnedSite>()
let worker: Worker | undefined
let sending: AbortController | undefined

function stop(): void {
  sending?.abort()
  worker?.terminate()
  worker = undefined
  progress.value = undefined
}

function close(): void {
  stop()
  isOpen.value = false
}
onBeforeUnmount(stop)

async function open(): Promise<void> {
  isOpen.value = true
  trouble.value = ''
  turned.value = undefined
  progress.value = { step: 'pages' }
  const mine = (worker = new Worker(new URL('../../../workers/bringWorker.ts', import.meta.url), {
    type: 'module',
  }))
  const work = wrap<BringWork>(mine)
  try {
    await work.into(openSite.shown)
    const found = await work.turn(proxy((now: Progress) => void (mine === worker && (progress.value = now))))
    if (mine === worker) turned.value = found
  } catch (error) {
    if (mine === worker) trouble.value = WRONG
    throw error
  } finally {
    if (mine === worker) progress.value = undefined
  }
}

async function take(): Promise<void> {
  sending = new AbortController()
  const { signal } = sending
  const { change, files } = turned.value!
  try {
    const sent: SentFile[] = []
    for (const { key, path, bytes } of files) {
      const blob = bytes
        ? new Blob([bytes as Uint8Array<ArrayBuffer>])
        : await requestBlob(`/preview/${openSite.id}/${path}`)
      sent.push([key, { path, bytes: blob }])
    }
    const kept = await sendFiles(sent, signal, (now) => (progress.value = now))
    const refusal = openSite.make(withKept(change, kept))
    if (refusal === undefined) close()
    else trouble.value = refusal
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    if (!signal.aborted) trouble.value = error.message
  } finally {
    progress.value = undefined
  }
}
</script>

<template>
  <div class="instead">
    <Button @click="open">Use templates instead …</Button>
    <ModalDialog :open="isOpen" title="Use templates instead of pieces?" @close="close">
      <p>
        Every page stays as it is, to the byte. From then on, its HTML is yours: edit it under Templates, and
        the style sheet under Files.
      </p>
      <p>
        Menus, the current page, breadcrumbs, previous/next links, titles and addresses still follow the plan.
        Pieces, look and words no longer apply; other parts computed by pieces become plain HTML.
      </p>
      <WorkProgress v-if="progress" :progress="progress" @stop="close" />
      <p v-if="turned && turned.differences > 0">
        On {{ counted(turned.differences, 'page') }}, a part will not follow the template. Proof will list
        them.
      </p>
      <Alert v-if="trouble" type="error" role="alert" :message="trouble" />
      <p class="quiet">You can undo this.</p>
      <template #buttons>
        <Button @click="close">Cancel</Button>
        <Button type="primary" :disabled="!turned || progress !== undefined" @click="take"
          >Use templates</Button
        >
      </template>
    </ModalDialog>
  </div>
</template>

<style scoped>
.instead {
  margin-top: 14px;
}
</style>
