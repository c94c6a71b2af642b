import { rmSync } from 'node:fs'
import { mkdtemp } from 'node:fs/promises'
import { connect, createServer, type Server, type Socket } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

/** What stands between a server and its database, so that a test can take the database away and bring it back. */
export interface Gate {
  /** The URL of the database through the gate. */
  readonly url: string
  /** As when the database is stopped: connections break off, and new ones are refused. */
  shut(): Promise<void>
  reopen(): Promise<void>
  /** Shuts it for good. */
  remove(): Promise<void>
}

/**
 * Opens a gate before the database at a URL. It is a socket in a folder of its own: a port that is free while the
 * gate is shut could be taken by another test.
 */
export async function openGate(databaseUrl: string): Promise<Gate> {
  const target = new URL(databaseUrl)
  const folder = await mkdtemp(join(tmpdir(), 'gate-'))
  const sockets = new Set<Socket>()
  let server: Server

  const reopen = async () => {
    server = createServer((near) => {
      const far = connect(Number(target.port), target.hostname)
      for (const socket of [near, far]) {
        sockets.add(socket)
        socket.on('error', () => socket.destroy())
        socket.on('close', () => {
          sockets.delete(socket)
          near.destroy()
          far.destroy()
        })
      }
      near.pipe(far).pipe(near)
    })
    // The name that PostgreSQL gives its socket.
    await new Promise<void>((resolve) => server.listen(join(folder, `.s.PGSQL.${target.port}`), resolve))
  }
  const shut = async () => {
    const closed = new Promise((resolve) => server.close(resolve))
    for (const socket of sockets) socket.destroy()
    await closed
  }
  await reopen()

  const through = new URL(databaseUrl)
  through.searchParams.set('host', folder)
  return {
    url: through.href,
    reopen,
    shut,
    async remove() {
      if (server.listening) await shut()
      rmSync(folder, { recursive: true, force: true })
    },
  }
}
