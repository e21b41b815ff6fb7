import { describe, expect, it } from '@jest/globals'
import { loopContext } from '../loop/context'
import { signingBlockedBy, stepStatus } from '../progress/stepStatus'
import { type LoopDocument } from '../document/documents'
import { loopKinds } from '../kinds/kinds'
import { chained, idOf } from '../testing/chains'
import { fieldData } from '../testing/fieldData'
import { keepStep, nextStep, soundStepReading } from '../testing/soundSteps'
import { plannedFloor } from '../testing/warmFloor'
import type { Edited } from '../wiring/edited'
import { judgeRow } from '../wiring/judgeRow'
import { deadVoltage } from './isolateSteps'
import { safetyBlocks } from './safetyBlocks'
import type { SafetyStep } from './safetyStep'

const at = '2026-01-05T08:00:00Z'
const contextOf = ({ job, loop }: Edited) => loopContext(job, loop, fieldData)
const blocksOf = (edited: Edited) => safetyBlocks(contextOf(edited))
const withLoop = ({ job, loop }: Edited, change: (loop: LoopDocument) => LoopDocument): Edited => ({
  job,
  loop: change(loop),
})

let made = 0
const kept = (edited: Edited, step: SafetyStep, value: number | null | 'yes' | 'no') => {
  made++
  return withLoop(edited, (loop) => ({ ...loop, ...keepStep(loop, step, { order: made, key: `r${made}`, value }) }))
}
const read = (edited: Edited, step: SafetyStep, value: number | null) => kept(edited, step, value)
const answer = (edited: Edited, step: SafetyStep, says: 'yes' | 'no' = 'yes') => kept(edited, step, says)
const find = (edited: Edited, title: RegExp, block: SafetyStep['block'] = 'dead') => {
  const step = blocksOf(edited).steps[block].find((each) => title.test(each.title))
  if (!step)
    throw new Error(
      `no step ${title.source}: ${blocksOf(edited)
        .steps[block].map((s) => s.title)
        .join(', ')}`,
    )
  return step
}

/** Lands and tests every wire, then goes through a block with what sound work reads. */
function wired(edited: Edited): Edited {
  const context = contextOf(edited)
  const rows = Object.fromEntries(
    context.rows.map((row) => [
      row.id,
      {
        landed: true as const,
        tested: {
          text: '0.2',
          unit: 'ohm',
          state: 'value' as const,
          value: judgeRow(context, row).limitOhm / 2,
          at,
          by: 'Ann',
        },
      },
    ]),
  )
  return withLoop(edited, (loop) => ({ ...loop, wiring: { ...loop.wiring, rows } }))
}
function through(edited: Edited, block: SafetyStep['block']): Edited {
  let next = edited
  for (let i = 0; i < 200; i++) {
    const step = nextStep(contextOf(next), [block])
    if (!step) return next
    next = step.ask.kind === 'answer' ? answer(next, step) : read(next, step, soundStepReading(step))
  }
  throw new Error('never ends')
}

describe('the three blocks', () => {
  it.each(loopKinds)('%s: has its steps, and sound work opens first live', (kind) => {
    const begun = chained(kind)
    expect(blocksOf(begun).shutBy.length).toBeGreaterThan(3)
    const ready = through(through(wired(begun), 'isolate'), 'dead')
    const blocks = blocksOf(ready)
    expect(blocks.failed.map(({ title, cause }) => `${title} ${cause}`)).toEqual([])
    expect(blocks.shutBy).toEqual([])
    const live = blocksOf(through(ready, 'live'))
    expect(live.steps.live.every(({ verdict }) => verdict === 'good')).toBe(true)
  })
  it('nothing is asked before there are wires', () => {
    const { job, loop } = plannedFloor([])
    expect(safetyBlocks(loopContext(job, loop, fieldData)).steps).toEqual({ isolate: [], dead: [], live: [] })
  })
  it('earth comes first, then rows, separation, polarity, insulation, windings, probes, and everything is put back', () =>
    expect([...new Set(blocksOf(chained('floor')).steps.dead.map(({ group }) => group))]).toEqual([
      'Earth',
      'Rows',
      'Separation',
      'Polarity',
      'Insulation',
      'Windings',
      'Probes',
      'Restored',
    ]))
})

describe('isolating', () => {
  it('takes every source: the loop\u2019s own and what the heater wets itself', () =>
    expect(
      blocksOf(chained('pool'))
        .steps.isolate.filter(({ group }) => group === 'Off and locked')
        .map(({ title }) => title),
    ).toEqual(['Switch X1 off and lock it', 'Find what feeds E1, off and locked']))
  it('waits for what holds its charge', () =>
    expect(find(chained('fan'), /^Wait for/, 'isolate').doing).toContain('5 min'))
  it('takes the fuse of a battery', () =>
    expect(find(chained('cabin'), /fuse/, 'isolate').caution).toContain('no limit but the fuse'))
  it.each([
    [0, 'good'],
    [5, 'good'],
    [24, 'stop'],
    [-230, 'stop'],
    [null, 'stop'],
  ] as const)('%s V is %s', (volts, verdict) => expect(deadVoltage(volts).verdict).toBe(verdict))
})

describe('what a reading means', () => {
  it('a heater explains its own ohms; half of them is a short', () => {
    const edited = chained('cabinet')
    const step = find(edited, /^Across E1/)
    expect(step.should).toContain('26.4 ohm')
    expect(find(read(edited, step, 26), /^Across E1/).verdict).toBe('good')
    expect(find(read(edited, step, 0.3), /^Across E1/)).toMatchObject({ verdict: 'stop', forbids: true })
    expect(find(read(edited, step, null), /^Across E1/)).toMatchObject({ verdict: 'look-again', forbids: false })
  })
  it('a neutral that reads the load\u2019s ohms is swapped', () => {
    const edited = chained('cabinet')
    const step = find(edited, /^Neutral of E1/)
    expect(find(read(edited, step, 26.5), /^Neutral of E1/)).toMatchObject({ verdict: 'stop', forbids: true })
    expect(find(read(edited, step, 26.5), /^Neutral of E1/).cause).toContain('swapped')
  })
  it('insulation does not count while electronics are on', () => {
    const edited = chained('floor')
    const tested = read(edited, find(edited, /^Insulation of mains/), 1e8)
    expect(find(tested, /^Insulation of mains/).cause).toContain('Electronics are still connected')
    const lifted = answer(tested, find(tested, /^Lift the electronics/))
    expect(find(lifted, /^Insulation of mains/).verdict).toBe('good')
  })
  it('an extra-low circuit from an unsafe supply is tested at its primary\u2019s voltage', () => {
    expect(find(chained('pool'), /^Insulation of extra-low/).doing).toContain('250 V DC')
    const edited = chained('pool', {}, ['mains-230-10', 'safety-24', 'redstart', 'pocket-ntc10k-3977', 'pool-gas'])
    const id = Object.keys(edited.job.profiles).find((key) => key === 'safety-24')!
    const profile = edited.job.profiles[id]!
    const out = Object.entries(profile.ports).find(([, { kind }]) => kind === 'supply-out')!
    const { safety: _s, ...plain } = out[1] as unknown as Record<string, unknown>
    const unsafe = { ...profile, ports: { ...profile.ports, [out[0]]: plain } } as typeof profile
    const felv = { ...edited, job: { ...edited.job, profiles: { ...edited.job.profiles, [id]: unsafe } } }
    expect(find(felv, /^Insulation of extra-low/).doing).toContain('500 V DC')
  })
  it('a probe is held against the temperature beside it', () => {
    const edited = chained('floor')
    expect(find(edited, /^Probe B1/).should).toContain('enter that first')
    const warm = read(edited, find(edited, /^Temperature at B1/), 25)
    expect(find(warm, /^Probe B1/).should).toMatch(/^10 kohm \u00b1 .* at 25/)
    expect(find(read(warm, find(warm, /^Probe B1/), 10200), /^Probe B1/).verdict).toBe('good')
    expect(find(read(warm, find(warm, /^Probe B1/), 108), /^Probe B1/).verdict).toBe('look-again')
  })
  it('a newer reading stands for an older one, both stay', () => {
    const edited = chained('cabinet')
    const step = find(edited, /^Across E1/)
    const twice = read(read(edited, step, 0.3), step, 26)
    expect(find(twice, /^Across E1/).verdict).toBe('good')
    expect(Object.values(twice.loop.proof.readings).length).toBe(2)
  })
})

describe('gates', () => {
  it('a failed safety test shuts first live and cannot be closed', () => {
    const ready = through(through(wired(chained('cabinet')), 'isolate'), 'dead')
    const bad = read(ready, find(ready, /^X1: L to PE/), 12)
    const blocks = blocksOf(bad)
    expect(blocks.failed.map(({ title }) => title)).toEqual(['X1: L to PE'])
    expect(blocks.shutBy[0]).toContain('X1: L to PE: ')
  })
  it('a failed reading that is taken back still forbids; a newer good one does not', () => {
    const ready = through(through(wired(chained('cabinet')), 'isolate'), 'dead')
    const step = find(ready, /^X1: L to PE/)
    const bad = read(ready, step, 12)
    const [last] = Object.entries(bad.loop.proof.readings).sort(([, a], [, b]) => b.order - a.order)
    const back = withLoop(bad, (loop) => ({
      ...loop,
      proof: {
        ...loop.proof,
        readings: {
          ...loop.proof.readings,
          back: { ...last![1], order: last![1].order + 1, text: '', state: 'none' as const },
        },
      },
    }))
    expect(blocksOf(back).failed.map(({ title }) => title)).toEqual(['X1: L to PE'])
    made += 2
    expect(blocksOf(read(back, step, null)).failed).toEqual([])
  })
  it('a wire moved after the test asks for the whole circuit anew', () => {
    const ready = through(through(wired(chained('cabinet')), 'isolate'), 'dead')
    const { chain } = ready.loop
    const gone = Object.fromEntries(
      Object.entries(chain.connections).filter(([, { to }]) => to.device !== idOf(ready, 'oven-element-2000')),
    )
    const moved = withLoop(ready, (loop) => ({ ...loop, chain: { ...chain, connections: gone } }))
    expect(blocksOf(moved).shutBy).toEqual(
      expect.arrayContaining([expect.stringContaining('Insulation of mains: waits')]),
    )
  })
})

describe('switching on', () => {
  const titles = (kind: Parameters<typeof chained>[0]) =>
    blocksOf(chained(kind))
      .steps.live.filter(({ group }) => group === 'Switch on')
      .map(({ title }) => title)
  it('a chiller warms its crankcase before anything else', () =>
    expect(titles('chiller')[0]).toBe('Crankcase heater first'))
  it('each probe is pulled to see its own display change', () =>
    expect(titles('cold-room').filter((title) => title.startsWith('Pull'))).toEqual(['Pull B1', 'Pull B2']))
  it('guards are tried before the load is let run, and the load comes last', () => {
    const all = titles('floor')
    expect(all.indexOf('F1 stops M1')).toBeGreaterThan(all.indexOf('Pull B1'))
    expect(all.indexOf('F1 stops M1')).toBeLessThan(all.indexOf('Rotation of M1'))
  })
})

describe('what comes next in Wire', () => {
  const next = (edited: Edited) => stepStatus(contextOf(edited)).find(({ step }) => step === 'wire')!
  it('is to isolate before the first wire is landed', () =>
    expect(next(chained('floor')).next).toBe('Isolate and prove dead, then land wire 1'))
  it('then to land it', () => expect(next(through(chained('floor'), 'isolate')).next).toBe('Land wire 1'))
  it('then the dead tests, in their order', () => {
    const { next: what, says } = next(through(wired(chained('floor')), 'isolate'))
    expect(what).toBe('Earth of M1')
    expect(says).toMatch(/^\d+ of \d+ safety steps$/)
  })
  it('keeps hand-over shut meanwhile', () =>
    expect(signingBlockedBy(contextOf(through(wired(chained('floor')), 'isolate')))).toEqual(
      expect.arrayContaining([expect.stringMatching(/^Wire is not done: \d+ of \d+ safety steps/)]),
    ))
  it('nothing once it is live', () => {
    const live = ['isolate', 'dead', 'live'].reduce(
      (edited, block) => through(edited, block as SafetyStep['block']),
      wired(chained('floor')),
    )
    expect(next(live)).toMatchObject({ state: 'done' })
    expect(next(live).next).toBeUndefined()
  })
  it('nor where the steps stand on another form, by name', () => {
    const elsewhere = withLoop(wired(chained('floor')), (loop) => ({
      ...loop,
      waivers: { 'C087_DEAD_TESTS_OPEN/wiring': { by: 'Ann', reason: 'form 12' } },
    }))
    expect(next(elsewhere)).toMatchObject({ state: 'done' })
    expect(blocksOf(elsewhere).shutBy.length).toBeGreaterThan(0)
  })
})
