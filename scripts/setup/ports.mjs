import { createServer } from 'node:net'

function canListen(port) {
  return new Promise((resolve) => {
    const server = createServer()
    server.once('error', () => resolve(undefined))
    server.listen(port, '127.0.0.1', () => {
      const { port: chosen } = server.address()
      server.close(() => resolve(chosen))
    })
  })
}

/** The wished port of loopback when it is free, else another that is. */
export async function freePort(wished = 0) {
  return (await canListen(wished)) ?? (await canListen(0))
}
