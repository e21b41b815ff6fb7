import { type ChildProcess, spawn, spawnSync } from 'node:child_process'
import { existsSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { setTimeout as pause } from 'node:timers/promises'
import { fileURLToPath } from 'node:url'
import type { Command } from '@nachtigal/core/document/command'
import { emptyData } from '../testing/emptyDatabase'

export const root = fileURLToPath(new URL('../../..', import.meta.url))
const built = (name: string) => path.join(root, 'server/dist', name)

const READY = /ready: (http:\/\/\S+)/

/** How a server is started for a test. */
interface Start {
  readonly folder: string
  /** Program and arguments that start it, such as one that gives it another network. */
  readonly through?: readonly string[]
  readonly env?: Readonly<Record<string, string>>
}

/** A server as its own program, that can be stopped, frozen, killed. */
export class ServerProcess {
  private said = ''
  /** Its exit code, or the signal that ended it. */
  readonly ended: Promise<number | NodeJS.Signals>

  private constructor(readonly child: ChildProcess) {
    const keep = (chunk: Buffer) => {
      this.said += chunk.toString()
    }
    child.stdout!.on('data', keep)
    child.stderr!.on('data', keep)
    this.ended = new Promise((resolve) => {
      // Closed, not merely ended: what it said last has been read by then.
      child.once('close', (code, signal) => resolve(code ?? signal!))
    })
  }

  static start({ folder, through = [], env = {} }: Start): ServerProcess {
    if (!existsSync(built('main.js'))) throw new Error('the server is not built: npm run build')
    const [program = process.execPath, ...args] = [...through, process.execPath, built('main.js')]
    const child = spawn(program, args, {
      cwd: root,
      stdio: ['ignore', 'pipe', 'pipe'],
      env: {
        ...process.env,
        NODE_OPTIONS: '',
        NACHTIGAL_ROOT: root,
        NACHTIGAL_DATA: folder,
        PORT: '0',
        LOG_LEVEL: 'error',
        ...env,
      },
    })
    return new ServerProcess(child)
  }

  get words() {
    return this.said
  }

  get pid() {
    return this.child.pid!
  }

  /** Its address as soon as it is ready. @throws Error with what it said when it ends before */
  async url(): Promise<string> {
    for (;;) {
      const found = READY.exec(this.said)
      if (found) return found[1]!
      const ended = await Promise.race([this.ended, pause(20)])
      if (ended !== undefined && !READY.test(this.said)) throw new Error(`ended with ${ended}: ${this.said}`)
    }
  }

  /** Its address when it has said once more that it is ready: it started anew by itself. */
  async readyAgain(): Promise<string> {
    for (let n = 0; n < 1500; n++) {
      const all = [...this.said.matchAll(/ready: (http:\/\/\S+)/g)]
      if (all.length > 1) return all.at(-1)![1]!
      await pause(20)
    }
    throw new Error(`it did not start anew: ${this.said}`)
  }

  /** Sends a signal and waits until it is gone. */
  async end(signal: NodeJS.Signals = 'SIGTERM') {
    if (this.child.exitCode === null && this.child.signalCode === null) this.child.kill(signal)
    return this.ended
  }
}

/** Folders of a test, cleared together. */
export class Folders {
  private readonly made: string[] = []

  /** A folder of its own, empty. */
  bare(): string {
    const folder = mkdtempSync(path.join(tmpdir(), 'nachtigal-fault-'))
    this.made.push(folder)
    return folder
  }

  /** A data folder with an empty database. */
  async data(at = this.bare()): Promise<string> {
    await emptyData(at)
    return at
  }

  clear() {
    for (const folder of this.made) rmSync(folder, { recursive: true, force: true })
  }
}

const works = (program: string, ...args: string[]) => spawnSync(program, args, { stdio: 'ignore' }).status === 0

/** Runs what follows as a user who owns nothing. */
export const beOther = ['setpriv', '--reuid=nobody', '--clear-groups']

/** What this machine lets a test do. */
export const may = {
  /** Its own mounts and its own network, as a container has them: takes root on Linux. */
  unshare: process.platform === 'linux' && works('unshare', '--mount', '--net', 'true'),
  /** A small disk of its own, that can be filled and made read-only. */
  mount: process.platform === 'linux' && works('unshare', '--mount', 'sh', '-c', 'mount -t tmpfs -o size=1m none /mnt'),
  beOther: works(beOther[0]!, ...beOther.slice(1), process.execPath, '--check', built('main.js')),
  limitFiles: works('prlimit', '--nofile=64', 'true'),
}

/** Says which tests of faults this machine cannot run, and why. */
export const skipped = (what: string, why: string) => console.warn(`skipped: ${what} (${why})`)

/** Runs a program of the system's. @throws Error with what it said */
export function system(program: string, ...args: string[]) {
  const { status, stderr } = spawnSync(program, args, { encoding: 'utf8' })
  if (status !== 0) throw new Error(`${program} ${args.join(' ')}: ${stderr}`)
}

/** Sends a command to a server that runs by itself. */
export async function sendTo(url: string, command: Command): Promise<{ readonly status: number; readonly body: Sent }> {
  const answer = await fetch(`${url}/api/jobs/${command.jobId}/commands`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(command),
  })
  return { status: answer.status, body: (await answer.json()) as Sent }
}

interface Sent {
  readonly sequence?: number
  readonly error?: { readonly code: string; readonly message: string }
}
