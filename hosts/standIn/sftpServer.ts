import type { FileHandle } from 'node:fs/promises'
import { mkdir, open, readdir, rename, rmdir, stat, unlink } from 'node:fs/promises'
import type { Stats } from 'node:fs'
import type { Socket } from 'node:net'
import { join, normalize } from 'node:path/posix'
import ssh2, { type Attributes, type Connection, type Server, type SFTPWrapper } from 'ssh2'
import { type Account, letsIn, VisitorFiles } from './account.ts'

const { STATUS_CODE, OPEN_MODE } = ssh2.utils.sftp

export interface SftpServerSettings extends Account {
  readonly hostKey: string
}

interface Opened {
  readonly file?: FileHandle
  /** The names in a folder that were not given out yet. */
  names?: string[]
  readonly path: string
}

const attributesOf = (is: Stats): Attributes => ({
  mode: is.mode,
  uid: is.uid,
  gid: is.gid,
  size: is.size,
  atime: Math.floor(is.atimeMs / 1000),
  mtime: Math.floor(is.mtimeMs / 1000),
})

/** What an error of the file system is in the protocol (draft-ietf-secsh-filexfer-02, section 7). */
function statusOf(error: unknown): number {
  const { code } = error as { code?: string }
  if (code === 'ENOENT' || code === 'ENOTDIR') return STATUS_CODE.NO_SUCH_FILE
  return code === 'EACCES' || code === 'EPERM' ? STATUS_CODE.PERMISSION_DENIED : STATUS_CODE.FAILURE
}

/** Answers one client. */
function serveFiles(sftp: SFTPWrapper, client: Connection, files: VisitorFiles): void {
  const opened = new Map<number, Opened>()
  let handles = 0
  const at = (path: string) => files.at(path)
  const handleOf = (handle: Buffer) => (handle.length === 4 ? opened.get(handle.readUInt32BE()) : undefined)
  function remember(one: Opened): Buffer {
    const handle = Buffer.alloc(4)
    handle.writeUInt32BE(handles)
    opened.set(handles++, one)
    return handle
  }
  /** Does what is asked; whatever goes wrong is told as the protocol has it. */
  const answer = (request: number, work: () => Promise<number | undefined>): void => {
    void files
      .dawdle()
      .then(work)
      .catch(statusOf)
      .then((status) => {
        if (status !== undefined) sftp.status(request, status)
      })
      // Who asked has gone.
      .catch(() => undefined)
  }
  const ok = async (work: Promise<unknown>) => {
    await work
    return STATUS_CODE.OK
  }

  sftp.on('OPEN', (request, path, flags) =>
    answer(request, async () => {
      const mode = ssh2.utils.sftp.flagsToString(flags) ?? 'r'
      const writes = (flags & OPEN_MODE.WRITE) !== 0
      const file = writes ? await files.openToWrite(path, mode) : await open(at(path), mode)
      sftp.handle(request, remember({ ...(file ? { file } : {}), path }))
      return undefined
    }),
  )
  sftp.on('READ', (request, handle, offset, length) =>
    answer(request, async () => {
      const one = handleOf(handle)
      if (!one?.file) return STATUS_CODE.FAILURE
      const { buffer, bytesRead } = await one.file.read(
        Buffer.alloc(Math.min(length, 1 << 18)),
        0,
        undefined,
        offset,
      )
      if (bytesRead === 0) return STATUS_CODE.EOF
      sftp.data(request, buffer.subarray(0, bytesRead))
      return undefined
    }),
  )
  sftp.on('WRITE', (request, handle, offset, data) =>
    answer(request, async () => {
      const one = handleOf(handle)
      if (!one) return STATUS_CODE.FAILURE
      if (!files.holdsAfter(data.length)) {
        client.end()
        return undefined
      }
      await one.file?.write(data, 0, data.length, offset)
      return STATUS_CODE.OK
    }),
  )
  sftp.on('CLOSE', (request, handle) =>
    answer(request, async () => {
      await handleOf(handle)?.file?.close()
      opened.delete(handle.readUInt32BE())
      return STATUS_CODE.OK
    }),
  )
  const tellStat = (request: number, path: string) =>
    answer(request, async () => {
      sftp.attrs(request, attributesOf(await stat(at(path))))
      return undefined
    })
  sftp.on('STAT', tellStat)
  sftp.on('LSTAT', tellStat)
  sftp.on('FSTAT', (request, handle) =>
    answer(request, async () => {
      const one = handleOf(handle)
      if (!one?.file) return STATUS_CODE.FAILURE
      sftp.attrs(request, attributesOf(await one.file.stat()))
      return undefined
    }),
  )
  for (const kind of ['SETSTAT', 'FSETSTAT'] as const)
    sftp.on(kind, (request: number) => answer(request, () => Promise.resolve(STATUS_CODE.OK)))
  sftp.on('OPENDIR', (request, path) =>
    answer(request, async () => {
      sftp.handle(request, remember({ names: await readdir(at(path)), path }))
      return undefined
    }),
  )
  sftp.on('READDIR', (request, handle) =>
    answer(request, async () => {
      const one = handleOf(handle)
      const names = one?.names?.splice(0, 100) ?? []
      if (!one || names.length === 0) return STATUS_CODE.EOF
      const entries = await Promise.all(
        names.map(async (filename) => {
          const attrs = attributesOf(await stat(join(at(one.path), filename)))
          return { filename, longname: filename, attrs }
        }),
      )
      sftp.name(request, entries)
      return undefined
    }),
  )
  sftp.on('REALPATH', (request, path) =>
    answer(request, () => {
      const filename = normalize(join('/', path))
      sftp.name(request, [{ filename, longname: filename, attrs: {} as Attributes }])
      return Promise.resolve(undefined)
    }),
  )
  sftp.on('REMOVE', (request, path) => answer(request, () => ok(unlink(at(path)))))
  sftp.on('RMDIR', (request, path) => answer(request, () => ok(rmdir(at(path)))))
  // With the folders above it: each site has one of its own, made when it is first needed.
  sftp.on('MKDIR', (request, path) =>
    answer(request, async () =>
      (await mkdir(at(path), { recursive: true })) === undefined ? STATUS_CODE.FAILURE : STATUS_CODE.OK,
    ),
  )
  sftp.on('RENAME', (request, from, to) => answer(request, () => ok(rename(at(from), at(to)))))
  sftp.on('close', () => {
    for (const { file } of opened.values()) file?.close().catch(() => undefined)
  })
}

/** An SFTP server for one user and one folder. */
export function sftpServer(settings: SftpServerSettings): Server {
  return new ssh2.Server({ hostKeys: [settings.hostKey] }, (client) => {
    // Answers are small and waited for; its types forget that it can.
    ;(client as unknown as Pick<Socket, 'setNoDelay'>).setNoDelay(true)
    client.on('authentication', (context) => {
      const isIn = context.method === 'password' && letsIn(settings, context.username, context.password)
      if (isIn) context.accept()
      else context.reject(['password'])
    })
    client.on('ready', () => {
      client.on('session', (accept) => {
        accept().on('sftp', (acceptSftp) => serveFiles(acceptSftp(), client, new VisitorFiles(settings)))
      })
    })
    client.on('error', () => client.end())
  })
}
