import { type ChildProcess, execFileSync, spawn } from 'node:child_process'
import { chownSync, existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import path from 'node:path'

const HOMES = '/usr/lib/postgresql'

/** Folder of the programs of a PostgreSQL server, where one is installed. */
export function postgresPrograms(): string | undefined {
  if (!existsSync(HOMES)) return undefined
  return readdirSync(HOMES)
    .map((version) => path.join(HOMES, version, 'bin'))
    .filter((bin) => existsSync(path.join(bin, 'initdb')))
    .sort()
    .at(-1)
}

/** It refuses to run as root: there it runs as the user of its package. */
function itsUser(): { readonly uid: number; readonly gid: number } | undefined {
  if (process.getuid?.() !== 0) return undefined
  const number = (flag: string) => Number(execFileSync('id', [flag, 'postgres'], { encoding: 'utf8' }))
  return { uid: number('-u'), gid: number('-g') }
}

const freePort = () =>
  new Promise<number>((resolve, reject) => {
    const server = createServer()
    server.once('error', reject)
    server.listen(0, '127.0.0.1', () => {
      const { port } = server.address() as { port: number }
      server.close(() => resolve(port))
    })
  })

/** A PostgreSQL server of the test's own, in a temporary folder, that can be stopped, killed and started at will. */
export class TemporaryPostgres {
  private child: ChildProcess | undefined

  private constructor(
    private readonly bin: string,
    private readonly home: string,
    private readonly port: number,
    private readonly user: ReturnType<typeof itsUser>,
  ) {}

  static async make(): Promise<TemporaryPostgres> {
    const bin = postgresPrograms()
    if (!bin) throw new Error('no PostgreSQL server is installed')
    const user = itsUser()
    const home = mkdtempSync(path.join(tmpdir(), 'nachtigal-postgres-'))
    if (user) chownSync(home, user.uid, user.gid)
    const data = path.join(home, 'data')
    execFileSync(path.join(bin, 'initdb'), ['-D', data, '-A', 'trust', '-U', 'nachtigal', '-E', 'UTF8', '--no-sync'], {
      ...user,
      cwd: home,
      stdio: 'ignore',
    })
    const made = new TemporaryPostgres(bin, data, await freePort(), user)
    await made.start()
    return made
  }

  get url() {
    return `postgres://nachtigal@127.0.0.1:${this.port}/postgres`
  }

  async start() {
    const child = spawn(
      path.join(this.bin, 'postgres'),
      ['-D', this.home, '-p', String(this.port), '-h', '127.0.0.1', '-k', path.dirname(this.home)],
      { ...this.user, cwd: this.home, stdio: ['ignore', 'ignore', 'pipe'] },
    )
    this.child = child
    await new Promise<void>((resolve, reject) => {
      child.stderr.on('data', (chunk: Buffer) => {
        if (chunk.toString().includes('ready to accept connections')) resolve()
      })
      child.once('exit', (code) => reject(new Error(`postgres ended with ${code}`)))
    })
  }

  /** Asks it to end: SIGINT breaks off what is under way, SIGKILL is a power cut of it. */
  async end(signal: 'SIGINT' | 'SIGKILL') {
    const { child } = this
    if (!child || child.exitCode !== null || child.signalCode !== null) return
    const gone = new Promise<void>((resolve) => {
      child.once('exit', () => resolve())
    })
    child.kill(signal)
    await gone
  }

  async close() {
    await this.end('SIGINT')
    rmSync(path.dirname(this.home), { recursive: true, force: true })
  }
}
