import { type AddressInfo } from 'node:net'
import { Agent, request as ask, type Server } from 'node:http'
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import { calculations } from '@nachtigal/core/calc/registry'
import { emptyLoop } from '@nachtigal/core/document/documents'
import { Chance } from '@nachtigal/core/testing/spoilt'
import { command, demoFile, newJob, testServer } from '../testing'
import { hostile, type Hostile, type Material } from './hostile'

const SEED = Number(process.env['NACHTIGAL_HOSTILE_SEED'] ?? 18)
const COUNT = Number(process.env['NACHTIGAL_HOSTILE_COUNT'] ?? 1200)
/** A line on which changes are told never ends: it is let go as soon as it has begun. */
const CHANGES = /\/changes(\?|$)/

let server: Awaited<ReturnType<typeof testServer>>
let listening: Server
let given: Material
const agent = new Agent({ keepAlive: true })
beforeAll(async () => {
  server = await testServer()
  listening = server.app.listen(0, '127.0.0.1')
  const file = demoFile()
  const { jobId, create, job } = newJob()
  const { jobId: otherJobId, create: other } = newJob()
  const bare = command(jobId, [])
  const loop = emptyLoop(bare.id, jobId, 'floor', 'Bare', 1)
  await server.store.apply(create)
  await server.store.apply(other)
  const make = command(jobId, [{ document: bare.id, path: [], from: null, to: loop }])
  await server.store.apply(make)
  const loops = Object.values(file.loops)
  given = {
    jobId,
    otherJobId,
    bareLoopId: bare.id,
    loopIds: [bare.id, loops[0]!.id],
    commands: [
      create,
      make,
      command(jobId, [{ document: jobId, path: ['name'], from: 'Job', to: 'New' }]),
      command(jobId, [{ document: bare.id, path: ['survey', 'answers', 'target'], from: null, to: 28 }]),
      command(jobId, [{ document: bare.id, path: ['settings'], from: loop.settings, to: loops[0]!.settings }]),
      command(jobId, [{ document: jobId, path: ['profiles'], from: {}, to: file.job.profiles }]),
    ],
    files: [
      { ...file, log: file.log.slice(0, 3) },
      { format: 'nachtigal-job', version: 2, job, loops: {}, log: [] },
      { ...file, photos: {} },
    ],
    devices: server.shelf.profiles.slice(0, 6).map((profile) => ({ ...profile, id: `my-${profile.id}` })),
    calculations: calculations.map(({ id, examples }) => [id, examples[0]?.given ?? {}] as const),
    photo: Buffer.from(
      'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
      'base64',
    ),
  }
}, 120_000)
afterAll(async () => {
  agent.destroy()
  listening.closeAllConnections()
  listening.close()
  await server.close()
})

const once = ({ method, path, headers, body }: Hostile, by: Agent | false) =>
  new Promise<{ readonly status: number; readonly text: string }>((resolve, reject) => {
    const { port } = listening.address() as AddressInfo
    const sent = ask({ agent: by, host: '127.0.0.1', port, method, path, headers }, (answer) => {
      let text = ''
      const done = () => resolve({ status: answer.statusCode ?? 0, text })
      if (CHANGES.test(path) && answer.statusCode === 200) {
        done()
        answer.destroy()
        return
      }
      answer.on('data', (chunk: Buffer) => {
        text += chunk.toString()
      })
      answer.on('end', done)
    })
    sent.on('error', reject)
    sent.end(body)
  })

/** A line that was kept open may have been closed meanwhile: then once more, on one of its own. */
const send = (made: Hostile) => once(made, agent).catch(() => once(made, false))

const shown = ({ method, path, headers, body }: Hostile) =>
  `${method} ${path.slice(0, 200)} ${JSON.stringify(headers)} ${body?.toString('utf8').slice(0, 300) ?? ''}`

describe('hostile input', () => {
  it(`of ${COUNT} kinds from seed ${SEED} is never a fault of the server, and each refusal says what is wrong`, async () => {
    const chance = new Chance(SEED)
    const faults: string[] = []
    const statuses: Record<number, number> = {}
    for (let n = 0; n < COUNT; n++) {
      const made = hostile(chance, given)
      const answer = await send(made).catch((error: unknown) => ({ status: 599, text: String(error) }))
      statuses[answer.status] = (statuses[answer.status] ?? 0) + 1
      if (answer.status >= 500) faults.push(`${answer.status} ${answer.text.slice(0, 200)} | ${shown(made)}`)
      if (answer.status >= 400 && answer.status < 500 && made.method !== 'OPTIONS') {
        const { error } = JSON.parse(answer.text) as { error?: { code?: string; message?: string } }
        if (!error?.code || !error.message) faults.push(`${answer.status} without words | ${shown(made)}`)
      }
    }
    if (process.env['NACHTIGAL_HOSTILE_SAY']) console.log(statuses, faults.length, faults.slice(0, 30).join('\n\n'))
    expect(faults.slice(0, 5)).toEqual([])
    // It did something: not everything was turned away at the door.
    expect(statuses[200]).toBeGreaterThan(COUNT / 50)
    expect(statuses[422]).toBeGreaterThan(COUNT / 20)
  }, 900_000)

  it('leaves a server that answers, and jobs that can be read, written out and taken in', async () => {
    for (const { id } of await server.store.list()) {
      const { job } = await server.store.read(id)
      expect(job.id).toBe(id)
      for await (const piece of (await server.store.exportFile(id)).json) expect(piece).toBeDefined()
      expect((await server.store.verify(id, 0)).brokenAt).toBeUndefined()
    }
  })
})
