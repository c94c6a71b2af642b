import { existsSync, readdirSync } from 'node:fs'
import { run, SetupFault } from './run.mjs'

const POSTGRES = '/usr/lib/postgresql'

/** The folder of PostgreSQL's programs, the newest version first; undefined when it is not installed. */
export function postgresPrograms() {
  if (!existsSync(POSTGRES)) return undefined
  const versions = readdirSync(POSTGRES).sort((a, b) => Number(b) - Number(a))
  return versions.map((version) => `${POSTGRES}/${version}/bin`).find((bin) => existsSync(`${bin}/initdb`))
}

/** Where each of Debian's packages that the project uses shows that it is installed. */
const IS_INSTALLED = {
  postgresql: () => postgresPrograms() !== undefined,
  'chromium-headless-shell': () => existsSync('/usr/bin/chromium-headless-shell'),
  'default-jre-headless': () => existsSync('/usr/bin/java'),
  'php-cli': () => existsSync('/usr/bin/php'),
  'apache2-bin': () => existsSync('/usr/sbin/apache2'),
  'nginx-light': () => existsSync('/usr/sbin/nginx'),
  'openssh-server': () => existsSync('/usr/sbin/sshd'),
  vsftpd: () => existsSync('/usr/sbin/vsftpd'),
  openssl: () => existsSync('/usr/bin/openssl'),
  'libfftw3-doc': () => existsSync('/usr/share/doc/libfftw3-dev/html/index.html'),
  'python-kombu-doc': () => existsSync('/usr/share/doc/python-kombu-doc/html/index.html'),
  'debian-handbook': () => existsSync('/usr/share/doc/debian-handbook/html/en-US/index.html'),
}

/** Installs Debian packages that are missing: as root, else by sudo, else says what to run. */
export function ensureDebianPackages(...names) {
  const missing = names.filter((name) => !IS_INSTALLED[name]())
  if (missing.length === 0) return
  const install = [
    'apt-get',
    '-o',
    'DPkg::Lock::Timeout=300',
    'install',
    '-y',
    '--no-install-recommends',
    ...missing,
  ]
  const isRoot = process.getuid() === 0
  if (!isRoot && !existsSync('/usr/bin/sudo')) {
    throw new SetupFault(
      `Missing: ${missing.join(', ')}. Run as root: apt-get install -y ${missing.join(' ')}`,
    )
  }
  console.error(`Installing from Debian: ${missing.join(', ')} …`)
  const asRoot = isRoot
    ? ['env', 'DEBIAN_FRONTEND=noninteractive']
    : ['sudo', 'env', 'DEBIAN_FRONTEND=noninteractive']
  const [command, ...first] = asRoot
  run(command, [...first, 'apt-get', 'update', '-q'])
  run(command, [...first, ...install])
  const still = missing.filter((name) => !IS_INSTALLED[name]())
  if (still.length > 0)
    throw new SetupFault(
      `Debian's packages ${still.join(', ')} were installed but are not where they should be.`,
    )
}
