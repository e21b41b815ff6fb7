import { describe, expect, it } from '@jest/globals'
import { loopContext } from '../loop/context'
import { chained, told } from '../testing/chains'
import { fieldData } from '../testing/fieldData'
import { soundIn } from '../testing/usChains'
import { conductorFor, sizeTable, usualSizeMm2 } from './conductor'
import { sizeWords } from '../words/sizeWords'
import { rowLoads } from './conductors'
import type { Edited } from './edited'
import { coldWireOhm, continuityLimitOhm, coreOhm, warmWireOhm } from './wireResistance'

const contextOf = ({ job, loop }: Edited) => loopContext(job, loop, fieldData)

describe('section behind a fuse', () => {
  it.each([
    [0.75, 'about 18\u00a0AWG'],
    [70, 'about 2/0\u00a0AWG'],
  ])('%s mm² of the other standard is told as the gauge it comes near to', (mm2, said) =>
    expect(sizeWords('us', mm2)).toBe(said),
  )
  it.each([
    [6, 1.5],
    [16, 2.5],
    [25, 4],
    [32, 6],
    [40, 10],
    [63, 16],
    [80, 25],
    [100, 35],
    [125, 50],
    [126, null],
    [160, null],
  ] as const)('Europe: %s A asks for %s mm\u00b2', (amps, mm2) => expect(usualSizeMm2('europe', amps)).toBe(mm2))
  it.each([
    [15, '14 AWG'],
    [20, '12 AWG'],
    [30, '10 AWG'],
    [40, '8 AWG'],
    [60, '4 AWG'],
    [70, '4 AWG'],
    [90, '2 AWG'],
    [100, '1 AWG'],
    [110, 'outside this table'],
  ] as const)('US, 60 \u00b0C: %s A asks for %s', (amps, gauge) =>
    expect(sizeWords('us', usualSizeMm2('us', amps))).toBe(gauge),
  )
  it.each([
    [15, '14 AWG'],
    [20, '12 AWG'],
    [30, '10 AWG'],
    [50, '8 AWG'],
    [60, '6 AWG'],
    [100, '3 AWG'],
    [110, 'outside this table'],
  ] as const)('US, terminals marked 75 \u00b0C: %s A asks for %s', (amps, gauge) =>
    expect(sizeWords('us', usualSizeMm2('us', amps, true))).toBe(gauge),
  )
  it('never gets smaller with more amps, and names its method', () => {
    for (const practice of ['europe', 'us'] as const) {
      let before = 0
      for (let amps = 1; amps <= sizeTable(practice).mostA; amps++) {
        const mm2 = usualSizeMm2(practice, amps)!
        expect(mm2).toBeGreaterThanOrEqual(before)
        before = mm2
      }
    }
    expect(sizeTable('europe').title).toContain('reference method B2')
    expect(sizeTable('us').title).toContain('140 \u00b0F')
  })
  it('beyond the table there is no size, not the largest one', () =>
    expect(conductorFor('line', 'europe', 200).sizeMm2).toBeNull())
})

describe('resistance of a wire', () => {
  it.each([
    [1.5, 13.3],
    [2.5, 7.98],
    [50, 0.386],
  ])('%s mm\u00b2 class 5 is %s mohm/m at 20 \u00b0C (IEC 60228)', (mm2, milliohm) =>
    expect(coldWireOhm(1, mm2) * 1000).toBeCloseTo(milliohm, 9),
  )
  it.each([
    [2.08, 10.3],
    [3.31, 6.5],
    [42.4, 0.505],
  ])('%s mm\u00b2 by gauge is %s mohm/m at 75 \u00b0C', (mm2, milliohm) =>
    expect(coreOhm(1, mm2, 75, 'gauge') * 1000).toBeCloseTo(milliohm, 9),
  )
  it('a loaded wire is warm: 70 \u00b0C', () =>
    expect(warmWireOhm(10, 1.5) / coldWireOhm(10, 1.5)).toBeCloseTo(1.1965, 6))
  it('a gauge that is none is refused by name', () =>
    expect(() => coreOhm(1, 3, 20, 'gauge')).toThrow('areaMm2 3 is no trade gauge'))
  it('a row is proved up to stranded copper at 20 \u00b0C, connections and leads', () => {
    expect(continuityLimitOhm(10, 1.5, fieldData)).toBeCloseTo(0.133 + 0.1 + 0.2, 9)
    expect(continuityLimitOhm(10, null, fieldData)).toBeCloseTo(0.3, 9)
  })
})

describe('continuous loads in US practice', () => {
  const loads = (practice: 'europe' | 'us') => {
    const context = contextOf(soundIn('us', 'cabinet'))
    return rowLoads(context.rows, context.chain, {}, practice)
  }
  it('count 125 %, once', () => {
    const heater = (practice: 'europe' | 'us') =>
      loads(practice).find(({ row }) => row.to.tag === 'E1' && row.phase === 1)!
    expect(heater('us').designA).toBeCloseTo(1.25 * heater('us').currentA, 9)
    expect(heater('europe').designA).toBe(heater('europe').currentA)
  })
  it('a coil is none', () => {
    const coil = loads('us').find(({ row }) => row.to.tag === 'K1' && row.to.label === 'A1')!
    expect(coil.designA).toBe(coil.currentA)
  })
})

describe('colours', () => {
  const colours = (edited: Edited) =>
    contextOf(edited).rows.map(
      ({ from, to, conductor }) => `${from.tag}:${from.label}>${to.tag}:${to.label} ${conductor.colourName}`,
    )
  it('plus and minus of a battery are told apart', () => {
    const mine = colours(chained('cabin'))
    expect(mine).toEqual(
      expect.arrayContaining([expect.stringMatching(/:\+>.*red$/), expect.stringMatching(/:\u2212>.*black$/)]),
    )
  })
  it.each([
    ['europe', ['brown', 'black', 'grey']],
    ['us', ['black', 'red', 'blue']],
  ] as const)('%s: three hots', (practice, names) =>
    expect(([1, 2, 3] as const).map((phase) => conductorFor('line', practice, 16, { phase }).colourName)).toEqual(
      names,
    ),
  )
  it('24 V in US practice by function: R red, C blue, W white, Y yellow, G green', () => {
    const of = (control: Parameters<typeof conductorFor>[3]) => conductorFor('control', 'us', 3, control).colourName
    expect([
      of({ control: 'hot' }),
      of({ control: 'return' }),
      of({ control: 'fuel' }),
      of({ control: 'cooling' }),
      of({ control: 'air-flow' }),
    ]).toEqual(['red', 'blue', 'white', 'yellow', 'green'])
  })
  it('and so in a list: the call of a boiler goes out red and comes back white', () => {
    const mine = colours(soundIn('us', 'boiler')).filter((each) => each.includes('E1:'))
    expect(mine).toEqual(expect.arrayContaining([expect.stringMatching(/red$/), expect.stringMatching(/white$/)]))
  })
  it('one phase keeps its colours', () => expect(colours(chained('floor'))[0]).toMatch(/brown$/))
})

describe('a 240 V element between two hots', () => {
  const rows = () => contextOf(soundIn('us', 'cabinet')).rows
  it('is broken in both legs, and has no neutral', () => {
    const through = rows().map(({ from, to }) => `${from.tag}:${from.label}>${to.tag}:${to.label}`)
    expect(through).toEqual(
      expect.arrayContaining(['X1:L1>K1:1', 'K1:2>F1:1', 'F1:2>E1:L1', 'X1:L2>K1:3', 'K1:4>E1:L2']),
    )
    expect(rows().some(({ role, to }) => role === 'neutral' && to.tag === 'E1')).toBe(false)
  })
  it('with one pole the other leg goes straight to it', () => {
    const edited = chained('cabinet', {}, [
      'mains-240-30',
      'goosander',
      'oven-pt100',
      'element-240-3800',
      'goshawk',
      'goosander>goshawk:contactor-25',
    ])
    const through = contextOf(edited).rows.map(({ from, to }) => `${from.tag}:${from.label}>${to.tag}:${to.label}`)
    expect(through).toContain('X1:L2>E1:L2')
  })
  it('every section is written down as typed where the table ends', () => {
    const edited = told(chained('cabinet'), 'goshawk', { dialC: 60 })
    const context = contextOf(edited)
    const [load] = rowLoads(context.rows, context.chain, { [context.rows[0]!.id]: { sizeMm2: 70 } }, 'europe')
    expect(load!.sizeMm2).toBe(70)
  })
})
