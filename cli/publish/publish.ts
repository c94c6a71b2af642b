import { valueFor } from '@viatica/core/standard/present.ts'
import { readFileSync } from 'node:fs'
import { resolve } from 'node:path'
import { addressesOf } from '@viatica/core/address/addresses.ts'
import { pinPages } from '@viatica/core/address/pins.ts'
import { Checker } from '@viatica/core/check/checker.ts'
import { ruleOf } from '@viatica/core/check/rules.ts'
import { isArchive } from '@viatica/core/formats/siteArchive.ts'
import { bytesOfText } from '@viatica/core/formats/textBytes.ts'
import { applySoundly } from '@viatica/core/plan/change/sound.ts'
import type { Site } from '@viatica/core/plan/site.ts'
import { siteFault } from '@viatica/core/plan/siteFault.ts'
import { usualChoices } from '@viatica/core/publish/choices.ts'
import { type Difference, differenceOf } from '@viatica/core/publish/difference.ts'
import { type HostSecret, type HostSettings, keyPlaceOf } from '@viatica/core/publish/host.ts'
import { filesToPublish, type HostFile } from '@viatica/core/publish/publication.ts'
import type { FoundFile, Proof } from '@viatica/core/publish/report.ts'
import { thisYear } from '@viatica/core/standard/date.ts'
import { fontBytes } from '@viatica/fonts/fontFiles.ts'
import type { Connection } from '@viatica/hosts/connection/connection.ts'
import { HostFault, type HostFaultKind } from '@viatica/hosts/hostFault.ts'
import { digestOf, lookAt } from '@viatica/hosts/look.ts'
import { type HostRules, openHost } from '@viatica/hosts/open.ts'
import { prove } from '@viatica/hosts/proof.ts'
import { AsksFirst, type Sent } from '@viatica/hosts/send.ts'
import { sendPatiently } from '@viatica/hosts/sendPatiently.ts'
import { Fault } from '../fault.ts'
import { isFolder } from '../folder.ts'
import { type Input, readInput } from '../input.ts'
import { done, type Outcome } from '../outcome.ts'
import { parsed } from '../parsed.ts'
import { USAGE } from '../usage.ts'
import { siteFileOf, writeAll } from '../siteFile.ts'
import { hostNamed, nameOfHost } from './hostNamed.ts'
import { FileRecord } from './hostRecord.ts'
import { KnownKeys } from './knownKeys.ts'
import { reportOf, type Told } from './report.ts'
import { note, progress } from './progress.ts'
import { saysYes, secretsOf } from './secrets.ts'

const HELP = `${USAGE.publish}

Puts the finished site on a host: only what differs, so that visitors get whole pages at every moment.

  --to HOST              a folder of this machine, or a server:
                           sftp://user@www.example.org/public_html
                           ftp://…   FTP with TLS
                           ftps://…  FTP with TLS from the start
                         The folder starts where the login leads to; // before it starts at the top.
  --dry-run              says what would change, and changes nothing
  --json                 prints one JSON document, and nothing else
  --address URL          where visitors find it: every page is asked for there afterwards
  --replace PATH         a file that somebody else changed on the host may go, after it was kept beside FILE;
                         again for more, or “all”
  --with-errors          publishes in spite of errors that Proof finds
  --key FILE             the private key for sftp://
  --host-key SHA256:…    the key that the host has: asked for at the first time
  --certificate AB:CD:…  a certificate that nobody known vouches for, and that you trust
  --plain-ftp            ftp:// without encryption: anybody on the way can read the password
  --sitemap, --robots, --redirect-pages yes|no, --rules none|apache|nginx, --includes none|php|ssi
                         what the host gets beside the pages, and whether what they share stands in files of its own

A password or passphrase comes from VIATICA_PASSWORD or VIATICA_PASSPHRASE, or is asked for at the terminal. What was put on
hosts is remembered in FILE.hosts, beside FILE. Exit status: 0 published, 1 not published or not as it should be, 2 bad input.`

/** Faults of a host that had the approved key. */
const HAD_KEY: ReadonlySet<HostFaultKind> = new Set(['login', 'folder', 'no folder'])

const text = { type: 'string' } as const
const flag = { type: 'boolean' } as const
const parse = (args: readonly string[]) =>
  parsed(
    args,
    {
      ...{
        to: text,
        address: text,
        key: text,
        'host-key': text,
        certificate: text,
        rules: text,
        includes: text,
      },
      ...{ sitemap: text, robots: text, 'redirect-pages': text },
      ...{ 'dry-run': flag, json: flag, 'with-errors': flag, 'plain-ftp': flag, help: flag },
      replace: { type: 'string', multiple: true },
    },
    USAGE.publish,
  )
type Options = ReturnType<typeof parse>['values']

/** Whoever types a command may reach whatever they can reach. */
const rulesFor = ({ way }: HostSettings): HostRules => ({
  reach: { ownNetwork: true, allowed: new Set() },
  folders: way.by === 'folder' ? [way.folder] : [],
  standIn: undefined,
})

interface Publication {
  readonly files: readonly HostFile[]
  readonly bytes: ReadonlyMap<string, Uint8Array>
}

function publicationOf({ site, contents }: Input, { choices }: HostSettings): Publication {
  const bytes = new Map<string, Uint8Array>()
  const files = [...filesToPublish(site, thisYear(), choices)].map((file): HostFile => {
    const own =
      'text' in file
        ? bytesOfText(file)
        : 'font' in file
          ? fontBytes(file.font)
          : valueFor(contents, file.content)
    const digest = digestOf(own)
    bytes.set(digest, own)
    return { path: file.path, digest, size: own.length, role: file.role, page: file.page }
  })
  return { files, bytes }
}

/** The errors that Proof finds, in words; what its author set aside is none. */
function errorsOf(site: Site): string[] {
  const aside = new Set(site.settings.setAside.map(({ key }) => key))
  return new Checker()
    .check(site)
    .filter(({ key, rule }) => !aside.has(key) && ruleOf(rule).severity === 'error')
    .map(({ words }) => words)
}

/**
 * Returns the key that an SFTP host must have: the one that was given, or approved before, or that the person approves now.
 * @throws HostFault when it is unknown and nobody approves it
 */
async function hostKeyFor(
  settings: HostSettings,
  record: FileRecord,
  known: KnownKeys,
  options: Options,
): Promise<string> {
  const place = keyPlaceOf(settings.way)
  if (place === undefined) return ''
  if (options['host-key'] !== undefined) return options['host-key']
  const approved = known.of(place) ?? record.hostKey
  if (approved !== '') return approved
  const found = await openHost(
    { site: '', baseUrl: '', settings, secret: {}, hostKey: '' },
    rulesFor(settings),
  ).then(
    () => '',
    (error: unknown) => {
      if (error instanceof HostFault && error.kind === 'key') return error.fingerprint
      throw error
    },
  )
  const isIt = await saysYes(
    `${place} has the host key ${found}. Is this the fingerprint from your provider?`,
  )
  if (isIt) {
    known.remember(place, found)
    return found
  }
  throw new HostFault(
    'key',
    isIt === undefined
      ? `Unknown host key of ${place}: ${found}. Check it with your provider, then pass it with --host-key.`
      : `Nothing was sent to ${place}.`,
  )
}

/** Files of others that may go, as they are now; undefined where one of them may not. */
function letGo(found: readonly FoundFile[], replace: readonly string[]): Map<string, string> | undefined {
  const may = (path: string) => replace.includes('all') || replace.includes(path)
  return found.every(({ path }) => may(path))
    ? new Map(found.map(({ path, digest }) => [path, digest]))
    : undefined
}

/** Pins what was published, so that it keeps its address: in the site file, unless somebody wrote that in the meantime. */
function pinned(path: string, { site, contents }: Input, files: readonly HostFile[], before: Buffer): number {
  const { paths } = addressesOf(site)
  const pages = files.flatMap(({ page, path: at }) => (page !== null && paths.get(page) === at ? [page] : []))
  const change = pinPages(site, pages)
  if (!change || !readFileSync(path).equals(before)) return 0
  writeAll([{ path, data: siteFileOf(applySoundly(site, change).site, contents) }])
  return change.kind === 'batch' ? change.changes.length : 1
}

class Publishing {
  readonly #settings: HostSettings
  readonly #record: FileRecord
  readonly #publication: Publication
  readonly #signal: AbortSignal
  readonly #known: KnownKeys
  #opening: { secret: HostSecret; hostKey: string } | undefined

  constructor(
    settings: HostSettings,
    record: FileRecord,
    known: KnownKeys,
    publication: Publication,
    signal: AbortSignal,
    readonly options: Options,
  ) {
    this.#settings = settings
    this.#record = record
    this.#known = known
    this.#publication = publication
    this.#signal = signal
  }

  async #open(): Promise<Connection> {
    if (!this.#opening) {
      // The host is known before anything is typed that it must not hear.
      const hostKey = await hostKeyFor(this.#settings, this.#record, this.#known, this.options)
      const secret = await secretsOf(this.#settings, this.options.key)
      this.#opening = { secret, hostKey }
    }
    const opening = this.#opening
    const place = keyPlaceOf(this.#settings.way)
    const remember = () => {
      if (place !== undefined) this.#known.remember(place, opening.hostKey)
    }
    try {
      const connection = await openHost(
        { site: '', baseUrl: '', settings: this.#settings, ...opening },
        rulesFor(this.#settings),
      )
      remember()
      return connection
    } catch (error) {
      // The host had the approved key, whatever it says of who logs in and of the folder.
      if (error instanceof HostFault && HAD_KEY.has(error.kind)) remember()
      throw error
    }
  }

  /** What is on the host now, and what would change there. */
  async look(): Promise<{ difference: Difference; found: readonly FoundFile[] }> {
    const connection = await this.#open()
    try {
      const { files } = this.#publication
      const check = () => this.#signal.throwIfAborted()
      const { there, found } = await lookAt(connection, this.#record, files, check)
      return { difference: differenceOf(there, files), found }
    } finally {
      await connection.close().catch(() => undefined)
    }
  }

  /** @throws AsksFirst where files of others may not go */
  async send(): Promise<Sent> {
    const { files, bytes } = this.#publication
    const say = progress('Sending')
    const sendAll = (may: ReadonlyMap<string, string>) =>
      sendPatiently({
        open: () => this.#open(),
        record: this.#record,
        wanted: files,
        bytesOf: ({ digest }) => Promise.resolve(valueFor(bytes, digest)),
        letGo: may,
        token: this.#record.token,
        signal: this.#signal,
        tell: ({ files: now, allFiles }) => say(now, allFiles),
        waits: (words) => say(0, 0, words),
      })
    try {
      return await sendAll(new Map()).catch((error: unknown) => {
        const may = error instanceof AsksFirst ? letGo(error.found, this.options.replace ?? []) : undefined
        if (!may) throw error
        return sendAll(may)
      })
    } finally {
      say.end()
    }
  }

  /** What visitors get; undefined where nobody said where they find it. */
  async prove(): Promise<Proof | undefined> {
    const { address } = this.#settings
    if (address === '') return undefined
    const say = progress('Asking for pages')
    try {
      return await prove(this.#publication.files, address, rulesFor(this.#settings).reach, this.#signal, say)
    } finally {
      say.end()
    }
  }
}

/** Does what is asked for, and tells of it. */
async function publishTo(
  path: string,
  input: Input,
  before: Buffer | undefined,
  settings: HostSettings,
  options: Options,
  signal: AbortSignal,
): Promise<Told> {
  const isTrial = options['dry-run'] ?? false
  const host = nameOfHost(settings)
  note('Checking the site …')
  const errors = errorsOf(input.site)
  note('')
  const told: Told = { host, isTrial, errors }
  const isHeldUp = errors.length > 0 && !options['with-errors']
  if (isHeldUp && !isTrial) return { ...told, fault: 'Not published. Use --with-errors to publish anyway.' }
  const record = new FileRecord(`${path}.hosts`, host, isTrial)
  const known = new KnownKeys(`${path}.hosts`, isTrial)
  try {
    note('Writing the pages …')
    const publication = publicationOf(input, settings)
    note('')
    const publishing = new Publishing(settings, record, known, publication, signal, options)
    if (isTrial)
      return {
        ...told,
        ...(await publishing.look()),
        ...(isHeldUp ? { fault: 'Publishing it takes --with-errors.' } : {}),
      }
    const { put, removed, bytes, keptAside, there = [] } = await publishing.send()
    const { files } = publication
    const sent = { ...told, difference: differenceOf(there, files), counts: { put, removed, bytes } }
    const kept = keptAside.map((file) => ({ ...file, keptAt: record.keptAt(file.digest) }))
    const all = { ...sent, kept, pinned: before ? pinned(path, input, files, before) : 0 }
    const proof = await publishing.prove()
    if (signal.aborted) return { ...all, fault: 'Stopped before every page was asked for.' }
    return { ...all, proof }
  } catch (error) {
    if (signal.aborted) return { ...told, fault: 'Stopped. Publishing again goes on from there.' }
    if (error instanceof AsksFirst) return { ...told, found: error.found, fault: error.message }
    if (error instanceof HostFault) return { ...told, fault: error.message }
    throw error
  } finally {
    record.close()
    note('')
  }
}

/**
 * `viatica publish`: puts the finished site of a site file, an outline or a folder of pages on a host.
 * @throws Fault for bad input; then nothing was sent
 */
export async function publish(args: readonly string[], folder: string): Promise<Outcome> {
  const { positionals, values } = parse(args)
  if (values.help) return done(HELP)
  const [from, ...more] = positionals
  if (from === undefined || more.length > 0 || !values.to) throw new Fault(`Usage: ${USAGE.publish}`)
  const path = resolve(folder, from)
  note(`Reading ${from} …`)
  const input = await readInput(path).finally(() => note(''))
  const fault = siteFault(input.site)
  if (fault) throw new Fault(`${from}: ${fault}`)
  const key = values.key === undefined ? undefined : resolve(folder, values.key)
  const options = { ...values, key }
  const settings = hostNamed(values.to, options, usualChoices(input.site), folder)
  // Only a site file keeps what is pinned; an outline and a folder of pages have no place for it.
  const bytes = isFolder(path) ? undefined : readFileSync(path)
  const isSiteFile = bytes && (isArchive(bytes) || bytes.toString('utf8').trimStart().startsWith('{'))
  const stop = new AbortController()
  const onStop = () => stop.abort()
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) process.once(signal, onStop)
  try {
    const told = await publishTo(path, input, isSiteFile ? bytes : undefined, settings, options, stop.signal)
    return reportOf(told, values.json ?? false)
  } finally {
    for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) process.off(signal, onStop)
  }
}
