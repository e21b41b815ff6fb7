import { setTimeout as pause } from 'node:timers/promises'
import { describe, expect, it } from '@jest/globals'
import type { RowsSince } from '@nachtigal/contract/api'
import { ownFeed } from '../store/changeFeed'
import { LiveJobs } from './liveJobs'

/** A job of so many rows; each question is counted. */
function lookedAt(revision: number) {
  const state = { revision, asked: 0, away: false }
  const since = async (_jobId: string, after: number): Promise<RowsSince> => {
    state.asked++
    await pause(5)
    if (state.away) throw new Error('away')
    const missing = Math.max(0, state.revision - after)
    const commands = Array.from({ length: missing }, (_, i) => ({ id: `row ${after + i + 1}` })) as never
    return missing > 200 ? { revision: state.revision } : { revision: state.revision, commands }
  }
  const feed = ownFeed()
  const live = new LiveJobs({ since }, feed)
  const line = async () => {
    const said: { sequence: number; after?: number; commands?: unknown[] }[] = []
    const close = await live.open('j', (text) => said.push(JSON.parse(text.slice(6)) as never))
    return { said, close }
  }
  const write = (rows = 1) => {
    state.revision += rows
    feed.told({ job: 'j', sequence: state.revision })
  }
  return { state, feed, line, write }
}

describe('those who look at a job', () => {
  it('are told first where it stands, then each what was written, read once for all of them', async () => {
    const { state, line, write } = lookedAt(7)
    const [a, b] = [await line(), await line()]
    state.asked = 0
    write()
    await pause(30)
    for (const { said } of [a, b])
      expect(said).toEqual([{ sequence: 7 }, { after: 7, sequence: 8, commands: [{ id: 'row 8' }] }])
    expect(state.asked).toBe(1)
  })
  it('hear of many that come quickly in few pieces, each once and in order', async () => {
    const { state, line, write } = lookedAt(0)
    const { said } = await line()
    state.asked = 0
    for (let n = 0; n < 50; n++) write()
    await pause(60)
    expect(state.asked).toBeLessThan(5)
    expect(said.slice(1).flatMap(({ commands }) => commands)).toEqual(
      Array.from({ length: 50 }, (_, i) => ({ id: `row ${i + 1}` })),
    )
  })
  it('of too many are told how far it went, and fetch them', async () => {
    const { line, write } = lookedAt(0)
    const { said } = await line()
    write(500)
    await pause(30)
    expect(said).toEqual([{ sequence: 0 }, { sequence: 500 }])
  })
  it('are told to look where something may have been missed; a database that is away ends no line', async () => {
    const { state, feed, line, write } = lookedAt(3)
    const { said } = await line()
    state.away = true
    write()
    await pause(30)
    state.away = false
    feed.told('look')
    await pause(30)
    expect(said.at(-1)).toEqual({ sequence: 4 })
    write()
    await pause(30)
    expect(said.at(-1)).toEqual({ after: 4, sequence: 5, commands: [{ id: 'row 5' }] })
  })
  it('and went away are told nothing, and nothing is asked for them', async () => {
    const { state, line, write } = lookedAt(3)
    const { said, close } = await line()
    close()
    state.asked = 0
    write()
    await pause(30)
    expect([said.length, state.asked]).toEqual([1, 0])
  })
})
