import { createHash } from 'node:crypto'
import { closeSync, ftruncateSync, openSync, readFileSync, realpathSync, unlinkSync, writeSync } from 'node:fs'
import { connect, createServer, type Server } from 'node:net'
import { hostname, tmpdir } from 'node:os'
import path from 'node:path'
import { setTimeout as pause } from 'node:timers/promises'
import { tryLock, unlock } from 'fs-native-extensions'
import { folderProblem, OpenRefused } from './openRefused'

/** Another server holds this data folder. */
export class FolderInUse extends OpenRefused {
  constructor(
    readonly folder: string,
    readonly holder: string,
  ) {
    super(
      `data folder ${folder} is in use by ${holder}. Stop that server, or choose another folder with NACHTIGAL_DATA.`,
    )
  }
}

/** Who holds a folder. */
export interface Holder {
  readonly pid: number
  readonly host: string
  readonly since: string
}

export interface FolderLock {
  readonly holder: Holder
  readonly release: () => Promise<void>
}

/** File inside the folder that carries the lock: whoever reaches the folder, by whatever path or mount, meets the same one. */
const LOCK_FILE = 'in-use'
/** The byte that is locked lies far behind the text, which so can be read on systems where a lock shuts what it covers. */
const LOCKED_AT = 1 << 30
/** Codes of a file system that knows no locks. */
const NO_LOCKS = new Set(['ENOLCK', 'ENOSYS', 'ENOTSUP', 'EOPNOTSUPP', 'EINVAL'])

/**
 * Takes a data folder for this process alone: two processes on one folder would corrupt it silently. A kernel lock on a file inside
 * the folder decides; the system lets go of it when its process dies, however it dies, and a stopped one keeps it. The name in the
 * system's own space is held besides, for servers of an earlier version.
 * @param now the clock, as ISO text
 * @throws FolderInUse naming the holder, OpenRefused where the folder cannot be locked
 */
export async function lockFolder(folder: string, now: () => string): Promise<FolderLock> {
  const file = path.join(folder, LOCK_FILE)
  let fd: number
  try {
    // Opened for appending: that neither cuts off what the holder wrote nor fails where there is no file.
    fd = openSync(file, 'a+', 0o600)
  } catch (error) {
    throw folderProblem(error, folder)
  }
  try {
    if (!locked(fd, folder)) throw new FolderInUse(folder, await holderIn(file))
    const holder: Holder = { pid: process.pid, host: hostname(), since: now() }
    try {
      // At once: until it is written, whoever is refused would read the name of the one before.
      ftruncateSync(fd)
      writeSync(fd, JSON.stringify(holder))
    } catch (error) {
      throw folderProblem(error, folder)
    }
    const leaveName = await holdName(folder)
    const release = async () => {
      await leaveName()
      ftruncateSync(fd)
      unlock(fd, LOCKED_AT, 1)
      closeSync(fd)
    }
    return { holder, release }
  } catch (error) {
    closeSync(fd)
    throw error
  }
}

function locked(fd: number, folder: string): boolean {
  try {
    return tryLock(fd, LOCKED_AT, 1)
  } catch (error) {
    const code = (error as NodeJS.ErrnoException).code ?? ''
    if (code === 'EACCES' || code === 'EWOULDBLOCK') return false
    throw lockRefused(error, folder)
  }
}

/** A folder whose file system knows no locks, in words; any other fault as it is. */
export function lockRefused(error: unknown, folder: string): unknown {
  const code = (error as NodeJS.ErrnoException).code ?? ''
  if (!NO_LOCKS.has(code)) return error
  return new OpenRefused(
    `the file system of data folder ${folder} knows no locks (${code}), so two servers on it could not be told apart. Choose a folder on a local disk with NACHTIGAL_DATA.`,
    error,
  )
}

/** Reads the holder's words; one that has only just begun has not written them yet, or those of a dead one still stand there. */
async function holderIn(file: string): Promise<string> {
  let said = 'another process that is just starting'
  for (const wait of [0, 50, 200]) {
    await pause(wait)
    try {
      const { pid, host, since } = JSON.parse(readFileSync(file, 'utf8')) as Holder
      said = `process ${pid} on ${host} since ${since}`
      if (host !== hostname() || lives(pid)) return said
    } catch {
      // Not written yet: looked at again.
    }
  }
  return said
}

function lives(pid: number): boolean {
  try {
    process.kill(pid, 0)
    return true
  } catch (error) {
    return (error as NodeJS.ErrnoException).code !== 'ESRCH'
  }
}

/**
 * The name that servers of an earlier version hold: on Linux an abstract socket, which the system frees when its process dies; a pipe
 * on Windows, a socket file elsewhere. Named after the real path, so that links cannot get round it.
 */
function nameOf(folder: string): string {
  const name = `nachtigal-${createHash('sha256').update(realpathSync(folder)).digest('hex').slice(0, 24)}`
  if (process.platform === 'linux') return `\0${name}`
  return process.platform === 'win32' ? `\\\\.\\pipe\\${name}` : path.join(tmpdir(), `${name}.sock`)
}

const askHolder = (at: string) =>
  new Promise<string | undefined>((resolve) => {
    let said = ''
    let met = false
    const socket = connect(at, () => {
      met = true
    })
    socket.setTimeout(500, () => socket.destroy())
    socket.on('data', (chunk: Buffer) => {
      said += chunk.toString('utf8')
    })
    socket.on('error', () => undefined)
    socket.on('close', () => resolve(met ? said || 'another process' : undefined))
  })

const listen = (at: string) =>
  new Promise<Server>((resolve, reject) => {
    const server = createServer((socket) => socket.end(`process ${process.pid}`))
    server.on('error', reject)
    server.listen(at, () => {
      server.unref()
      resolve(server)
    })
  })

/** @returns lets the name go */
async function holdName(folder: string): Promise<() => Promise<void>> {
  const at = nameOf(folder)
  const take = async () => {
    const server = await listen(at)
    return () =>
      new Promise<void>((resolve) => {
        server.close(() => resolve())
      })
  }
  try {
    return await take()
  } catch {
    const holder = await askHolder(at)
    if (holder) throw new FolderInUse(folder, holder)
    // A socket file of a dead process: nobody answers, so it is cleared and taken.
    if (process.platform !== 'linux' && process.platform !== 'win32') unlinkSync(at)
    return take()
  }
}
