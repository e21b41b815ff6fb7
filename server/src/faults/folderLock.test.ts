import { mkdirSync } from 'node:fs'
import { hostname } from 'node:os'
import path from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import { newJob } from '../testing'
import { Folders, may, sendTo, ServerProcess, skipped } from './serverProcess'

const folders = new Folders()
let folder: string
let holder: ServerProcess
beforeAll(async () => {
  folder = await folders.data()
  holder = ServerProcess.start({ folder })
  await holder.url()
})
afterAll(async () => {
  await holder.end('SIGKILL')
  folders.clear()
})

/** A second server on the folder ends by itself, saying who holds it. */
async function refused(second: ServerProcess) {
  expect(await second.ended).toBe(1)
  expect(second.words).toMatch(
    new RegExp(`is in use by process ${holder.pid} on ${hostname()} since \\d{4}-\\d\\d-\\d\\dT`),
  )
  expect(second.words).not.toContain(' at ')
}

describe('a second server on the same folder', () => {
  it('is refused and told who holds it', () => refused(ServerProcess.start({ folder })))

  const contained = may.unshare ? it : it.skip
  if (!may.unshare) skipped('folder reached by another mount and another network', 'needs root on Linux and unshare')
  contained('is refused in another network namespace, where the name is not shared', () =>
    refused(ServerProcess.start({ folder, through: ['unshare', '--net'] })),
  )
  contained('is refused by a bind mount in another mount and network namespace', async () => {
    const elsewhere = path.join(folders.bare(), 'volume')
    mkdirSync(elsewhere)
    await refused(ServerProcess.start({ folder: elsewhere, through: bound(folder, elsewhere) }))
  })

  it('is refused while the holder is stopped in its tracks', async () => {
    process.kill(holder.pid, 'SIGSTOP')
    try {
      await refused(ServerProcess.start({ folder }))
    } finally {
      process.kill(holder.pid, 'SIGCONT')
    }
  })

  it('opens when the holder was killed, and finds what was answered', async () => {
    const { create, jobId } = newJob()
    const url = await holder.url()
    const sent = await sendTo(url, create)
    expect(sent.status).toBe(200)
    await holder.end('SIGKILL')
    holder = ServerProcess.start({ folder })
    const found = (await (await fetch(`${await holder.url()}/api/jobs/${jobId}`)).json()) as { revision: number }
    expect(found.revision).toBe(1)
  })

  it('eight that start at once: one has it, seven are told by whom', async () => {
    await holder.end('SIGKILL')
    const eight = Array.from({ length: 8 }, () => ServerProcess.start({ folder }))
    const first = await Promise.race(eight.map(async (each) => each.url().then(() => each, never)))
    holder = first
    await Promise.all(eight.filter((each) => each !== first).map(refused))
    expect((await fetch(`${await first.url()}/api/jobs`)).status).toBe(200)
  })
})

const never = () => new Promise<never>(() => undefined)

/** Starts what follows with a folder mounted a second time, in a mount and network namespace of its own, as a container has them. */
const bound = (from: string, to: string) => [
  'unshare',
  '--mount',
  '--net',
  'sh',
  '-c',
  'mount --bind "$1" "$2" && shift 2 && exec "$@"',
  'sh',
  from,
  to,
]
