import { describe, expect, it } from '@jest/globals'
import { runCalculation, findCalculation } from '../calc/registry'
import { resolveChain } from '../document/chain'
import { loopKinds, type LoopKind } from '../kinds/kinds'
import { propose } from '../survey/proposal'
import { chained, idOf, step, swapped } from '../testing/chains'
import { calcData } from '../testing/calcData'
import { fieldData } from '../testing/fieldData'
import { device, shelf, surveyed } from '../testing/loops'
import {
  addDevice,
  type Edited,
  joinPorts,
  dropSupply,
  leaveSupply,
  moveSupply,
  removeDevice,
  setOption,
} from '../wiring/chainEdit'
import { wireList } from '../wiring/wireList'
import { limitersOf } from '../wiring/protections'
import { outputPath } from '../wiring/outputPath'
import { idleSupplies } from '../wiring/idleSupplies'
import { powerPaths } from '../wiring/powerPath'
import { reachOf } from '../wiring/reach'
import { supplyDraws } from '../wiring/supplyDraws'
import { checkLoop } from './checkLoop'
import { loopContext } from '../loop/context'
import { applyFix, deviceFor, fixWords } from './fix'
import { proposedChain } from './proposedChain'
import { onOff } from '../testing/plans'

const context = ({ job, loop }: Edited) => loopContext(job, loop, fieldData)
const only = (kind: LoopKind, ...steps: readonly string[]) => chained(kind, {}, steps)
/** The connection between two devices. */
function connection(edited: Edited, from: string, to: string) {
  const made = context(edited)
  const found = made.chain.connections.find(
    (c) => c.fromDevice.id === idOf(edited, from) && c.toDevice.id === idOf(edited, to),
  )
  return made.judgedConnections.find(({ connection }) => connection === found?.id)
}
let n = 0
const mended = (edited: Edited, from: string, to: string) =>
  applyFix(edited, connection(edited, from, to)!.fix!, shelf, () => `new-${++n}`)!

describe('a connection', () => {
  it.each([
    // what, devices, from, to, verdict, what the reason must say
    [
      'a mains output on a dry input',
      ['mains-230-10', 'ouzel', 'boiler-cond'],
      'ouzel',
      'boiler-cond',
      'does-not-fit',
      /230.*wants a dry contact/,
    ],
    [
      '24 V on a dry input',
      ['safety-24', 'redstart', 'pool-gas'],
      'redstart',
      'pool-gas',
      'does-not-fit',
      /24.*wants a dry contact/,
    ],
    [
      'a power contact in a circuit of milliamps',
      ['mains-230-10', 'dipper', 'boiler-cond'],
      'dipper',
      'boiler-cond',
      'look-again',
      /oxidises/,
    ],
    [
      'a gold contact in a circuit of milliamps',
      ['mains-230-10', 'martin', 'boiler-cond'],
      'martin',
      'boiler-cond',
      'fits',
      /dry gold contact/,
    ],
    [
      '12 V drive on a mains heater',
      ['mains-230-10', 'wheatear', 'oven-element-2000'],
      'wheatear',
      'oven-element-2000',
      'does-not-fit',
      /puts 12.*out.*wants 230/,
    ],
    ['a volt signal on its like', ['safety-24', 'plover', 'valve-y010'], 'plover', 'valve-y010', 'fits', /Same signal/],
    [
      '0–10 V on a 2–10 V input',
      ['safety-24', 'plover', 'valve-y210'],
      'plover',
      'valve-y210',
      'look-again',
      /starts to move at 20.*%/,
    ],
    [
      'volts on milliamps',
      ['safety-24', 'plover', 'valve-y420'],
      'plover',
      'valve-y420',
      'does-not-fit',
      /gives 0–10 V.*wants 4–20 mA/,
    ],
    [
      'volts on pulses',
      ['mains-230-10', 'swift', 'fan-ec-pwm'],
      'swift',
      'fan-ec-pwm',
      'does-not-fit',
      /wants pulse width/,
    ],
    [
      'a loop transmitter on an input that feeds none',
      ['mains-230-10', 'swift', 'humid-420'],
      'humid-420',
      'swift',
      'does-not-fit',
      /mA are not V/,
    ],
    [
      'a humidity transmitter on its input',
      ['mains-230-10', 'safety-24', 'swift', 'humid-010'],
      'humid-010',
      'swift',
      'fits',
      /Same signal, same span/,
    ],
    [
      'a transmitter that nothing feeds',
      ['swift', 'humid-010'],
      'humid-010',
      'swift',
      'look-again',
      /nothing feeds it/,
    ],
    [
      'a couple of the right type',
      ['mains-230-10', 'wheatear', 'oven-k'],
      'oven-k',
      'wheatear',
      'fits',
      /display shows/,
    ],
    [
      'a couple of the wrong type',
      ['mains-230-10', 'wheatear', 'oven-j'],
      'oven-j',
      'wheatear',
      'does-not-fit',
      /Wrong kind/,
    ],
    [
      'a bare probe on a thermocouple input',
      ['mains-230-10', 'wheatear', 'oven-pt100'],
      'oven-pt100',
      'wheatear',
      'does-not-fit',
      /Wrong kind/,
    ],
    [
      'another curve of the same ohms',
      ['mains-230-10', 'dipper', 'floor-ntc10k-3977'],
      'floor-ntc10k-3977',
      'dipper',
      'look-again',
      /another curve/,
    ],
    [
      'a solid-state output on a small coil',
      ['mains-230-10', 'wheatear', 'ssr-25'],
      'wheatear',
      'ssr-25',
      'fits',
      /carries/,
    ],
  ] as [string, string[], string, string, string, RegExp][])('%s', (_, steps, from, to, verdict, says) => {
    const kind: LoopKind = steps.includes('wheatear') ? 'cabinet' : steps.includes('swift') ? 'fan' : 'boiler'
    const found = connection(only(kind, ...steps), from, to)
    expect(found).toMatchObject({ verdict })
    expect(found!.reason.replace(/\u00a0/g, ' ')).toMatch(says)
  })
  it('three inputs of 4 mA are too much for an output of 5', () => {
    const edited = ['fan-ec-old', 'fan-ec-old'].reduce(
      (next, id, i) => {
        const added = addDevice(next, device(id), `fan-${i}`)
        return joinPorts(added, { device: idOf(added, 'swift'), port: 'out1' }, { device: `fan-${i}`, port: 'speed' })
      },
      only('fan', 'mains-230-10', 'swift'),
    )
    const worst = context(edited).judgedConnections.filter(({ verdict }) => verdict === 'does-not-fit')
    expect(worst).toHaveLength(2)
    expect(worst[0]!.reason).toMatch(/8\.00\smA; this output gives 5\.00/)
  })
  it('a long two-wire lead on a Pt100 reads high, by the sum that it opens to', () => {
    const edited = only('cabinet', 'mains-230-10', 'goosander', 'oven-pt100-2w')
    const id = idOf(edited, 'oven-pt100-2w')
    const long = { ...edited.loop.chain.devices[id]!, leadM: 20 }
    const led = {
      ...edited,
      loop: { ...edited.loop, chain: { ...edited.loop.chain, devices: { ...edited.loop.chain.devices, [id]: long } } },
    }
    const found = connection(led, 'oven-pt100-2w', 'goosander')!
    expect(found.verdict).toBe('look-again')
    // 2 × 20 m of 0.5 mm² are 1.38 ohm; a Pt100 has 0.385 ohm a kelvin.
    expect(found.reason).toMatch(/reads 3\.5\d\sK high/)
    const [call] = found.worked
    const outcome = runCalculation(findCalculation(call!.calc)!, JSON.parse(JSON.stringify(call!.input)), calcData)
    expect(outcome.ok && Number(outcome.output['errorK'])).toBeCloseTo(3.54, 1)
  })
})

describe('a remedy by one tap', () => {
  it('puts an isolating relay before a dry input, and then it fits', () => {
    const edited = mended(only('pool', 'safety-24', 'redstart', 'pool-gas'), 'redstart', 'pool-gas')
    const relay = Object.values(edited.loop.chain.devices).find(({ tag }) => tag.startsWith('K'))
    expect(relay).toMatchObject({ profile: 'isolate-24ac' })
    expect(connection(edited, 'redstart', 'isolate-24ac')).toMatchObject({ verdict: 'fits' })
    expect(connection(edited, 'isolate-24ac', 'pool-gas')).toMatchObject({ verdict: 'fits' })
  })
  it('takes a relay that is made for mains beside extra-low voltage', () => {
    const edited = mended(only('boiler', 'mains-230-10', 'ouzel', 'boiler-cond'), 'ouzel', 'boiler-cond')
    expect(Object.values(edited.loop.chain.devices).map(({ profile }) => profile)).toContain('isolate-230')
    expect(checkLoop(context(edited)).open.map(({ code }) => code)).not.toContain('C054_MIXED_ON_ONE_BODY')
  })
  it('puts a contactor that carries the load', () => {
    const edited = mended(only('pool', 'mains-230-32-30ma', 'dipper', 'flow-heater-6'), 'dipper', 'flow-heater-6')
    expect(Object.values(edited.loop.chain.devices).map(({ profile }) => profile)).toContain('contactor-40')
  })
  it('turns the output to the signal that is wanted', () => {
    const edited = mended(only('room', 'safety-24', 'plover', 'valve-y210'), 'plover', 'valve-y210')
    expect(edited.loop.chain.devices[idOf(edited, 'plover')]!.set).toEqual({ signal: 'v2' })
    expect(connection(edited, 'plover', 'valve-y210')).toMatchObject({ verdict: 'fits' })
  })
  it('puts a resistor where milliamps must become volts', () => {
    const plover = device('plover')
    const bare = {
      ...plover,
      id: 'ma-only',
      options: {},
      ports: {
        ...plover.ports,
        out1: {
          kind: 'signal-out' as const,
          title: 'out',
          signal: '4-20mA' as const,
          plus: '61',
          minus: '62',
          mostOhm: 600,
        },
      },
    }
    const begun = addDevice(addDevice(surveyed('room'), bare, 'a'), device('valve-y210'), 'b')
    const found = context(begun).judgedConnections.find(({ verdict }) => verdict === 'does-not-fit')!
    const edited = applyFix(begun, found.fix!, shelf, () => 'r')!
    expect(edited.loop.chain.devices['r']).toMatchObject({ profile: 'shunt-500' })
    expect(context(edited).judgedConnections.filter(({ verdict }) => verdict === 'does-not-fit')).toEqual([])
    expect(reachOf(context(edited).chain, { device: 'a', port: 'out1' }).map((r) => r.device.id)).toEqual(['b'])
    expect(Object.keys(removeDevice(edited, 'r').loop.chain.connections)).toEqual(
      Object.keys(begun.loop.chain.connections),
    )
  })
  it('sets the rest that a compressor asks for', () => {
    const edited = chained('cold-room')
    const plans = edited.loop.settings.planned
    const [id] = Object.keys(plans)
    const hasty = {
      ...edited,
      loop: {
        ...edited.loop,
        settings: { ...edited.loop.settings, planned: { [id!]: { ...plans[id!]!, minimumOffS: 0 } } },
      },
    }
    const fix = checkLoop(context(hasty)).open.find(({ code }) => code === 'C035_MINIMUM_OFF_SHORT')!.fix!
    expect(onOff(applyFix(hasty, fix, shelf, () => 'x')!.loop.settings.planned[id!]).minimumOffS).toBe(240)
  })
  it('says nothing where the shelf has nothing', () => {
    const fix = {
      do: 'insert' as const,
      connection: 'c',
      wants: { category: 'relay' as const, coil: { volts: 999, current: 'ac' as const } },
    }
    expect([
      deviceFor(fix.wants, shelf),
      fixWords(fix, shelf),
      applyFix(surveyed('room'), fix, shelf, () => 'x'),
    ]).toEqual([undefined, undefined, undefined])
  })
  it('what it is about may be gone', () => {
    const edited = surveyed('room')
    for (const fix of [
      { do: 'plan', plan: 'gone', change: {}, say: '' },
      { do: 'set-device', device: 'gone', change: {}, say: '' },
      { do: 'set-option', device: 'gone', option: 'o', choice: 'c', say: '' },
    ] as const)
      expect(applyFix(edited, fix, shelf, () => 'x')).toBeUndefined()
  })
})

describe('what an output reaches', () => {
  const reached = (edited: Edited, controller: string, port = 'out1') =>
    reachOf(context(edited).chain, { device: idOf(edited, controller), port }).map(({ device: d, via }) => [
      d.facts.id,
      via.map(({ facts }) => facts.id),
    ])
  it.each([
    ['a load itself', only('floor', 'mains-230-10', 'dipper', 'circulator-45'), 'dipper', [['circulator-45', []]]],
    [
      'through relay and flow switch to a call',
      chained('pool'),
      'redstart',
      [['pool-gas', ['isolate-24ac', 'flow-reed']]],
    ],
    ['by a signal', only('fan', 'mains-230-10', 'swift', 'fan-ec-010'), 'swift', [['fan-ec-010', []]]],
    [
      'by a drive to its motor',
      only('fan', 'mains-230-10', 'swift', 'petrel', 'fan-motor-075'),
      'swift',
      [['fan-motor-075', ['petrel']]],
    ],
    ['nothing', only('fan', 'mains-230-10', 'swift'), 'swift', []],
  ] as [string, Edited, string, unknown][])('%s', (_, edited, controller, expected) =>
    expect(reached(edited, controller)).toEqual(expected),
  )
  it('roles go to what they are for', () => {
    const edited = chained('cold-room')
    expect(reached(edited, 'eider')).toEqual([['cold-unit-1500', []]])
    expect(reached(edited, 'eider', 'fan')).toEqual([['evaporator-fan', []]])
    expect(reached(edited, 'eider', 'defrost')).toEqual([['defrost-heater-800', []]])
  })
  it('a three-point valve takes opens and closes', () => {
    const edited = only('boiler', 'mains-230-10', 'martin', 'mixer-230')
    expect(reached(edited, 'martin', 'open')).toEqual([['mixer-230', []]])
    expect(Object.keys(edited.loop.chain.connections)).toContain(
      `${idOf(edited, 'martin')}.close>${idOf(edited, 'mixer-230')}.close`,
    )
  })
  it('probes go where they are made for', () => {
    const edited = only('boiler', 'martin', 'outdoor-ntc10k', 'pocket-ntc10k')
    const to = (profile: string) =>
      Object.values(edited.loop.chain.connections).find((c) => c.from.device === idOf(edited, profile))?.to.port
    expect([to('outdoor-ntc10k'), to('pocket-ntc10k')]).toEqual(['outdoor', 'probe1'])
  })
  it('controllers of a group hang on one line of wires', () => {
    const edited = only('cold-room', 'dunlin', 'dunlin', 'dunlin')
    const pairs = Object.values(edited.loop.chain.connections).filter(({ from }) => from.port === 'group')
    expect(pairs).toHaveLength(2)
    expect(new Set(pairs.map(({ to }) => to.device)).size).toBe(2)
  })
  it('a thermostat that feels by itself is drawn without a probe', () => {
    const edited = chained('fan')
    const { chain } = context(edited)
    const lapwing = idOf(edited, 'lapwing')
    const drawn = outputPath(chain, {
      output: { device: lapwing, port: 'warm' },
      input: { device: lapwing, port: 'none' },
    })
    expect([drawn.probe, drawn.load?.facts.id]).toEqual([undefined, 'fan-ac'])
  })
})

describe('limiters', () => {
  const guards = (edited: Edited, load: string) => {
    const { chain } = context(edited)
    return powerPaths(chain)
      .filter((line) => line.load.facts.id === load)
      .flatMap((line) => limitersOf(chain, line).map((c) => c.device.facts.id))
  }
  it('count in the load\u2019s own line', () => expect(guards(chained('floor'), 'circulator-45')).toEqual(['shrike']))
  it('count by a contactor of their own', () => {
    const begun = step(
      only('cabinet', 'mains-230-20', 'goosander', 'oven-pt100', 'oven-element-2000'),
      'goosander>oven-element-2000:contactor-25',
    )
    const withOwn = step(begun, 'contactor-25>oven-element-2000:contactor-25-24ac')
    expect(guards(withOwn, 'oven-element-2000')).toEqual([])
  })
  it('do not count in the coil of the contactor that also controls', () => {
    const edited = ['goosander>oven-element-2000:contactor-25', 'goosander>contactor-25:harrier'].reduce(
      step,
      only('cabinet', 'mains-230-20', 'goosander', 'oven-pt100', 'oven-element-2000'),
    )
    expect(guards(edited, 'oven-element-2000')).toEqual([])
    expect(checkLoop(context(edited)).open.map(({ code }) => code)).toContain('C018_LIMITER_NOT_INDEPENDENT')
  })
})

describe('supplies', () => {
  it('what only other loops use feeds this one where it fits, and is left alone where it does not', () => {
    const begun = only('floor', 'mains-230-10', 'dipper')
    const other = { ...begun, loop: { ...surveyed('pool').loop, id: 'other' } }
    const wants24 = step(other, 'redstart')
    expect(Object.values(wants24.loop.chain.connections)).toEqual([])
    const wants230 = step(other, 'wren')
    expect(Object.values(wants230.loop.chain.connections)).toHaveLength(1)
  })
  it('a fitting one takes over from one that does not fit', () => {
    const begun = only('pool', 'redstart', 'mains-230-10')
    expect(connection(begun, 'mains-230-10', 'redstart')).toMatchObject({ verdict: 'does-not-fit' })
    const fed = step(begun, 'safety-24')
    expect(connection(fed, 'safety-24', 'redstart')).toMatchObject({ verdict: 'fits' })
    expect(connection(fed, 'mains-230-10', 'safety-24')).toMatchObject({ verdict: 'fits' })
  })
  it('a loop moves to another one as a whole, and leaves one', () => {
    const begun = step(chained('floor'), 'mains-230-20')
    const [from, to] = [idOf(begun, 'mains-230-16-30ma'), idOf(begun, 'mains-230-20')]
    const count = (edited: Edited, id: string) =>
      Object.values(edited.loop.chain.connections).filter((c) => c.from.device === id).length
    const moved = moveSupply(begun, from, to)
    expect([count(moved, from), count(moved, to)]).toEqual([0, count(begun, from)])
    expect(count(leaveSupply(moved, to), to)).toBe(0)
  })
  it('one that feeds nothing is known as idle until something is fed from it, and leaves the job again', () => {
    const begun = surveyed('pool')
    const edited = step(begun, 'safety-24')
    const id = idOf(edited, 'safety-24')
    expect(idleSupplies(edited.job, [edited.loop]).map((each) => each.id)).toEqual([id])
    const fed = step(edited, 'redstart')
    expect(idleSupplies(fed.job, [fed.loop])).toEqual([])
    // What another loop is fed from is not idle.
    expect(idleSupplies(fed.job, [begun.loop, fed.loop])).toEqual([])
    expect(dropSupply(edited, id).job.devices).toEqual(begun.job.devices)
  })
  it('draws count devices and loads, and those of other loops', () => {
    const edited = only('room', 'mains-230-10', 'safety-24-20', 'plover', 'room-ni1000', 'valve-y010')
    const draws = supplyDraws(resolveChain(edited.job, edited.loop.chain))
    const transformer = idOf(edited, 'safety-24-20')
    expect(draws.filter(({ supply }) => supply === transformer).map(({ va }) => va)).toEqual([4, 5])
    const twin = { ...edited.loop, id: 'twin' }
    const both = loopContext(edited.job, edited.loop, fieldData, edited.job, [
      edited.loop,
      twin,
      { ...twin, id: 'third' },
    ])
    expect(checkLoop(both).open.map(({ code }) => code)).toContain('C030_VA_OVER')
  })
})

describe('a device in use keeps the version that it was used with', () => {
  const newer = { ...device('dipper'), version: 2, summary: 'one relay, newer' }
  it('another version gets a key of its own', () => {
    const edited = addDevice(only('floor', 'dipper'), newer, 'second')
    expect(edited.loop.chain.devices['second']!.profile).toBe('dipper.v2')
    expect(edited.job.profiles['dipper']!.summary).toBe('one relay')
    expect(edited.job.profiles['dipper.v2']!.summary).toBe('one relay, newer')
  })
  it('the same version is kept once', () => {
    const edited = only('floor', 'dipper', 'dipper')
    expect(Object.keys(edited.job.profiles)).toEqual(['dipper'])
  })
})

describe('options', () => {
  it('turn the input of a model, and the connection with it', () => {
    const edited = only('cabinet', 'mains-230-10', 'nuthatch', 'pocket-ntc10k')
    expect(connection(edited, 'pocket-ntc10k', 'nuthatch')).toMatchObject({ verdict: 'does-not-fit' })
    const turned = setOption(edited, idOf(edited, 'nuthatch'), 'model', 'ntc')
    expect(connection(turned, 'pocket-ntc10k', 'nuthatch')).toMatchObject({ verdict: 'fits' })
  })
  it('turn the supply of a model, and the terminals with it', () => {
    const edited = only('enclosure', 'supply-24dc', 'ouzel', 'panel-k')
    const rows = (e: Edited) =>
      wireList(resolveChain(e.job, e.loop.chain), 'europe')
        .rows.filter(({ role, to }) => role !== 'probe' && role !== 'screen' && to.deviceName === 'Ouzel')
        .map(({ to }) => to.label)
    expect(rows(edited)).toEqual([])
    expect(rows(setOption(edited, idOf(edited, 'ouzel'), 'model', 'low'))).toEqual(['24', '0'])
  })
})

describe('the wire list of what is new', () => {
  const rowsOf = (edited: Edited) =>
    wireList(resolveChain(edited.job, edited.loop.chain), 'europe').rows.map(
      ({ from, to, role, circuit }) => `${from.tag}.${from.label}-${to.tag}.${to.label} ${role} ${circuit}`,
    )
  it('a call goes out of the input, through every contact, and back', () => {
    const rows = rowsOf(chained('pool')).filter((row) => row.includes('E1'))
    expect(rows).toEqual(['E1.T1-K1.1 control extra-low', 'S1.2-E1.T2 control extra-low'])
  })
  it('a fed contact has its way back on the same device', () => {
    const edited = only('cabinet', 'mains-230-10', 'wheatear', 'ssr-25')
    expect(rowsOf(edited)).toEqual(
      expect.arrayContaining(['A1.+-K1.A1 switched extra-low', 'A1.−-K1.A2 neutral extra-low']),
    )
  })
  it('a signal has two wires, plus to plus', () =>
    expect(rowsOf(only('fan', 'swift', 'fan-ec-010')).filter((row) => row.includes('signal'))).toEqual([
      'A1.OUT-M1.Ui signal extra-low',
      'A1.GND-M1.G signal extra-low',
    ]))
  it('a drive gives its motor three phases and earth', () =>
    expect(
      rowsOf(only('fan', 'mains-230-10', 'swift', 'petrel', 'fan-motor-075')).filter((row) => row.includes('M1')),
    ).toEqual([
      'T1.U-M1.U motor mains',
      'T1.V-M1.V motor mains',
      'T1.W-M1.W motor mains',
      'T1.PE2-M1.PE earth mains',
      'T1.SCR-M1.SCR screen mains',
    ]))
  it('a group has three', () =>
    expect(rowsOf(only('cold-room', 'dunlin', 'dunlin')).filter((row) => row.includes('signal'))).toEqual([
      'A1.A-A2.A signal extra-low',
      'A1.B-A2.B signal extra-low',
      'A1.S-A2.S signal extra-low',
    ]))
})

describe('the chain of a proposal', () => {
  it.each(loopKinds)('%s: has no stop, every load is driven, every connection fits', (kind) => {
    const begun = surveyed(kind)
    const { survey } = context(begun)
    const proposal = propose(context(begun), survey!)
    let made = 0
    const edited = proposedChain(begun, proposal, { shelf, data: fieldData, makeId: () => `p${++made}` })!
    const { judgedConnections, chain } = context(edited)
    const stops = checkLoop(context(edited)).open.filter(({ severity }) => severity === 'stop')
    expect(stops.map(({ code, head }) => `${code} ${head}`)).toEqual([])
    expect(judgedConnections.filter(({ verdict }) => verdict === 'does-not-fit')).toEqual([])
    expect(chain.devices.some(({ facts }) => facts.category === 'load')).toBe(true)
    expect(Object.keys(edited.loop.settings.planned).length).toBeGreaterThanOrEqual(
      proposal.control === 'fan' ? 1 : proposal.stages,
    )
  })
  it.each(loopKinds)('%s: in US practice too, on circuits that are found there', (kind) => {
    const begun = surveyed(kind)
    const us = { ...begun, job: { ...begun.job, practice: 'us' as const } }
    const proposal = propose(context(us), context(us).survey!)
    let made = 0
    const edited = proposedChain(us, proposal, { shelf, data: fieldData, makeId: () => `u${++made}` })!
    const { chain } = context(edited)
    expect(
      checkLoop(context(edited))
        .open.filter(({ severity }) => severity === 'stop')
        .map(({ code, head }) => `${code} ${head}`),
    ).toEqual([])
    for (const { facts } of chain.devices) expect(facts.standard ?? 'us').toBe('us')
  })
  it('says so where the shelf has no controller for it', () => {
    const begun = surveyed('fan')
    const proposal = propose(context(begun), context(begun).survey!)
    const bare = shelf.filter(({ category }) => category !== 'controller')
    expect(proposedChain(begun, proposal, { shelf: bare, data: fieldData, makeId: () => 'x' })).toBeUndefined()
  })
})

it('a swap keeps what still fits, and every kind of device can stand in for another', () => {
  const edited = chained('floor')
  expect(Object.keys(swapped(edited, 'dipper', 'wren').loop.chain.connections)).toHaveLength(
    Object.keys(edited.loop.chain.connections).length,
  )
})
