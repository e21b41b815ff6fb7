import { describe, expect, it } from '@jest/globals'
import { loopContext } from '../loop/context'
import type { ProofReading } from '../document/documents'
import { fieldData } from '../testing/fieldData'
import { plannedFloor, surveyedFloor } from '../testing/warmFloor'
import type { Edited } from '../wiring/chainEdit'
import { keyingSheet } from './keyingSheet'
import { proofTests } from './proofTests'

const at = '2026-01-01T00:00:00Z'
const steps = ['rise-1', 'fall-1', 'rise-2', 'fall-2']

function tested(values: readonly (number | null)[], edited: Edited = plannedFloor()) {
  const readings: Record<string, ProofReading> = Object.fromEntries(
    values.map((value, i) => [
      `r${i}`,
      {
        order: i + 1,
        test: 'rise-and-fall/plan-1',
        step: steps[i % 4]!,
        text: String(value),
        unit: '°C',
        at,
        by: 'Ann',
        ...(value === null ? { state: 'none' as const } : { state: 'value' as const, value }),
      },
    ]),
  )
  const loop = { ...edited.loop, proof: { ...edited.loop.proof, readings } }
  const context = loopContext(edited.job, loop, fieldData)
  return proofTests(context).find(({ kind }) => kind === 'rise-and-fall')!
}

describe('rise and fall: plan on 27, off 28, may stray 0.5', () => {
  it('expects off on the rise and on on the fall', () => {
    const asks = tested([]).steps.map(({ main: { ask } }) =>
      ask.kind === 'number' ? `${ask.label}: ${ask.expected}` : '',
    )
    expect(asks).toEqual([
      'Reads when it goes off: 28',
      'Reads when it goes on: 27',
      'Reads when it goes off: 28',
      'Reads when it goes on: 27',
    ])
  })
  it.each([
    ['good', [28.1, 27.1, 28.0, 27.0]],
    ['good', [28.5, 27.5, 28.5, 27.5]],
    ['look', [28.8, 27.8, 28.9, 27.8]],
    ['look', [27.2, 26.2, 27.2, 26.2]],
    ['look', [31, 30, 31, 30]],
    ['look', [28.5, 26.5, 28.5, 26.5]],
    ['look', [28, 27.5, 28, 27.5]],
    ['stop', [28, 27, 29.2, 27]],
    ['waiting', [28, 27, 28]],
    ['waiting', [28, 27, 28, null]],
  ] as [string, (number | null)[]][])('%s: %p', (verdict, values) =>
    expect(tested(values).result.verdict).toBe(verdict),
  )

  it('says by how much to adjust, and what to key', () => {
    const { result } = tested([28.8, 27.8, 28.8, 27.8])
    expect(result.fix!.change['offsetK']).toBeCloseTo(0.8, 9)
    expect(result.head).toBe('Adjust the offset by 0.8\u00a0K')
    expect(result.next).toContain('Key offset 0.8')
  })
  it('adds to the offset that is in the controller now, on its display step', () => {
    const edited = plannedFloor()
    const trim = { text: '-0.3', unit: 'K', state: 'value' as const, value: -0.3, at, by: 'Ann' }
    const settings = { ...edited.loop.settings, asLeft: { 'device-2': { trim } } }
    const { result } = tested([28.84, 27.84, 28.84, 27.84], { ...edited, loop: { ...edited.loop, settings } })
    expect(result.fix!.change['offsetK']).toBeCloseTo(0.5, 9)
    expect(result.next).toContain('Key offset 0.5')
  })
  it('counts the newest reading of a step', () => {
    expect(tested([31, 27, 28, 27, 28.1]).result.verdict).toBe('good')
  })
  it('holds readings against the plan, whatever unit the job shows', () => {
    const f = plannedFloor(undefined, surveyedFloor({ temperatureUnit: 'F', system: 'us' }))
    expect(tested([28.1, 27.1, 28, 27], f).result.verdict).toBe('good')
    expect(tested([28.8, 27.8, 28.8, 27.8], f).result.head).toBe('Adjust the offset by 1.4\u00a0°F')
  })
})

describe('keying sheet', () => {
  const sheetOf = ({ job, loop }: Edited) => keyingSheet(loopContext(job, loop, fieldData))[0]!
  it('has every parameter in an order that undoes nothing', () => {
    const codes = sheetOf(plannedFloor()).rows.map(({ code }) => code)
    expect(codes).toEqual(['deg', 'act', 'side', 'low', 'top', 'gap', 'rest', 'lost', 'warn', 'trim', 'goal'])
  })
  it('shows what to key as the display will', () => {
    const planned = Object.fromEntries(
      sheetOf(plannedFloor()).rows.map(({ code, planned: text, unit }) => [code, `${text} ${unit}`.trim()]),
    )
    expect(planned).toMatchObject({
      deg: 'C',
      side: 'end',
      act: 'HEAt',
      gap: '1.0 K',
      rest: '180 s',
      lost: 'off',
      goal: '28.0 °C',
    })
  })
  it('keys Fahrenheit and Fahrenheit degrees of swing', () => {
    const f = sheetOf(plannedFloor(undefined, surveyedFloor({ temperatureUnit: 'F', system: 'us' })))
    const planned = Object.fromEntries(f.rows.map(({ code, planned: text, unit }) => [code, `${text} ${unit}`.trim()]))
    expect(planned).toMatchObject({ deg: 'F', gap: '1.8 °F', goal: '82.4 °F' })
  })
  it.each([
    ['28.0', 28, true],
    ['28', 28.04, true],
    ['28.2', 28.2, false],
  ] as const)('as-left %s agrees: %s', (text, value, agrees) => {
    const edited = plannedFloor()
    const asLeft = { 'device-2': { goal: { text, unit: '°C', state: 'value' as const, value, at, by: 'Ann' } } }
    const sheet = sheetOf({ ...edited, loop: { ...edited.loop, settings: { ...edited.loop.settings, asLeft } } })
    expect(sheet.rows.find(({ code }) => code === 'goal')!.agrees).toBe(agrees)
  })
  it('keys half of the swing on a controller that counts each side', () => {
    const wren = sheetOf(
      plannedFloor([
        'probes/cable-pt1000',
        'controllers/wren',
        'loads/circulator-45',
        'limiters/shrike',
        'supplies/mains-230-10',
      ]),
    )
    expect(wren.rows.find(({ code }) => code === '13')!.planned).toBe('0.5')
  })
})
