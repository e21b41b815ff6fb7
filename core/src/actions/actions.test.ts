import { describe, expect, it } from '@jest/globals'
import { checkLoop } from '../check/checkLoop'
import { loopContext } from '../loop/context'
import { findingKey } from '../check/finding'
import { proofTests } from '../commissioning/proofTests'
import { ruleCases } from '../testing/ruleCases'
import { changesBetween } from '../document/changesBetween'
import { emptyLoop, type Reading } from '../document/documents'
import { chained } from '../testing/chains'
import { shelf } from '../testing/loops'
import { fieldData } from '../testing/fieldData'
import { Refused } from '../units/refused'
import type { Edited } from '../wiring/edited'
import type { Hand } from './action'
import { actions, findAction } from './registry'

const frozen = <T>(value: T): T => {
  if (typeof value === 'object' && value !== null && !Object.isFrozen(value)) {
    Object.freeze(value)
    Object.values(value).forEach(frozen)
  }
  return value
}

function handOf(by = 'Ilse Farn'): Hand {
  let made = 0
  return { by, at: '2026-01-05T08:00:00.000Z', newId: () => `made-${++made}`, data: fieldData, shelf }
}

const floor = chained('floor')
const reading: Reading = {
  text: '28',
  unit: '°C',
  state: 'value',
  value: 28,
  at: '2026-01-05T08:00:00.000Z',
  by: 'Ilse Farn',
}
const [plan] = Object.keys(floor.loop.settings.planned) as [string]
const [controller] = Object.entries(floor.loop.chain.devices).flatMap(([id, { profile }]) =>
  floor.job.profiles[profile]?.controller ? [id] : [],
) as [string]
const [limiter] = Object.entries(floor.loop.chain.devices).flatMap(([id, { profile }]) =>
  floor.job.profiles[profile]?.limiter ? [id] : [],
) as [string]
const otherLimiter = shelf.find(
  ({ limiter: facts, id }) => facts && id !== floor.job.profiles[floor.loop.chain.devices[limiter]!.profile]!.id,
)!.id
const [supply] = Object.keys(floor.job.devices) as [string]
const { to: into } = Object.values(floor.loop.chain.connections).find(({ to }) => to.device === controller)!
const dimmed: Edited = {
  job: {
    ...floor.job,
    devices: { ...floor.job.devices, idle: { ...floor.job.devices[supply]!, order: 9, tag: 'X9' } },
    instruments: { meter: { order: 1, name: 'Meter', serial: '7' } },
    kit: { '2026-01-05': { meter: true } },
  },
  loop: {
    ...floor.loop,
    survey: {
      ...floor.loop.survey,
      complaint: 'cold',
      ways: { ...floor.loop.survey.ways, area: { way: 'measured', values: { a: 1 } } },
    },
    temporary: { one: { order: 1, kind: 'bridge', what: 'F1 bridged', by: 'Ann', at: reading.at } },
    handover: { signed: { by: 'Ann', at: reading.at, instrument: 'Meter' } },
    proof: { ...floor.loop.proof, skipped: { 'offset/x': { by: 'Ann', at: reading.at, reason: 'none' } } },
    trial: { runs: { old: {} as never }, plant: { 'cap.screed': 2 } },
    wiring: {
      ...floor.loop.wiring,
      rows: { gone: { landed: true }, stays: { landed: true } },
      changed: {
        gone: { order: 1, what: 'went', says: 'gone' },
        stays: { order: 2, what: 'moved', says: 'stays' },
      },
      done: { 'mount/a': { answer: 'yes', by: 'Ann', at: reading.at } },
      box: { heightM: 0.6, widthM: 0.4 },
    },
  },
}

/** By action: an input that fits, and the paths of what it changes. */
const cases: Readonly<Record<string, readonly [input: object, paths: readonly string[]]>> = {
  'add-instrument': [{ name: 'Clamp', day: '2026-01-05' }, ['instruments.made-1', 'kit.2026-01-05.made-1']],
  'answer-by-measuring': [
    { question: 'areaM2', value: 12, found: { way: 'sides', values: { a: 3, b: 4 } } },
    ['survey.answers.areaM2', 'survey.ways.areaM2'],
  ],
  'answer-questions': [{ answers: { areaM2: 20 }, none: ['area'] }, ['survey.answers.areaM2', 'survey.ways.area']],
  'answer-step': [{ step: 'isolate/off', answer: 'yes' }, ['wiring.done.isolate/off']],
  'apply-test-fix': [{ test: 'none' }, []],
  'begin-test-again': [{ test: `rise-and-fall/${plan}` }, ['proof.attempts', 'proof.past']],
  'carry-instrument': [{ instrument: 'meter', day: '2026-01-05', out: false }, ['kit.2026-01-05.meter']],
  'carry-out': [{ finding: 'none' }, []],
  'change-kind': [{ kind: 'boiler' }, []],
  'change-settings': [
    { planned: { [plan]: { ...floor.loop.settings.planned[plan]!, setpointC: 25 } } },
    ['settings.planned'],
  ],
  'choose-device': [{ profile: otherLimiter, instead: limiter }, [`chain.devices.${limiter}`, 'profiles']],
  'close-finding': [{ finding: 'C040_OFFSET_LARGE/x', reason: ' seen ' }, ['waivers.C040_OFFSET_LARGE/x']],
  'keep-note': [{ text: 'Damp here' }, ['notes']],
  'keep-run': [
    { title: 'Day', choice: '{}', planned: '{}', starts: 1, energyKwh: 1, lowestC: 1, highestC: 2 },
    ['trial.runs.made-1'],
  ],
  'drop-supply': [{ supply: 'idle' }, ['devices.idle']],
  'feed-from': [{ supply: 'idle', instead: supply }, ['chain.connections']],
  'insert-device': [{ connection: 'none', profile: 'shrike' }, []],
  'join-ports': [{ to: into }, ['chain.connections']],
  'lay-across': [{ over: { device: limiter, port: 'contact' }, profile: 'flow-reed' }, []],
  'leave-supply': [{ supply }, ['chain.connections']],
  'key-values': [{ side: 'asLeft', device: controller, values: { set: reading } }, [`settings.asLeft.${controller}`]],
  'leave-test-out': [{ test: `offset/${plan}`, reason: 'no reference' }, [`proof.skipped.offset/${plan}`]],
  'make-test-after-all': [{ test: 'offset/x' }, ['proof.skipped.offset/x']],
  'note-changed-wires': [
    { rows: ['gone', 'stays'] },
    ['wiring.rows.gone', 'wiring.changed.gone', 'wiring.changed.stays'],
  ],
  'open-again': [{ why: 'new pump' }, ['handover.reopened']],
  'put-temporary': [{ kind: 'lifted', what: 'B1 lifted' }, ['temporary.made-1']],
  'remove-device': [{ device: limiter }, [`chain.devices.${limiter}`, 'chain.connections']],
  'remove-run': [{ run: 'old' }, ['trial.runs.old']],
  'rename-loop': [{ name: 'Other' }, ['name']],
  'set-device-option': [{ device: controller, option: 'none', choice: 'none' }, []],
  'set-plant-value': [{ row: 'cap.screed' }, ['trial.plant.cap.screed']],
  'start-chain': [{}, ['chain', 'settings', 'devices', 'profiles']],
  sign: [{ by: 'Ilse Farn', instrument: 'Meter' }, ['handover.signed', 'handover.past']],
  'take-readings': [{ test: 'before/x', readings: [{ ...reading, step: 'commanded' }] }, ['proof.readings.made-1']],
  'tick-hand-over': [{ tick: 'leaflet', on: true }, ['handover.ticks']],
  'tick-hazards': [{ hazards: { mains: true } }, ['survey.hazards.mains']],
  'tick-step': [{ step: 'mount/a', on: false }, ['wiring.done.mount/a']],
  'undo-temporary': [{ entry: 'one' }, ['temporary.one']],
  'write-as-found': [{ found: { state: 'none' } }, ['survey.found']],
  'write-box': [{ box: { depthM: 0.2 }, none: ['widthM'] }, ['wiring.box.depthM', 'wiring.box.widthM']],
  'write-complaint': [{ text: '' }, ['survey.complaint']],
  'write-device': [{ device: limiter, place: 'at the manifold' }, [`chain.devices.${limiter}.place`]],
  'write-hand-over': [{ part: 'call', text: 'Ann' }, ['handover.call']],
  'write-instrument': [{ instrument: 'meter', part: 'serial', text: '' }, ['instruments.meter']],
  'write-job-details': [
    { name: 'Another job', place: 'Elsewhere', practice: 'uk', temperatureUnit: 'C', system: 'metric' },
    ['name', 'place', 'practice'],
  ],
  'write-wire': [{ row: 'stays', state: { landed: true, label: 'L1' } }, ['wiring.rows.stays.label']],
}

const related = (a: string, b: string) => a === b || a.startsWith(`${b}.`) || b.startsWith(`${a}.`)

const run = (id: string, edited: Edited, input: object, hand = handOf()) => findAction(id)!.run(edited, input, hand)
const pathsOf = (before: Edited, after: Edited) =>
  [
    ...changesBetween(before.job.id, before.job, after.job),
    ...changesBetween(before.loop.id, before.loop, after.loop),
  ].map(({ path }) => path.join('.'))

describe('actions', () => {
  it('each has a case here, a name of its own, and what it did in the past tense', () => {
    expect(Object.keys(cases).sort()).toEqual(actions.map(({ id }) => id))
    for (const { did } of actions) expect(did).toMatch(/^(\w+(ed|ose|ook|ote|ut|id|pt|an|ft)|takes|put)\b/)
  })
  it.each(Object.entries(cases).filter(([, [, paths]]) => paths.length > 0))(
    '%s changes what it says and nothing else, and leaves what it was given',
    (id, [input, paths]) => {
      const before = frozen(structuredClone(dimmed))
      const changed = pathsOf(before, run(id, before, input))
      for (const path of paths) expect([path, changed.some((each) => related(each, path))]).toEqual([path, true])
      for (const each of changed) expect([each, paths.some((path) => related(each, path))]).toEqual([each, true])
    },
  )
  it.each([
    ['apply-test-fix', { test: 'none' }, 'test'],
    ['begin-test-again', { test: 'no such test' }, 'test'],
    ['leave-test-out', { test: 'no such test', reason: 'x' }, 'test'],
    ['carry-out', { finding: 'none' }, 'finding'],
    ['carry-out', { connection: 'none' }, 'connection'],
    ['change-kind', { kind: 'boiler' }, 'kind'],
    ['change-settings', { planned: { none: floor.loop.settings.planned[plan]! } }, 'planned'],
    ['change-settings', { controllers: { none: {} } }, 'controllers'],
    ['choose-device', { profile: 'none' }, 'profile'],
    ['choose-device', { profile: otherLimiter, instead: 'none' }, 'instead'],
    ['drop-supply', { supply }, 'supply'],
    ['feed-from', { supply: 'none' }, 'supply'],
    ['insert-device', { connection: 'none', profile: otherLimiter }, 'connection'],
    ['join-ports', { from: { device: limiter, port: 'none' }, to: into }, 'from'],
    ['join-ports', { from: into, to: into }, 'from'],
    ['lay-across', { over: { device: limiter, port: 'none' }, profile: otherLimiter }, 'over'],
    ['leave-supply', { supply: 'none' }, 'supply'],
    ['remove-device', { device: 'none' }, 'device'],
    ['set-device-option', { device: controller, option: 'none', choice: 'x' }, 'option'],
    ['undo-temporary', { entry: 'nothing' }, 'entry'],
    ['write-hand-over', { part: 'retest', text: '2027-02-30' }, 'text'],
    ['write-instrument', { instrument: 'meter', part: 'due', text: 'soon' }, 'text'],
    ['write-instrument', { instrument: 'none', part: 'serial', text: '1' }, 'instrument'],
  ])('%s of what is not there names the field and changes nothing', (id, input, field) => {
    const refused = (() => {
      try {
        return run(id, dimmed, input)
      } catch (error) {
        return error
      }
    })()
    expect(refused).toBeInstanceOf(Refused)
    expect((refused as Refused).field).toBe(field)
  })
  const remedied = Object.entries(ruleCases).flatMap(([code, [make]]) => {
    const { job, loop } = make()
    const found = checkLoop(loopContext(job, loop, fieldData)).open.find((each) => each.code === code && each.fix)
    return found ? [[code, { job, loop }, found] as const] : []
  })
  it.each(remedied)('a remedy that one tap carries out clears %s', (code, edited, found) => {
    const { job, loop } = run('carry-out', edited, { finding: findingKey(found) })
    const still = checkLoop(loopContext(job, loop, fieldData)).open
    expect(still.filter((each) => each.code === code && each.about === found.about)).toEqual([])
  })
  it('there are remedies to try', () => expect(remedied.length).toBeGreaterThan(8))
  it('a device that goes into a line by hand is fed on', () => {
    const [line] = Object.entries(floor.loop.chain.connections).find(
      ([, { from }]) => from.device === controller && from.port.startsWith('out'),
    )!
    const after = run('insert-device', floor, { connection: line, profile: otherLimiter })
    expect(Object.keys(after.loop.chain.devices)).toHaveLength(Object.keys(floor.loop.chain.devices).length + 1)
  })
  it('no test that proves a safety is left out, whoever asks', () => {
    const limiter = proofTests(loopContext(floor.job, floor.loop, fieldData)).find(({ protects }) => protects)!
    expect(() => run('leave-test-out', floor, { test: limiter.id, reason: 'no time' })).toThrow('proves a safety')
  })
  it('no finding of safety is reasoned away, whoever asks', () => {
    const { job, loop } = ruleCases['C013_NO_LIMITER']![0]()
    const open = checkLoop(loopContext(job, loop, fieldData)).open.find(({ code }) => code === 'C013_NO_LIMITER')!
    expect(() => run('close-finding', { job, loop }, { finding: findingKey(open), reason: 'no time' })).toThrow(
      'cannot be reasoned away',
    )
  })
  it('the kind of a loop is another one as long as nothing hangs on it', () => {
    const bare = emptyLoop('new', floor.job.id, 'floor', 'New', 1)
    expect(run('change-kind', { job: floor.job, loop: bare }, { kind: 'chiller' }).loop.kind).toBe('chiller')
    const { chain, settings, proof } = floor.loop
    const some = { answers: { target: { state: 'measured', value: 20 } }, hazards: {} } as never
    for (const part of [
      { survey: some },
      { chain },
      { settings },
      { proof: { ...proof, readings: { r: reading } as never } },
    ])
      expect(() => run('change-kind', { job: floor.job, loop: { ...bare, ...part } }, { kind: 'chiller' })).toThrow(
        'cannot be changed any more',
      )
  })
  it('a loop that was never signed is not opened again', () =>
    expect(() => run('open-again', floor, { why: 'x' })).toThrow('is not signed'))
  it('what is on the temporary list already is not put there twice', () =>
    expect(run('put-temporary', dimmed, { kind: 'bridge', what: 'F1 bridged' })).toBe(dimmed))
  it('a signature of before stays in the record', () => {
    const { handover } = run('sign', dimmed, { by: 'Ilse Farn', instrument: 'Meter' }).loop
    expect([handover.signed?.by, Object.values(handover.past ?? {}).map(({ by }) => by)]).toEqual([
      'Ilse Farn',
      ['Ann'],
    ])
  })
  it('a reading carries its order, the instrument of the day and the attempt', () => {
    const errs = { temperature: { plus: 0.1, percent: 0 } } as never
    const job = { ...dimmed.job, instruments: { meter: { order: 1, name: 'Thermometer', errs } } }
    const attempts = { 'rise-and-fall/x': { attempt: 2 } }
    const edited = { job, loop: { ...dimmed.loop, proof: { ...dimmed.loop.proof, attempts } } }
    const after = run('take-readings', edited, {
      test: 'rise-and-fall/x',
      readings: [{ ...reading, step: 'rise-1', quantity: 'temperature' }],
    })
    expect(Object.values(after.loop.proof.readings).at(-1)).toMatchObject({ attempt: 2, step: 'rise-1', value: 28 })
  })
  it('who gave no name is unnamed', () =>
    expect(run('close-finding', dimmed, { finding: 'C', reason: 'x' }, handOf(' ')).loop.waivers['C']?.by).toBe(
      'unnamed',
    ))
})
