import type { Question } from './question'

const HOLD = 'What it must hold'
const PLACE = 'The room'
const FLOOR = 'The floor'

/** The questions of a warm floor in the order in which one walks through the place. */
export const floorQuestions: readonly Question[] = [
  {
    id: 'probePlace', ask: 'choice', group: HOLD, required: true, title: 'What is controlled',
    hint: 'Look where the probe goes: a conduit in the screed, or a box on the wall.',
    choices: {
      screed: { order: 1, title: 'Screed, probe in the floor', consequence: 'Steady floor, slow. The room follows the weather a little.' },
      room: { order: 2, title: 'Room air, probe on the wall', consequence: 'Holds the room. The floor overshoots by what it has stored.' },
    },
  },
  { id: 'target', ask: 'number', group: HOLD, required: true, title: 'Target', quantity: 'temperature', low: -40, high: 90,
    hint: 'What the owner wants at the place of the probe.' },
  { id: 'tolerance', ask: 'number', group: HOLD, required: true, title: 'May stray by', quantity: 'difference', low: 0.1, high: 20,
    hint: 'Up or down from the target, before anyone minds.' },
  {
    id: 'zone', ask: 'choice', group: HOLD, required: false, title: 'Covering and use',
    hint: 'Under animals or bedding the temperature beneath is higher.',
    choices: {
      occupied: { order: 1, title: 'People or animals stay on it', consequence: 'Surface not over 29 °C.' },
      edge: { order: 2, title: 'Edge strip, nobody stays', consequence: 'Surface not over 35 °C.' },
      bath: { order: 3, title: 'Bath or wash room', consequence: 'Surface not over room + 9 K.' },
      timber: { order: 4, title: 'Timber covering', consequence: 'Surface not over 27 °C.' },
    },
  },
  { id: 'designOutdoor', ask: 'number', group: PLACE, required: true, title: 'Design outdoor', quantity: 'temperature', low: -60, high: 30,
    hint: 'The coldest day the plant is made for: local table, or the old plant\u2019s papers.' },
  { id: 'floorArea', ask: 'number', group: PLACE, required: true, title: 'Floor area', quantity: 'area', low: 0.5, high: 5000,
    hint: 'Tape: length times width of the heated floor.' },
  {
    id: 'insulation', ask: 'choice', group: PLACE, required: true, title: 'Insulation',
    hint: 'Knock on the wall, look at the panes, ask for the year.',
    choices: {
      poor: { order: 1, title: 'Poor', consequence: 'Old, unimproved.' },
      fair: { order: 2, title: 'Fair', consequence: '1980 to 2000, or improved.' },
      good: { order: 3, title: 'Good', consequence: 'To a recent code.' },
    },
  },
  {
    id: 'build', ask: 'choice', group: PLACE, required: false, title: 'Build',
    hint: 'Timber frame is light, brick medium, concrete heavy.',
    choices: {
      light: { order: 1, title: 'Light', consequence: 'Warms and cools in hours.' },
      medium: { order: 2, title: 'Medium', consequence: 'Takes a day or two.' },
      heavy: { order: 3, title: 'Heavy', consequence: 'Takes many days.' },
    },
  },
  { id: 'loss', ask: 'number', group: PLACE, required: false, title: 'Heat loss', quantity: 'loss', low: 0.5, high: 100000,
    hint: 'From the heat-loss sheet, or a measured cool-down.' },
  { id: 'capacity', ask: 'number', group: PLACE, required: false, title: 'Heat stored', quantity: 'capacity', low: 1e4, high: 1e11,
    hint: 'Loss times the time constant of a measured cool-down.' },
  { id: 'screed', ask: 'number', group: FLOOR, required: false, title: 'Screed thickness', quantity: 'thickness', low: 0.01, high: 0.5,
    hint: 'At a door sill or a cut-out; 65 mm is common.' },
  {
    id: 'pitch', ask: 'choice', group: FLOOR, required: false, title: 'Pipe pitch',
    hint: 'At the manifold: pipe metres over area, or the laying plan.',
    choices: {
      '100': { order: 1, title: '100 mm (4 in)', consequence: 'Most heat a degree.' },
      '150': { order: 2, title: '150 mm (6 in)', consequence: 'Common.' },
      '200': { order: 3, title: '200 mm (8 in)', consequence: 'Needs warmer water.' },
      '300': { order: 4, title: '300 mm (12 in)', consequence: 'Needs much warmer water.' },
    },
  },
  { id: 'supplyWater', ask: 'number', group: FLOOR, required: false, title: 'Supply water', quantity: 'temperature', low: 15, high: 90,
    hint: 'At the manifold on the design day: thermometer or the mixing valve\u2019s scale.' },
  { id: 'waterDrop', ask: 'number', group: FLOOR, required: false, title: 'Supply to return', quantity: 'difference', low: 1, high: 25,
    hint: 'Difference of the two thermometers at the manifold.' },
]
