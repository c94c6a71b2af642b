import { isIP } from 'node:net'
import { TLSSocket } from 'node:tls'
import { Client, FTPError } from 'basic-ftp'
import type { FtpSecurity } from '@viatica/core/publish/host.ts'
import { type HostLimits, within } from '../limits.ts'
import { HostFault } from '../hostFault.ts'

/** What is needed to get to a host by FTP. */
export interface FtpAccess {
  /** As the author wrote it: for messages, and what its certificate must be made out to. */
  readonly name: string
  /** Where it leads: an address of the network. */
  readonly address: string
  readonly port: number
  readonly security: FtpSecurity
  readonly user: string
  readonly password: string
  /** The folder of the site there; relative to where the login leads. */
  readonly folder: string
  /** The fingerprint of a certificate that no known authority vouches for, and that the author trusts; or empty. */
  readonly certificate: string
}

/** A host that is silent for so long has gone, in milliseconds. What is lively has `HostLimits`. */
const SILENCE_MS = 30_000

/**
 * What a server answers. https://datatracker.ietf.org/doc/html/rfc959#section-4.2.2, and for security
 * https://datatracker.ietf.org/doc/html/rfc2228#section-5
 */
const CLOSING = 421
const NO_DATA_CONNECTION = 425
const TRANSFER_BROKEN = 426
const NO_SPACE_NOW = 452
const LOGGED_IN = 230
/** The login is not needed here. */
const SUPERFLUOUS = 202
const NEEDS_PASSWORD = 331
const NOT_LOGGED_IN = 530
const NOT_AVAILABLE = 550
const NO_SPACE = 552
const NAME_NOT_ALLOWED = 553

export const isNotAvailable = (error: unknown): boolean =>
  error instanceof FTPError && error.code === NOT_AVAILABLE
/** Whether a server does not know what it was asked for: 500 to 504. */
export const isNotKnown = (error: unknown): boolean =>
  error instanceof FTPError && error.code >= 500 && error.code <= 504

interface NetworkError extends Error {
  readonly code?: string | number
}

/** Why a host could not be got to. */
function connectFault({ name, port, user }: FtpAccess, error: unknown): HostFault {
  if (error instanceof HostFault) return error
  const { code, message } = error as NetworkError
  if (code === NOT_LOGGED_IN)
    return new HostFault('login', `${name} does not let ${user} in: check the user name and the password.`)
  if (code === CLOSING)
    return new HostFault('busy', `${name} takes no more connections at the moment: try again later.`)
  if (code === 'ECONNREFUSED' || code === 'EHOSTUNREACH' || code === 'ENETUNREACH')
    return new HostFault(
      'port',
      `${name} does not answer at port ${port}: check the port, and whether FTP is switched on.`,
    )
  if (code === 'ETIMEDOUT' || /^Timeout/.test(message))
    return new HostFault(
      'port',
      `${name} did not answer at port ${port} in time: check the name, the port, and whether TLS starts at once there.`,
    )
  if (error instanceof FTPError || /^ERR_SSL|parse/i.test(`${code} ${message}`))
    return new HostFault(
      'port',
      `What answers at port ${port} of ${name} is not FTP as it was set: check the port and the encryption. (${message})`,
    )
  return new HostFault('lost', `The connection to ${name} broke off: ${message}`)
}

/** What an error means for who publishes. @param path what was to be read or written */
export function ftpFault(name: string, path: string, error: unknown): HostFault {
  if (error instanceof HostFault) return error
  const file = path === '' ? 'the folder of the site' : path
  const { code, message } = error as NetworkError
  if (code === CLOSING || code === NO_DATA_CONNECTION || code === TRANSFER_BROKEN || typeof code !== 'number')
    return new HostFault('lost', `The connection to ${name} broke off at ${file}: ${message}`)
  if (code === NO_SPACE || code === NO_SPACE_NOW)
    return new HostFault('not stored', `${name} has no room for ${file}: make some, and publish again.`)
  if (code === NAME_NOT_ALLOWED || (code === NOT_AVAILABLE && /permission|denied|not allowed/i.test(message)))
    return new HostFault(
      'rights',
      `${name} does not allow it: ${file} (${message}). May the user write there, and is no folder or file in the way?`,
    )
  return new HostFault(
    'not stored',
    `${name} could not do it: ${file} (${message}). Is there room on the host, and no folder or file in the way?`,
  )
}

/** Why a certificate is not taken, in words. https://nodejs.org/api/tls.html#x509-certificate-error-codes */
function whyNot(name: string, code: string): string {
  switch (code) {
    case 'ERR_TLS_CERT_ALTNAME_INVALID':
      return `is made out to another name than ${name}`
    case 'CERT_HAS_EXPIRED':
      return 'has expired'
    case 'CERT_NOT_YET_VALID':
      return 'is not valid yet'
    case 'DEPTH_ZERO_SELF_SIGNED_CERT':
    case 'SELF_SIGNED_CERT_IN_CHAIN':
      return 'is signed by the host itself'
    default:
      return `is vouched for by nobody known (${code})`
  }
}

/** Whether what answers is who the author means: a known authority says so, or the author trusts this very certificate. */
const isTrusted = (socket: TLSSocket, certificate: string): boolean =>
  socket.authorized || (certificate !== '' && socket.getPeerCertificate().fingerprint256 === certificate)

/** @throws HostFault with the fingerprint of a certificate that is not trusted */
function checkCertificate(socket: TLSSocket, { name, certificate }: FtpAccess): void {
  if (isTrusted(socket, certificate)) return
  const met = socket.getPeerCertificate().fingerprint256
  const { authorizationError } = socket
  // Node gives the code alone, though its type says an error.
  const code = String((authorizationError as NetworkError | undefined)?.code ?? authorizationError)
  const words =
    certificate === ''
      ? `The certificate of ${name} ${whyNot(name, code)}. Ask who runs the host for its fingerprint; trust it when it is this one: ${met}`
      : `${name} answers with another certificate (${met}) than the one that you trust (${certificate}). Ask who runs it whether it was changed: it may be somebody else.`
  throw new HostFault('certificate', words, met)
}

/** Of connections that files travel on: when both sides are done with making them secure. */
const agreed = new WeakMap<object, Promise<void>>()
/** A host that gives no session to go on from is done by then. */
const AGREED_MS = 250

/** Files travel on connections of their own: somebody else may answer there, unless it goes on from the one that was looked at. */
function secureData(data: TLSSocket, { name, certificate }: FtpAccess): void {
  const bothDone = new Promise<void>((resolve) =>
    data.once('secureConnect', () => {
      if (!data.isSessionReused() && !isTrusted(data, certificate))
        return data.destroy(
          new HostFault('certificate', `${name} answers with another certificate where files are sent.`),
        )
      // The host gives a session when it has heard the last of us: https://datatracker.ietf.org/doc/html/rfc8446#section-4.6.1
      data.once('session', () => resolve())
      setTimeout(resolve, AGREED_MS).unref()
    }),
  )
  agreed.set(data, bothDone)
}

/**
 * The bytes of a file for a connection that files travel on. A file without any would end that connection while it is still
 * made secure, and hosts take that for a fault: it waits.
 */
export async function* bytesOnceSecured(client: Client, bytes: Uint8Array): AsyncGenerator<Uint8Array> {
  if (bytes.length === 0) await agreed.get(client.ftp.dataSocket!)
  yield bytes
}

/** Starts TLS as it is set, and looks at the certificate before any name or password is sent. */
async function secured(client: Client, access: FtpAccess): Promise<void> {
  const { name, address, port, security } = access
  // A name that is an address is none for TLS: https://datatracker.ietf.org/doc/html/rfc6066#section-3
  const identity = isIP(name) ? { host: name } : { host: name, servername: name }
  // Node would throw before the fingerprint can be read: what it finds is looked at below.
  const options = { ...identity, rejectUnauthorized: false }
  if (security === 'implicit') await client.connectImplicitTLS(address, port, options)
  else {
    await client.connect(address, port)
    if (security === 'none') return
    await client.useTLS(options).catch((error: unknown) => {
      if (!(error instanceof FTPError)) throw error
      throw new HostFault(
        'certificate',
        `${name} offers no encryption at port ${port}. Nothing was sent. Ask who runs it for FTP with TLS, or SFTP.`,
      )
    })
  }
  checkCertificate(client.ftp.socket as TLSSocket, access)
  // The client sets its own way once it has found the one that the host knows.
  let prepare = client.prepareTransfer
  Object.defineProperty(client, 'prepareTransfer', {
    set: (way: typeof prepare) => (prepare = way),
    get: (): typeof prepare => async (ftp) => {
      const answer = await prepare(ftp)
      if (ftp.dataSocket instanceof TLSSocket) secureData(ftp.dataSocket, access)
      return answer
    },
  })
}

/**
 * Logs in. The password is sent once: a host may ask for it for ever.
 * https://datatracker.ietf.org/doc/html/rfc959#section-6, the diagram of logging in
 */
async function logIn(client: Client, { name, user, password }: FtpAccess): Promise<void> {
  // A line break in them would be a command of its own.
  if (/[\r\n\0]/.test(user + password))
    throw new HostFault('login', 'A user name or password for FTP is a single line.')
  const isIn = ({ code }: { readonly code: number }) => code === LOGGED_IN || code === SUPERFLUOUS
  const first = await client.ftp.request(`USER ${user}`)
  if (isIn(first)) return
  if (first.code === NEEDS_PASSWORD && isIn(await client.ftp.request(`PASS ${password}`))) return
  throw new HostFault(
    'login',
    `${name} asks for more than a user name and a password to log in: use SFTP, if it offers it.`,
  )
}

/**
 * Connects and logs in.
 * @returns the client, and the folder of the site there, from the top
 * @throws HostFault
 */
export async function connectFtp(
  access: FtpAccess,
  limits: HostLimits,
): Promise<{ client: Client; top: string }> {
  // A server must not send us with the files to another address than its own.
  const client = new Client(SILENCE_MS, { allowSeparateTransferHost: false })
  const open = async () => {
    await secured(client, access)
    await logIn(client, access)
    await client.useDefaultSettings()
    const home = access.folder.startsWith('/') ? '' : await client.pwd()
    const top = [home, access.folder].join('/').replace(/\/+/g, '/').replace(/\/$/, '')
    return { client, top }
  }
  try {
    return await within(limits.connect, open(), () => connectFault(access, new Error('Timeout')))
  } catch (error) {
    client.close()
    throw connectFault(access, error)
  }
}
