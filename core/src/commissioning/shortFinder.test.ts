import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { loopContext } from '../loop/context'
import { chained } from '../testing/chains'
import { fieldData } from '../testing/fieldData'
import {
  type Branch,
  type Cut,
  cutKey,
  type CutReading,
  huntGrounds,
  huntReadings,
  huntShort,
  huntTest,
} from './shortFinder'

const branch = (id: string, parts: number, loadOhm?: number): Branch => ({
  id,
  title: id,
  parts: Array.from({ length: parts }, (_, i) => ({ id: `${id}-${i}`, title: `${id} part ${i}`, cut: `behind ${i}` })),
  ...(loadOhm === undefined ? {} : { loadOhm }),
})

/** A circuit with faults at known places, as a meter sees it. */
function meter(branches: readonly Branch[], faults: ReadonlyMap<string, number>) {
  return ({ connected, parts }: Cut): number | null => {
    let conductance = 0
    for (const id of connected) {
      const one = branches.find((each) => each.id === id)!
      const reach = parts ?? one.parts.length
      const fault = faults.get(id)
      if (fault !== undefined && fault < reach) conductance += 1 / 0.4
      if (one.loadOhm !== undefined && reach >= one.parts.length) conductance += 1 / one.loadOhm
    }
    return conductance === 0 ? null : 1 / conductance
  }
}

/** Follows the proposals to the end, mending what is found. */
function follow(branches: readonly Branch[], planted: ReadonlyMap<string, number>) {
  const faults = new Map(planted)
  const readings: CutReading[] = []
  const found: string[] = []
  for (let i = 0; i < 200; i++) {
    const hunt = huntShort(branches, readings)
    if (hunt.state === 'clean') return { found, readings: readings.length, hunt }
    if (hunt.state === 'mend') {
      const last = hunt.found.at(-1)!
      if (found.length < hunt.found.length) found.push(`${last.branch}/${last.part ?? ''}`)
      faults.delete(last.branch)
    }
    readings.push({ ...hunt.cut!, ohm: meter(branches, faults)(hunt.cut!) })
  }
  throw new Error('never ends')
}

describe('huntShort', () => {
  const eight = ['a', 'b', 'c', 'd', 'e', 'f', 'g', 'h'].map((id) => branch(id, 3))

  it('begins with the whole', () => expect(huntShort(eight, []).cut).toEqual({ connected: eight.map(({ id }) => id) }))
  it('halves eight branches to one part in few cuts', () => {
    const { found, readings } = follow(eight, new Map([['f', 1]]))
    expect(found).toEqual(['f/f-1'])
    // Whole, three halvings, two within the branch, whole again.
    expect(readings).toBeLessThanOrEqual(7)
  })
  it('finds two bad branches one after the other, the whole measured in between', () => {
    const { found, hunt } = follow(
      eight,
      new Map([
        ['b', 0],
        ['g', 2],
      ]),
    )
    expect(new Set(found)).toEqual(new Set(['b/b-0', 'g/g-2']))
    expect(hunt.told.filter(({ cut }) => cut.connected.length === 8).map(({ shorted }) => shorted)).toEqual([
      true,
      true,
      false,
    ])
  })
  it('is not misled by loads that explain their ohms', () => {
    const loads = [branch('heater', 2, 26.5), branch('light', 4, 900), branch('kettle', 2, 24)]
    expect(follow(loads, new Map()).found).toEqual([])
    expect(follow(loads, new Map([['light', 2]])).found).toEqual(['light/light-2'])
  })
  it('takes a single branch apart at once', () =>
    expect(follow([branch('only', 5)], new Map([['only', 3]])).found).toEqual(['only/only-3']))
  it('names what it lifts and what it leaves', () => {
    const { doing } = huntShort(eight, [{ connected: eight.map(({ id }) => id), ohm: 0.5 }])
    expect(doing).toBe('Leave a, b, c, d connected; lift e, f, g, h, their neutrals too. Measure.')
  })
  it('finds any planted faults and ends clean', () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.record({ parts: fc.integer({ min: 1, max: 6 }), fault: fc.option(fc.nat(5)), load: fc.boolean() }),
          {
            minLength: 1,
            maxLength: 9,
          },
        ),
        (plan) => {
          const branches = plan.map(({ parts, load }, i) => branch(`x${i}`, parts, load ? 40 + 20 * i : undefined))
          const faults = new Map(
            plan.flatMap(({ fault, parts }, i) => (fault === null ? [] : [[`x${i}`, fault % parts] as const])),
          )
          const { found } = follow(branches, faults)
          expect(new Set(found)).toEqual(new Set([...faults].map(([id, at]) => `${id}/${id}-${at}`)))
        },
      ),
      { numRuns: 300 },
    ))
})

describe('where to hunt', () => {
  const context = (kind: Parameters<typeof chained>[0]) => {
    const { job, loop } = chained(kind)
    return loopContext(job, loop, fieldData)
  }
  it('has a branch for each load and device of a circuit, its parts in order', () => {
    const [toEarth, toNeutral] = huntGrounds(context('cabinet'))
    expect(toEarth!.branches.map(({ title }) => title)).toEqual(
      expect.arrayContaining([
        expect.stringContaining('E1'),
        expect.stringContaining('K1'),
        expect.stringContaining('A1'),
      ]),
    )
    const heater = toNeutral!.branches.find(({ title }) => title.startsWith('E1'))!
    expect(heater.parts.map(({ title }) => title)).toEqual([
      expect.stringMatching(/^wire/),
      expect.stringContaining('K1'),
      expect.stringMatching(/^wire/),
      expect.stringContaining('F1'),
      expect.stringMatching(/^wire/),
      expect.stringContaining('E1'),
    ])
    expect(heater.loadOhm).toBeCloseTo((230 * 230) / 2000, 6)
    expect(toEarth!.branches.every(({ loadOhm }) => loadOhm === undefined)).toBe(true)
  })
  it('reads its own record back', () => {
    const given = context('cabinet')
    const [ground] = huntGrounds(given)
    const cut = { connected: ground!.branches.slice(0, 1).map(({ id }) => id), parts: 2 }
    const reading = {
      text: '0.4',
      unit: 'ohm',
      state: 'value' as const,
      value: 0.4,
      at: '2026-01-05T08:00:00Z',
      by: 'Ann',
      order: 1,
      test: huntTest(ground!.id),
      step: cutKey(ground!, cut),
    }
    expect(huntReadings({ ...given.loop, proof: { ...given.loop.proof, readings: { r: reading } } }, ground!)).toEqual([
      { ...cut, ohm: 0.4 },
    ])
  })
})
