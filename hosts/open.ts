import { itemAt } from '@viatica/core/standard/present.ts'
import { realpath } from 'node:fs/promises'
import { isAbsolute, join, relative } from 'node:path'
import { rootPath } from '@viatica/core/address/href.ts'
import type { HostSecret, HostSettings } from '@viatica/core/publish/host.ts'
import type { Connection } from './connection/connection.ts'
import { openFolder } from './connection/folder.ts'
import { openFtp } from './connection/ftp.ts'
import { openSftp } from './connection/sftp.ts'
import { HostFault } from './hostFault.ts'
import { addressOf, type Reach } from './network.ts'

/** The host that comes with the application, where it runs. */
export interface StandInAccess {
  readonly port: number
  readonly user: string
  readonly password: string
  /** The fingerprint of its SSH key. */
  readonly hostKey: string
  /** The same by FTP with TLS: where, and the SHA-256 fingerprint of its certificate. */
  readonly ftp: { readonly port: number; readonly certificate: string }
  /** Where it shows its files, with `{site}` for the folder of a site. */
  readonly url: string
  /** Where Viatica itself asks it for its log and its trouble. */
  readonly control: string
}

/** What the server allows of hosts. */
export interface HostRules {
  readonly reach: Reach
  /** The folders of this machine that may be published to, absolute. */
  readonly folders: readonly string[]
  readonly standIn: StandInAccess | undefined
}

/**
 * A folder that is allowed, or one in such a folder, with the folder that nothing may leave.
 * @throws HostFault
 */
async function allowedFolder(
  folder: string,
  folders: readonly string[],
): Promise<{ readonly top: string; readonly root: string }> {
  const top = await realpath(folder).catch(() => {
    throw new HostFault('no folder', `The folder ${folder} does not exist. Create it, or check its name.`)
  })
  for (const one of folders) {
    const root = await realpath(one).catch(() => one)
    const way = relative(root, top)
    if (way === '' || (!/^\.\.(?:$|\/)/.test(way) && !isAbsolute(way))) return { top, root }
  }
  throw new HostFault(
    'folder',
    `The folder ${folder} is not one of those that the server administrator allows: VIATICA_FOLDERS.`,
  )
}

/** @throws HostFault when the folder of the site is not there; the connection is closed then */
async function checkFolder(
  connection: Connection,
  { server, folder }: { readonly server: string; readonly folder: string },
): Promise<void> {
  try {
    if (await connection.list('')) return
  } catch (error) {
    await connection.close()
    throw error
  }
  await connection.close()
  throw new HostFault('no folder', `${server} has no folder ${folder}. Create it, or check its name.`)
}

/** What it takes to open the host of a site. */
export interface Opening {
  readonly site: string
  readonly baseUrl: string
  readonly settings: HostSettings
  readonly secret: HostSecret
  /** The fingerprint of the SSH key that is trusted; empty where none is. */
  readonly hostKey: string
}

/** Opens a folder without any check that it exists. @throws HostFault */
async function openAt(folder: string, opening: Opening, rules: HostRules): Promise<Connection> {
  const { way } = opening.settings
  const settings = { ...opening.settings, way: { ...way, folder } } as HostSettings
  return openHost({ ...opening, settings }, rules)
}

/** Splits a folder into the folders from the first to the one itself: `/a/b` into `/`, `/a` and `/a/b`. */
function foldersTo(folder: string): string[] {
  const names = folder.split('/').filter((name) => name !== '')
  const top = folder.startsWith('/') ? '/' : ''
  return [top, ...names.map((_, at) => top + names.slice(0, at + 1).join('/'))]
}

/**
 * Creates the folder of a site, with the folders above it that do not exist. Of a folder of this machine, one of the folders
 * that the administrator allows must exist.
 * @throws HostFault
 */
export async function createFolder(opening: Opening, rules: HostRules): Promise<void> {
  const { way } = opening.settings
  if (way.by === 'stand-in') return
  const folders = foldersTo(way.folder)
  const names = (at: number) => itemAt(folders, at).replace(/^.*\//, '')
  for (let there = folders.length - 2; there >= 0; there--) {
    let connection: Connection
    try {
      connection = await openAt(folders[there]!, opening, rules)
    } catch (error) {
      if (error instanceof HostFault && error.kind === 'no folder' && there > 0) continue
      throw error
    }
    try {
      let path = ''
      for (let at = there + 1; at < folders.length; at++) {
        path = path === '' ? names(at) : `${path}/${names(at)}`
        await connection.makeFolder(path)
      }
      return
    } finally {
      await connection.close().catch(() => undefined)
    }
  }
}

/** Connects to a host. @throws HostFault */
export async function openHost(
  { site, baseUrl, settings, secret, hostKey }: Opening,
  { reach, folders, standIn }: HostRules,
): Promise<Connection> {
  const { way } = settings
  switch (way.by) {
    case 'folder': {
      const { top, root } = await allowedFolder(way.folder, folders)
      return openFolder(top, root)
    }
    case 'sftp': {
      const address = await addressOf(way.server, way.port, reach)
      const { password, privateKey, passphrase } = secret
      const opens =
        way.login === 'password'
          ? { password: password ?? '' }
          : { privateKey: privateKey ?? '', ...(passphrase ? { passphrase } : {}) }
      const access = {
        name: way.server,
        address,
        port: way.port,
        user: way.user,
        folder: way.folder,
        hostKey,
      }
      const connection = await openSftp({ ...access, ...opens })
      await checkFolder(connection, way)
      return connection
    }
    case 'ftp': {
      const { server: name, port, user, security, certificate, folder } = way
      const address = await addressOf(name, port, reach)
      const password = secret.password ?? ''
      const access = { name, address, port, user, password, security, certificate, folder }
      const connection = await openFtp(access)
      await checkFolder(connection, way)
      return connection
    }
    case 'stand-in': {
      if (!standIn) throw new HostFault('port', 'The stand-in host does not run: start it with npm run host.')
      const { port, user, password, hostKey: ownKey } = standIn
      // The path of the base URL is a folder there, so that links from the top of the host are right.
      const folder = join(site, rootPath(baseUrl))
      const access = { name: 'The stand-in host', address: '127.0.0.1', port, user, password, folder }
      const connection = await openSftp({ ...access, hostKey: ownKey })
      // The first time there is none yet.
      if (!(await connection.list(''))) await connection.makeFolder('')
      return connection
    }
  }
}

/** Where visitors find the site on a host; empty where it is not known. */
export function visitedAt({ site, baseUrl, settings }: Opening, { standIn }: HostRules): string {
  if (settings.way.by !== 'stand-in') return settings.address
  return standIn ? standIn.url.replace('{site}', site) + rootPath(baseUrl).slice(1) : ''
}
