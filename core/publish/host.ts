import * as v from 'valibot'
import { isBaseUrl } from '../standard/target.ts'
import { filledLine, line, lines } from '../standard/text.ts'
import { outputChoicesSchema } from './choices.ts'

const port = v.pipe(
  v.number('must be a number'),
  v.integer('must be a whole number'),
  v.minValue(1, 'must be from 1 to 65535'),
  v.maxValue(65_535, 'must be from 1 to 65535'),
)

/** How files get to a host. */
const folderWay = v.strictObject({
  by: v.literal('folder'),
  /** A folder that whoever runs the server allows, or one in it. */
  folder: filledLine(1000),
})
const sftpWay = v.strictObject({
  by: v.literal('sftp'),
  server: filledLine(255),
  port,
  user: filledLine(200),
  /** Whether a private key opens it, or a password. */
  login: v.picklist(['password', 'key'], 'must be password or key'),
  /** Of the site there; relative to where the login leads. */
  folder: line(1000),
})
/** How FTP is encrypted: from the first command on that can be, at once, or not at all. */
export const FTP_SECURITY = ['tls', 'implicit', 'none'] as const
export type FtpSecurity = (typeof FTP_SECURITY)[number]

const ftpWay = v.pipe(
  v.strictObject({
    by: v.literal('ftp'),
    server: filledLine(255),
    port,
    user: filledLine(200),
    security: v.picklist(FTP_SECURITY, 'must be tls, implicit or none'),
    /** Whether the author said yes to sending the password and the pages readable by anybody on the way. */
    acceptsPlain: v.boolean('must be true or false'),
    /** The SHA-256 fingerprint of a certificate that no known authority vouches for, and that is trusted; or empty. */
    certificate: v.pipe(
      line(95),
      v.check(
        (text) => text === '' || /^[0-9A-F]{2}(:[0-9A-F]{2}){31}$/.test(text),
        'must be a SHA-256 fingerprint such as 0A:1B:…',
      ),
    ),
    folder: line(1000),
  }),
  v.forward(
    v.check(
      ({ security, acceptsPlain }) => security !== 'none' || acceptsPlain,
      'none is only taken with a yes to it, as anybody on the way can read the password',
    ),
    ['acceptsPlain'],
  ),
)

const standInWay = v.strictObject({ by: v.literal('stand-in') })

export const wayToHostSchema = v.variant('by', [folderWay, sftpWay, ftpWay, standInWay])
export type WayToHost = v.InferOutput<typeof wayToHostSchema>

/** What an author sets of a host; without the secrets. */
export const hostSettingsSchema = v.strictObject({
  name: filledLine(100),
  way: wayToHostSchema,
  /** Where visitors find it, ending in `/`; empty where nobody can ask it over HTTP. */
  address: v.pipe(
    line(500),
    v.transform((url) => (url === '' || url.endsWith('/') ? url : `${url}/`)),
    v.check(
      (url) => url === '' || isBaseUrl(url),
      'must be an address such as https://www.example.org/ without ? or #',
    ),
  ),
  choices: outputChoicesSchema,
})
export type HostSettings = v.InferOutput<typeof hostSettingsSchema>

/** What opens a host. */
export const hostSecretSchema = v.strictObject({
  password: v.optional(line(1000)),
  privateKey: v.optional(lines(20_000)),
  /** Of the private key. */
  passphrase: v.optional(line(1000)),
})
export type HostSecret = v.InferOutput<typeof hostSecretSchema>

/**
 * Returns where an SSH host key belongs, as `server:port`; undefined for hosts that have no such key. The
 * key does not depend on the user or the folder.
 */
export function keyPlaceOf(way: WayToHost): string | undefined {
  return way.by === 'sftp' ? `${way.server.toLowerCase()}:${way.port}` : undefined
}

/**
 * Returns what a password or key opens, as one text. A stored secret is never sent anywhere else: to another server, port or
 * user, by another kind of connection, or with another encryption.
 */
export function doorOf(way: WayToHost): string {
  switch (way.by) {
    case 'sftp':
      return JSON.stringify([way.by, way.server, way.port, way.user])
    case 'ftp':
      return JSON.stringify([way.by, way.server, way.port, way.user, way.security])
    case 'folder':
    case 'stand-in':
      return way.by
  }
}
