import { closeSync, mkdirSync, openSync, rmSync, statfsSync, writeFileSync, writeSync } from 'node:fs'
import { connect, type Socket } from 'node:net'
import path from 'node:path'
import { setTimeout as pause } from 'node:timers/promises'
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, it } from '@jest/globals'
import type { Health } from '@nachtigal/contract/api'
import { command, newJob } from '../testing'
import { beOther, Folders, may, sendTo, ServerProcess, skipped, system } from './serverProcess'

const MB = 1024 * 1024
const folders = new Folders()
afterAll(() => folders.clear())

/** A small disk, mounted for one test. */
class Disk {
  readonly at = path.join(folders.bare(), 'disk')
  private readonly ballast = path.join(this.at, 'ballast')

  constructor() {
    mkdirSync(this.at)
    system('mount', '-t', 'tmpfs', '-o', 'size=320m', 'nachtigal-test', this.at)
  }
  get freeMb() {
    const { bavail, bsize } = statfsSync(this.at)
    return (bavail * bsize) / MB
  }
  /** Fills it until so much is left. */
  fill(leftMb: number) {
    const fd = openSync(this.ballast, 'a')
    const piece = Buffer.alloc(MB / 4)
    try {
      while (this.freeMb > leftMb) writeSync(fd, piece)
      // The last of it, byte for byte.
      if (leftMb === 0) for (;;) writeSync(fd, piece, 0, 4096)
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'ENOSPC') throw error
    } finally {
      closeSync(fd)
    }
  }
  makeRoom() {
    rmSync(this.ballast)
  }
  make(how: 'ro' | 'rw') {
    system('mount', '-o', `remount,${how}`, this.at)
  }
  unmount() {
    system('umount', '--lazy', this.at)
  }
}

const healthAt = async (url: string) => (await (await fetch(`${url}/api/health`)).json()) as Health
const revisionAt = async (url: string, jobId: string) =>
  ((await (await fetch(`${url}/api/jobs/${jobId}`)).json()) as { revision: number }).revision

/** Sends a command as the page does: again until it is taken. */
async function untilTaken(url: string, wanted: ReturnType<typeof command>) {
  for (let n = 0; n < 150; n++) {
    const { status } = await sendTo(url, wanted)
    if (status === 200) return
    await pause(200)
  }
  throw new Error('it never went on')
}

const suite = may.mount ? describe : describe.skip
if (!may.mount) skipped('a full disk and a read-only one', 'needs root on Linux, to mount a small one')

suite('a disk', () => {
  let disk: Disk
  let server: ServerProcess | undefined
  beforeEach(async () => {
    disk = new Disk()
    await folders.data(disk.at)
  })
  afterEach(async () => {
    await server?.end('SIGKILL')
    disk.unmount()
  })
  const started = async (env: Readonly<Record<string, string>> = {}) => {
    server = ServerProcess.start({ folder: disk.at, env })
    const url = await server.url()
    const { create, jobId } = newJob()
    expect((await sendTo(url, create)).status).toBe(200)
    const rename = (from: string, to: string) => command(jobId, [{ document: jobId, path: ['name'], from, to }])
    return { url, jobId, rename }
  }

  it('that is nearly full: nothing is written any more, it is said in words, reading goes on, and it goes on by itself', async () => {
    const { url, jobId, rename } = await started()
    disk.fill(20)
    await pause(1100)
    const { status, body } = await sendTo(url, rename('Job', 'A'))
    expect([status, body.error?.code]).toEqual([503, 'DISK_FULL'])
    expect(body.error?.message).toMatch(
      /the disk of the server is full; what you type waits on your device.*MB are left, 64 are needed/,
    )
    expect((await healthAt(url)).disk!.freeMb).toBeLessThanOrEqual(20)
    expect(await revisionAt(url, jobId)).toBe(1)
    disk.makeRoom()
    await untilTaken(url, rename('Job', 'B'))
    expect(await revisionAt(url, jobId)).toBe(2)
  })

  it('that is full to the last byte under the engine: what was answered stays, and it goes on when there is room', async () => {
    const { url, jobId, rename } = await started({ NACHTIGAL_LEAST_FREE_MB: '0' })
    disk.fill(0)
    const answered: string[] = []
    let name = 'Job'
    let refused = 0
    for (let n = 0; n < 400 && refused < 3; n++) {
      // Each one long, so that files must grow.
      const next = rename(name, `${n}`.padEnd(120, 'x'))
      const { status, body } = await sendTo(url, next)
      if (status === 200) {
        answered.push(next.id)
        name = `${n}`.padEnd(120, 'x')
        continue
      }
      if (status !== 503) console.error(server!.words)
      expect([status, body.error!.message]).toEqual([503, expect.stringMatching(/what you type waits on your device/)])
      refused++
    }
    expect(refused).toBe(3)
    expect(server!.child.exitCode).toBeNull()
    disk.makeRoom()
    await untilTaken(url, command(jobId, [{ document: jobId, path: ['place'], from: 'Here', to: 'There' }]))
    const { rows } = (await (await fetch(`${url}/api/jobs/${jobId}/log?limit=500`)).json()) as {
      rows: { command: { id: string } }[]
    }
    const kept = rows.map((row) => row.command.id)
    expect(answered.filter((id) => !kept.includes(id))).toEqual([])
    expect((await healthAt(url)).ready).toBe(true)
  })

  it('that is full when it starts is refused in words', async () => {
    disk.fill(0)
    server = ServerProcess.start({ folder: disk.at })
    expect(await server.ended).toBe(1)
    expect(server.words).toMatch(
      /the disk of data folder \S+ is full\. Make room on it, then start again; nothing was lost\./,
    )
    expect(server.words).not.toMatch(/\n +at /)
  })

  it('that is read-only when it starts is refused in words', async () => {
    disk.make('ro')
    server = ServerProcess.start({ folder: disk.at })
    expect(await server.ended).toBe(1)
    expect(server.words).toMatch(
      /data folder \S+ cannot be written: it is read-only, or belongs to another user\. Make it writable/,
    )
    expect(server.words).not.toMatch(/\n +at /)
  })
})

const asOther = may.beOther ? describe : describe.skip
if (!may.beOther)
  skipped('a folder that is taken away from its user', 'needs root, setpriv, and a program that others may read')

asOther('a data folder that its user may no longer write', () => {
  it('is said in words, reading goes on, and it goes on by itself', async () => {
    const folder = await folders.data()
    const owner = (name: string) => system('chown', '-R', name, folder)
    owner('nobody')
    const server = ServerProcess.start({ folder, through: beOther })
    try {
      const url = await server.url()
      const { create, jobId } = newJob()
      expect((await sendTo(url, create)).status).toBe(200)
      owner('root')
      await pause(1100)
      const rename = (to: string) => command(jobId, [{ document: jobId, path: ['name'], from: 'Job', to }])
      const { status, body } = await sendTo(url, rename('A'))
      expect(status).toBe(503)
      expect(body.error?.message).toMatch(/the disk of the server is read-only; what you type waits on your device/)
      expect(await healthAt(url)).toMatchObject({ ready: false, database: { state: 'read-only' } })
      expect(await revisionAt(url, jobId)).toBe(1)
      owner('nobody')
      await untilTaken(url, rename('B'))
      expect(await revisionAt(url, jobId)).toBe(2)
      expect((await healthAt(url)).ready).toBe(true)
    } finally {
      await server.end('SIGKILL')
    }
  })
})

const limited = may.limitFiles ? describe : describe.skip
if (!may.limitFiles) skipped('out of file descriptors', 'needs prlimit')

limited('file descriptors', () => {
  let server: ServerProcess | undefined
  let folder: string
  beforeAll(async () => {
    folder = await folders.data()
  })
  afterEach(() => server?.end('SIGKILL'))

  it('all taken: the server lives, and answers as soon as some are free', async () => {
    server = ServerProcess.start({ folder })
    const url = await server.url()
    const { create, jobId } = newJob()
    expect((await sendTo(url, create)).status).toBe(200)
    // The soft limit alone: a raised one can be put back without being root.
    const limit = (soft: number) => system('prlimit', '--pid', String(server!.pid), `--nofile=${soft}:`)
    limit(60)
    const { port } = new URL(url)
    const lines: Socket[] = []
    for (let n = 0; n < 120; n++) {
      const line = connect(Number(port), '127.0.0.1')
      line.on('error', () => undefined)
      lines.push(line)
    }
    await pause(1000)
    expect(server.child.exitCode).toBeNull()
    for (const line of lines) line.destroy()
    limit(1024)
    await untilTaken(url, command(jobId, [{ document: jobId, path: ['name'], from: 'Job', to: 'New' }]))
    expect(await revisionAt(url, jobId)).toBe(2)
  })

  it.each([28, 60, 100])('%i, too few to start with, is said in words', async (files) => {
    server = ServerProcess.start({ folder, through: ['prlimit', `--nofile=${files}:${files}`] })
    expect(await server.ended).not.toBe(0)
    expect(server.words).toMatch(/too many files are open on this machine\. Close other programs or raise the limit/)
  })
})

describe('half a copy of a data folder', () => {
  it('is refused in words, and nothing is touched', async () => {
    const folder = await folders.data()
    rmSync(path.join(folder, 'postgres', 'base'), { recursive: true })
    rmSync(path.join(folder, 'postgres', 'PG_VERSION'))
    writeFileSync(path.join(folder, 'postgres', 'kept'), 'x')
    const server = ServerProcess.start({ folder })
    expect(await server.ended).toBe(1)
    expect(server.words).toMatch(/is not a database: it has no PG_VERSION but holds .*It may be half a copy/)
    expect(server.words).not.toMatch(/\n +at /)
  })
})
