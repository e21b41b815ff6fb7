import { answersOf, hazardsOf } from './surveys'
import { between, chain, feedFrom, type Story, survey } from './story'

/** Otterholm as it was found: the same ten loops, some with the mistakes that were there. */
export const asFound: Story = {
  file: 'otterholm-found',
  name: 'Otterholm, as found',
  place: 'Otterholm',
  begins: Date.UTC(2026, 9, 5, 8, 0),
  loops: [
    {
      id: 'hatchling floor',
      kind: 'floor',
      name: 'Hatchling floor',
      // Pt1000 on an NTC input, the limiter had been taken out, 230 V stood on the pair for 24 V, and the screed was twelve days old.
      story: (t) => {
        survey(t, {
          answers: { ...answersOf('Hatchling floor'), screedAge: 12 },
          hazards: hazardsOf('Hatchling floor'),
          found: {
            state: 'there',
            what: 'Dipper, dark',
            profile: 'dipper',
            terminals: { t1: { order: 1, terminal: '3', wire: 'brown', volts: 231 } },
          },
        })
        chain(t, ['cable-pt1000', 'dipper', 'circulator-45', 'mains-230-10'])
      },
    },
    {
      id: 'clinic boiler',
      kind: 'boiler',
      name: 'Clinic boiler',
      // A cast boiler that may not run cool, on a reset line.
      story: (t) => {
        survey(t, {
          answers: { ...answersOf('Clinic boiler'), condensing: 'no', hotWater: 'stored', storeC: 48 },
          hazards: hazardsOf('Clinic boiler'),
        })
        chain(t, ['martin', 'pocket-ntc10k', 'outdoor-ntc10k', 'boiler-cast'])
      },
    },
    {
      id: 'seal pool',
      kind: 'pool',
      name: 'Seal pool',
      // 24 V straight onto the dry input, no flow switch, rails and ladder not bonded.
      story: (t) => {
        survey(t, { answers: { ...answersOf('Seal pool'), bonding: 'no' }, hazards: hazardsOf('Seal pool') })
        chain(t, ['redstart', 'pocket-ntc10k-3977', 'pool-gas', 'safety-24'])
      },
    },
    {
      id: 'quarantine fan',
      kind: 'fan',
      name: 'Quarantine room',
      // A backup that hangs on the same circuit, least speed nothing, pulse fan on a volt output.
      story: (t) => {
        survey(t, { answers: { ...answersOf('Quarantine room'), minimum: 0 }, hazards: hazardsOf('Quarantine room') })
        chain(t, ['swift', 'air-ntc10k', 'humid-010', 'fan-ec-pwm', 'lapwing', 'fan-ac'])
      },
    },
    {
      id: 'drive cabinet',
      kind: 'enclosure',
      name: 'Filtration cabinet',
      // The 230 V model with a 24 V valve.
      story: (t) => {
        survey(t, { answers: answersOf('Filtration cabinet'), hazards: hazardsOf('Filtration cabinet') })
        chain(t, ['ouzel', 'panel-k', 'air-valve-24'])
      },
    },
    {
      id: 'isolation room',
      kind: 'room',
      name: 'Isolation room',
      story: (t) => {
        survey(t, { answers: answersOf('Isolation room'), hazards: hazardsOf('Isolation room') })
        chain(t, ['bunting', 'panel-heater-2000'])
        between(t, 'device 0', 'device 1', 'contactor-25', 'contactor')
      },
    },
    {
      id: 'fish store',
      kind: 'cold-room',
      name: 'Fish store',
      // The coil's input left empty.
      story: (t) => {
        survey(t, { answers: answersOf('Fish store'), hazards: hazardsOf('Fish store') })
        chain(t, ['eider', 'chill-ntc10k', 'cold-unit-1500', 'evaporator-fan', 'defrost-heater-800'])
      },
    },
    {
      id: 'penguin chiller',
      kind: 'chiller',
      name: 'Penguin slab chiller',
      // Thin glycol, and nothing proves flow.
      story: (t) => {
        survey(t, {
          answers: { ...answersOf('Penguin slab chiller'), glycol: 18 },
          hazards: hazardsOf('Penguin slab chiller'),
        })
        chain(t, ['curlew', 'pocket-pt1000', 'compressor-call', 'compressor-call', 'compressor-call'])
      },
    },
    {
      id: 'cast cabinet',
      kind: 'cabinet',
      name: 'Plaster cabinet',
      // Solid-state relay and no limiter.
      story: (t) => {
        survey(t, { answers: answersOf('Plaster cabinet'), hazards: hazardsOf('Plaster cabinet') })
        chain(t, ['wheatear', 'oven-k', 'oven-element-2000'])
        between(t, 'device 0', 'device 2', 'ssr-25', 'solid-state relay')
      },
    },
    {
      id: 'rescue van',
      kind: 'cabin',
      name: 'Rescue van',
      // Old heater switched by its supply, no alarm.
      story: (t) => {
        survey(t, { answers: { ...answersOf('Rescue van'), coAlarm: 'no' }, hazards: hazardsOf('Rescue van') })
        chain(t, ['ptarmigan', 'cabin-ntc10k', 'cabin-heater-cut'])
        feedFrom(t, 'battery-12-lead', 'battery')
      },
    },
  ],
}
