import type { FilePass } from '@viatica/core/render/filePass.ts'
import { access } from './access.ts'
import { sitesApi } from './sites.ts'

/** Well before a pass ends. */
const RENEW_MS = 10 * 60_000

/** What this window signs the addresses of files with, in the pages that it shows itself; none where no key is needed. */
class PreviewPass {
  #site = ''
  #pass: FilePass | null = null
  #renewing: ReturnType<typeof setInterval> | undefined

  /** Gets a pass for the site that is opened, and renews it. Without one, pages are shown without their files. */
  async begin(site: string): Promise<void> {
    clearInterval(this.#renewing)
    this.#site = site
    this.#pass = null
    if (!access.isNeeded) return
    const renew = async () => {
      const pass = await sitesApi.previewPass(site).catch(() => undefined)
      if (pass !== undefined && this.#site === site) this.#pass = pass
    }
    this.#renewing = setInterval(() => void renew(), RENEW_MS)
    await renew()
  }

  /** Returns the pass for a site. */
  of(site: string): FilePass | null {
    return site === this.#site ? this.#pass : null
  }
}

export const previewPass = new PreviewPass()
