import type { Trouble } from '@viatica/core/protocol/publishRequests.ts'

/** All goes well on the stand-in host. */
export const NO_TROUBLE: Trouble = {
  slowMs: 0,
  isFull: false,
  cutAfterBytes: 0,
  refusesLogin: false,
  losesUploads: false,
}
