import { PathTree } from '../../standard/pathTree.ts'
import { MAX_PATH, foundPathFault } from '../../plan/file.ts'
import { isLine } from '../../standard/text.ts'
import type { FoundFile, Leftover } from './folderFiles.ts'

/**
 * Returns the path that an archive means: some programs write backslashes between folders, and names without effect (`.`, an
 * empty one). What leads out of the archive is left for `soundFiles` to refuse.
 */
export function archivePath(name: string): string {
  const path = name.replaceAll('\\', '/')
  const isAbsolute = path.startsWith('/')
  const names = path.split('/').filter((one) => one !== '' && one !== '.')
  return `${isAbsolute ? '/' : ''}${names.join('/')}`
}

/** Why a file cannot be part of a site, whatever its content is, in words for the author; undefined when it can. */
function pathFault(path: string): string | undefined {
  if (path.length > MAX_PATH) return `Its path has more than ${MAX_PATH} characters: it is left out.`
  if (!isLine(path)) return 'There are control characters in its path: it is left out.'
  if (foundPathFault(path) !== undefined)
    return 'Its path is not one of a file in the folder: it is left out.'
  return undefined
}

/** Files of which each can be in a site next to the others, and those that are left out, each with the reason. */
export interface SoundFiles {
  readonly files: readonly FoundFile[]
  readonly leftOut: readonly Leftover[]
}

/** Leaves out the files that no site can hold: one file with an impossible name never keeps the others away. */
export function soundFiles(found: readonly FoundFile[]): SoundFiles {
  const leftOut: Leftover[] = []
  const tree = new PathTree<true>()
  const files = new Map<string, FoundFile>()
  for (const file of found) {
    const { path } = file
    const reason =
      pathFault(path) ?? (files.has(path) ? 'Another file has the same path: it is left out.' : undefined)
    if (reason !== undefined) {
      leftOut.push({ path, reason })
      continue
    }
    files.set(path, file)
    tree.put(path, true)
  }
  for (const path of files.keys()) {
    // An archive can hold a file with the name of a folder; a disk cannot.
    if (!tree.hasFolder(path)) continue
    files.delete(path)
    leftOut.push({ path, reason: 'A folder has the same name: the file is left out.' })
  }
  return { files: [...files.values()], leftOut }
}
