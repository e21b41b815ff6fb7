import { describe, expect, it } from '@jest/globals'
import { loopContext } from '../loop/context'
import { loopKinds } from '../kinds/kinds'
import { chained, idOf } from '../testing/chains'
import { fieldData } from '../testing/fieldData'
import { device } from '../testing/loops'
import type { Edited } from './edited'
import { boxPlan } from '../loop/boxPlan'
import { BAR_MM, cutOutOf, cutOutPaper, cutOutSvg, printVerdict } from './cutOut'
import { endVoltages, rowLoads } from './conductors'
import { mountingSteps } from '../commissioning/mountingSteps'
import { placements } from '../commissioning/placement'

const contextOf = ({ job, loop }: Edited) => loopContext(job, loop, fieldData)

describe('placement', () => {
  it.each(loopKinds)('%s: every probe has rules, each with its reason, and a mistake with what it costs', (kind) => {
    const context = contextOf(chained(kind))
    const all = placements(context)
    const probes = context.chain.devices.filter(({ facts }) => facts.probe !== undefined)
    expect(all.map(({ device: d }) => d.id)).toEqual(expect.arrayContaining(probes.map(({ id }) => id)))
    for (const { rules, mistakes } of all) {
      expect(rules.every(({ text, why }) => text.length > 0 && why.length > 0)).toBe(true)
      expect(mistakes.every(({ effect }) => effect.length > 0)).toBe(true)
    }
  })
  it('an outdoor probe in the sun reads 8 K high, and the house gets too cool', () => {
    const outdoor = placements(contextOf(chained('boiler'))).find(({ place }) => place === 'Outdoors')!
    const sun = outdoor.mistakes.find(({ text }) => text === 'In the sun')!
    expect(sun.errorK).toMatchObject({ low: 3, typical: 8, high: 20 })
    expect(sun.effect).toContain('the house gets too cool')
  })
  it('a bare strap-on loses a share of what the pipe is over the air, so the limiter opens late', () => {
    const floor = placements(contextOf(chained('floor')))
    const limiter = floor.find(({ place }) => place === 'Limiter')!
    const [bare] = limiter.mistakes
    const dial = limiter.device.dialC!
    expect(bare!.errorK!.typical).toBeCloseTo(-0.08 * (dial - 20), 9)
    expect(bare!.effect).toContain('opens that much late')
  })
  it('the error follows the plan: a pocket for cold water errs the other way', () => {
    const chiller = placements(contextOf(chained('chiller'))).find(({ place }) => place === 'In a pocket')!
    expect(chiller.mistakes[0]!.errorK!.typical).toBeGreaterThan(0)
    expect(chiller.mistakes[0]!.effect).toMatch(/high .* lower/)
  })
})

describe('mechanical steps', () => {
  const titles = (kind: (typeof loopKinds)[number]) => mountingSteps(contextOf(chained(kind))).map(({ title }) => title)
  it('flush to waste before filter and heater of a pool', () => expect(titles('pool').at(-1)).toBe('Flush to waste'))
  it('shut and bleed before the air line of a cabinet cooler', () =>
    expect(titles('enclosure').at(-1)).toBe('Shut and bleed the air line'))
  it('what can hurt has its caution', () => {
    for (const { title, caution } of loopKinds.flatMap((kind) => mountingSteps(contextOf(chained(kind)))))
      if (/Shut off|Drill|bleed|Battery|Cut the panel/.test(title)) expect(caution).toBeDefined()
  })
})

describe('cut-out', () => {
  const { body } = device('dipper')
  const cut = cutOutOf({ body: body! })!
  it('is the leaflet\u2019s, never smaller, with room behind', () => {
    expect(cut).toMatchObject({ widthMm: 71, heightMm: 29, toleranceMm: 0.5, behindMm: 106 })
    expect(cutOutOf({ body: { ...body!, mount: 'wall', cutOut: undefined } as never })).toBeUndefined()
  })
  it('its drawing is in millimetres, 1:1, with the bar', () => {
    const svg = cutOutSvg(cut, 'A1 <Dipper>')
    const paper = cutOutPaper(cut)
    expect(svg).toContain(`width="${paper.widthMm}mm"`)
    expect(svg).toContain(`viewBox="0 0 ${paper.widthMm} ${paper.heightMm}"`)
    expect(svg).toContain(`width="${cut.widthMm}" height="${cut.heightMm}"`)
    expect(svg).toContain(`h${BAR_MM}`)
    expect(svg).not.toContain('<Dipper>')
  })
  it.each([
    [100, true],
    [100.3, true],
    [97, false],
    [104, false],
  ])('a bar of %s mm: true is %s', (measured, right) => expect(printVerdict(measured / 1000, cut).true).toBe(right))
  it('refuses no length', () => expect(() => printVerdict(0, cut)).toThrow('measuredM 0'))
})

describe('the box', () => {
  it('adds up what stands in it: a solid-state relay by its current', () => {
    const edited = chained('cabinet', {}, [
      'mains-230-20',
      'wheatear',
      'oven-k',
      'oven-element-2000',
      'wheatear>oven-element-2000:ssr-25',
    ])
    const state = boxPlan(contextOf(edited))!
    const ssr = state.inside.find(({ device: d }) => d.id === idOf(edited, 'ssr-25'))!
    const coil = ssr.device.facts.ports['coil']
    const own = coil?.kind === 'load' && coil.load.kind === 'coil' ? coil.load.powerW : 0
    expect(ssr.heatW).toBeCloseTo((2000 / 230) * 1.2 + own, 6)
    expect(state.heatW).toBeCloseTo(
      state.inside.reduce((sum, { heatW }) => sum + heatW, 0),
      9,
    )
    expect(state.insideC).toBeCloseTo(25 + state.heatW / (state.wPerM2K.value * state.areaM2), 9)
  })
  it('a smaller box in a hot place does not fit, and says what to do', () => {
    const edited = chained('cabinet', {}, [
      'mains-230-20',
      'wheatear',
      'oven-k',
      'oven-element-2000',
      'wheatear>oven-element-2000:ssr-25',
    ])
    const hot = {
      ...edited,
      loop: { ...edited.loop, wiring: { ...edited.loop.wiring, box: { outsideC: 48, heightM: 0.15 } } },
    }
    const state = boxPlan(contextOf(hot))!
    expect(state.verdict).toBe('does-not-fit')
    expect(state.says).toContain('a cooler')
    expect(state.tooSmall[0]).toContain('Height 150')
  })
  it('is nothing where all hangs on the wall', () =>
    expect(boxPlan(contextOf(chained('pool', {}, ['bunting'])))).toBeUndefined())
})

describe('conductors', () => {
  it('currents add up on what several loads share, and the end voltage is what is left', () => {
    const context = contextOf(chained('cabinet'))
    const states = Object.fromEntries(context.rows.map(({ id }) => [id, { lengthM: 20 }]))
    const loads = rowLoads(context.rows, context.chain, states, 'europe')
    const end = endVoltages(loads, context.chain, fieldData).find(({ device: d }) => d.tag === 'E1')!
    // Warm, class 5: 2.5 mm² 7.98 and 1.5 mm² 13.3 mohm/m at 20 °C (IEC 60228), a fifth more at 70 °C.
    const milliohm: Readonly<Record<number, number>> = { 1.5: 13.3, 2.5: 7.98, 4: 4.95 }
    const warm = 1 + 0.00393 * 50
    const used = loads.filter(({ row }) => row.serves.includes(`${end.device.id}.${end.portId}`))
    expect(end.dropV).toBeCloseTo(
      used.reduce((sum, { sizeMm2, currentA }) => sum + ((milliohm[sizeMm2!]! * warm) / 1000) * 20 * currentA, 0),
      9,
    )
    expect(end.endV).toBeCloseTo(230 - end.dropV, 9)
    expect(end.measured).toBe(true)
  })
})
