import { generateKeyPairSync } from 'node:crypto'
import ssh2 from 'ssh2'

/** A key for SSH: the private one as PEM (RFC 5915), the public one as a line of `authorized_keys`. */
export interface SshKey {
  readonly private: string
  readonly public: string
}

/** A new key (ECDSA, RFC 5656). */
export function newSshKey(): SshKey {
  const { privateKey } = generateKeyPairSync('ec', {
    namedCurve: 'prime256v1',
    privateKeyEncoding: { type: 'sec1', format: 'pem' },
    publicKeyEncoding: { type: 'spki', format: 'pem' },
  })
  const parsed = ssh2.utils.parseKey(privateKey)
  if (parsed instanceof Error) throw parsed
  return { private: privateKey, public: `${parsed.type} ${parsed.getPublicSSH().toString('base64')}` }
}
