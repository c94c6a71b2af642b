import { resolve } from 'node:path'
import { type HostSettings, hostSettingsSchema, type WayToHost } from '@viatica/core/publish/host.ts'
import {
  INCLUDES,
  type IncludesBy,
  type OutputChoices,
  REDIRECT_RULES,
  type RedirectRules,
} from '@viatica/core/publish/choices.ts'
import * as v from 'valibot'
import { Fault } from '../fault.ts'

/** What is said of a host beside its name. */
export interface HostOptions {
  readonly address?: string | undefined
  readonly certificate?: string | undefined
  readonly key?: string | undefined
  readonly 'plain-ftp'?: boolean | undefined
  readonly sitemap?: string | undefined
  readonly robots?: string | undefined
  readonly 'redirect-pages'?: string | undefined
  readonly rules?: string | undefined
  readonly includes?: string | undefined
}

const YES_NO: ReadonlyMap<string, boolean> = new Map([
  ['yes', true],
  ['no', false],
])

function yesNo(option: 'sitemap' | 'robots' | 'redirect-pages', options: HostOptions, usual: boolean) {
  const said = options[option]
  if (said === undefined) return usual
  const is = YES_NO.get(said)
  if (is === undefined) throw new Fault(`--${option} must be yes or no.`)
  return is
}

function choicesOf(options: HostOptions, usual: OutputChoices): OutputChoices {
  const { rules = usual.rules } = options
  if (!REDIRECT_RULES.includes(rules as RedirectRules))
    throw new Fault(`--rules must be one of ${REDIRECT_RULES.join(', ')}.`)
  const { includes = usual.includes } = options
  if (!INCLUDES.includes(includes as IncludesBy))
    throw new Fault(`--includes must be one of ${INCLUDES.join(', ')}.`)
  return {
    includes: includes as IncludesBy,
    sitemap: yesNo('sitemap', options, usual.sitemap),
    robots: yesNo('robots', options, usual.robots),
    redirectPages: yesNo('redirect-pages', options, usual.redirectPages),
    rules: rules as RedirectRules,
  }
}

/** As it stands in a URL, or as it is where that cannot be read. */
function decoded(part: string): string {
  try {
    return decodeURIComponent(part)
  } catch {
    return part
  }
}

/**
 * The way to a host that is named by a URL.
 * https://datatracker.ietf.org/doc/html/rfc1738#section-3.2.2 has paths, too, start where the login leads.
 */
function wayOfUrl(name: string, options: HostOptions): WayToHost {
  if (!URL.canParse(name)) throw new Fault(`--to ${name}: this is no URL.`)
  const { protocol, hostname, port, username, password, pathname, search, hash } = new URL(name)
  if (password !== '')
    throw new Fault(
      '--to: a password does not stand there, where others on this machine can read it: VIATICA_PASSWORD holds it, or it is asked for.',
    )
  if (search !== '' || hash !== '') throw new Fault(`--to ${name}: nothing follows the folder.`)
  if (hostname === '' || username === '')
    throw new Fault(`--to ${name}: it must be like sftp://user@www.example.org/folder.`)
  const reached = {
    server: decoded(hostname)
      .toLowerCase()
      .replace(/^\[(.*)\]$/, '$1'),
    user: decoded(username),
    folder: decoded(pathname.replace(/^\//, '')),
  }
  const certificate = options.certificate ?? ''
  const ftp = { by: 'ftp', ...reached, certificate } as const
  switch (protocol) {
    case 'sftp:': {
      const login = options.key === undefined ? 'password' : 'key'
      return { by: 'sftp', ...reached, port: Number(port || 22), login }
    }
    case 'ftp:': {
      const isPlain = options['plain-ftp'] ?? false
      const security = isPlain ? 'none' : 'tls'
      return { ...ftp, port: Number(port || 21), security, acceptsPlain: isPlain }
    }
    case 'ftps:':
      return { ...ftp, port: Number(port || 990), security: 'implicit', acceptsPlain: false }
    default:
      throw new Fault(`--to ${name}: hosts are got to by sftp://, ftp:// or ftps://, or are a folder.`)
  }
}

/**
 * The settings of a host as it is named on the command line.
 * @param folder the author's, that folders are named from
 * @throws Fault
 */
export function hostNamed(
  name: string,
  options: HostOptions,
  usual: OutputChoices,
  folder: string,
): HostSettings {
  const way: WayToHost = /^[a-z][a-z0-9+.-]*:\/\//i.test(name)
    ? wayOfUrl(name, options)
    : { by: 'folder', folder: resolve(folder, name) }
  if (options.key !== undefined && way.by !== 'sftp') throw new Fault('--key is for sftp:// alone.')
  if (options.certificate !== undefined && way.by !== 'ftp')
    throw new Fault('--certificate is for ftp:// and ftps:// alone.')
  if (options['plain-ftp'] && !(way.by === 'ftp' && way.security === 'none'))
    throw new Fault('--plain-ftp is for ftp:// alone.')
  const settings = { name: 'Host', way, address: options.address ?? '', choices: choicesOf(options, usual) }
  const result = v.safeParse(hostSettingsSchema, settings)
  if (result.success) return result.output
  const { message, path = [] } = result.issues[0]
  throw new Fault(
    `${path[0]?.key === 'address' ? '--address' : `--to ${name}: the ${String(path.at(-1)?.key)}`} ${message}.`,
  )
}

/** What a host is called where it is remembered, and in what is said of it: never with a secret. */
export function nameOfHost({ way }: HostSettings): string {
  switch (way.by) {
    case 'folder':
      return way.folder
    case 'sftp':
      return `sftp://${encodeURIComponent(way.user)}@${way.server}:${way.port}/${way.folder}`
    case 'ftp':
      return `${way.security === 'implicit' ? 'ftps' : 'ftp'}://${encodeURIComponent(way.user)}@${way.server}:${way.port}/${way.folder}`
    case 'stand-in':
      return 'the stand-in host'
  }
}
