import type { Plugin } from 'vite'
import { LATER_FILES } from './laterFiles.ts'

/**
 * Lists what is fetched when it is first needed: every script with its styles, also what several screens share, and what
 * workers fetch themselves, which are built apart. A style that is missing keeps a screen from being opened.
 */
export const laterFiles = (): Plugin => ({
  name: 'later-files',
  apply: 'build',
  // The files of workers are known then, too.
  enforce: 'post',
  generateBundle(_, bundle) {
    const files = new Set<string>()
    for (const file of Object.values(bundle)) {
      if (/\.(?:js|css)$/.test(file.fileName)) files.add(`/${file.fileName}`)
      if (file.type !== 'chunk') continue
      for (const style of file.viteMetadata?.importedCss ?? []) files.add(`/${style}`)
    }
    this.emitFile({
      type: 'asset',
      fileName: LATER_FILES.slice(1),
      source: JSON.stringify([...files].sort()),
    })
  },
})
