import { describe, expect, it } from '@jest/globals'
import { loopContext } from '../../loop/context'
import { chained } from '../../testing/chains'
import { fieldData } from '../../testing/fieldData'
import { ownerTells } from '../owner/ownerTells'
import { resetSavingOf, saySaved } from './resetSeason'

const contextOf = (
  answers: Readonly<Record<string, string | number | undefined>>,
  system: 'metric' | 'us' = 'metric',
) => {
  const { job, loop } = chained('boiler')
  const survey = { ...loop.survey, answers: { ...loop.survey.answers, ...answers } }
  const own = { ...job, system, temperatureUnit: system === 'us' ? ('F' as const) : ('C' as const) }
  return loopContext(own, { ...loop, survey } as typeof loop, fieldData)
}
const saidOf = (context: ReturnType<typeof contextOf>) => saySaved(resetSavingOf(context)!, context.words)

describe('what a line by the weather saves over a season', () => {
  const { saved, fixedKwh, resetKwh } = resetSavingOf(contextOf({ fuel: 'gas' }))!
  it('is the fixed supply less the line, between less and more loss', () => {
    expect(saved.kwh).toBeCloseTo(fixedKwh - resetKwh, 6)
    expect(saved.low).toBeLessThan(saved.kwh)
    expect(saved.high).toBeGreaterThan(saved.kwh)
  })
  it.each([
    ['gas', 'fuel.gas', 'gasVolume'],
    ['oil', 'fuel.oil', 'litres'],
    ['pellet', 'fuel.pellet', 'mass'],
  ] as const)('in %s by its heat', (fuel, row, quantity) => {
    const of = resetSavingOf(contextOf({ fuel }))!.saved
    expect(of.fuel).toMatchObject({ quantity })
    expect(of.fuel!.amount).toBeCloseTo(of.kwh / fieldData[row]!.typical, 9)
  })
  it('electric it is no fuel; without a price no money', () => {
    expect(resetSavingOf(contextOf({ fuel: 'electric' }))!.saved.fuel).toBeUndefined()
    expect(saved.money).toBeUndefined()
    expect(resetSavingOf(contextOf({ price: 0.12 }))!.saved.money).toBeCloseTo(saved.kwh * 0.12, 6)
  })
  it('is one sentence wherever it stands', () => {
    const context = contextOf({ fuel: 'gas', price: 0.12 })
    const said = saidOf(context)
    expect(said).toMatch(
      /^[\d.,]+\u00a0kWh, \d+\u00a0% \(.* to .*, by how much is lost\): \d+\u00a0m³ of gas, \d+ in your money$/,
    )
    expect(ownerTells(context).does.join(' ')).toContain(said)
  })
  it('gas is counted in cubic feet there, not in gallons', () =>
    expect(saidOf(contextOf({ fuel: 'gas' }, 'us'))).toMatch(/\d\u00a0ft³ of gas/))
  it('in American units it has no metric one left', () =>
    expect(saidOf(contextOf({ fuel: 'oil' }, 'us'))).not.toMatch(/m³|\u00a0l\b|MWh/))
  it('where nothing follows the weather there is none', () => {
    const { job, loop } = chained('room')
    expect(resetSavingOf(loopContext(job, loop, fieldData))).toBeUndefined()
  })
})
