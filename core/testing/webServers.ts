import { type ChildProcess, spawn } from 'node:child_process'
import { chmodSync, mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { setTimeout as wait } from 'node:timers/promises'

/** The servers that authors have, from Debian, on loopback and in a folder of their own. */
export type WebServer = 'php' | 'apache' | 'nginx'

export interface Given {
  readonly status: number
  /** As latin1: byte for byte. */
  readonly text: string
  /** Where it leads on; empty for what does not. */
  readonly location: string
}

const freePort = () =>
  new Promise<number>((resolve) => {
    const server = createServer().listen(0, '127.0.0.1', () => {
      const { port } = server.address() as { port: number }
      server.close(() => resolve(port))
    })
  })

const MODULES = ['mpm_event', 'authz_core', 'dir', 'mime', 'include', 'filter', 'rewrite']

/** https://httpd.apache.org/docs/2.4/howto/ssi.html and https://httpd.apache.org/docs/2.4/howto/htaccess.html */
const apacheSettings = (folder: string, own: string, port: number) => `
Listen 127.0.0.1:${port}
ServerName 127.0.0.1
PidFile ${own}/pid
ErrorLog ${own}/errors
DefaultRuntimeDir ${own}
Mutex file:${own}
User www-data
${MODULES.map((name) => `LoadModule ${name}_module /usr/lib/apache2/modules/mod_${name}.so`).join('\n')}
TypesConfig /etc/mime.types
DocumentRoot ${folder}
DirectoryIndex index.shtml index.html
<Directory ${folder}>
  Require all granted
  AllowOverride All
  Options +Includes +FollowSymLinks
  AddType text/html .shtml
  SetOutputFilter INCLUDES
</Directory>
<Files ".ht*">
  Require all denied
</Files>
`

/** https://nginx.org/en/docs/beginners_guide.html */
const nginxSettings = (folder: string, own: string, port: number, rules: string | undefined) => `
daemon off;
master_process off;
pid ${own}/pid;
error_log ${own}/errors;
events {}
http {
  access_log off;
  types { text/html html htm shtml; text/css css; }
  client_body_temp_path ${own}/body;
  proxy_temp_path ${own}/proxy;
  fastcgi_temp_path ${own}/fastcgi;
  uwsgi_temp_path ${own}/uwsgi;
  scgi_temp_path ${own}/scgi;
  server {
    listen 127.0.0.1:${port};
    root ${folder};
    index index.html;
    ssi on;
    ${rules === undefined ? '' : `include "${rules}";`}
  }
}
`

function start(
  by: WebServer,
  own: string,
  folder: string,
  port: number,
  rules: string | undefined,
): ChildProcess {
  const quietly = { stdio: 'ignore' } as const
  switch (by) {
    case 'php':
      return spawn('php', ['-S', `127.0.0.1:${port}`, '-t', folder], quietly)
    case 'apache':
      writeFileSync(join(own, 'settings'), apacheSettings(folder, own, port))
      return spawn('/usr/sbin/apache2', ['-X', '-f', join(own, 'settings')], quietly)
    case 'nginx':
      writeFileSync(join(own, 'settings'), nginxSettings(folder, own, port, rules))
      return spawn('/usr/sbin/nginx', ['-p', own, '-c', join(own, 'settings')], quietly)
  }
}

/**
 * Has some files given out by a server while something is done.
 * @param files their texts as latin1, by path
 * @param use gets what asks for an address, which starts after the slash
 * @param rules the path of the file among these that nginx includes
 */
export async function servedBy(
  by: WebServer,
  files: ReadonlyMap<string, string>,
  use: (read: (path: string) => Promise<Given>) => Promise<void>,
  rules?: string,
): Promise<void> {
  const own = mkdtempSync(join(tmpdir(), 'viatica-server-'))
  chmodSync(own, 0o755)
  const folder = join(own, 'site')
  for (const [path, text] of files) {
    mkdirSync(dirname(join(folder, path)), { recursive: true })
    writeFileSync(join(folder, path), text, 'latin1')
  }
  const port = await freePort()
  const server = start(by, own, folder, port, rules === undefined ? undefined : join(folder, rules))
  const read = async (path: string): Promise<Given> => {
    const answer = await fetch(`http://127.0.0.1:${port}/${path}`, { redirect: 'manual' })
    return {
      status: answer.status,
      text: Buffer.from(await answer.arrayBuffer()).toString('latin1'),
      location: answer.headers.get('location') ?? '',
    }
  }
  const answers = () =>
    read('').then(
      () => true,
      () => false,
    )
  try {
    for (let tries = 0; tries < 400 && !(await answers()); tries++) await wait(25)
    await use(read)
  } finally {
    server.kill('SIGKILL')
    rmSync(own, { recursive: true, force: true })
  }
}
