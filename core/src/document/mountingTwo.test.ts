import { describe, expect, it } from '@jest/globals'
import { mountingSteps } from '../commissioning/mountingSteps'
import { chained } from '../testing/chains'
import { applyCommand } from './applyChange'
import { resolveChain } from './chain'
import type { LoopDocument, StepDone } from './documents'
import { loopKinds } from '../kinds/kinds'
import { migration } from './migrate'
import { mountingKey } from './mountingTwo'

const at = '2026-03-01T10:00:00Z'
const tick: StepDone = { answer: 'yes', by: 'Ann', at }

describe('ticks of mounting, kept by version 2 under the place of their step', () => {
  it.each(loopKinds)('%s: each tick stays at its step', (kind) => {
    const { job, loop } = chained(kind)
    const steps = mountingSteps({ loop, chain: resolveChain(job, loop.chain) })
    expect(steps.length).toBeGreaterThan(0)
    const places = new Map<string, number>()
    const oldKeys = steps.map(({ id }) => {
      const of = id.split('/').slice(1, -1).join('/')
      const place = places.get(of) ?? 0
      places.set(of, place + 1)
      return of === '' ? id : `mount/${of}/${place}`
    })
    const two = {
      ...loop,
      version: 2,
      wiring: { ...loop.wiring, done: { ...Object.fromEntries(oldKeys.map((key) => [key, tick])), 'isolate/x': tick } },
    }
    const documents = { [job.id]: job, [loop.id]: two }
    const applied = applyCommand(documents, { change: migration(documents, at) })
    if (!applied.ok) throw new Error('it clashes')
    const now = applied.documents[loop.id] as LoopDocument
    expect(mountingSteps({ loop: now, chain: resolveChain(job, now.chain) }).every(({ done }) => done)).toBe(true)
    expect(now.wiring.done?.['isolate/x']).toEqual(tick)
  })
  it('no id of a step holds its place', () => {
    for (const kind of loopKinds) {
      const { job, loop } = chained(kind)
      for (const { id } of mountingSteps({ loop, chain: resolveChain(job, loop.chain) }))
        expect(id).not.toMatch(/\/\d+$/)
    }
  })
  it('a tick of a step that is not there goes, what is no step of mounting stays', () => {
    const { job, loop } = chained('pool')
    expect(mountingKey('mount/kind/0', loop, job)).toBe('mount/kind/flush')
    expect(mountingKey('mount/kind/7', loop, job)).toBeUndefined()
    expect(mountingKey('mount/gone/0', loop, job)).toBeUndefined()
    expect(mountingKey('mount/bonding', loop, job)).toBe('mount/bonding')
    expect(mountingKey('live/first', loop, job)).toBe('live/first')
  })
})
