import type { Plugin } from 'vite'
import { LATER_FILES } from './laterFiles.ts'

/** Lists what is fetched when it is first needed: the files of all screens but the first, with their styles. */
export const laterFiles = (): Plugin => ({
  name: 'later-files',
  apply: 'build',
  // The files of workers are known then, too.
  enforce: 'post',
  generateBundle(_, bundle) {
    const files = new Set<string>()
    for (const file of Object.values(bundle)) {
      // What workers fetch themselves: they are built apart.
      if (file.type === 'asset' && /\.js$/.test(file.fileName)) files.add(`/${file.fileName}`)
      if (file.type !== 'chunk' || !file.isDynamicEntry) continue
      for (const name of [file.fileName, ...file.imports]) if (name in bundle) files.add(`/${name}`)
      for (const style of file.viteMetadata?.importedCss ?? []) files.add(`/${style}`)
    }
    this.emitFile({
      type: 'asset',
      fileName: LATER_FILES.slice(1),
      source: JSON.stringify([...files].sort()),
    })
  },
})
