import { changeSettings, settingsChange } from '@nachtigal/core/actions/changeSettings'
import { ordered } from '@nachtigal/core/schema/ordered'
import { removeStage } from '@nachtigal/core/settings/stages/stageGroup'
import { withLoopSetting } from '@nachtigal/core/simulate/loop/sweep'
import { controllerPlanOf, withControllerPlan } from '@nachtigal/core/survey/controllerPlanOf'
import { firstVisit } from './surveys'
import {
  add,
  bag,
  between,
  branch,
  chain,
  feedFrom,
  join,
  meantNear,
  option,
  proveAndSwitchOn,
  readTest,
  set,
  type Story,
  survey,
  type Teller,
  waive,
} from './story'
import { keyAll, landAndTest } from './workThrough'

/** The hatchling floor, worked through from the first visit to the third step of its test. */
function hatchlingFloor(teller: Teller) {
  const { uuid } = teller
  survey(teller, {
    complaint: 'Too warm at noon, cold at dawn. The hatchlings huddle on one side.',
    ...firstVisit['Hatchling floor'],
    found: {
      state: 'there',
      what: 'Dipper, one relay',
      profile: 'dipper',
      serial: 'DP-20418',
      weather: 'Overcast, light rain',
      outdoorC: 6,
      values: {
        goal: { order: 11, name: 'Set', text: '26.0' },
        gap: { order: 6, name: 'Swing', text: '3.0' },
        side: { order: 3, name: 'Set is where it', text: 'half' },
        lost: { order: 8, name: 'Probe fault', text: 'on' },
        trim: { order: 10, name: 'Offset', text: '0.0' },
      },
      terminals: {
        t1: { order: 1, terminal: '5', wire: 'brown, to the pump' },
        t2: { order: 2, terminal: '11', wire: 'probe, red' },
      },
    },
  })
  chain(teller, ['floor-ntc10k', 'dipper', 'circulator-45', 'shrike', 'mains-230-16-30ma'])
  set(teller, 'device 0', { place: 'Conduit, north bay, 0.6 m in' })
  landAndTest(
    teller,
    { mains: 6, low: 14 },
    { minutes: 2, ohmOf: (i, { circuit }) => (circuit === 'mains' ? 0.2 + (i % 2) / 10 : 0.7) },
  )
  proveAndSwitchOn(teller)
  keyAll(teller)
  bag(teller)
  const plan = uuid('plan')
  readTest(teller, `before/${plan}`, [
    ['commanded', 'yes'],
    ['answered', 'yes'],
    ['current', 0.28, 'current', 'clamp'],
  ])
  readTest(teller, `limiter/${uuid('device 3')}`, [
    ['calls', 'yes'],
    ['trip', 48, 'temperature', 'reference'],
    ['opened', 'off'],
    ['reset', 'stays'],
    ['left', 'yes'],
  ])
  readTest(teller, `rise-and-fall/${plan}`, [
    ['rise-1', 28.2, 'temperature', 'reference'],
    ['rise-1/went', 'off'],
    ['rise-1/display', 28.1, 'temperature'],
    ['fall-1', 27.1, 'temperature', 'reference'],
  ])
}

const nothingThere = { state: 'none', weather: 'Overcast, light rain', outdoorC: 6 } as const

/** Otterholm as it is to be: ten loops, surveyed and matched. */
export const asPlanned: Story = {
  file: 'otterholm',
  name: 'Otterholm Wildlife Hospital',
  place: 'Otterholm',
  begins: Date.UTC(2026, 9, 12, 7, 30),
  loops: [
    { id: 'hatchling floor', kind: 'floor', name: 'Hatchling floor', story: hatchlingFloor },
    {
      id: 'clinic boiler',
      kind: 'boiler',
      name: 'Clinic boiler',
      story: (t) => {
        survey(t, {
          complaint: 'Radiators too hot in April, treatment room cold in January.',
          ...firstVisit['Clinic boiler'],
          found: { ...nothingThere, state: 'there', what: 'Dial thermostat on the boiler, set 70', serial: 'none' },
        })
        chain(t, ['martin', 'pocket-ntc10k', 'outdoor-ntc10k', 'boiler-cond'])
        set(t, 'device 2', { place: 'North wall, under the eaves, 2.6 m', leadM: 24 })
      },
    },
    {
      id: 'seal pool',
      kind: 'pool',
      name: 'Seal pool',
      story: (t) => {
        survey(t, {
          complaint: 'Pups shiver after the filter has been cleaned.',
          ...firstVisit['Seal pool'],
          found: nothingThere,
        })
        chain(t, ['redstart', 'pocket-ntc10k-3977', 'pool-gas', 'flow-reed', 'safety-24'])
        between(t, 'device 0', 'device 3', 'isolate-24ac', 'isolating relay')
        set(t, 'device 1', { place: 'Pipe before the heater, after the filter', sits: 'pocket', leadM: 8 })
        waive(t, 'C066_HOUSING', 'device 0', 'Hangs in the dry office; its remote probe alone is at the pool.')
      },
    },
    {
      id: 'quarantine fan',
      kind: 'fan',
      name: 'Quarantine room',
      story: (t) => {
        survey(t, {
          complaint: 'Smells in the corridor when it rains.',
          ...firstVisit['Quarantine room'],
          found: { ...nothingThere, state: 'there', what: 'Speed knob on the wall, at 3 of 5' },
        })
        chain(t, [
          'swift',
          'air-ntc10k',
          'humid-010',
          'fan-ec-010',
          'lapwing',
          'fan-ac',
          'alarm-own',
          'air-proof',
          'safety-24-20',
        ])
        join(t, ['device 7', 'contact'], ['device 6', 'in'])
        // The backup fan has a circuit of its own.
        add(t, 'mains-230-16-30ma', 'backup circuit')
        join(t, ['backup circuit', 'out'], ['device 4', 'warm'])
      },
    },
    {
      id: 'drive cabinet',
      kind: 'enclosure',
      name: 'Filtration cabinet',
      story: (t) => {
        survey(t, {
          complaint: 'Drive trips on hot afternoons.',
          ...firstVisit['Filtration cabinet'],
          found: nothingThere,
        })
        chain(t, ['ouzel', 'panel-k', 'air-valve-24'])
        option(t, 'device 0', 'model', 'low')
        feedFrom(t, 'supply-24dc', 'power supply')
      },
    },
    {
      id: 'isolation room',
      kind: 'room',
      name: 'Isolation room',
      story: (t) => {
        survey(t, {
          complaint: 'Warm in the evening, clammy in the morning.',
          ...firstVisit['Isolation room'],
          found: {
            ...nothingThere,
            state: 'there',
            what: 'Bunting, mechanical',
            profile: 'bunting',
            values: { dial: { order: 1, name: 'Dial', text: '23' } },
          },
        })
        chain(t, ['bunting', 'panel-heater-2000'])
        between(t, 'device 0', 'device 1', 'contactor-25', 'contactor')
      },
    },
    {
      id: 'fish store',
      kind: 'cold-room',
      name: 'Fish store',
      story: (t) => {
        survey(t, {
          complaint: 'Ice on the floor, fans howl.',
          ...firstVisit['Fish store'],
          found: { ...nothingThere, state: 'there', what: 'Clock with pins, four a day', serial: '7718' },
        })
        chain(t, ['eider', 'chill-ntc10k', 'coil-ntc10k', 'cold-unit-1500', 'evaporator-fan', 'defrost-heater-800'])
        // Tried: at this swing it holds, and the coil gets as cold as its start asks for.
        const [plan] = ordered(t.current().loop.settings.planned)
        const narrower = withLoopSetting(t.current().loop, plan!.id, 'swingK', 0.7)
        t.act(changeSettings, settingsChange(t.current().loop.settings, narrower.settings))
        const device = t.context().chain.devices.find(({ id }) => id === plan!.output.device)!
        const { defrost } = controllerPlanOf(t.context(), device)
        const sooner = withControllerPlan(t.context(), device, { defrost: { ...defrost!, coilC: -5 } })
        t.act(changeSettings, settingsChange(t.current().loop.settings, sooner.settings))
      },
    },
    {
      id: 'penguin chiller',
      kind: 'chiller',
      name: 'Penguin slab chiller',
      story: (t) => {
        survey(t, {
          ...firstVisit['Penguin slab chiller'],
          found: nothingThere,
        })
        chain(t, ['curlew', 'pocket-pt1000', 'compressor-call', 'compressor-call', 'compressor-call'])
        for (const [i, load] of ['device 2', 'device 3', 'device 4'].entries()) {
          between(t, 'device 0', load, 'flow-reed', `flow ${i}`)
          between(t, `flow ${i}`, load, 'frost-stat', `frost ${i}`)
        }
        const fourth = ordered(t.current().loop.settings.planned).at(-1)!
        const { planned } = t.current().loop.settings
        const without = removeStage(planned, fourth.id, fourth.id)!
        t.act(changeSettings, { planned: { [fourth.id]: without[fourth.id]! } })
      },
    },
    {
      id: 'cast cabinet',
      kind: 'cabinet',
      name: 'Plaster cabinet',
      story: (t) => {
        survey(t, {
          complaint: 'Casts crack when they dry too hot.',
          ...firstVisit['Plaster cabinet'],
          found: nothingThere,
        })
        chain(t, ['wheatear', 'oven-k', 'oven-element-2000'])
        between(t, 'device 0', 'device 2', 'ssr-25', 'solid-state relay')
        between(t, 'solid-state relay', 'device 2', 'goshawk', 'limiter')
        branch(t, 'lamp-led', 'lamp', 'hand-switch', 'light switch')
      },
    },
    {
      id: 'rescue van',
      kind: 'cabin',
      name: 'Rescue van',
      story: (t) => {
        survey(t, {
          complaint: 'Battery flat after a night with a porpoise.',
          ...firstVisit['Rescue van'],
          found: nothingThere,
        })
        chain(t, ['ptarmigan', 'cabin-ntc10k', 'cabin-heater', 'co-alarm'])
        feedFrom(t, 'battery-12-lead', 'battery')
        set(t, 'device 2', { nameplate: { startsPerHour: 6 } })
      },
    },
  ].map((each) => ({
    ...each,
    story: (teller: Teller) => {
      each.story(teller)
      meantNear(teller)
    },
  })),
}
