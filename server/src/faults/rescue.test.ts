import { spawnSync } from 'node:child_process'
import { existsSync, readdirSync, truncateSync } from 'node:fs'
import path from 'node:path'
import { afterAll, beforeEach, describe, expect, it } from '@jest/globals'
import { command, newJob } from '../testing'
import { Folders, root, sendTo, ServerProcess } from './serverProcess'

const folders = new Folders()
let folder: string
let jobId: string
const running: ServerProcess[] = []
afterAll(async () => {
  for (const each of running) await each.end('SIGKILL')
  folders.clear()
})
const start = () => {
  const server = ServerProcess.start({ folder })
  running.push(server)
  return server
}

/** A folder with a backup of one job, one change made since, and then a damaged database. */
beforeEach(async () => {
  folder = await folders.data()
  const server = start()
  const url = await server.url()
  const made = newJob()
  jobId = made.jobId
  expect((await sendTo(url, made.create)).status).toBe(200)
  const backup = await fetch(`${url}/api/backups`, { method: 'POST', headers: { 'content-type': 'application/json' } })
  expect(backup.status).toBe(201)
  const later = command(jobId, [{ document: jobId, path: ['name'], from: 'Job', to: 'Later' }])
  expect((await sendTo(url, later)).status).toBe(200)
  await server.end()
  truncateSync(path.join(folder, 'postgres', 'global', 'pg_control'), 100)
})

const nameAt = async (url: string) =>
  ((await (await fetch(`${url}/api/jobs/${jobId}`)).json()) as { job: { name: string } }).job.name
const setAside = () => readdirSync(folder).filter((name) => name.startsWith('postgres.set-aside-'))

describe('a damaged database', () => {
  it('is said on the page and to programs, and brought back from the page, by nobody else', async () => {
    const server = start()
    const url = await server.url()
    const page = await fetch(`${url}/jobs/${jobId}`)
    const html = await page.text()
    expect(page.status).toBe(503)
    expect(html).toMatch(/The database is damaged[\s\S]*The newest good backup is of .* 1 jobs, 1 changes, 0 photos/)
    expect(html).toMatch(
      /Changes made after that moment are lost from the server; devices that still hold some of them will send those/,
    )
    const asked = await fetch(`${url}/api/jobs`)
    expect([asked.status, asked.headers.get('retry-after')]).toEqual([503, '30'])
    expect(await (await fetch(`${url}/api/health`)).json()).toMatchObject({ database: { state: 'damaged' } })

    const token = /name="token" value="(\w+)"/.exec(html)![1]!
    const name = /name="name" value="([^"]+)"/.exec(html)![1]!
    const bring = (fields: Record<string, string>, headers: Record<string, string> = {}) =>
      fetch(`${url}/rescue`, { method: 'POST', body: new URLSearchParams(fields), headers })
    for (const refused of [
      await bring({ name, token: 'guessed' }),
      await bring({ name: '../..', token }),
      await bring({ name, token }, { 'x-forwarded-for': '10.0.0.7' }),
    ])
      expect(refused.status).toBe(403)
    expect(setAside()).toEqual([])

    expect((await bring({ name, token })).status).toBe(200)
    const again = await server.readyAgain()
    expect(await nameAt(again)).toBe('Job')
    expect(setAside()).toHaveLength(1)
    await server.end()
  })

  it('is brought back by one command, and not under a running server', async () => {
    const restore = (...args: string[]) =>
      spawnSync(process.execPath, [path.join(root, 'server/dist/restore.js'), ...args], {
        encoding: 'utf8',
        env: { ...process.env, NODE_OPTIONS: '', NACHTIGAL_ROOT: root, NACHTIGAL_DATA: folder },
      })
    expect(restore('--list').stdout).toMatch(/^\d{4}-\S+-asked {2}1 jobs, 1 changes$/m)
    const unknown = restore('2020-01-01T00-00-00Z-asked')
    expect([unknown.status, unknown.stderr]).toEqual([1, expect.stringContaining('there is no backup 2020-01-01')])
    const done = restore()
    expect([done.status, done.stdout]).toEqual([
      0,
      expect.stringMatching(/What was there is set aside: .*\nRestored: /),
    ])
    expect(existsSync(path.join(folder, 'postgres', 'PG_VERSION'))).toBe(true)
    const server = start()
    expect(await nameAt(await server.url())).toBe('Job')
    const held = restore()
    expect([held.status, held.stderr]).toEqual([1, expect.stringContaining(`is in use by process ${server.pid}`)])
    await server.end()
  })
})
