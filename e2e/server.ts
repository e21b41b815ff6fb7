import { type ChildProcess, execFileSync, spawn } from 'node:child_process'
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'

const root = path.resolve(import.meta.dirname, '..')
const templateOf = (name: string) =>
  path.join(tmpdir(), `nachtigal-e2e-${name}-${process.env['NACHTIGAL_E2E_RUN'] ?? 'one'}`)
/** Database folders as a server leaves them, without a job and with the demo jobs; made once, copied for each server. */
export const templates = { empty: templateOf('empty'), demo: templateOf('demo') }

export interface RunningServer {
  readonly url: string
  readonly folder: string
  /** Ends it at once, as a power cut of the process would. */
  readonly kill: () => Promise<void>
  /** Asks it to end; answers its exit code. */
  readonly stop: () => Promise<number | null>
}

const gone = (child: ChildProcess) =>
  child.exitCode !== null || child.signalCode !== null
    ? Promise.resolve()
    : new Promise<void>((resolve) => {
        child.once('exit', () => resolve())
      })

/** Starts the built server as its own program and waits until it says its address. */
export async function startServer(
  folder: string,
  { port = 0, demo = false, env = {} }: { port?: number; demo?: boolean; env?: Readonly<Record<string, string>> } = {},
): Promise<RunningServer> {
  const main = path.join(root, 'server/dist/main.js')
  // The database's engine runs as it is first compiled: making it quicker costs more than a short test wins by it.
  const child = spawn(process.execPath, ['--liftoff-only', main, ...(demo ? ['--demo'] : [])], {
    cwd: root,
    env: {
      ...process.env,
      NACHTIGAL_ROOT: root,
      NACHTIGAL_DATA: folder,
      PORT: String(port),
      LOG_LEVEL: 'error',
      NACHTIGAL_NAMES: 'bench.otterholm.test',
      // What tests begin with; the third demo job has a test of its own.
      NACHTIGAL_DEMO: 'otterholm',
      ...env,
    },
    stdio: ['ignore', 'pipe', 'pipe'],
  })
  let said = ''
  const url = await new Promise<string>((resolve, reject) => {
    const listen = (chunk: Buffer) => {
      said += chunk.toString()
      const found = /http:\/\/[\w.:]+/.exec(said)
      if (found) resolve(found[0])
    }
    child.stdout.on('data', listen)
    child.stderr.on('data', (chunk: Buffer) => {
      said += chunk.toString()
    })
    child.once('exit', (code) => reject(new Error(`the server ended with ${code}: ${said}`)))
  })
  return {
    url,
    folder,
    kill: () => {
      child.kill('SIGKILL')
      return gone(child)
    },
    stop: async () => {
      child.kill('SIGTERM')
      await gone(child)
      return child.exitCode
    },
  }
}

/** Copies a folder as the system does: Node's own way is eight times as slow. */
export function copyFolder(from: string, to: string): void {
  mkdirSync(to, { recursive: true })
  execFileSync('cp', ['-r', `${from}/.`, to])
}

/** A folder with a database that is empty, or has the demo jobs. */
export function freshFolder(of: keyof typeof templates = 'empty'): string {
  const folder = mkdtempSync(path.join(tmpdir(), 'nachtigal-e2e-'))
  copyFolder(templates[of], folder)
  return folder
}

export const removeFolder = (folder: string) => rmSync(folder, { recursive: true, force: true })
