import { describe, expect, it } from '@jest/globals'
import type { Answer } from '../kinds/answers'
import type { LoopKind } from '../kinds/kinds'
import { loopKinds } from '../kinds/kinds'
import type { DeviceProfile } from '../device/deviceProfile'
import { safetyBlocks } from '../commissioning/safetyBlocks'
import { idOf, replanned, rewhole, swapped, told, withoutDevice } from '../testing/chains'
import { fieldData } from '../testing/fieldData'
import { practices, soundIn } from '../testing/usChains'
import { joinPorts } from '../wiring/chainEdit'
import type { Edited } from '../wiring/edited'
import { checkLoop } from './checkLoop'
import { loopContext } from '../loop/context'
import { signingBlockedBy } from '../progress/stepStatus'

const contextOf = ({ job, loop }: Edited) => loopContext(job, loop, fieldData)
const open = (edited: Edited) => checkLoop(contextOf(edited)).open

const asked = ({ job, loop }: Edited, changes: Readonly<Record<string, Answer | undefined>>): Edited => ({
  job,
  loop: {
    ...loop,
    survey: {
      ...loop.survey,
      answers: Object.fromEntries(
        Object.entries({ ...loop.survey.answers, ...changes }).filter((e): e is [string, Answer] => e[1] !== undefined),
      ),
    },
  },
})
const facts = ({ job, loop }: Edited, id: string, change: (each: DeviceProfile) => DeviceProfile): Edited => ({
  job: { ...job, profiles: { ...job.profiles, [id]: change(job.profiles[id]!) } },
  loop,
})
const selfReset = (limiter: string) => (edited: Edited) =>
  facts(edited, limiter, (each) => ({ ...each, limiter: { ...each.limiter!, reset: 'self' } }))
const supplies = ({ job }: Edited) => Object.entries(job.devices).sort(([, a], [, b]) => a.order - b.order)
/** The backup on the circuit that feeds everything else. */
const onOneCircuit = (edited: Edited) =>
  joinPorts(edited, { device: supplies(edited)[0]![0], port: 'out' }, { device: idOf(edited, 'lapwing'), port: 'warm' })

type Danger = readonly [what: string, code: string, plant: (edited: Edited) => Edited, only?: 'europe' | 'us']
const everywhere: readonly Danger[] = [
  ['an explosive atmosphere', 'C052_EXPLOSIVE', (e) => asked(e, { explosive: 'yes' })],
  ['a safety question that nobody answered', 'C140_SAFETY_UNANSWERED', (e) => asked(e, { explosive: undefined })],
]
const planted: Readonly<Record<LoopKind, readonly Danger[]>> = {
  floor: [
    ['no limiter', 'C013_NO_LIMITER', (e) => withoutDevice(e, 'shrike')],
    [
      'a limiter over what calcium sulphate bears',
      'C014_LIMITER_TOO_HIGH',
      (e) => told(asked(e, { screedKind: 'casulphate' }), 'shrike', { dialC: 55 }),
    ],
    ['screed of twelve days', 'C132_SCREED_YOUNG', (e) => asked(e, { screedAge: 12 })],
    ['a limiter that resets itself', 'C133_LIMITER_RESETS_ITSELF', selfReset('shrike')],
  ],
  boiler: [
    [
      'a cool return behind a mixing valve for the rooms',
      'C048_RETURN_UNDER_DEW_POINT',
      (e) => asked(e, { condensing: 'no', returnLift: 'none', through: 'mixing' }),
    ],
    [
      'a cast boiler that the survey calls condensing',
      'C048_RETURN_UNDER_DEW_POINT',
      (e) => facts(e, 'boiler-cond', (f) => ({ ...f, load: { ...f.load, returnMinC: 55 } })),
    ],
    [
      'a floor without a limiter of its own',
      'C131_FLOOR_SUPPLY_UNLIMITED',
      (e) => asked(e, { emitter: 'floor', screedKind: 'cement', screedAge: 900 }),
    ],
    ['a lukewarm store', 'C051_STORE_TOO_COOL', (e) => asked(e, { hotWater: 'stored', storeC: 48 })],
    ['a store of a temperature that nobody told', 'C140_SAFETY_UNANSWERED', (e) => asked(e, { hotWater: 'stored' })],
  ],
  pool: [
    ['no bonding', 'C134_NOT_BONDED', (e) => asked(e, { bonding: 'no' })],
    ['bonding that nobody looked for', 'C140_SAFETY_UNANSWERED', (e) => asked(e, { bonding: undefined })],
    ['no flow proof', 'C046_NOT_PROVED', (e) => withoutDevice(e, 'flow-reed')],
    ['spray without a plan', 'C136_AEROSOL_NO_PLAN', (e) => asked(e, { target: 30, aerosol: 'yes', waterPlan: 'no' })],
    ['people at 41 \u00b0C', 'C137_WATER_TOO_HOT', (e) => asked(e, { users: 'people', target: 41 })],
    [
      'no residual-current device',
      'C067_NO_RESIDUAL_DEVICE',
      (e) => swapped(e, 'mains-230-16-30ma', 'mains-230-10'),
      'europe',
    ],
    [
      'no Class A protection',
      'C067_NO_RESIDUAL_DEVICE',
      (e) => swapped(e, 'mains-120-20-classa', 'mains-120-20'),
      'us',
    ],
    [
      'a 30 mA device in US practice',
      'C067_NO_RESIDUAL_DEVICE',
      (e) =>
        facts(e, 'mains-120-20-classa', (f) => ({
          ...f,
          ports: {
            out: { ...f.ports['out']!, classA: undefined, residualMa: 30 } as unknown as DeviceProfile['ports'][string],
          },
        })),
      'us',
    ],
    [
      'over 150 V to ground at water',
      'C139_GROUND_FAULT_REFER',
      (e) =>
        facts(e, 'mains-120-20-classa', (f) => ({
          ...f,
          ports: { out: { ...f.ports['out']!, volts: 277 } as DeviceProfile['ports'][string] },
        })),
      'us',
    ],
  ],
  fan: [
    ['a backup on the same circuit', 'C044_NO_BACKUP', onOneCircuit],
    ['no backup', 'C044_NO_BACKUP', (e) => withoutDevice(e, 'lapwing')],
    ['a fan that may stand', 'C104_FAN_MAY_STAND', (e) => replanned(e, { minimumPercent: 'off' })],
    ['less than the fan needs to turn', 'C138_FAN_UNDER_ITS_LEAST', (e) => replanned(e, { minimumPercent: 4 })],
    ['failing to minimum', 'C105_FAN_FAILS_SLOW', (e) => replanned(e, { probeFault: 'off' })],
    ['failing as it was', 'C105_FAN_FAILS_SLOW', (e) => replanned(e, { probeFault: 'last' })],
  ],
  enclosure: [],
  thermostat: [['no limiter', 'C013_NO_LIMITER', (e) => withoutDevice(e, 'goshawk')]],
  room: [],
  'cold-room': [
    [
      'a defrost that never ends',
      'C109_DEFROST_ENDLESS',
      (e) => rewhole(e, 'eider', ({ defrost }) => ({ defrost: { ...defrost!, by: 'coil', longestMin: 0 } })),
    ],
  ],
  chiller: [
    ['no flow proof', 'C046_NOT_PROVED', (e) => withoutDevice(e, 'flow-reed')],
    ['thin brine', 'C047_FREEZE_MARGIN', (e) => asked(e, { glycol: 12 })],
    ['a freeze thermostat under the ice', 'C098_FREEZE_CUT_OUT', (e) => told(e, 'frost-stat', { dialC: -25 })],
  ],
  cabinet: [
    ['no limiter', 'C013_NO_LIMITER', (e) => withoutDevice(e, 'goshawk')],
    ['a limiter that resets itself', 'C133_LIMITER_RESETS_ITSELF', selfReset('goshawk')],
    ['solvent', 'C052_EXPLOSIVE', (e) => asked(e, { solvent: 'yes' })],
  ],
  cabin: [
    ['no carbon monoxide alarm', 'C059_NO_CO_ALARM', (e) => asked(e, { coAlarm: 'no' })],
    ['a timed start in a garage', 'C058_TIMED_START_ENCLOSED', (e) => asked(e, { parked: 'enclosed' })],
  ],
}

describe.each(practices)('in %s practice', (practice) => {
  it.each(loopKinds)('%s: the sound loop has no stop, and nothing of safety open', (kind) =>
    expect(
      open(soundIn(practice, kind))
        .filter(({ severity, code }) => severity === 'stop' || code === 'C140_SAFETY_UNANSWERED')
        .map(({ code, reason }) => `${code} ${reason}`),
    ).toEqual([]),
  )
  const cases = loopKinds.flatMap((kind) =>
    [...planted[kind], ...everywhere]
      .filter(([, , , only]) => only === undefined || only === practice)
      .map(([what, code, plant]) => ({ kind, what, code, plant })),
  )
  it.each(cases)('$kind: $what is caught ($code)', ({ kind, code, plant }) => {
    const found = open(plant(soundIn(practice, kind)))
    const mine = found.find((each) => each.code === code)
    expect(found.map((each) => each.code)).toContain(code)
    if (code === 'C140_SAFETY_UNANSWERED') expect(mine).toMatchObject({ severity: 'look-again', safety: false })
    else expect(mine).toMatchObject({ severity: 'stop', safety: true })
  })
  it.each(loopKinds)('%s: unanswered safety keeps first live and signing shut, in one finding', (kind) => {
    const context = contextOf(asked(soundIn(practice, kind), { explosive: undefined, wet: undefined }))
    const mine = checkLoop(context).open.filter(({ code }) => code === 'C140_SAFETY_UNANSWERED')
    expect(mine).toHaveLength(1)
    expect(mine[0]!.head).toBe('2 safety questions are not answered.')
    expect(mine[0]!.remedy).toContain('Water about')
    expect(safetyBlocks(context).shutBy.some((line) => line.startsWith('Safety questions not answered'))).toBe(true)
    expect(signingBlockedBy(context).some((line) => line.includes('Water about'))).toBe(true)
  })
  it.each(loopKinds)('%s: a closed reason does not open it', (kind) => {
    const edited = asked(soundIn(practice, kind), { explosive: undefined })
    const waived = {
      ...edited,
      loop: { ...edited.loop, waivers: { 'C140_SAFETY_UNANSWERED/site': { by: 'Ann', reason: 'later' } } },
    }
    expect(open(waived).map(({ code }) => code)).toContain('C140_SAFETY_UNANSWERED')
  })
})
