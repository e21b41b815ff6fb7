import { describe, expect, it } from '@jest/globals'
import { loopContext } from '../loop/context'
import { type ProofReading } from '../document/documents'
import { loopKinds } from '../kinds/kinds'
import { mountingSteps } from './mountingSteps'
import { placements } from './placement'
import { chained } from '../testing/chains'
import { fieldData } from '../testing/fieldData'
import type { Edited } from '../wiring/edited'
import { safetyBlocks } from './safetyBlocks'
import { safetyStepWords, signOf } from './safetyStep'

const contextOf = ({ job, loop }: Edited) => loopContext(job, loop, fieldData)

/** Verdict of one step of first live for a reading. */
function verdictOf(edited: Edited, title: RegExp, value: number | null) {
  const step = safetyBlocks(contextOf(edited)).steps.live.find((each) => title.test(each.title))
  if (!step) throw new Error(`no step ${title.source}`)
  const reading: ProofReading = {
    order: 1,
    test: 'live',
    step: step.id,
    text: String(value),
    unit: 'V',
    state: value === null ? 'over-range' : 'value',
    ...(value === null ? {} : { value }),
    at: '2026-01-05T08:00:00Z',
    by: 'Ann',
  }
  const read = { ...edited, loop: { ...edited.loop, proof: { ...edited.loop.proof, readings: { r: reading } } } }
  const { verdict, forbids, cause = '' } = safetyBlocks(contextOf(read)).steps.live.find(({ id }) => id === step.id)!
  return { verdict, forbids, cause }
}

describe('first live', () => {
  it.each([
    [230, 'good', false],
    [212, 'good', false],
    [253, 'good', false],
    [24, 'stop', true],
    [400, 'stop', true],
    [2, 'look-again', true],
    [null, 'stop', true],
  ] as const)('%s V at the wires for a 230 V controller: %s', (value, verdict, forbids) =>
    expect(verdictOf(chained('floor'), /^Supply of A1/, value)).toMatchObject({ verdict, forbids }),
  )
  it.each([
    [24, 'good'],
    [230, 'stop'],
  ] as const)('%s V at the wires for a 24 V controller: %s', (value, verdict) =>
    expect(verdictOf(chained('pool'), /^Supply of A1/, value).verdict).toBe(verdict),
  )
  it.each([
    [1, 'good'],
    [9.9, 'good'],
    [115, 'stop'],
    [-230, 'stop'],
  ] as const)('%s V from the neutral to earth: %s', (value, verdict) =>
    expect(verdictOf(chained('floor'), /^Neutral of A1/, value).verdict).toBe(verdict),
  )
  it('swapped battery leads are named', () =>
    expect(verdictOf(chained('cabin'), /^Supply of E1/, -12.6)).toMatchObject({
      verdict: 'stop',
      cause: expect.stringContaining('swapped') as unknown,
    }))
  it.each([
    [4.2, 'good'],
    [0, 'good'],
    [14, 'look-again'],
    [-5, 'look-again'],
  ] as const)('a 0\u201310 V signal of %s V is %s', (value, verdict) =>
    expect(verdictOf(chained('fan'), /^Signal of B2/, value)).toMatchObject({ verdict, forbids: false }),
  )
  it('has no polarity against earth where nothing is mains', () =>
    expect(safetyBlocks(contextOf(chained('cabin'))).steps.live.some(({ title }) => /to earth$/.test(title))).toBe(
      false,
    ))
  it('never asks for the sequence of three phases on the output of a drive', () => {
    const drive = chained('fan', {}, ['mains-230-10', 'swift', 'petrel', 'fan-motor-075'])
    const { live } = safetyBlocks(contextOf(drive)).steps
    expect(live.some(({ id }) => id.startsWith('phases:'))).toBe(false)
    expect(live.find(({ id }) => id.startsWith('on:turn:'))).toBeDefined()
  })
})

describe('ids of steps', () => {
  it('a sign is the same whatever the order, and another for other wires', () => {
    expect(signOf(['a', 'b'])).toBe(signOf(['b', 'a']))
    expect(signOf(['a', 'b'])).not.toBe(signOf(['a', 'c']))
    expect(signOf([])).toMatch(/^[0-9a-z]+$/)
  })
  it.each(loopKinds)('%s: are unique within a block, and short enough for the record', (kind) => {
    const { steps } = safetyBlocks(contextOf(chained(kind)))
    for (const block of Object.values(steps)) {
      const ids = block.map(({ id }) => id)
      expect(new Set(ids).size).toBe(ids.length)
      for (const id of ids) expect(`isolate/${id}`.length).toBeLessThanOrEqual(200)
    }
  })
  it.each(loopKinds)('%s: every step has a name in the log', (kind) => {
    for (const { block, id } of Object.values(safetyBlocks(contextOf(chained(kind))).steps).flat())
      expect(safetyStepWords(block, id)).toMatch(/^(Isolate|Dead test|First live): [a-z]/)
  })
})

describe('a job in US units', () => {
  const us = (kind: (typeof loopKinds)[number]) => {
    const { job, loop } = chained(kind)
    return loopContext({ ...job, temperatureUnit: 'F', system: 'us', practice: 'us' }, loop, fieldData)
  }
  it.each(loopKinds)('%s: steps, placing and mounting name no degree Celsius and no metre', (kind) => {
    const context = us(kind)
    const { steps } = safetyBlocks(context)
    const tell = (text: string) => context.words.tell(text)
    const texts = [
      ...Object.values(steps)
        .flat()
        .flatMap(({ doing, should, caution = '' }) => [doing, should, caution]),
      ...mountingSteps(context).flatMap(({ doing, caution = '' }) => [tell(doing), tell(caution)]),
      ...placements(context).flatMap(({ mistakes }) => mistakes.map(({ effect }) => effect)),
    ]
    for (const text of texts) expect(text).not.toMatch(/\u00b0C|\d\u00a0(K|m)\b/)
  })
})
