/** A file as a host tells of it. */
export interface FileSeen {
  /** In bytes. */
  readonly size: number
  /** When it was last changed, in whole seconds since 1970. */
  readonly modified: number
}

/** What is in a folder, by name. */
export interface FolderSeen {
  readonly files: ReadonlyMap<string, FileSeen>
  readonly folders: ReadonlySet<string>
}

/**
 * A way to the files of a host. Paths start at the folder of the site, without a slash; the empty one is that folder.
 * Everything throws a HostFault that names the host, the file, and what to do.
 */
export interface Connection {
  /** What a folder holds; undefined where it is not there. */
  list(folder: string): Promise<FolderSeen | undefined>
  /** A file; undefined where it is not there. */
  see(path: string): Promise<FileSeen | undefined>
  read(path: string): Promise<Uint8Array>
  write(path: string, bytes: Uint8Array): Promise<void>
  /** Puts a file in the place of another, or where none is. */
  rename(from: string, to: string): Promise<void>
  remove(path: string): Promise<void>
  /** Makes a folder whose own folder is there. */
  makeFolder(path: string): Promise<void>
  /** Takes an empty folder away; one that is not empty stays. */
  removeFolder(path: string): Promise<void>
  close(): Promise<void>
  /** How many things may be asked of it at once. */
  readonly atOnce: number
}

/**
 * Whether a host may have named a file or folder like this. A listing is what the host sends: a name with a slash, or the
 * folder above, is no entry of the folder.
 */
export const isEntryName = (name: string): boolean =>
  name !== '' && name !== '.' && name !== '..' && !/[/\0]/.test(name)
