import { createHash } from 'node:crypto'
import { realpathSync, unlinkSync } from 'node:fs'
import { connect, createServer, type Server } from 'node:net'
import { tmpdir } from 'node:os'
import path from 'node:path'

/** Another server holds this data folder. */
export class FolderInUse extends Error {
  constructor(
    readonly folder: string,
    readonly holder: string,
  ) {
    super(
      `data folder ${folder} is in use by ${holder}. Stop that server, or choose another folder with NACHTIGAL_DATA.`,
    )
  }
}

/**
 * Address of the lock: on Linux an abstract socket, which the system frees when its process dies however it dies; a pipe on
 * Windows, a socket file elsewhere. Named after the real path, so that links cannot get round it.
 */
function address(folder: string): string {
  const name = `nachtigal-${createHash('sha256').update(realpathSync(folder)).digest('hex').slice(0, 24)}`
  if (process.platform === 'linux') return `\0${name}`
  return process.platform === 'win32' ? `\\\\.\\pipe\\${name}` : path.join(tmpdir(), `${name}.sock`)
}

const askHolder = (at: string) =>
  new Promise<string | undefined>((resolve) => {
    let said = ''
    const socket = connect(at)
    socket.setTimeout(500, () => socket.destroy())
    socket.on('data', (chunk: Buffer) => {
      said += chunk.toString('utf8')
    })
    socket.on('error', () => resolve(undefined))
    socket.on('close', () => resolve(said || 'another process'))
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

/**
 * Takes a data folder for this process alone: two processes on one folder would corrupt it silently.
 * @throws FolderInUse naming the holder
 * @returns releases the lock
 */
export async function lockFolder(folder: string): Promise<() => Promise<void>> {
  const at = address(folder)
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
