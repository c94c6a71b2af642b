import { InputFault } from '@viatica/core/formats/inputFault.ts'
import { ref } from 'vue'
import { Refusal } from './request.ts'

/** Work that may be refused, by the server or for what a file holds, and why the last one was; empty when it was not. */
export function useAttempt() {
  const trouble = ref('')

  async function attempt(work: () => Promise<void>): Promise<void> {
    trouble.value = ''
    try {
      await work()
    } catch (error) {
      if (!(error instanceof Refusal || error instanceof InputFault)) throw error
      trouble.value = error.message
    }
  }

  return { trouble, attempt }
}
