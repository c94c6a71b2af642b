import type { FoundFile } from './folderFiles.ts'

/** Archives and dropped folders often hold one folder with everything in it: that is the top of the site. */
export function withoutTop(files: readonly FoundFile[]): FoundFile[] {
  const top = /^[^/]+\//.exec(files[0]?.path ?? '')?.[0]
  return top !== undefined && files.every(({ path }) => path.startsWith(top))
    ? files.map(({ path, bytes }) => ({ path: path.slice(top.length), bytes }))
    : [...files]
}
