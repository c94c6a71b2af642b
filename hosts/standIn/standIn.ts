import { X509Certificate } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { join } from 'node:path'
import { json } from 'node:stream/consumers'
import { generate } from 'selfsigned'
import * as v from 'valibot'
import type { StandInAccess } from '../open.ts'
import { ftpServer } from './ftpServer.ts'
import { sftpServer } from './sftpServer.ts'
import { fingerprintOfKey, newSshKey } from './sshKey.ts'
import { type Trouble, troubleSchema } from '@viatica/core/protocol/publishRequests.ts'
import { NO_TROUBLE } from './trouble.ts'
import { type Visit, webServer } from './webServer.ts'

/** A host that runs on this machine, and how it is got to. */
export interface StandIn {
  readonly access: StandInAccess
  stop(): Promise<void>
}

export interface StandInSettings {
  /** Where it keeps its files and its key. */
  readonly folder: string
  readonly password: string
  /** 0 leaves them to the system. */
  readonly sftpPort: number
  readonly ftpPort: number
  readonly webPort: number
}

/** So many requests are remembered. */
const MOST_VISITS = 500
const USER = 'viatica'

const CERTIFICATE_MS = 10 * 365 * 24 * 3600_000
const certificateSchema = v.strictObject({ cert: v.string(), key: v.string() })

/** The key that it has at every start. */
function hostKey(folder: string): string {
  const file = join(folder, 'host-key')
  if (!existsSync(file)) writeFileSync(file, newSshKey().private, { mode: 0o600 })
  return readFileSync(file, 'utf8')
}

/** The certificate that it has at every start. */
async function certificate(folder: string): Promise<{ readonly cert: string; readonly key: string }> {
  const file = join(folder, 'certificate')
  if (!existsSync(file)) {
    const notAfterDate = new Date(Date.now() + CERTIFICATE_MS)
    const made = await generate([{ name: 'commonName', value: 'localhost' }], { keyType: 'ec', notAfterDate })
    writeFileSync(file, JSON.stringify({ cert: made.cert, key: made.private }), { mode: 0o600 })
  }
  return v.parse(certificateSchema, JSON.parse(readFileSync(file, 'utf8')))
}

interface Listening {
  listen(port: number, host: string, done: () => void): unknown
  address(): unknown
  on(event: 'error', hear: (error: Error) => void): unknown
}

const listen = (server: Listening, port: number) =>
  new Promise<number>((resolve, reject) => {
    server.on('error', reject)
    server.listen(port, '127.0.0.1', () => resolve((server.address() as AddressInfo).port))
  })

/** What Viatica asks it for itself: the log of its visits, and its trouble. Nobody else has the password. */
function controlServer(password: string, visits: readonly Visit[], trouble: { now: Trouble }): Server {
  return createServer((request, response) => {
    const say = (status: number, what: unknown) => {
      response.writeHead(status, { 'content-type': 'application/json' }).end(JSON.stringify(what))
    }
    if (request.headers.authorization !== `Bearer ${password}`) return say(401, {})
    if (request.method !== 'PUT') return say(200, { visits, trouble: trouble.now })
    json(request).then(
      (sent) => {
        const result = v.safeParse(troubleSchema, sent)
        if (!result.success) return say(400, {})
        trouble.now = result.output
        say(200, { visits, trouble: trouble.now })
      },
      () => say(400, {}),
    )
  })
}

/** Starts the stand-in host on loopback: it takes files by SFTP and FTP, and shows them over HTTP as common web servers do. */
export async function startStandIn({
  folder,
  password,
  sftpPort,
  ftpPort,
  webPort,
}: StandInSettings): Promise<StandIn> {
  const files = join(folder, 'sites')
  mkdirSync(files, { recursive: true })
  const trouble = { now: NO_TROUBLE }
  const visits: Visit[] = []
  const heard = (visit: Visit) => {
    visits.push(visit)
    if (visits.length > MOST_VISITS) visits.shift()
  }
  const account = { folder: files, user: USER, password, trouble: () => trouble.now }
  const sshKey = hostKey(folder)
  const sftp = sftpServer({ ...account, hostKey: sshKey })
  const secured = await certificate(folder)
  const ftp = ftpServer({ ...account, ...secured })
  const web = webServer({ folder: files, heard })
  const control = controlServer(password, visits, trouble)
  const [port, byFtp, shown, controlled] = [
    await listen(sftp, sftpPort),
    await listen(ftp, ftpPort),
    await listen(web, webPort),
    await listen(control, 0),
  ]
  return {
    access: {
      ...{ port, user: USER, password, hostKey: fingerprintOfKey(sshKey) },
      ftp: { port: byFtp, certificate: new X509Certificate(secured.cert).fingerprint256 },
      url: `http://{site}.localhost:${shown}/`,
      control: `http://127.0.0.1:${controlled}/`,
    },
    async stop() {
      web.closeAllConnections()
      control.closeAllConnections()
      await Promise.all(
        [sftp, ftp, web, control].map((server) => new Promise((resolve) => server.close(resolve))),
      )
    },
  }
}
