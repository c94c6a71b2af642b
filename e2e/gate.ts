import { connect, createServer, type Server, type Socket } from 'node:net'

/** What stands between a server and its database, so that a test can take the database away and bring it back. */
export interface Gate {
  /** The URL of the database through the gate. */
  readonly url: string
  /** As when the database is stopped: connections break off, and new ones are refused. */
  shut(): Promise<void>
  reopen(): Promise<void>
}

/** Opens a gate on loopback before the database at a URL. */
export async function openGate(databaseUrl: string): Promise<Gate> {
  const target = new URL(databaseUrl)
  const sockets = new Set<Socket>()
  let server: Server
  let port = 0

  const listen = async () => {
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
    await new Promise<void>((resolve) => server.listen(port, '127.0.0.1', resolve))
    port = (server.address() as { port: number }).port
  }
  await listen()

  const through = new URL(databaseUrl)
  through.hostname = '127.0.0.1'
  through.port = String(port)
  return {
    url: through.href,
    reopen: listen,
    async shut() {
      const closed = new Promise((resolve) => server.close(resolve))
      for (const socket of sockets) socket.destroy()
      await closed
    },
  }
}
