import { describe, expect, it } from '@jest/globals'
import { loopContext } from '../loop/context'
import { loopKinds } from '../kinds/kinds'
import { workflowSteps } from '../kinds/hazards'
import { probeCurve } from '../probes/probeCurve'
import { answered, testOf } from '../testing/answered'
import { chained } from '../testing/chains'
import { fieldData } from '../testing/fieldData'
import { findSymptoms } from './findSymptoms'
import { testKinds } from './proofTest'
import { symptoms } from '../testing/symptoms'
import { symptomNeeds } from './symptom'

const contextOf = ({ job, loop }: ReturnType<typeof chained>) => loopContext(job, loop, fieldData)
const found = (kind: (typeof loopKinds)[number], typed = '') => findSymptoms(contextOf(chained(kind)), symptoms, typed)

describe('the rows of symptoms', () => {
  it.each(symptoms.map((row) => [row.id, row] as const))(
    '%s has causes that can be told apart and mended',
    (id, row) => {
      expect(symptoms.filter((other) => other.id === id)).toHaveLength(1)
      expect(row.causes.length).toBeGreaterThan(0)
      for (const kind of row.kinds ?? []) expect(loopKinds).toContain(kind)
      for (const cause of row.causes) {
        expect(cause.telling.length).toBeGreaterThan(5)
        expect(cause.remedy.length).toBeGreaterThan(3)
        expect([1, 2, 3]).toContain(cause.likely)
        expect([1, 2, 3]).toContain(cause.effort)
        for (const need of cause.needs ?? []) expect(symptomNeeds).toContain(need)
        if (cause.test) expect(testKinds).toContain(cause.test)
        if (cause.step) expect(workflowSteps).toContain(cause.step)
      }
    },
  )
  it.each(['A26', 'O1', 'K8', 'C11'])('%s ends in stop, refer', (id) =>
    expect(symptoms.find((row) => row.id === id)!.stop).toMatch(/^Stop\./),
  )
})

describe('finding', () => {
  it.each([
    ['floor', 'never reaches setpoint', 'A20'],
    ['floor', 'short-cycles', 'A18'],
    ['chiller', 'stage 3 without 2', 'H1'],
    ['floor', 'display shows \u2212\u2212', 'A1'],
    ['fan', 'too cold when fan runs', 'V4'],
    ['cabin', 'battery flat', 'K5'],
    ['cold-room', 'coil iced', 'C1'],
  ] as const)('%s: %s is %s', (kind, typed, id) => expect(found(kind, typed)[0]!.id).toBe(id))
  it.each(loopKinds)('%s: no word is left unfilled, in either unit', (kind) => {
    const { job, loop } = chained(kind)
    for (const temperatureUnit of ['C', 'F'] as const)
      for (const { causes } of findSymptoms(loopContext({ ...job, temperatureUnit }, loop, fieldData), symptoms))
        for (const { says, telling, remedy } of causes)
          expect(`${says} ${telling} ${remedy}`).not.toMatch(/[{}]|undefined|NaN/)
  })
  it('asks only what this loop can have', () => {
    const ids = found('floor').map(({ id }) => id)
    expect(ids).not.toContain('V1')
    expect(ids).not.toContain('H1')
    expect(
      found('room')
        .flatMap(({ causes }) => causes)
        .some(({ says }) => /solid-state/.test(says)),
    ).toBe(false)
  })
  it('orders by likelihood times ease, and lets a test speak', () => {
    const fan = chained('floor')
    const rank = (context: ReturnType<typeof contextOf>) =>
      findSymptoms(context, symptoms, 'short-cycles')[0]!.causes.map(({ says }) => says)
    const plain = rank(contextOf(fan))
    expect(plain[0]).toMatch(/^Swing narrower/)
    const { id } = testOf(contextOf(fan), 'minimum-off')
    const failed = answered(fan, id, { off: 1 })
    expect(rank(failed)[0]).toMatch(/^The minimum off time/)
    const passed = answered(fan, id, { off: 180 })
    expect(rank(passed).at(-1)).toMatch(/^The minimum off time/)
  })
  it.each([
    // found where it happens, and not under its opposite
    ['Defrost ends at once', 'C2', /shorted NTC/, 'C3'],
    ['Defrost ends at once', 'C2', /open platinum/, 'C3'],
    ['Defrost always takes its longest time', 'C3', /NTC and open/, 'C2'],
  ] as const)('%s: %s says %s, %s does not', (typed, id, cause, opposite) => {
    const rows = found('cold-room', typed)
    expect(rows[0]!.id).toBe(id)
    const says = (row: string) =>
      findSymptoms(contextOf(chained('cold-room')), symptoms)
        .filter((each) => each.id === row)
        .flatMap(({ causes }) => causes)
        .filter((each) => cause.test(each.says))
    expect(says(id)).toHaveLength(1)
    expect(says(opposite)).toHaveLength(0)
  })
  it('an NTC that is open reads cold for ever, a shorted one hot: what its curve says', () => {
    const ntc = probeCurve({ kind: 'ntc', r25Ohm: 10_000, betaK: 3435 })
    expect(ntc.temperature(1e6)).toBeLessThan(-30)
    expect(ntc.temperature(100)).toBeGreaterThan(100)
  })
  it('residual-current trips: N on earth behind it and a shared neutral stand before what only adds up', () => {
    const { causes } = found('floor').find(({ id }) => id === 'A22')!
    const at = (words: RegExp) => causes.findIndex(({ says }) => words.test(says))
    expect(at(/N touches PE/)).toBeGreaterThanOrEqual(0)
    expect(at(/neutral is shared/)).toBeGreaterThanOrEqual(0)
    expect(at(/add up/)).toBeGreaterThan(Math.max(at(/N touches PE/), at(/neutral is shared/)))
  })
  it('says nothing found where nothing fits', () => expect(found('floor', 'zebra')).toEqual([]))
})
