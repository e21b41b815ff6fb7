import { changeSettings } from '@nachtigal/core/actions/changeSettings'
import { ordered } from '@nachtigal/core/schema/ordered'
import { removeStage } from '@nachtigal/core/settings/stages/stageGroup'
import { answersOf } from './surveys'
import { add, between, chain, feedFrom, meantNear, onOwnCircuits, set, type Story, survey, type Teller } from './story'
import { workThrough } from './workThrough'

/** What every place of the center has: two hots and a neutral, no explosive air. */
const site = { mainsAtHand: '240', wet: 'dry', explosive: 'no' } as const

/** No control was there before. */
const nothingThere = { state: 'none', weather: 'Clear, dry', outdoorC: 12 } as const

/** Answers of a first visit in Otterholm with what is otherwise here; what is left out was not asked. */
function like(
  loop: Parameters<typeof answersOf>[0],
  otherwise: Readonly<Record<string, string | number>>,
  without: readonly string[] = [],
): Readonly<Record<string, string | number>> {
  const answers = Object.entries(answersOf(loop)).filter(([id]) => !without.includes(id))
  return { ...Object.fromEntries(answers), ...site, ...otherwise }
}

/** The wax cabinet of the candle workshop. */
function waxCabinet(teller: Teller) {
  survey(teller, {
    complaint: 'Wax scorches on the floor of the cabinet, the top stays hard.',
    answers: like('Plaster cabinet', {
      target: 62,
      tolerance: 3,
      most: 75,
      volume: 0.9,
      load: 30,
      circulates: 'still',
      way: 'swing',
      power: 3800,
    }),
    hazards: ['mains', 'hot-surface'],
    found: { state: 'there', what: 'Oven dial, marked by hand', weather: 'Clear, dry', outdoorC: 12 },
  })
  chain(teller, ['mains-240-30', 'grosbeak', 'oven-pt100', 'element-240-3800', 'kinglet'])
  between(teller, 'device 1', 'device 4', 'contactor-2p-240', 'contactor')
}

/** Juniper Hollow: eight loops in US practice, in degrees Fahrenheit. */
export const juniperHollow: Story = {
  file: 'juniper-hollow',
  name: 'Juniper Hollow Nature Center',
  place: 'Juniper Hollow',
  begins: Date.UTC(2026, 8, 21, 14, 0),
  basics: { zone: 'America/Denver', temperatureUnit: 'F', system: 'us', practice: 'us' },
  loops: [
    {
      id: 'snow-melt slab',
      kind: 'floor',
      name: 'Snow-melt slab',
      story: (t) => {
        survey(t, {
          complaint: 'Ice at the steps until noon.',
          answers: {
            ...site,
            probePlace: 'screed',
            target: 5,
            tolerance: 2,
            zone: 'edge',
            designOutdoor: -12,
            floorArea: 12,
            insulation: 'poor',
            screedKind: 'cement',
            screedAge: 900,
            wet: 'washed',
          },
          hazards: ['mains', 'wet'],
          found: nothingThere,
        })
        chain(t, ['mains-240-20-classa', 'towhee', 'floor-ntc10k-3977', 'floor-cable-240', 'killdeer'])
        between(t, 'device 1', 'device 4', 'contactor-2p-240', 'contactor')
      },
    },
    {
      id: 'lodge boiler',
      kind: 'boiler',
      name: 'Lodge boiler',
      story: (t) => {
        survey(t, {
          complaint: 'Lodge too hot in spring, bunk room zone cold in January, tepid showers from the tank.',
          answers: like('Clinic boiler', {
            designOutdoor: -14,
            floorArea: 250,
            through: 'mixing',
            hotWater: 'stored',
            storeC: 60,
            waterPlan: 'yes',
          }),
          hazards: ['mains', 'fuel', 'hot-water', 'pressure'],
          found: nothingThere,
        })
        chain(t, [
          ...['mains-120-15', 'class2-24-75', 'veery', 'pocket-ntc10k-3977', 'outdoor-ntc10k-3977'],
          ...['boiler-cond', 'mixer-24'],
        ])
        set(t, 'device 4', { place: 'North wall, under the eaves', leadM: 20 })
      },
    },
    {
      id: 'butterfly house',
      kind: 'room',
      name: 'Butterfly house',
      story: (t) => {
        survey(t, {
          complaint: 'Pupae dry out near the heater, the far bench is cold.',
          answers: like('Isolation room', {
            target: 27,
            tolerance: 1.5,
            designOutdoor: -10,
            floorArea: 16,
            power: 2000,
          }),
          hazards: ['mains', 'hot-surface', 'animals'],
          found: nothingThere,
        })
        chain(t, ['mains-120-15', 'class2-24', 'phoebe', 'room-ntc10k-3977', 'baseboard-240-2000'])
        between(t, 'device 2', 'device 4', 'contactor-2p-24ac', 'contactor')
        add(t, 'mains-240-20', 'heater circuit')
      },
    },
    {
      id: 'trout chiller',
      kind: 'chiller',
      name: 'Trout hatchery chiller',
      story: (t) => {
        survey(t, {
          answers: like(
            'Penguin slab chiller',
            {
              target: 9,
              tolerance: 1,
              liquid: 'water',
              heat: 7000,
              stages: 2,
              evaporating: 2,
              mainsAtHand: '240',
              volume: 4,
            },
            ['glycol'],
          ),
          hazards: ['mains', 'refrigerant', 'freezing', 'pressure', 'rotating', 'wet'],
          found: nothingThere,
        })
        chain(t, ['mains-120-20-classa', 'vireo', 'pocket-pt1000', 'compressor-call', 'compressor-call'])
        for (const [i, load] of ['device 3', 'device 4'].entries()) {
          between(t, 'device 1', load, 'flow-reed', `flow ${i}`)
          between(t, `flow ${i}`, load, 'frost-stat', `frost ${i}`)
        }
        for (const unused of ordered(t.current().loop.settings.planned).slice(2).reverse()) {
          const { planned } = t.current().loop.settings
          t.act(changeSettings, { planned: { [unused.id]: removeStage(planned, unused.id, unused.id)![unused.id]! } })
        }
      },
    },
    {
      id: 'seed vault',
      kind: 'cold-room',
      name: 'Seed vault',
      story: (t) => {
        survey(t, {
          complaint: 'Frost on the door side, fans never stop.',
          answers: like('Fish store', { goods: 'medicine', target: 4, tolerance: 1.5, volume: 20, wet: 'dry' }),
          hazards: ['mains', 'refrigerant', 'rotating', 'locked-in'],
          found: nothingThere,
        })
        chain(t, [
          'mains-240-20',
          'eider',
          'chill-ntc10k',
          'coil-ntc10k',
          'cold-unit-240',
          'evaporator-fan-240',
          'defrost-heater-240',
        ])
      },
    },
    {
      id: 'planetarium rack',
      kind: 'enclosure',
      name: 'Planetarium rack',
      story: (t) => {
        survey(t, {
          complaint: 'The projector shuts down in the second show.',
          answers: like('Filtration cabinet', { cooler: 'unit', heat: 700, mainsAtHand: '240' }, [
            'lowAtHand',
            'compressedAir',
            'sensor',
          ]),
          hazards: ['mains', 'refrigerant', 'rotating'],
          found: nothingThere,
        })
        chain(t, ['mains-120-15', 'towhee', 'air-ntc10k-3977', 'enclosure-unit-120'])
        between(t, 'device 1', 'device 3', 'contactor-2p-120', 'contactor')
      },
    },
    { id: 'wax cabinet', kind: 'cabinet', name: 'Wax cabinet', story: waxCabinet },
    {
      id: 'lookout cabin',
      kind: 'cabin',
      name: 'Fire-lookout cabin',
      story: (t) => {
        survey(t, {
          complaint: 'Battery flat after two nights of watch.',
          answers: { ...like('Rescue van', { sleeps: 'people', target: 18, volume: 14, mainsAtHand: 'none' }) },
          hazards: ['fuel', 'co', 'battery', 'hot-surface'],
          found: nothingThere,
        })
        chain(t, ['ptarmigan', 'cabin-ntc10k', 'cabin-heater', 'co-alarm'])
        feedFrom(t, 'battery-12-lfp', 'battery')
        set(t, 'device 2', { nameplate: { startsPerHour: 6 } })
      },
    },
  ].map((each) => ({
    ...each,
    story: (teller: Teller) => {
      const before = new Set(Object.keys(teller.current().job.devices))
      each.story(teller)
      onOwnCircuits(teller, before)
      meantNear(teller)
      workThrough(teller, {
        call: 'Juniper Hollow, the front desk',
        retest: '2027-09-21',
        signed: each.id !== 'butterfly house',
      })
    },
  })) as Story['loops'],
}
