import { emitterIds, emitters } from '../emitters'
import { fieldValue } from '../../plant/fieldValue'
import type { KindFacts } from '../kind'
import type { Wanted } from '../leaning'
import { screedMostC } from '../screedQuestions'
import { estimate } from './estimate'
import { plant } from './plant'
import { questions } from './questions'
import { reckon } from './reckon'

export const boiler: KindFacts<'boiler'> = {
  id: 'boiler',
  title: 'Boiler',
  about: 'heating water by the weather, or at one temperature',
  questions,
  action: 'heating',
  fault: ['duty', 'off'],
  setsTo: ({ supplyWater, emitter }, data) =>
    typeof supplyWater === 'number'
      ? supplyWater
      : fieldValue(data, emitters[emitterIds.find((id) => id === emitter) ?? 'radiators-old'].supply).typical,
  limiterFor: ['element', 'fuel'],
  limiterC: (answers, data) => (answers['emitter'] === 'floor' ? screedMostC(answers, data) : 95),
  swing: () => 'swing.boiler.supply',
  starts: ({ fuel }) => (fuel === 'oil' ? 'starts.boiler.oil' : 'starts.boiler'),
  minimumOff: () => 'off.boiler.gas',
  places: () => ['pipe', 'pocket'],
  leaning: ({ supplySchool, through, emitter, screedKind, fuel }) => {
    const mixing = through === 'mixing'
    const guarded: readonly Wanted[] =
      fuel === 'electric' && !mixing ? [{ category: 'limiter', as: 'limiter at the boiler' }] : []
    // A floor has a pump of its own, and a limiter that stops it.
    const floor: readonly Wanted[] =
      emitter === 'floor' && screedKind !== 'none'
        ? [
            { category: 'load', as: 'pump of the floor', does: 'water-flow' },
            { category: 'limiter', as: 'limiter on the pipe to the floor', places: ['pipe'] },
          ]
        : []
    return supplySchool === 'fixed'
      ? {
          control: 'on-off',
          because: 'One supply temperature was chosen.',
          would: 'Following the weather: a sensor outdoors, and the return stays cooler.',
          does: ['fuel', 'element'],
          mostStages: 2,
          also: [{ category: 'probe', as: 'supply probe', places: ['pipe', 'pocket'] }, ...floor, ...guarded],
        }
      : {
          control: 'reset',
          because: 'The load goes with the weather, so the supply does too.',
          would: 'Stored hot water on the same circuit, or valves in every room that want hot water always.',
          does: mixing ? ['water-flow'] : ['fuel', 'element'],
          mostStages: 2,
          band: 'band.valve.supply',
          also: [
            { category: 'probe', as: 'supply probe', places: ['pipe', 'pocket'] },
            { category: 'probe', as: 'outdoor probe', places: ['outdoor'] },
            ...floor,
            ...guarded,
          ],
        }
  },
  hazards: ['mains', 'fuel', 'hot-water', 'legionella', 'pressure', 'wet', 'freezing', 'explosive'],
  compares: () => ['reset'],
  protects: (does) => (does === 'element' ? 'liquid' : undefined),
  reckon,
  estimate,
  plant,
}
