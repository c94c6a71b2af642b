import * as v from 'valibot'

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
    /** Whether an empty database gets the demo site. */
    VIATICA_DEMO: v.optional(v.picklist(['yes', 'no']), 'yes'),
  }),
  v.transform((env) => ({
    databaseUrl: env.DATABASE_URL,
    host: env.HOST,
    port: env.PORT,
    hosts: ['localhost', '127.0.0.1', '[::1]', ...env.VIATICA_HOSTS.split(',').filter((host) => host !== '')],
    logLevel: env.LOG_LEVEL,
    maxFileBytes: env.VIATICA_FILE_MB * 1_000_000,
    withDemo: env.VIATICA_DEMO === 'yes',
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
