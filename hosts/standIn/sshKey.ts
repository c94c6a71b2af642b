import { generateKeyPairSync } from 'node:crypto'
import ssh2, { type ParsedKey } from 'ssh2'
import { fingerprintOf } from '../connection/sftp.ts'

/** A key for SSH: the private one as PEM (RFC 5915), the public one as a line of `authorized_keys`. */
export interface SshKey {
  readonly private: string
  readonly public: string
}

function parse(privateKey: string): ParsedKey {
  const parsed = ssh2.utils.parseKey(privateKey)
  if (parsed instanceof Error) throw parsed
  return parsed
}

/** The fingerprint of a private key, as `ssh-keygen -l` writes it. */
export const fingerprintOfKey = (privateKey: string): string =>
  fingerprintOf(parse(privateKey).getPublicSSH())

/** A new key (ECDSA, RFC 5656). */
export function newSshKey(): SshKey {
  const { privateKey } = generateKeyPairSync('ec', {
    namedCurve: 'prime256v1',
    privateKeyEncoding: { type: 'sec1', format: 'pem' },
    publicKeyEncoding: { type: 'spki', format: 'pem' },
  })
  const parsed = parse(privateKey)
  return { private: privateKey, public: `${parsed.type} ${parsed.getPublicSSH().toString('base64')}` }
}
