import type { Answer, LoopKind } from '../job/documents'
import type { Edited } from '../wiring/edited'
import { chained, soundSteps } from './chains'

/** A chain that is sound for each kind in US practice: 120 V or two hots of 240 V, 24 V of Class 2, both legs of an element broken. */
const usSound: Readonly<Partial<Record<LoopKind, readonly string[]>>> = {
  floor: ['mains-120-15', 'class2-24', 'floor-ntc10k', 'dipper', 'pump-120', 'shrike'],
  boiler: ['mains-240-15', 'martin', 'pocket-ntc10k', 'outdoor-ntc10k', 'boiler-cond'],
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
    'mains-240-15',
    'safety-24-20',
    'swift',
    'air-ntc10k',
    'humid-010',
    'fan-ec-010',
    'lapwing',
    'fan-ac',
    'alarm-own',
    'air-proof',
    'air-proof.contact=alarm-own.in',
    'mains-240-20',
    'mains-240-20.out=lapwing.warm',
  ],
  enclosure: ['mains-240-15', 'ouzel', 'panel-k', 'air-valve-230'],
  room: ['mains-240-30', 'dipper', 'room-ntc10k', 'element-240-3800', 'goshawk', 'dipper>goshawk:contactor-2p-240'],
  'cold-room': [
    'mains-240-20',
    'eider',
    'chill-ntc10k',
    'coil-ntc10k',
    'cold-unit-1500',
    'evaporator-fan',
    'defrost-heater-800',
  ],
  chiller: [
    'mains-240-15',
    'curlew',
    'pocket-pt1000',
    'compressor-call',
    'flow-reed',
    'flow-reed>compressor-call:frost-stat',
  ],
  cabinet: [
    'mains-240-30',
    'goosander',
    'oven-pt100',
    'element-240-3800',
    'goshawk',
    'goosander>goshawk:contactor-2p-240',
  ],
}

export const practices = ['iec', 'us'] as const

/** A sound loop of a kind in a practice; in US practice with its units too. */
export function soundIn(
  practice: (typeof practices)[number],
  kind: LoopKind,
  answers: Readonly<Record<string, Answer | undefined>> = {},
): Edited {
  if (practice === 'iec') return chained(kind, answers)
  const { job, loop } = chained(kind, answers, usSound[kind] ?? soundSteps(kind))
  return { job: { ...job, practice: 'us', system: 'us', temperatureUnit: 'F' }, loop }
}
