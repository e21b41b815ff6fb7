import { describe, expect, it } from '@jest/globals'
import { loopContext } from '../loop/context'
import { chained } from '../testing/chains'
import { fieldData } from '../testing/fieldData'
import { safetyBlocks } from '../commissioning/safetyBlocks'
import { type ConnectionFact, sayConnection } from '../words/connectionWords'
import { wordsFor } from '../words/words'
import { voltsAcross } from './voltsAcross'

describe('volts across what hangs on a supply', () => {
  it.each([
    [208, 'L3', 1, 120],
    [480, 'L3', 1, 277],
    [400, 'L3', 1, 231],
    [400, 'L3', 3, 400],
    [240, undefined, 1, 240],
  ])('%s V with third line %s, %s phases: %s V', (volts, l3, phases, across) =>
    expect(voltsAcross({ volts, neutral: 'N', earth: 'G', ...(l3 ? { l3 } : {}) }, phases)).toBe(across),
  )

  it('three phases without a neutral feed no single one: earth is no way back', () => {
    expect(voltsAcross({ volts: 208, l3: 'L3', neutral: 'G', earth: 'G' })).toBe(0)
    const fact = {
      code: 'line.other-voltage',
      figures: { volts: 0, tag: 'X1', current: 'AC', loadVolts: 120, kind: 'resistive' },
    }
    expect(sayConnection(fact as ConnectionFact, wordsFor({ temperatureUnit: 'C', system: 'metric' })).reason).toBe(
      'X1 gives three phases and brings no neutral; one phase alone has no way back.',
    )
  })
  it('what is fed from one phase of three is measured so in first live', () => {
    const { job, loop } = chained('room', {}, ['mains-208-30-3p', 'towhee', 'room-ntc10k-3977'])
    const { live } = safetyBlocks(loopContext({ ...job, practice: 'us' }, loop, fieldData)).steps
    const should = (title: RegExp) => live.find((step) => title.test(step.title))?.should
    expect(should(/^Supply of A1/)).toBe('120\u00a0V \u00b1 10 %, AC.')
    expect(should(/^Line of A1/)).toMatch(/^120\u00a0V/)
  })
  const feeds = (circuit: string, load: string) => {
    const { job, loop } = chained('room', {}, [circuit, 'towhee', 'room-ntc10k-3977', load])
    const { judgedConnections, chain } = loopContext({ ...job, practice: 'us' }, loop, fieldData)
    const element = chain.devices.find(({ facts }) => facts.id === load)!
    const lines = chain.connections.filter(({ to }) => to.device === element.id).map(({ id }) => id)
    return judgedConnections.filter(({ connection }) => lines.includes(connection)).map(({ verdict }) => verdict)
  }
  it('an element for 208 V hangs on two hots of it, and never on one line and the neutral of three phases', () => {
    expect(feeds('mains-208-20', 'baseboard-208-2000')).toEqual(['fits'])
    const three = chained('room', {}, [
      'mains-208-30-3p',
      'baseboard-208-2000',
      'mains-208-30-3p.out=baseboard-208-2000.power',
    ])
    const { judgedConnections } = loopContext({ ...three.job, practice: 'us' }, three.loop, fieldData)
    expect(judgedConnections.map(({ verdict, code }) => `${verdict} ${code}`)).toEqual([
      'does-not-fit line.other-voltage',
    ])
  })
})
