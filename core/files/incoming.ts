import { folderOf } from '../address/relative.ts'
import { endingOf, type FileKind, fileTypeOf } from '../plan/file.ts'
import { soundFileName } from '../standard/fileName.ts'

/** The folder in which files of each kind stand where the author does not say otherwise. */
const FOLDERS: Readonly<Record<FileKind, string>> = {
  picture: 'pictures/',
  style: 'styles/',
  script: 'scripts/',
  font: 'fonts/',
  download: 'downloads/',
}

/** The name of a file or folder, made sound: lower-case, words parted by hyphens, the ending kept. */
function soundName(name: string): string {
  const ending = endingOf(name)
  const base = ending === '' ? name : name.slice(0, -ending.length - 1)
  return soundFileName(base, '-') + (ending === '' ? '' : `.${ending}`)
}

/**
 * Where a file that comes in will stand: what came in a folder keeps its place there, a single file goes to the folder
 * of its kind, or to the one that the author has in sight.
 * @param path as the author's system has it, parted by slashes
 * @param folder ending in `/`; empty for the usual one
 * @returns a lower-case path; undefined for a kind of file that sites do not hold
 */
export function pathForIncoming(path: string, folder: string): string | undefined {
  const type = fileTypeOf(path)
  if (!type) return undefined
  const names = path.split('/').filter((name) => name !== '' && name !== '.' && name !== '..')
  const sound = names.map(soundName).join('/')
  return names.length > 1 ? folder + sound : (folder || FOLDERS[type.kind]) + sound
}

/** Returns a path for a file that must not replace another one: the path itself, or the path with a number. @param taken paths of other files */
export function pathBeside(path: string, taken: Iterable<string>): string {
  const lower = new Set([...taken].map((one) => one.toLowerCase()))
  const ending = /\.[^./]*$/.exec(path)?.[0] ?? ''
  const base = path.slice(0, path.length - ending.length)
  for (let n = 1; ; n++) {
    const candidate = n === 1 ? path : `${base}-${n}${ending}`
    if (!lower.has(candidate.toLowerCase())) return candidate
  }
}

/** The path of a file that another takes the place of: the same, but with the ending of the other. */
export function pathOfReplacement(path: string, name: string): string {
  const base = path.slice(folderOf(path).length)
  return folderOf(path) + base.replace(/\.[^.]*$/, '') + `.${endingOf(name)}`
}
