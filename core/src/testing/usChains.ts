import type { Answer } from '../kinds/answers'
import type { LoopKind } from '../kinds/kinds'
import type { Edited } from '../wiring/edited'
import { chained, soundSteps } from './chains'

/** Where a loop is another one altogether: heaters of two hots, broken in both legs; a floor with its supply of 24 V of Class 2. */
const usOwn: Readonly<Partial<Record<LoopKind, readonly string[]>>> = {
  floor: ['mains-120-15', 'class2-24', 'floor-ntc10k', 'dipper', 'pump-120', 'shrike'],
  room: ['mains-240-30', 'dipper', 'room-ntc10k', 'element-240-3800', 'goshawk', 'dipper>goshawk:contactor-2p-240'],
  cabinet: [
    'mains-240-30',
    'goosander',
    'oven-pt100',
    'element-240-3800',
    'goshawk',
    'goosander>goshawk:contactor-2p-240',
  ],
}
/** A circuit of European practice, and what feeds the same devices in US practice. */
const usCircuits: Readonly<Partial<Record<LoopKind, Readonly<Record<string, string>>>>> = {
  boiler: { 'mains-230-10': 'mains-240-15' },
  pool: { 'mains-230-16-30ma': 'mains-120-20-classa', 'safety-24': 'class2-24' },
  fan: { 'mains-230-16-30ma': 'mains-240-15', 'mains-230-10': 'mains-240-20' },
  enclosure: { 'mains-230-10': 'mains-240-15' },
  'cold-room': { 'mains-230-20': 'mains-240-20' },
  chiller: { 'mains-230-10': 'mains-240-15' },
}

/** A chain that is sound for each kind in US practice. */
function usSteps(kind: LoopKind): readonly string[] {
  const circuits = Object.entries(usCircuits[kind] ?? {})
  return (
    usOwn[kind] ??
    soundSteps(kind).map((said) => {
      const [from, to] = circuits.find(([of]) => said === of || said.startsWith(`${of}.`)) ?? []
      return from !== undefined && to !== undefined ? said.replace(from, to) : said
    })
  )
}

export const practices = ['europe', 'us'] as const

/** A sound loop of a kind in a practice; in US practice with its units too. */
export function soundIn(
  practice: (typeof practices)[number],
  kind: LoopKind,
  answers: Readonly<Record<string, Answer | undefined>> = {},
): Edited {
  if (practice === 'europe') return chained(kind, answers)
  const { job, loop } = chained(kind, answers, usSteps(kind))
  return { job: { ...job, practice: 'us', system: 'us', temperatureUnit: 'F' }, loop }
}
