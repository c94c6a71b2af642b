import { setTimeout as wait } from 'node:timers/promises'
import type { Connection } from './connection/connection.ts'
import { openFtp } from './connection/ftp.ts'
import type { FtpAccess } from './connection/ftpAccess.ts'
import { openSftp, type SftpAccess } from './connection/sftp.ts'
import { type HostLimits, within } from './limits.ts'
import { HostFault } from './hostFault.ts'
import { addressOf, isPublic } from './network.ts'
import {
  type LyingHost,
  LYING_PORTS,
  LYING_WEB,
  cuttingServer,
  drip,
  lyingFtp,
  lyingServer,
  lyingSftp,
  pour,
} from './testing/lyingHost.ts'
import { visit } from './visit.ts'

/** Short, so that what is too slow is so in a moment; the slowest of it is far from the time that a test may take. */
const SOON: HostLimits = {
  connect: 300,
  answer: 300,
  list: 500,
  transfer: 300,
  visit: 300,
  readBytes: 1_000_000,
  entries: 2000,
}
/** For hosts that answer after all: a busy machine takes its time. */
const CALM: HostLimits = { ...SOON, connect: 20_000, answer: 20_000, list: 20_000, transfer: 20_000 }
/** For hosts that lie once somebody is in. */
const BRIEF: HostLimits = { ...SOON, connect: 20_000 }
/** What follows a fault, such as a second error of the same connection, has happened by then. */
const AFTERWARDS_MS = 150

const access = ({ port }: LyingHost, hostKey = 'SHA256:none'): SftpAccess => ({
  ...{ name: 'host.example.org', address: '127.0.0.1', port, user: 'x', password: 'planted-secret' },
  ...{ folder: '', hostKey },
})
const ftpAccess = ({ port }: LyingHost, security: FtpAccess['security'] = 'none'): FtpAccess => ({
  ...{ name: 'host.example.org', address: '127.0.0.1', port, user: 'x', password: 'planted-secret' },
  ...{ folder: '/', certificate: '', security },
})
const ALL = { ownNetwork: true, allowed: new Set<string>() }

/** What nobody caught: in the server it would end the process. */
const uncaught: unknown[] = []
const hear = (error: unknown) => void uncaught.push(error)
beforeEach(() => {
  uncaught.length = 0
})
beforeAll(() => {
  process.on('uncaughtException', hear)
  process.on('unhandledRejection', hear)
})
afterAll(() => {
  process.off('uncaughtException', hear)
  process.off('unhandledRejection', hear)
})

/** Works with a host that lies, and makes sure that nothing of the work is left: no error, no open connection. */
async function against<Host extends LyingHost>(
  starting: Promise<Host>,
  work: (host: Host) => Promise<void>,
): Promise<void> {
  const host = await starting
  try {
    await work(host)
    await wait(AFTERWARDS_MS)
    // A busy machine hears later that a connection was closed.
    for (let tries = 0; tries < 100 && host.open.size > 0; tries++) await wait(50)
    expect(uncaught).toEqual([])
    expect(host.open.size).toBe(0)
  } finally {
    await host.stop()
  }
}

async function faultOf(work: Promise<Connection>): Promise<HostFault> {
  const fault = await work.then(
    async (connection) => {
      await connection.close()
      return undefined
    },
    (error: unknown) => error,
  )
  expect(fault).toBeInstanceOf(HostFault)
  expect((fault as HostFault).message).not.toContain('planted-secret')
  return fault as HostFault
}

/** Opens a host, does one thing, and closes it. */
const doing = async <Result>(opening: Promise<Connection>, work: (host: Connection) => Promise<Result>) => {
  const connection = await opening
  try {
    return await work(connection)
  } finally {
    await connection.close()
  }
}
const lostBy = (work: Promise<unknown>) =>
  expect(work).rejects.toMatchObject({
    name: 'HostFault',
    kind: expect.stringMatching(/^(?:lost|not stored)$/),
  })

test.each(LYING_PORTS)('a port that %s is no host of any kind, and no web server', async (_, behave) => {
  await Promise.all([
    against(lyingServer(behave), async (host) => {
      await faultOf(openSftp(access(host), SOON))
    }),
    ...(['none', 'tls', 'implicit'] as const).map((security) =>
      against(lyingServer(behave), async (host) => {
        await faultOf(openFtp(ftpAccess(host, security), SOON))
      }),
    ),
    against(lyingServer(behave), async ({ port }) => {
      await expect(visit(`http://127.0.0.1:${port}/`, ALL, undefined, SOON.visit)).rejects.toThrow()
    }),
  ])
})

describe('an SFTP host', () => {
  test('that lists for ever is given up', () =>
    against(lyingSftp({ hasEndlessList: true }), async (host) => {
      await lostBy(doing(openSftp(access(host, host.hostKey), BRIEF), (one) => one.list('')))
    }))

  test('names only what can be in a folder', () => {
    const names = ['a.html', '..', '.', '', '/etc/passwd', '../b.html', 'c/d.html', 'e\0.html', 'f.html']
    return against(lyingSftp({ names }), async (host) => {
      const listed = await doing(openSftp(access(host, host.hostKey), CALM), (one) => one.list(''))
      expect([...listed!.files.keys()]).toEqual(['a.html', 'f.html'])
      expect(listed!.folders.size).toBe(0)
    })
  })

  test.each([0, 2 ** 31, 2 ** 52])('has files by what they hold, whatever size it tells: %d', (size) =>
    against(lyingSftp({ size, names: ['a.html'] }), async (host) => {
      const bytes = await doing(openSftp(access(host, host.hostKey), CALM), (one) => one.read('a.html'))
      expect(Buffer.from(bytes).toString()).toBe('ab')
    }),
  )

  test('whose file has no end is given up', () =>
    against(lyingSftp({ hasEndlessFiles: true }), async (host) => {
      await lostBy(doing(openSftp(access(host, host.hostKey), BRIEF), (one) => one.read('a.html')))
    }))

  test('that is silent after the login is given up', () =>
    against(lyingSftp({ isSilent: true }), async (host) => {
      await lostBy(doing(openSftp(access(host, host.hostKey), BRIEF), (one) => one.list('')))
    }))

  test('that breaks off anywhere is told, and what was asked ends', async () => {
    const true_ = await lyingSftp({ names: ['a.html'] })
    const places = [0, 1, 20, 100, 500, 1000, 1500, 2000, 2200, 2400, 2600, 2800, 3000, 3200]
    await Promise.all(
      places.map((bytes) =>
        against(cuttingServer(true_.port, bytes), async (host) => {
          const listing = doing(openSftp(access(host, true_.hostKey), SOON), (one) => one.list(''))
          await listing.catch((error: unknown) => expect(error).toBeInstanceOf(HostFault))
        }),
      ),
    )
    await true_.stop()
  })
})

describe('an FTP host', () => {
  test('that asks for the password for ever gets it once', () =>
    against(lyingFtp({ asksForEver: true }), async (host) => {
      expect((await faultOf(openFtp(ftpAccess(host), CALM))).kind).toBe('login')
      expect(host.passwords).toHaveLength(1)
    }))

  test('that breaks off after any byte is told, and what was asked ends', async () => {
    const true_ = await lyingFtp({ data: (socket) => socket.end(entry('a.html')) })
    const tryAt = async (bytes: number): Promise<string> => {
      let outcome = ''
      await against(cuttingServer(true_.port, bytes), async (host) => {
        outcome = await doing(openFtp(ftpAccess(host), CALM), (one) => one.list('')).then(
          (listed) => [...listed!.files.keys()].join(),
          (error: unknown) => {
            expect(error).toBeInstanceOf(HostFault)
            return (error as HostFault).kind
          },
        )
      })
      return outcome
    }
    const bytes = 320
    const outcomes = await Promise.all(Array.from({ length: bytes }, (_, at) => tryAt(at)))
    // In the end all is there; before, nothing is a list that is not whole.
    expect(outcomes.at(-1)).toBe('a.html')
    expect(new Set(outcomes)).not.toContain('')
    await true_.stop()
  }, 60_000)

  const entry = (name: string) => `type=file;size=1;modify=20260101000000; ${name}\r\n`
  test.each([
    ['lists for ever', (socket) => pour(socket, entry('a.html'))],
    ['lists one name for ever', (socket) => pour(socket, 'type=file;size=1; ')],
    ['drips a list', (socket) => drip(socket, entry('a.html'))],
    ['opens a connection for a list and sends nothing', () => undefined],
  ] as [string, Parameters<typeof pour>[0] extends infer Socket ? (socket: Socket) => void : never][])(
    'that %s is given up',
    (_, data) =>
      against(lyingFtp({ data }), async (host) => {
        await lostBy(doing(openFtp(ftpAccess(host), BRIEF), (one) => one.list('')))
      }),
  )

  test('names only what can be in a folder', () => {
    const names = ['a.html', '..', '.', '/etc/passwd', '../b.html', 'c/d.html', 'f.html']
    return against(lyingFtp({ data: (socket) => socket.end(names.map(entry).join('')) }), async (host) => {
      const listed = await doing(openFtp(ftpAccess(host), CALM), (one) => one.list(''))
      expect([...listed!.files.keys()]).toEqual(['a.html', 'f.html'])
    })
  })

  test.each([0, 2 ** 52])('has files by what they hold, whatever size it tells: %d', (size) =>
    against(lyingFtp({ size, data: (socket) => socket.end('ab') }), async (host) => {
      const bytes = await doing(openFtp(ftpAccess(host), CALM), (one) => one.read('a.html'))
      expect(Buffer.from(bytes).toString()).toBe('ab')
    }),
  )

  test.each(['FEAT', 'PWD', 'CWD', 'EPSV', 'MLSD'])('that does not answer %s is given up', (word) =>
    against(lyingFtp({ ignores: [word] }), async (host) => {
      const access = { ...ftpAccess(host), folder: 'site' }
      await expect(doing(openFtp(access, SOON), (one) => one.list(''))).rejects.toThrow(HostFault)
    }),
  )
})

describe('a web server', () => {
  test.each(LYING_WEB)('that %s shows no page', (_, behave) =>
    against(
      lyingServer((socket) => socket.once('data', () => behave(socket))),
      async ({ port }) => {
        await expect(visit(`http://127.0.0.1:${port}/`, ALL, undefined, SOON.visit)).rejects.toThrow()
      },
    ),
  )

  test('is disconnected immediately when the visit is aborted', () =>
    against(
      lyingServer(() => undefined),
      async ({ port }) => {
        const stop = new AbortController()
        const visiting = visit(`http://127.0.0.1:${port}/`, ALL, stop.signal, 60_000)
        setTimeout(() => stop.abort(), 20)
        await expect(visiting).rejects.toThrow('it was stopped')
      },
    ))
})

test('what must end in time ends its work, and hears no late failure of it', async () => {
  const late = wait(40).then(() => Promise.reject(new Error('late')))
  const end = () => new HostFault('lost', 'over')
  await expect(within(5, late, end)).rejects.toThrow('over')
  await expect(within(1000, Promise.resolve(7), end)).resolves.toBe(7)
  await wait(60)
  expect(uncaught).toEqual([])
})

/** The special-purpose registries of RFC 6890 with an address of each, and addresses of the public network beside them. */
const SPECIAL = [
  ...['0.0.0.1', '10.9.8.7', '100.64.0.1', '127.0.0.1', '169.254.169.254', '172.31.255.255', '192.0.0.8'],
  ...[
    '192.0.2.1',
    '192.88.99.1',
    '192.168.1.1',
    '198.18.0.1',
    '198.19.255.255',
    '198.51.100.1',
    '203.0.113.1',
  ],
  ...['224.0.0.1', '240.0.0.1', '255.255.255.255', '::', '::1', '::127.0.0.1', '::ffff:127.0.0.1'],
  ...[
    '::ffff:10.0.0.1',
    '64:ff9b::127.0.0.1',
    '64:ff9b:1::1',
    '100::1',
    '2001::1',
    '2001:2::1',
    '2001:db8::1',
  ],
  ...['2002:7f00:1::', 'fc00::1', 'fd12::1', 'fe80::1', 'fe80::1%eth0', 'ff02::1', 'no address', ''],
]
const PUBLIC = ['1.1.1.1', '172.32.0.1', '198.17.255.255', '198.20.0.0', '2606:4700::1111', '2a00:1450::1']

test('addresses of special purpose (RFC 6890) are no hosts of the public network', () => {
  expect(SPECIAL.filter(isPublic)).toEqual([])
  expect(PUBLIC.filter((address) => !isPublic(address))).toEqual([])
})

test.each(['::127.0.0.1', '64:ff9b::127.0.0.1', '198.18.0.1', '127.0.0.1'])(
  'a server is not sent to %s',
  async (name) => {
    const reach = { ownNetwork: false, allowed: new Set<string>() }
    await expect(addressOf(name, 22, reach)).rejects.toMatchObject({ name: 'HostFault', kind: 'own network' })
  },
)
