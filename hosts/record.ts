import type { HostFile } from '@viatica/core/publish/publication.ts'
import type { FileSeen } from './connection/connection.ts'

/** A file that a publication put on a host, and what the host said of it then. */
export interface RecordedFile extends HostFile {
  readonly seen: FileSeen
}

/** What is known of the files on a host between publications. */
export interface HostRecord {
  files(): Promise<readonly RecordedFile[]>
  /** Digests that were about to be put at a path when a publication broke off: what has one of them is ours. */
  intended(): Promise<ReadonlyMap<string, string>>
  /** Says, before it is done, what is about to be put at a path. */
  intend(path: string, digest: string): Promise<void>
  put(file: RecordedFile): Promise<void>
  removed(path: string): Promise<void>
  /** Keeps what somebody else put on the host, before it goes from there. */
  keepAside(path: string, digest: string, bytes: Uint8Array): Promise<void>
}
