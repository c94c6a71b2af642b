import * as v from 'valibot'

/** Whether only this machine can reach a server that listens there (RFC 5735, RFC 4291). */
const isLoopback = (host: string) => /^(localhost|127\.\d+\.\d+\.\d+|::1|\[::1\])$/.test(host)

const configSchema = v.pipe(
  v.object({
    DATABASE_URL: v.pipe(
      v.string('must name the PostgreSQL database'),
      v.startsWith('postgres', 'must start with postgres://'),
    ),
    HOST: v.optional(v.string(), '127.0.0.1'),
    PORT: v.optional(
      v.pipe(v.string(), v.regex(/^\d{1,5}$/, 'must be a port number'), v.transform(Number)),
      '4310',
    ),
    /** Host names to answer to besides those of loopback, parted by commas. */
    VIATICA_HOSTS: v.optional(v.string(), ''),
    LOG_LEVEL: v.optional(v.picklist(['silent', 'error', 'warn', 'info', 'debug']), 'info'),
    /** The most that one file of a site may have, in megabytes. */
    VIATICA_FILE_MB: v.optional(
      v.pipe(v.string(), v.regex(/^[1-9]\d?$/, 'must be a number from 1 to 99'), v.transform(Number)),
      '10',
    ),
    /** What whoever comes in must have; needed where the server can be reached from other machines. */
    VIATICA_ACCESS_KEY: v.optional(
      v.pipe(
        v.string(),
        v.check(
          (key) => key.replace(/\s/g, '').length >= 16,
          'must have at least 16 characters that are not blank',
        ),
        v.maxLength(500),
      ),
    ),
    /** The most that the files of all sites may have together, in megabytes. */
    VIATICA_ROOM_MB: v.optional(
      v.pipe(v.string(), v.regex(/^[1-9]\d{0,7}$/, 'must be a number of megabytes'), v.transform(Number)),
      '5000',
    ),
    /** What passwords and keys of hosts are kept under; without it, none are kept. */
    VIATICA_SECRET: v.optional(
      v.pipe(v.string(), v.minLength(16, 'must have at least 16 characters'), v.maxLength(500)),
    ),
    /** The folders of this machine that sites may be published to, absolute, parted by colons. */
    VIATICA_FOLDERS: v.optional(
      v.pipe(
        v.string(),
        v.transform((list) => list.split(':').filter((folder) => folder !== '')),
        v.check((list) => list.every((folder) => folder.startsWith('/')), 'must be paths that start with /'),
      ),
      '',
    ),
    /** Whether sites may be published to hosts in the server's own network. */
    VIATICA_OWN_NETWORK: v.optional(v.picklist(['yes', 'no']), 'no'),
    /** How the stand-in host is got to, as JSON: see standIn.ts. */
    VIATICA_STAND_IN: v.optional(
      v.pipe(
        v.string(),
        v.parseJson(undefined, 'must be JSON'),
        v.strictObject({
          port: v.number(),
          user: v.string(),
          password: v.string(),
          hostKey: v.string(),
          ftp: v.strictObject({ port: v.number(), certificate: v.string() }),
          url: v.string(),
          control: v.string(),
        }),
      ),
    ),
    /** Whether an empty database gets the demo site. */
    VIATICA_DEMO: v.optional(v.picklist(['yes', 'no']), 'yes'),
  }),
  v.forward(
    v.partialCheck(
      [['HOST'], ['VIATICA_ACCESS_KEY']],
      ({ HOST, VIATICA_ACCESS_KEY }) => VIATICA_ACCESS_KEY !== undefined || isLoopback(HOST),
      'must be set where HOST is not a loopback address: others could change every site without it',
    ),
    ['VIATICA_ACCESS_KEY'],
  ),
  v.transform((env) => ({
    databaseUrl: env.DATABASE_URL,
    host: env.HOST,
    port: env.PORT,
    hosts: ['localhost', '127.0.0.1', '[::1]', ...env.VIATICA_HOSTS.split(',').filter((host) => host !== '')],
    logLevel: env.LOG_LEVEL,
    maxFileBytes: env.VIATICA_FILE_MB * 1_000_000,
    mostBytes: env.VIATICA_ROOM_MB * 1_000_000,
    accessKey: env.VIATICA_ACCESS_KEY,
    withDemo: env.VIATICA_DEMO === 'yes',
    secret: env.VIATICA_SECRET,
    folders: env.VIATICA_FOLDERS,
    ownNetwork: env.VIATICA_OWN_NETWORK === 'yes',
    standIn: env.VIATICA_STAND_IN,
  })),
)

export type Config = v.InferOutput<typeof configSchema>

/** Reads the settings of the server from the environment. @throws Error naming the variable that is wrong */
export function readConfig(env: Readonly<Record<string, string | undefined>>): Config {
  const result = v.safeParse(configSchema, env)
  if (result.success) return result.output
  const issue = result.issues[0]
  throw new Error(`${String(issue.path?.[0]?.key)} ${issue.message}`)
}
