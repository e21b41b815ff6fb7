import { describe, expect, it } from '@jest/globals'
import { resolveChain } from '../document/chain'
import { fieldData } from '../testing/fieldData'
import { plannedFloor, profile, surveyedFloor, twoOutputs } from '../testing/warmFloor'
import { addDevice, type Edited, insertDevice, removeDevice, replaceDevice } from './chainEdit'
import { wireList } from './wireList'
import { contactLoad } from './contactLoad'
import { outputPath } from './outputPath'
import { powerPaths } from './powerPath'
import { rowVerdict } from './rowVerdict'
import { supplyVariant } from './supplyVariant'
import { continuityLimitOhm, coreOhm } from './wireResistance'
import { onOff } from '../testing/plans'

const wires = ({ job, loop }: Edited) =>
  wireList(resolveChain(job, loop.chain), job.practice).rows.map(
    ({ from, to, conductor }) =>
      `${from.tag}:${from.label} ${to.tag}:${to.label} ${conductor.colour} ${conductor.sizeMm2}`,
  )

describe('the list of the warm floor', () => {
  it('goes terminal to terminal, limiter in the pump\u2019s line', () => {
    expect(wires(plannedFloor())).toEqual([
      'X1:L A1:1 BN 1.5',
      'X1:N A1:2 BU 1.5',
      'X1:L A1:5 BN 1.5',
      'A1:6 F1:1 BK 1.5',
      'F1:2 M1:L BK 1.5',
      'X1:N M1:N BU 1.5',
      'X1:PE M1:PE GNYE 1.5',
      'B1:1 A1:11 pair 0.5',
      'B1:2 A1:12 pair 0.5',
      'B1:cut A1:SCR screen 0.5',
    ])
  })
  it('comes out the same whatever order the devices are chosen in', () => {
    const shuffled = plannedFloor([
      'limiters/shrike',
      'loads/circulator-45',
      'supplies/mains-230-10',
      'controllers/dipper',
      'probes/floor-ntc10k',
    ])
    expect(new Set(wires(shuffled))).toEqual(new Set(wires(plannedFloor())))
  })
  it('takes the other pair of terminals on 24 V, and never the mains pair', () => {
    const rows = wires(plannedFloor(['controllers/dipper', 'supplies/safety-24']))
    expect(rows.filter((row) => row.includes('A1:'))).toEqual(['X1:24 A1:3 WH 0.75', 'X1:0 A1:4 WH 0.75'])
  })
  it('makes no supply rows when no pair takes the voltage', () => {
    expect(wires(plannedFloor(['controllers/wren', 'supplies/safety-24']))).toEqual([])
  })
  it('sizes and colours by the practice', () => {
    const us = plannedFloor(undefined, surveyedFloor({ practice: 'us' }))
    expect(wires(us)[0]).toBe('X1:L A1:1 BK 2.08')
  })
  it('keeps the rows of what did not change when the probe is swapped', () => {
    const before = plannedFloor()
    const after = replaceDevice(before, 'device-1', profile('probes/cable-pt1000'))
    expect(wires(after)).toEqual(wires(before))
  })
})

describe('chain edits', () => {
  const heater = () =>
    plannedFloor([
      'probes/floor-ntc10k',
      'controllers/dipper',
      'loads/floor-heater-3680',
      'limiters/fieldfare',
      'supplies/mains-230-20',
    ])

  it('puts a contactor between: coil on the old contact, load on its own, limiter still in the load\u2019s line', () => {
    const before = heater()
    const connection = Object.keys(before.loop.chain.connections).find((id) => id.startsWith('device-2.out1'))!
    const after = insertDevice(before, connection, profile('relays/contactor-25'), 'k1')
    const paths = powerPaths(resolveChain(after.job, after.loop.chain))
    expect(
      paths.map(({ load, contacts, supply }) => [
        supply?.device.tag,
        ...contacts.map(({ device }) => device.tag),
        load.tag,
      ]),
    ).toEqual([
      ['X1', 'K1', 'F1', 'E1'],
      ['X1', 'A1', 'K1'],
    ])
    expect(wires(after)).toContain('X1:N K1:A2 BU 4')
  })
  it('leaves the neighbours joined when it is taken out again', () => {
    const before = heater()
    const connection = Object.keys(before.loop.chain.connections).find((id) => id.startsWith('device-2.out1'))!
    const after = removeDevice(insertDevice(before, connection, profile('relays/contactor-25'), 'k1'), 'k1')
    expect(new Set(wires(after))).toEqual(new Set(wires(before)))
  })
  it('takes the plan of an output away with its controller', () => {
    expect(removeDevice(plannedFloor(), 'device-2').loop.settings.planned).toEqual({})
  })
  it('numbers tags over shared and own devices', () => {
    const twice = addDevice(plannedFloor(), profile('probes/room-ntc10k'), 'second')
    expect(Object.values(twice.loop.chain.devices).map(({ tag }) => tag)).toEqual(['B1', 'A1', 'M1', 'F1', 'B2'])
  })
  it('puts nothing into a probe\u2019s cable, and no controller into a line', () => {
    const before = heater()
    const cable = Object.keys(before.loop.chain.connections).find((id) => id.startsWith('device-1.'))!
    const line = Object.keys(before.loop.chain.connections).find((id) => id.startsWith('device-2.out1'))!
    expect(() => insertDevice(before, cable, profile('limiters/shrike'), 'x')).toThrow('no line that a load hangs on')
    expect(() => insertDevice(before, line, profile('controllers/dipper'), 'x')).toThrow('Dipper is a controller')
  })
  it('refuses a connection that is not there', () =>
    expect(() => insertDevice(heater(), 'nowhere', profile('limiters/shrike'), 'x')).toThrow('connection nowhere'))
})

describe('outputPath', () => {
  const two = plannedFloor(twoOutputs)
  const chain = resolveChain(two.job, two.loop.chain)
  it.each([
    ['plan-1', ['B1', 'A1', 'F1', 'M1', 'X1']],
    ['plan-2', ['B2', 'A1', 'F2', 'E1', 'X1']],
  ])('%s has its own probe, limiter and load', (plan, tags) => {
    const { probe, controller, series, load, supply } = outputPath(chain, onOff(two.loop.settings.planned[plan]))
    expect([probe, controller, ...series, load, supply].map((device) => device?.tag)).toEqual(tags)
  })
  it('follows a contactor to the load that it carries', () => {
    const plan = onOff(two.loop.settings.planned['plan-2'])
    const id = Object.keys(two.loop.chain.connections).find((c) =>
      c.startsWith(`${plan.output.device}.${plan.output.port}>`),
    )!
    const after = insertDevice(two, id, profile('relays/contactor-25'), 'k1')
    const path = outputPath(resolveChain(after.job, after.loop.chain), plan)
    expect([...path.series.map(({ tag }) => tag), path.load?.tag]).toEqual(['K1', 'F2', 'E1'])
  })
  it('shows what is there before anything is joined', () => {
    const { job, loop } = plannedFloor(['probes/floor-ntc10k', 'loads/circulator-45'])
    const path = outputPath(resolveChain(job, loop.chain))
    expect([path.probe?.tag, path.controller, path.load?.tag]).toEqual(['B1', undefined, 'M1'])
  })
})

describe('contactLoad', () => {
  const ratings = [
    { load: 'resistive', volts: 250, amps: 10 },
    { load: 'motor', volts: 250, amps: 3 },
  ] as const
  it.each([
    [{ kind: 'resistive', powerW: 3680, volts: 230 }, 16, 'does-not-fit'],
    [{ kind: 'resistive', powerW: 2300, volts: 230 }, 10, 'look-again'],
    [{ kind: 'resistive', powerW: 1840, volts: 230 }, 8, 'fits'],
    [{ kind: 'motor', powerW: 45, volts: 230 }, 0.2795, 'fits'],
    [{ kind: 'motor', powerW: 45, volts: 230, amps: 3.1 }, 3.1, 'does-not-fit'],
    [{ kind: 'lamp', powerW: 60, volts: 230 }, 0.2609, 'look-again'],
    [{ kind: 'resistive', powerW: 400, volts: 400 }, 1, 'look-again'],
    [{ kind: 'resistive', powerW: 6000, volts: 400, phases: 3 }, 8.66, 'look-again'],
  ] as const)('%p draws %d A: %s', (load, amps, verdict) => {
    const answer = contactLoad(ratings, load)
    expect(answer.loadA).toBeCloseTo(amps, 3)
    expect(answer.verdict).toBe(verdict)
  })
  it('says when it assumed a power factor, and proposes a contactor that is big enough', () => {
    expect(contactLoad(ratings, { kind: 'motor', powerW: 45, volts: 230 }).assumedPowerFactor).toBe(0.7)
    expect(contactLoad(ratings, { kind: 'resistive', powerW: 3680, volts: 230 }).remedy).toBe(
      'Put a contactor rated over 20 A between.',
    )
  })
})

describe('supplyVariant', () => {
  const { variants } = profile('controllers/dipper').ports['supply'] as never as { variants: never }
  it.each([
    [230, 'ac', 'mains'],
    [207, 'ac', 'mains'],
    [24, 'ac', 'low'],
    [24, 'dc', 'low'],
    [230, 'dc', undefined],
    [120, 'ac', undefined],
    [12, 'dc', undefined],
  ] as const)('%d V %s: %s', (volts, current, id) => {
    expect(supplyVariant({ volts, current }, variants)?.id).toBe(id)
  })
})

describe('resistance of a row', () => {
  it('is ρ L / A', () => expect(coreOhm(100, 1.5)).toBeCloseTo(1.1494, 4))
  it('rises by 0.393 % a kelvin', () => expect(coreOhm(100, 1.5, 70) / coreOhm(100, 1.5)).toBeCloseTo(1.1965, 6))
  const limit = continuityLimitOhm(10, 1.5, fieldData)
  const at = '2026-01-01T00:00:00Z'
  it.each([
    ['value', 0.2, 'fits'],
    ['value', limit, 'fits'],
    ['value', limit + 0.01, 'stop'],
    ['value', -1, 'stop'],
    ['over-range', undefined, 'stop'],
    ['none', undefined, 'waiting'],
  ] as const)('%s %p: %s', (state, value, verdict) => {
    expect(
      rowVerdict(
        { tested: { text: '', unit: 'ohm', state, at, by: 'x', ...(value === undefined ? {} : { value }) } },
        limit,
      ),
    ).toBe(verdict)
  })
  it('waits without a reading', () => expect(rowVerdict(undefined, limit)).toBe('waiting'))
})
