import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import { changesBetween } from '@nachtigal/core/document/changesBetween'
import type { Change } from '@nachtigal/core/document/command'
import { emptyLoop, type LoopDocument } from '@nachtigal/core/document/documents'
import { Chance } from '@nachtigal/core/testing/spoilt'
import { command, demoFile, newJob, testServer } from '../testing'
import { randomUUID } from 'node:crypto'

let server: Awaited<ReturnType<typeof testServer>>
beforeAll(async () => {
  server = await testServer()
})
afterAll(() => server.close())

async function jobWithLoop() {
  const { jobId, create } = newJob()
  await server.store.apply(create)
  const loop = emptyLoop(randomUUID(), jobId, 'floor', 'Floor', 1)
  await server.store.apply(command(jobId, [{ document: loop.id, path: [], from: null, to: loop }]))
  return { jobId, loop }
}

/** What is answered from memory, and what the database holds. */
async function bothWays(jobId: string) {
  const held = await server.store.read(jobId)
  server.store.forget()
  return [held, await server.store.read(jobId)] as const
}

describe('a change kept by the places that it touches', () => {
  it('leaves in the database what is held in memory: set, taken out, several at once, in maps that are new', async () => {
    const { jobId, loop } = await jobWithLoop()
    const at = (path: readonly string[], from: unknown, to: unknown): Change => ({ document: loop.id, path, from, to })
    const answers = (key: string) => ['survey', 'answers', key]
    const steps: Change[][] = [
      [at(answers('floorArea'), null, 20)],
      [at(answers('floorArea'), 20, 30), at(answers('target'), null, 28)],
      [at(answers('target'), 28, null)],
      [at(['survey', 'complaint'], null, 'slow "to" warm \\ up, {éß}')],
      [at(['survey', 'found', 'what'], null, 'an old one')],
      [at(['name'], 'Floor', 'Other'), { document: jobId, path: ['name'], from: 'Job', to: 'New' }],
      [at(['settings'], loop.settings, demoLoop.settings)],
    ]
    for (const change of steps) {
      await server.store.apply(command(jobId, change))
      const [held, kept] = await bothWays(jobId)
      expect(kept).toEqual(held)
    }
    expect((await server.store.verify(jobId, 0)).brokenAt).toBeUndefined()
  })

  it('whatever a loop is turned into, step by step and by chance', async () => {
    const { jobId, loop } = await jobWithLoop()
    const chance = new Chance(7)
    const wanted: LoopDocument = {
      ...demoLoop,
      id: loop.id,
      jobId,
      order: loop.order,
      proof: { readings: {} },
      handover: {},
    }
    const all = changesBetween(loop.id, loop, wanted)
    // In order, for one may need what another made; cut by chance into commands.
    for (let i = 0; i < all.length;) {
      const some = all.slice(i, i + 1 + chance.below(4))
      i += some.length
      await server.store.apply(command(jobId, some)).catch(() => undefined)
    }
    const [held, kept] = await bothWays(jobId)
    expect(kept).toEqual(held)
    expect(kept.revision).toBeGreaterThan(5)
    expect((await server.store.verify(jobId, 0)).brokenAt).toBeUndefined()
  })

  it('is answered again when it is sent again, and clashes when something else stands there', async () => {
    const { jobId } = await jobWithLoop()
    const rename = command(jobId, [{ document: jobId, path: ['name'], from: 'Job', to: 'New' }])
    const first = await server.store.apply(rename)
    expect(await server.store.apply(rename)).toEqual({ ...first, repeated: true })
    server.store.forget()
    expect(await server.store.apply(rename)).toEqual({ ...first, repeated: true })
    const late = command(jobId, [{ document: jobId, path: ['name'], from: 'Job', to: 'Late' }])
    await expect(server.store.apply(late)).rejects.toMatchObject({ code: 'COMMAND_CONFLICT' })
  })

  it('keeps the order of rows where the clock runs backwards, and both times', async () => {
    const { jobId } = await jobWithLoop()
    const names = ['Job', 'A', 'B', 'C']
    const times = ['2026-01-05T09:00:00Z', '2026-01-05T08:59:00Z', '2025-12-31T23:59:59Z']
    for (const [i, at] of times.entries())
      await server.store.apply(
        command(jobId, [{ document: jobId, path: ['name'], from: names[i], to: names[i + 1] }], { at }),
      )
    const { rows } = await server.store.log(jobId, 3)
    expect(rows.map(({ sequence }) => sequence)).toEqual([5, 4, 3])
    expect(rows.map((row) => row.command.at)).toEqual([...times].reverse())
    expect((await server.store.verify(jobId, 0)).brokenAt).toBeUndefined()
  })
})

const demoLoop = Object.values(demoFile().loops).find(({ kind }) => kind === 'floor')!
