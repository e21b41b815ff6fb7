import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import request from 'supertest'
import { firstHash, type LogRow } from '@nachtigal/core/document/command'
import { JOB_FILE_VERSION } from '@nachtigal/contract/jobFileSchema'
import { demoFile, testServer } from '../testing'
import { brokenLink, rowHash } from './rowHash'

type Tree = { [key: string]: unknown } | unknown[]

/** Every place in a file where a plain value stands, as paths. */
function leaves(value: unknown, path: (string | number)[] = []): (string | number)[][] {
  if (value === null || typeof value !== 'object') return [path]
  return Object.entries(value).flatMap(([key, inner]) =>
    leaves(inner, [...path, Array.isArray(value) ? Number(key) : key]),
  )
}

function withLeaf(file: unknown, path: readonly (string | number)[], change: (was: unknown) => unknown): Tree {
  const copy = structuredClone(file) as Tree
  const parent = path.slice(0, -1).reduce<unknown>((at, key) => (at as never)[key as never], copy) as never
  const last = path.at(-1) as never
  parent[last] = change(parent[last]) as never
  return copy
}

/** Another value of the same kind: what a hand with an editor would put there. */
const other = (was: unknown) =>
  typeof was === 'number' ? was + 1 : typeof was === 'boolean' ? !was : was === null ? 'something' : `${String(was)}x`

const file = demoFile()
const places = leaves(file)

let server: Awaited<ReturnType<typeof testServer>>
beforeAll(async () => {
  server = await testServer()
})
afterAll(() => server.close())
const take = (body: object) => request(server.app).post('/api/import').send(body)

describe('a job file that was touched anywhere', () => {
  it('has enough places to touch', () => expect(places.length).toBeGreaterThan(1000))
  it('is refused, whichever value was changed, and leaves nothing behind', async () => {
    await fc.assert(
      fc.asyncProperty(fc.constantFrom(...places), async (path) => {
        const { status, body } = await take(withLeaf(file, path, other))
        expect([422, path.join('.')]).toEqual([status, path.join('.')])
        expect(body.error.code).toMatch(/^FILE_/)
      }),
      { numRuns: Number(process.env['NACHTIGAL_RUNS'] ?? 15) },
    )
    expect((await request(server.app).get('/api/jobs')).body).toEqual([])
  }, 120_000)
  it.each([
    ['a row taken out', (log: LogRow[]) => log.filter((_, i) => i !== 10)],
    ['two rows swapped', (log: LogRow[]) => log.map((row, i) => (i === 10 ? log[11]! : i === 11 ? log[10]! : row))],
    ['the last row cut off', (log: LogRow[]) => log.slice(0, -1)],
    ['a row twice', (log: LogRow[]) => [...log, log.at(-1)!]],
    ['no log', () => []],
  ] as [string, (log: LogRow[]) => LogRow[]][])('%s: refused', async (_, change) => {
    const { status, body } = await take({ ...file, log: change([...file.log]) })
    expect(status).toBe(422)
    expect(body.error.code).toMatch(/^FILE_/)
  })
  it('is refused when the log was written anew to fit other documents by another hand\u2019s hash', async () => {
    const log = file.log.map((row, i) =>
      i === 3 ? { ...row, hash: rowHash({ ...row, receivedAt: '2020-01-01T00:00:00Z' }) } : row,
    )
    expect((await take({ ...file, log })).body.error).toMatchObject({
      code: 'FILE_CHAIN_BROKEN',
      facts: { sequence: 4 },
    })
  })
  it.each([
    ['nothing', {}],
    ['a list', []],
    ['another format', { format: 'spreadsheet', version: 1 }],
    ['one without a log', { format: 'nachtigal-job', version: 1 }],
    ['a newer version', { ...file, version: JOB_FILE_VERSION + 1 }],
    ['an unknown part', { ...file, extra: 1 }],
  ])('%s is no job file', async (_, body) => {
    const answer = await take(body)
    expect(answer.status).toBe(422)
    expect(answer.body.error.message.length).toBeGreaterThan(10)
  })
  it('untouched is taken', async () => {
    await take(file).expect(201)
    expect((await request(server.app).get('/api/jobs')).body).toHaveLength(1)
  })
})

describe('the chain of hashes', () => {
  it('holds in the demo job, from the first row on', () => {
    expect(file.log[0]!.previousHash).toBe(firstHash)
    expect(brokenLink(file.log)).toBeUndefined()
  })
  it('names the first row that does not follow', () =>
    fc.assert(
      fc.property(fc.nat(file.log.length - 1), (at) => {
        const log = file.log.map((row, i) => (i === at ? { ...row, command: { ...row.command, by: 'Somebody' } } : row))
        expect(brokenLink(log)).toBe(at + 1)
      }),
    ))
  it('does not depend on the order in which a store gives keys back', () => {
    const turned = (value: unknown): unknown =>
      Array.isArray(value)
        ? value.map(turned)
        : value !== null && typeof value === 'object'
          ? Object.fromEntries(
              Object.entries(value)
                .reverse()
                .map(([key, inner]) => [key, turned(inner)]),
            )
          : value
    expect(brokenLink(turned(file.log) as LogRow[])).toBeUndefined()
  })
})
