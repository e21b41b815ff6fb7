import { describe, expect, it } from '@jest/globals'
import { loopContext } from '../loop/context'
import { signingBlockedBy } from '../progress/stepStatus'
import type { LoopDocument, Temporary } from '../document/documents'
import type { Answer } from '../kinds/answers'
import type { LoopKind } from '../kinds/kinds'
import { loopKinds } from '../kinds/kinds'
import type { DeviceProfile } from '../device/deviceProfile'
import { answered } from '../testing/answered'
import { chained, idOf, told } from '../testing/chains'
import { fieldData } from '../testing/fieldData'
import { keepStep, nextStep, soundStepReading } from '../testing/soundSteps'
import { practices, soundIn } from '../testing/usChains'
import { addDevice, setOption } from '../wiring/chainEdit'
import type { Edited } from '../wiring/edited'
import { judgeRow } from '../wiring/judgeRow'
import { electronicsOf } from './electronics'
import { deadPairs } from './isolateSteps'
import { proofTests } from './proofTests'
import { safetyBlocks } from './safetyBlocks'
import type { SafetyBlockId, SafetyStep } from './safetyStep'
import { huntGrounds, huntShort } from './shortFinder'
import { duringStep, duringTest, endedWork } from './temporaryWork'
import { windingMostOhm, windingsOf, windingVerdict } from './windingSteps'

const contextOf = ({ job, loop }: Edited) => loopContext(job, loop, fieldData)
const stepsOf = (edited: Edited) => safetyBlocks(contextOf(edited)).steps
const all = (edited: Edited) => Object.values(stepsOf(edited)).flat()
const starting = (edited: Edited, start: string) => all(edited).filter(({ id }) => id.startsWith(start))
const one = (edited: Edited, start: string): SafetyStep => {
  const [found] = starting(edited, start)
  if (!found)
    throw new Error(
      `no step ${start} in ${all(edited)
        .map(({ id }) => id)
        .join(' ')}`,
    )
  return found
}
const withLoop = ({ job, loop }: Edited, change: (loop: LoopDocument) => LoopDocument): Edited => ({
  job,
  loop: change(loop),
})
let order = 0
const kept = (edited: Edited, step: SafetyStep, value: number | null | 'yes' | 'no'): Edited => {
  order++
  return withLoop(edited, (loop) => ({ ...loop, ...keepStep(loop, step, { order, key: `k${order}`, value }) }))
}
/** The same step after a reading. */
const judged = (edited: Edited, start: string, value: number | null) =>
  one(kept(edited, one(edited, start), value), start)
const facts = ({ job, loop }: Edited, id: string, change: (each: DeviceProfile) => DeviceProfile): Edited => ({
  job: { ...job, profiles: { ...job.profiles, [id]: change(job.profiles[id]!) } },
  loop,
})
const asked = (edited: Edited, answers: Readonly<Record<string, Answer>>) =>
  withLoop(edited, (loop) => ({ ...loop, survey: { ...loop.survey, answers: { ...loop.survey.answers, ...answers } } }))
const registered = (edited: Edited, entry: Partial<Temporary>): Edited =>
  withLoop(edited, (loop) => ({
    ...loop,
    temporary: { t: { order: 1, what: 'Bridge: K1 11 and 14', by: 'Ann', at: '2026-01-05T08:00:00Z', ...entry } },
  }))
/** Every wire landed and tested, then the steps of some blocks as sound work goes. */
function worked(edited: Edited, ...blocks: readonly SafetyBlockId[]): Edited {
  const context = contextOf(edited)
  let next = withLoop(edited, (loop) => ({
    ...loop,
    wiring: {
      ...loop.wiring,
      rows: Object.fromEntries(
        context.rows.map((row) => [
          row.id,
          {
            landed: true as const,
            lengthM: 4,
            tested: {
              text: '0.2',
              unit: 'ohm' as const,
              state: 'value' as const,
              value: judgeRow(context, row).limitOhm / 2,
              at: '2026-01-05T08:00:00Z',
              by: 'Ann',
            },
          },
        ]),
      ),
    },
  }))
  for (let i = 0; i < 300; i++) {
    const step = nextStep(contextOf(next), blocks)
    if (!step) return next
    next = kept(next, step, step.ask.kind === 'answer' ? 'yes' : soundStepReading(step))
  }
  throw new Error('never ends')
}

const drive = () => chained('fan', {}, ['mains-230-10', 'swift', 'petrel', 'fan-motor-075'])
/** A fan motor of three phases on a circuit of three phases, through a contactor: made up, the shelf has none yet. */
function threePhase(): Edited {
  const circuit: DeviceProfile = {
    format: 1,
    id: 'mains-3x400',
    category: 'supply',
    name: 'Circuit, three phases',
    summary: 'made up',
    terminals: Object.fromEntries(
      ['L1', 'L2', 'L3', 'N', 'PE'].map((label, i) => [label, { order: i + 1, label, voltageClass: 'mains' as const }]),
    ),
    ports: {
      out: {
        kind: 'supply-out',
        title: 'out',
        volts: 230,
        current: 'ac',
        protectionA: 16,
        line: 'L1',
        l2: 'L2',
        l3: 'L3',
        neutral: 'N',
        earth: 'PE',
      },
    },
  }
  const edited = chained('fan', { occupants: 'nobody', motor: 'onoff' }, ['lapwing', 'fan-motor-075'])
  return addDevice(edited, circuit, 'three')
}

describe('1 nothing is lifted live on an input that is not separated', () => {
  const cabinet = () => chained('cabinet', {}, ['mains-230-20', 'wheatear', 'oven-k', 'oven-element-2000', 'goshawk'])
  it('wheatear\u2019s input is not: power-up and the probe test lift dead, cover closed', () => {
    const pull = one(cabinet(), 'on:pull:')
    expect(pull.doing).toMatch(/^Off, locked, proved dead: lift .* Cover closed, power on.*land it again/)
    expect(pull.caution).toContain('not separated from mains')
    const test = proofTests(contextOf(cabinet())).find(({ kind }) => kind === 'probe-fault')!
    expect(test.steps[0]!.does).toMatch(/^Off, locked, proved dead: lift one lead/)
    expect(test.steps[0]!.caution).toContain('can be live')
  })
  it('goosander\u2019s is: the probe test may lift it as it is', () => {
    const test = proofTests(contextOf(chained('cabinet'))).find(({ kind }) => kind === 'probe-fault')!
    expect(test.steps[0]!.does).toMatch(/^Lift one lead/)
    expect(test.steps[0]!.caution).toBeUndefined()
  })
})

describe.each(practices)('2 first live goes in rounds, in %s practice', (practice) => {
  it.each(loopKinds)('%s: whatever is landed or lifted is off, proved dead, landed, then powered again', (kind) => {
    const live = stepsOf(soundIn(practice, kind)).live
    const kinds = live.map(({ id }) => id.split(':')[0])
    for (const [i, name] of kinds.entries())
      if (name === 'land') expect(kinds.slice(i - 2, i)).toEqual(['round-off', 'round-dead'])
    // No step with the power on tells anybody to land or lift, unless it says dead.
    for (const { doing, id } of live)
      if (/\b(land|lift) /i.test(doing)) expect(`${id}: ${doing}`).toMatch(/\b(dead|Dead)\b/)
    for (const { id } of live.filter((step) => /^(supply|polarity|hots|neutral):/.test(step.id))) {
      const at = live.findIndex((step) => step.id === id)
      expect(kinds.slice(at).indexOf('land')).toBeGreaterThan(0)
    }
  })
  it.each(loopKinds)('%s: what the dead tests lifted is put back by steps of their own, dead', (kind) => {
    const edited = soundIn(practice, kind)
    const { dead } = stepsOf(edited)
    const back = dead.filter(({ group }) => group === 'Restored').map(({ id }) => id.split(':')[0])
    expect(back).toContain('back-contacts')
    if (contextOf(edited).rows.some(({ role, circuit }) => role === 'neutral' && circuit === 'mains'))
      expect(back).toContain('back-n')
    if (electronicsOf(contextOf(edited).chain.devices).length > 0) expect(back).toContain('back-electronics')
    expect(dead.slice(-back.length).every(({ group, must }) => group === 'Restored' && must)).toBe(true)
  })
})

describe('supplies come up from the root', () => {
  it('what hangs on a transformer is measured after that is landed', () => {
    const live = stepsOf(chained('pool')).live.map(({ id, title }) => `${id.split(':')[0]} ${title}`)
    const at = (start: string) => live.findIndex((each) => each.startsWith(start))
    expect(at('supply Supply of X2')).toBeLessThan(at('land Round 1'))
    expect(at('land Round 1')).toBeLessThan(at('supply Supply of A1'))
  })
  it('a drive whose controls hang on a power supply has its two supplies in two rounds', () => {
    const edited = chained('fan', { occupants: 'nobody' }, [
      'mains-230-10',
      'supply-24dc',
      'swift',
      'petrel',
      'fan-motor-075',
    ])
    const live = stepsOf(edited).live
    const mine = live.flatMap(({ id, title }, i) => (id.startsWith('supply:') && title.endsWith('T1') ? [i] : []))
    const landed = live.findIndex(({ id }) => id.startsWith('land:1'))
    expect(mine).toHaveLength(2)
    expect(mine[0]!).toBeLessThan(landed)
    expect(mine[1]!).toBeGreaterThan(landed)
  })
})

describe('3 the temporary list shuts first live', () => {
  const ready = () => worked(chained('floor'), 'isolate', 'dead')
  const shut = (edited: Edited) => safetyBlocks(contextOf(edited)).shutBy
  it('is open with an empty list', () => expect(shut(ready())).toEqual([]))
  it.each(['bridge', 'forced', 'limit', 'lifted', 'hand'] as const)('%s: shut', (kind) =>
    expect(shut(registered(ready(), { kind }))).toEqual([
      'On the temporary list: Bridge: K1 11 and 14. Take it off first.',
    ]),
  )
  it('lets through what its own running step makes, until that is answered', () => {
    const edited = ready()
    const step = one(edited, 'on:pull:')
    const during = `live/${step.id}`
    expect(shut(registered(edited, { kind: 'lifted', during }))).toEqual([])
    expect(shut(registered(kept(edited, step, 'yes'), { kind: 'lifted', during }))).toHaveLength(1)
  })
  it('lets through what a running test makes, and not what a failed one left', () => {
    const edited = worked(chained('pool'), 'isolate', 'dead')
    const test = proofTests(contextOf(edited)).find(({ kind }) => kind === 'permissive')!
    const mine = registered(edited, { kind: 'lifted', during: `test/${test.id}` })
    expect(shut(mine)).toEqual([])
    const bad = withLoop(mine, (loop) => ({
      ...loop,
      proof: {
        ...loop.proof,
        readings: {
          ...loop.proof.readings,
          x: {
            order: 999,
            test: test.id,
            step: 'dry',
            text: 'comes',
            unit: '',
            state: 'value',
            at: '2026-01-05T08:00:00Z',
            by: 'Ann',
          },
        },
      },
    }))
    expect(shut(bad)).toHaveLength(1)
    expect(ended(bad, duringTest(test.id))).toHaveLength(1)
  })
  const ended = ({ job, loop }: Edited, ...recorded: readonly string[]) =>
    Object.values(endedWork(job, loop, fieldData, recorded).temporary)
  it.each([
    ['yes', 0],
    ['no', 1],
  ] as const)('a step that is answered with %s leaves %d of what it made', (answer, left) => {
    const edited = ready()
    const step = one(edited, 'on:pull:')
    const during = duringStep(step)
    expect(ended(registered(kept(edited, step, answer), { kind: 'lifted', during }), during)).toHaveLength(left)
  })
  it('a step ends nothing of another one, nor what belongs to none', () => {
    const edited = ready()
    const step = one(edited, 'on:pull:')
    const done = kept(edited, step, 'yes')
    expect(ended(registered(done, { kind: 'lifted', during: 'live/another' }), duringStep(step))).toHaveLength(1)
    expect(ended(registered(done, { kind: 'lifted' }), duringStep(step))).toHaveLength(1)
    // What is entered at a step that was good before stays until that step is done again.
    expect(ended(registered(done, { kind: 'lifted', during: duringStep(step) }), 'live/another')).toHaveLength(1)
  })
  it('a test that comes out good ends what it made', () => {
    const { loop, job } = worked(chained('pool'), 'isolate', 'dead')
    const test = proofTests(contextOf({ job, loop })).find(({ kind }) => kind === 'permissive')!
    const good = answered({ job, loop }, test.id, {
      dry: 'none',
      runs: 'yes',
      opened: 'stops',
      within: 3,
      closed: 'yes',
    })
    const made = registered({ job: good.job, loop: good.loop }, { kind: 'lifted', during: duringTest(test.id) })
    expect(proofTests(contextOf(made)).find(({ id }) => id === test.id)!.result.verdict).toBe('good')
    expect(ended(made, duringTest(test.id))).toHaveLength(0)
  })
})

describe('4 dead on every pole', () => {
  const source = (edited: Edited) => contextOf(edited).wires.main!
  const pairs = (edited: Edited) => deadPairs(source(edited)).map((pair) => pair.join('-'))
  it('one phase', () => expect(pairs(chained('floor'))).toEqual(['L-N', 'L-PE', 'N-PE']))
  it('two hots', () =>
    expect(pairs(soundIn('us', 'cabinet'))).toEqual(['L1-L2', 'L1-N', 'L1-G', 'L2-N', 'L2-G', 'N-G']))
  it('three phases', () =>
    expect(pairs(threePhase())).toEqual([
      'L1-L2',
      'L1-L3',
      'L2-L3',
      'L1-N',
      'L1-PE',
      'L2-N',
      'L2-PE',
      'L3-N',
      'L3-PE',
      'N-PE',
    ]))
  it('a supply that is not in the list has its further poles asked for', () =>
    expect(starting(chained('pool'), 'dead:').some(({ id }) => id.endsWith('further poles-all'))).toBe(true))
  it.each([
    ['dclink:', 60, 'stop'],
    ['dclink:', 20, 'good'],
    ['leads:', 320, 'stop'],
    ['leads:', null, 'stop'],
    ['leads:', 0, 'good'],
  ] as const)('a drive: %s %s V is %s', (start, volts, verdict) =>
    expect(judged(drive(), start, volts)).toMatchObject({ verdict, forbids: verdict === 'stop' }),
  )
  it('says how many volts count as dead', () =>
    expect(one(drive(), 'dclink:').should).toContain('42 V or less counts as dead'))
  it('nothing of the sort where nothing holds a charge', () =>
    expect(starting(chained('floor'), 'dclink:').concat(starting(chained('floor'), 'charge:'))).toEqual([]))
})

describe('5 phase sequence', () => {
  it('on the supply side of a three-phase load', () => {
    const [step] = starting(threePhase(), 'phases:')
    expect(step!.doing).toContain('Never on the output of a drive')
  })
  it('never behind a drive; wrong way round two motor leads are exchanged dead', () => {
    expect(starting(drive(), 'phases:')).toEqual([])
    const edited = drive()
    const turn = one(kept(edited, one(edited, 'on:turn:'), 'no'), 'on:turn:')
    expect(turn.cause).toMatch(/off, locked, dead, charge waited out; on three phases exchange two motor leads/)
  })
})

describe('6 insulation testers never see electronics', () => {
  const names = (edited: Edited) => electronicsOf(contextOf(edited).chain.devices).map(({ facts: { id } }) => id)
  it.each<[LoopKind, readonly string[]]>([
    ['boiler', ['martin', 'boiler-cond']],
    ['pool', ['redstart', 'pool-gas', 'safety-24']],
    ['chiller', ['curlew', 'compressor-call']],
    ['cabin', ['ptarmigan', 'cabin-heater', 'co-alarm']],
    ['fan', ['swift', 'humid-010', 'fan-ec-010', 'alarm-own', 'safety-24-20']],
  ])('%s lifts %j', (kind, ids) => {
    expect(names(chained(kind))).toEqual(expect.arrayContaining([...ids]))
    if (kind !== 'cabin')
      for (const { tag } of electronicsOf(contextOf(chained(kind)).chain.devices))
        expect(one(chained(kind), 'lifted:').doing).toContain(tag)
  })
  it('a mechanical thermostat, a contactor and an element stay in', () => {
    expect(names(chained('fan'))).not.toContain('lapwing')
    expect(names(chained('cabinet'))).toEqual(['goosander'])
  })
  it('drives and their motors come off too', () => {
    expect(names(drive())).toContain('petrel')
    expect(one(drive(), 'lifted:').doing).toContain('off the drive')
  })
  it('no insulation test on a vehicle with minus on its chassis, nor where nobody looked', () => {
    expect(starting(chained('cabin'), 'insulation:')).toEqual([])
    expect(starting(chained('cabin', { chassis: undefined }), 'insulation:')).toEqual([])
    expect(one(chained('cabin'), 'chassis:').doing).toContain('No insulation test')
    expect(judged(chained('cabin'), 'chassis:', 40)).toMatchObject({ verdict: 'stop', forbids: true })
    expect(judged(chained('cabin'), 'chassis:', null).verdict).toBe('good')
  })
  it('but where minus is insulated', () =>
    expect(starting(chained('cabin', { chassis: 'apart' }), 'insulation:')).toHaveLength(1))
  const earthed = () => {
    const edited = chained('pool')
    return setOption(edited, idOf(edited, 'safety-24'), 'common', 'earthed')
  }
  it('an earthed common is no fault: its link is lifted, and put back', () => {
    const edited = earthed()
    expect(one(edited, 'ready:').doing).toContain('Earth link of the 0')
    expect(starting(edited, 'back-link:')).toHaveLength(1)
    const lifted = kept(edited, one(edited, 'lifted:'), 'yes')
    const through = judged(lifted, 'insulation:extra-low', 0.4)
    expect(through).toMatchObject({ verdict: 'look-again', forbids: false, holds: true })
    // With the link lifted the same reading is a fault.
    expect(judged(kept(lifted, one(lifted, 'ready:'), 'yes'), 'insulation:extra-low', 0.4)).toMatchObject({
      verdict: 'stop',
      forbids: true,
    })
  })
  it('mains against extra-low voltage is an insulation test at 500 V, at least 1 Mohm', () => {
    const pool = chained('pool')
    const edited = kept(pool, one(pool, 'lifted:'), 'yes')
    const step = one(edited, 'apart:mains-low')
    expect(step).toMatchObject({ group: 'Insulation', should: 'At least 1 Mohm.', ask: { quantity: 'insulation' } })
    expect(step.doing).toContain('500 V DC')
    expect(judged(edited, 'apart:mains-low', 9e5)).toMatchObject({ verdict: 'stop', forbids: true })
    expect(judged(edited, 'apart:mains-low', 5e7).verdict).toBe('good')
    expect(judged(pool, 'apart:mains-low', 5e7).cause).toContain('Electronics are still connected')
  })
})

describe('7 motors and windings', () => {
  it.each([
    [10, [10, 10.2, 9.9], 'good'],
    [10, [10, 11.5, 10], 'stop'],
    [10, [10, undefined, undefined], 'good'],
    [null, [undefined, 10, 10], 'stop'],
    [0.02, [0.02, undefined, undefined], 'stop'],
    [499, [499], 'good'],
    [501, [501], 'stop'],
  ] as const)('%s of %j is %s', (reading, others, verdict) =>
    expect(windingVerdict(reading, others, 5, 500)).toMatchObject({ verdict, forbidsEnergising: verdict === 'stop' }),
  )
  it('three windings on a drive, each pair a step, and all to earth', () =>
    expect(starting(drive(), 'winding').map(({ title }) => title)).toEqual([
      'M1: U to V',
      'M1: V to W',
      'M1: U to W',
      'M1: windings to earth',
    ]))
  it.each(['floor', 'fan'] as const)('%s: 200 ohm from a winding to earth never reads as good', (kind) => {
    expect(judged(chained(kind), 'winding-earth:', 200)).toMatchObject({ verdict: 'stop', forbids: true })
    expect(judged(chained(kind), 'winding-earth:', 2e8).verdict).toBe('good')
  })
  it('a single winding may have some ohms across it, and not megohms', () => {
    expect(judged(chained('floor'), 'winding:', 200).verdict).toBe('good')
    expect(judged(chained('floor'), 'winding:', 5e6)).toMatchObject({ verdict: 'stop', forbids: true })
  })
  it.each([
    [230, 50, 1, 1058],
    [400, 2000, 3, 160],
    [230, 0, 1, Infinity],
  ] as const)('%d V, %d W, %d phases: no whole winding reads over %d ohm', (volts, powerW, phases, most) => {
    const { port } = windingsOf(contextOf(chained('floor')))[0]!
    expect(windingMostOhm({ ...port.load, volts, powerW, phases })).toBeCloseTo(most, 9)
  })
})

describe('8 the short finder knows windings, coils, transformers and lamps', () => {
  const ground = (edited: Edited) => huntGrounds(contextOf(edited)).find(({ id }) => id.endsWith(':L-N'))!
  it('lifts them before it begins, and has them in no branch', () => {
    const { branches } = ground(chained('floor'))
    expect(branches.flatMap(({ lifts }) => lifts ?? [])).toEqual(
      expect.arrayContaining([expect.stringContaining('Circulator')]),
    )
    expect(branches.flatMap(({ parts }) => parts).some(({ title }) => title.includes('Circulator'))).toBe(false)
    expect(huntShort(branches, []).doing).toContain('their windings read some ohms and are no fault')
  })
  it('a transformer is lifted too; a plain element is reckoned with', () => {
    expect(ground(chained('pool')).branches.find(({ title }) => title.includes('transformer'))?.lifts).toBeDefined()
    const element = ground(chained('cabinet')).branches.find(({ title }) => title.startsWith('E1'))!
    expect(element).toMatchObject({ loadOhm: expect.closeTo(26.45, 2) as unknown })
    expect(element.lifts).toBeUndefined()
  })
  it('calls a wire that is shorted the fault, not the pump behind it', () => {
    const { branches } = ground(chained('floor'))
    let hunt = huntShort(branches, [])
    const readings = []
    const bad = branches.find(({ title }) => title.includes('Circulator'))!
    for (let i = 0; i < 20 && hunt.cut; i++) {
      if (hunt.state === 'mend') break
      const cut = hunt.cut
      const joined = cut.connected.includes(bad.id) && (cut.parts === undefined || cut.parts >= 1)
      readings.push({ ...cut, ohm: joined ? 0.3 : null })
      hunt = huntShort(branches, readings)
    }
    expect(hunt.found[0]).toMatchObject({ branch: bad.id, part: bad.parts[0]!.id })
  })
})

describe('9 a transmitter that lives on its loop', () => {
  const loop = () =>
    facts(chained('fan'), 'humid-010', (each) => ({
      ...each,
      ports: {
        out: {
          kind: 'measure-out',
          title: 'signal',
          measures: 'humidity',
          signal: '4-20mA',
          low: 0,
          high: 100,
          plus: '1',
          minus: '2',
          loop: { dropV: 10 },
        },
      },
    }))
  it('has the meter in series', () =>
    expect(starting(loop(), 'signal:').find(({ title }) => title.endsWith('B2'))!.doing).toMatch(/in series/))
  it('one with its own supply is read at its lifted wires', () =>
    expect(starting(chained('fan'), 'signal:').find(({ title }) => title.endsWith('B2'))!.doing).toMatch(
      /^Wires of B2 still lifted at A1/,
    ))
})

describe('10 flow guards', () => {
  it('are tried first without flow, the load lifted; the call opens and the heater runs after', () => {
    const steps = stepsOf(chained('pool')).live
    const dry = steps.findIndex(({ id }) => id.startsWith('on:dry:'))
    const guard = steps.findIndex(({ id }) => id.startsWith('on:protection:'))
    expect(dry).toBeGreaterThan(0)
    expect(guard).toBeGreaterThan(dry)
    expect(steps[dry]!.doing).toMatch(/First without flow\. Off, dead: lift the call of E1/)
    expect(steps[guard]!.should).toMatch(/call opens at once; E1 goes through its after-run/)
    const test = proofTests(contextOf(chained('pool'))).find(({ kind }) => kind === 'permissive')!
    expect(test.steps[0]).toMatchObject({ id: 'dry', main: { ask: { wants: 'none' } } })
  })
  it('a pump in its own line does lose its voltage at once', () =>
    expect(one(chained('floor'), 'on:protection:').should).toContain('loses its voltage at once'))
})

describe('11 how a guard is made to open', () => {
  const openedBy = (edited: Edited, tag: RegExp) =>
    proofTests(contextOf(edited))
      .find(({ kind, about }) => kind === 'permissive' && tag.test(about))!
      .steps.find(({ id }) => id === 'opened')!.does
  it('a freeze thermostat under zero goes into brine at its dial less 2 K, or its dial is raised on the list', () => {
    const edited = told(chained('chiller'), 'frost-stat', { dialC: -6 })
    expect(openedBy(edited, /Freeze/)).toMatch(/salt or glycol bath at \u22128\s°C.*raise its dial.*temporary list/)
  })
  it('one at 4 \u00b0C takes ice water', () =>
    expect(openedBy(told(chained('chiller'), 'frost-stat', { dialC: 4 }), /Freeze/)).toMatch(
      /in ice water, its head dry/,
    ))
  it('air proofs open by the fan or the tube, never by a board', () => {
    const text = JSON.stringify(proofTests(contextOf(chained('fan'))))
    expect(text).toMatch(/pull the pressure tube off|pressure tube pulled off/)
    expect(text).not.toContain('board')
  })
  const limiter = (edited: Edited) => proofTests(contextOf(edited)).find(({ kind }) => kind === 'limiter')!
  it('a bulb goes into a bath within its range, its head dry', () => {
    const test = limiter(chained('floor'))
    expect(test.how).toMatch(/bulb of F1 in warm water, within its range of 30\s°C to 90\s°C/)
    expect(test.safety.join(' ')).toContain('mains terminals stay dry')
  })
  it('over boiling it is a dry block', () =>
    expect(limiter(told(chained('cabinet'), 'goshawk', { dialC: 140 })).how).toContain('dry block'))
  it('a bimetal takes hot air with its load lifted, never water', () => {
    const test = limiter(chained('room'))
    expect(test.how).toContain('its load lifted')
    expect(test.steps[0]!.does).toMatch(/^Off, locked, proved dead: lift the line/)
    expect(test.safety.join(' ')).toContain('never goes into water')
  })
})

describe('12 what switches off is proved by a licensed person', () => {
  const pool = () => chained('pool')
  it.each([
    ['rcd:', 280, 'good'],
    ['rcd:', 320, 'stop'],
    ['rcd-five:', 39, 'good'],
    ['rcd-five:', 41, 'stop'],
    ['rcd:', null, 'stop'],
    ['loop:', 1, 'good'],
    ['loop:', 40, 'look-again'],
    ['loop:', 4000, 'stop'],
  ] as const)('%s %s is %s', (start, value, verdict) => expect(judged(pool(), start, value).verdict).toBe(verdict))
  it.each([
    [5, 'good'],
    [3, 'look-again'],
    [30, 'stop'],
    [null, 'stop'],
  ] as const)('Class A at %s mA is %s', (value, verdict) =>
    expect(judged(soundIn('us', 'pool'), 'gfci:', value).verdict).toBe(verdict),
  )
  it('must be there where a rule relies on it, and signing waits for it', () => {
    expect(one(pool(), 'rcd:').must).toBe(true)
    expect(one(asked(chained('floor'), { wet: 'dry' }), 'rcd:').must).toBe(false)
    const blocked = (edited: Edited) =>
      signingBlockedBy(contextOf(edited)).filter((line) => line.includes('a rule relies on it'))
    const ready = worked(pool(), 'isolate', 'dead')
    expect(blocked(ready)).toHaveLength(2)
    expect(blocked(worked(ready, 'live'))).toEqual([])
  })
  it('without such a device a high loop is a stop', () => {
    expect(judged(chained('boiler'), 'loop:', 1).verdict).toBe('good')
    expect(judged(chained('boiler'), 'loop:', 40)).toMatchObject({ verdict: 'stop', forbids: true })
  })
  it('a circuit without such a device has its loop measured alone', () =>
    expect(starting(chained('boiler'), 'rcd')).toEqual([]))
})

describe('19 what was too strict', () => {
  const small = () => chained('floor', {}, ['mains-230-16-30ma', 'safety-24-20', 'floor-ntc10k', 'dipper'])
  it.each([
    [27.5, 'good'],
    [24, 'good'],
    [31, 'look-again'],
    [230, 'stop'],
    [12, 'stop'],
  ] as const)('%s V of a small 24 V transformer without load is %s', (volts, verdict) => {
    const edited = small()
    const step = starting(edited, 'supply:').find(({ title }) => title.endsWith('A1'))!
    expect(step.should).toContain('20.4')
    const after = kept(edited, step, volts)
    expect(all(after).find(({ id }) => id === step.id)!.verdict).toBe(verdict)
  })
  it('and is measured again loaded', () => expect(starting(small(), 'loaded:')).toHaveLength(1))
  it.each([
    [14.2, 'good'],
    [8, 'stop'],
  ] as const)('%s V of a 12 V battery is %s', (volts, verdict) =>
    expect(judged(chained('cabin'), 'supply:', volts).verdict).toBe(verdict),
  )
  it('an earth over its limit on an assumed length is looked at again, and holds until the length is typed', () => {
    const assumed = judged(chained('floor'), 'earth:', 0.4)
    expect(assumed).toMatchObject({ verdict: 'look-again', forbids: false, holds: true })
    const edited = chained('floor')
    const row = contextOf(edited).rows.find(({ role }) => role === 'earth')!
    const typed = (lengthM: number) =>
      withLoop(edited, (loop) => ({ ...loop, wiring: { rows: { [row.id]: { lengthM } } } }))
    expect(judged(typed(4), 'earth:', 0.4)).toMatchObject({ verdict: 'stop', forbids: true })
    expect(judged(typed(60), 'earth:', 0.4).verdict).toBe('good')
    expect(judged(chained('floor'), 'earth:', null)).toMatchObject({ verdict: 'stop', forbids: true })
  })
  it('it keeps first live shut without having failed', () => {
    const edited = worked(chained('floor'), 'isolate', 'dead')
    const bare = withLoop(edited, (loop) => ({
      ...loop,
      wiring: {
        ...loop.wiring,
        rows: Object.fromEntries(Object.entries(loop.wiring.rows).map(([id, { lengthM: _l, ...rest }]) => [id, rest])),
      },
    }))
    const after = kept(bare, one(bare, 'earth:'), 0.4)
    const blocks = safetyBlocks(contextOf(after))
    expect(blocks.failed).toEqual([])
    expect(blocks.shutBy.some((line) => line.includes('Type the length of wire'))).toBe(true)
  })
})

describe('bonding at touched water', () => {
  it('is proved in the dead tests', () => {
    expect(judged(chained('pool'), 'bond:', 0.08).verdict).toBe('good')
    expect(judged(chained('pool'), 'bond:', 3)).toMatchObject({ verdict: 'stop', forbids: true })
    expect(starting(chained('pool', { users: 'nobody' }), 'bond:')).toEqual([])
  })
})
