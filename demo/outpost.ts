import { answersOf } from './surveys'
import { chain, meantNear, set, type Story, survey } from './story'
import { workThrough } from './workThrough'

/** The outpost of Otterholm across the water: two loops in UK practice. */
export const outpost: Story = {
  file: 'otterholm-outpost',
  name: 'Otterholm Outpost',
  place: 'Skerry Sound',
  begins: Date.UTC(2026, 9, 5, 8, 0),
  basics: { zone: 'Europe/London', temperatureUnit: 'C', system: 'metric', practice: 'uk' },
  loops: [
    {
      id: 'pup nursery',
      kind: 'floor',
      name: 'Pup nursery floor',
      story: (t) => {
        survey(t, {
          complaint: 'Floor cold at the door, pups pile up at the manifold.',
          answers: {
            ...answersOf('Hatchling floor'),
            target: 24,
            floorArea: 22,
            designOutdoor: -4,
            returnWire: 'there',
          },
          hazards: ['mains', 'hot-water', 'wet', 'animals'],
          found: { state: 'none', weather: 'Drizzle', outdoorC: 9 },
        })
        chain(t, ['floor-ntc10k', 'dipper', 'circulator-45', 'shrike', 'mains-230-16-30ma'])
        set(t, 'device 0', { place: 'Conduit, door bay, 0.5 m in' })
        meantNear(t)
        workThrough(t, { call: 'Otterholm Outpost, the office', retest: '2027-10-05' })
      },
    },
    {
      id: 'bunkhouse boiler',
      kind: 'boiler',
      name: 'Bunkhouse boiler',
      story: (t) => {
        survey(t, {
          complaint: 'Short cycles on mild days.',
          answers: { ...answersOf('Clinic boiler'), designOutdoor: -4, floorArea: 140 },
          hazards: ['mains', 'fuel', 'hot-water', 'pressure'],
          found: { state: 'none', weather: 'Drizzle', outdoorC: 9 },
        })
        chain(t, ['martin', 'pocket-ntc10k', 'outdoor-ntc10k', 'boiler-cond'])
        set(t, 'device 2', { place: 'North wall, under the eaves, 2.5 m', leadM: 18 })
        meantNear(t)
      },
    },
  ],
}
