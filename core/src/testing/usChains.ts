import type { Answer } from '../kinds/answers'
import { factsOfKind, type LoopKind } from '../kinds/kinds'
import type { Edited } from '../wiring/edited'
import { chained, soundSteps } from './chains'

/** The same loops, made of what US practice has: 24 V of Class 2, two hots broken in both legs, motors and valves at 120 V. */
const usOwn: Readonly<Partial<Record<LoopKind, readonly string[]>>> = {
  floor: ['mains-120-15', 'class2-24', 'floor-ntc10k', 'dipper', 'pump-120', 'shrike'],
  room: [
    'mains-240-30',
    'towhee',
    'room-ntc10k-3977',
    'element-240-3800',
    'kinglet',
    'towhee>kinglet:contactor-2p-240',
  ],
  cabinet: [
    'mains-240-30',
    'grosbeak',
    'oven-pt100',
    'element-240-3800',
    'goshawk',
    'grosbeak>goshawk:contactor-2p-240',
  ],
  boiler: ['mains-120-15', 'class2-24', 'veery', 'pocket-ntc10k-3977', 'outdoor-ntc10k-3977', 'boiler-cond'],
  pool: [
    'mains-120-20-classa',
    'class2-24',
    'redstart',
    'pocket-ntc10k-3977',
    'pool-gas',
    'flow-reed',
    'redstart>flow-reed:isolate-24ac',
  ],
  fan: [
    'mains-120-20-classa',
    'class2-24',
    'bluebird',
    'air-ntc10k-3977',
    'humid-010',
    'fan-ec-120',
    'lapwing',
    'exhaust-fan-120',
    'alarm-own',
    'air-proof',
    'air-proof.contact=alarm-own.in',
    'mains-120-15',
    'mains-120-15.out=lapwing.warm',
  ],
  enclosure: ['mains-120-15', 'towhee', 'air-ntc10k-3977', 'air-valve-120'],
  'cold-room': [
    'mains-240-20',
    'eider',
    'chill-ntc10k',
    'coil-ntc10k',
    'cold-unit-240',
    'evaporator-fan-240',
    'defrost-heater-240',
  ],
  chiller: [
    'mains-120-15',
    'vireo',
    'pocket-pt1000',
    'compressor-call',
    'flow-reed',
    'flow-reed>compressor-call:frost-stat',
  ],
  thermostat: ['mains-120-15', 'towhee', 'air-ntc10k-3977', 'plain-heater-120', 'goshawk'],
}

/** A chain that is sound for each kind in US practice; what runs on a battery is the same anywhere. */
const usSteps = (kind: LoopKind): readonly string[] => usOwn[kind] ?? soundSteps(kind)

/** What a survey answers otherwise there: the mains at hand. */
const usAnswers = (kind: LoopKind) => (factsOfKind(kind).battery ? {} : { mainsAtHand: '240' })

export const practices = ['europe', 'us'] as const

/** A sound loop of a kind in a practice; in US practice with its units too. */
export function soundIn(
  practice: (typeof practices)[number],
  kind: LoopKind,
  answers: Readonly<Record<string, Answer | undefined>> = {},
): Edited {
  if (practice === 'europe') return chained(kind, answers)
  const { job, loop } = chained(kind, { ...usAnswers(kind), ...answers }, usSteps(kind))
  return { job: { ...job, practice: 'us', system: 'us', temperatureUnit: 'F' }, loop }
}
