import type { LoopKind } from '../job/documents'

export const stages = ['survey', 'match', 'wire', 'set', 'try', 'prove', 'hand-over'] as const
export type Stage = (typeof stages)[number]

/** A thing that can hurt, with its one-line caution and the stages where it bites. Figures stand in braces, for `tell`. */
export interface Hazard {
  readonly id: string
  readonly title: string
  readonly caution: string
  readonly more: string
  readonly stages: readonly Stage[]
  readonly kinds: readonly LoopKind[]
}

const DEFERS = 'Local code, the maker\u2019s leaflet and the licensed trade come first.'

/** Hazards by the kinds of loop they are proposed for. */
export const hazards: readonly Hazard[] = [
  {
    id: 'mains',
    title: 'Mains in the box or at the pump',
    kinds: ['floor', 'boiler', 'room'],
    stages: ['match', 'wire', 'set', 'prove'],
    caution: 'Mains. Locked off and proved dead before a hand goes in; covers on before power.',
    more: `Switch off, lock off, prove dead on every pole with a tester checked on a known source before and after. Look for a second supply. Mains work is for the licensed trade. ${DEFERS}`,
  },
  {
    id: 'hot-water',
    title: 'Hot heating water',
    kinds: ['floor', 'boiler'],
    stages: ['set', 'try', 'prove'],
    caution: 'Hot water. Screed pipe not over {55 C} (calcium sulphate {50 C}); the limiter stays in force.',
    more: `A mixing valve that fails sends boiler water into the floor: it scalds and cracks screed. The independent limiter with its own probe and own contact is never bridged, also not for a test. ${DEFERS}`,
  },
  {
    id: 'pressure',
    title: 'System under pressure',
    kinds: ['floor', 'boiler'],
    stages: ['prove'],
    caution: 'Pressure. Let it cool and relieve it before a joint or a pocket is opened.',
    more: `Heating water over {60 C} scalds in seconds; under pressure it sprays from an opened joint, over {100 C} it flashes to steam. Cool down, shut off, relieve, then open. ${DEFERS}`,
  },
  {
    id: 'wet',
    title: 'Wash-down or wet floor',
    kinds: ['floor', 'boiler', 'room'],
    stages: ['match', 'wire', 'prove'],
    caution: 'Water near electricity. Probe on safety extra-low voltage, 30 mA residual-current device, bonding.',
    more: `Where people or animals touch water that a probe sits in: extra-low voltage from a safety transformer or reinforced insulation, a 30 mA residual-current device and bonding. ${DEFERS}`,
  },
  {
    id: 'animals',
    title: 'Animals lie on the floor',
    kinds: ['floor'],
    stages: ['set', 'try', 'prove'],
    caution: 'Animals on the floor. Under bodies and bedding it is warmer than the probe says: burns come slowly.',
    more: 'A young or sick animal cannot move away. Keep the surface under its limit, put the probe where it is warmest, and measure under the bedding with a contact probe.',
  },
  {
    id: 'combustible',
    title: 'Straw, wood or paper on the floor',
    kinds: ['floor'],
    stages: ['set'],
    caution: 'Heat near combustibles. An insulating cover traps heat: keep the limit low and the air free.',
    more: `Bedding and boxes hold the heat back; the screed under them goes above the probe\u2019s reading. ${DEFERS}`,
  },
  {
    id: 'screed-new',
    title: 'New screed',
    kinds: ['floor'],
    stages: ['set', 'try', 'prove'],
    caution: 'New screed. First heat after 21 days (cement) or 7 (calcium sulphate), in steps, recorded.',
    more: 'First heat: three days at {20 C} to {25 C} supply, then four days at the design maximum, written down (EN 1264-4). Earlier or faster, it cracks.',
  },
]

export const hazardsOf = (kind: LoopKind) => hazards.filter((hazard) => hazard.kinds.includes(kind))

/** Cautions of the ticked hazards that bite in a stage. */
export const cautionsAt = (ticked: Readonly<Record<string, true>>, stage: Stage) =>
  hazards.filter((hazard) => ticked[hazard.id] && hazard.stages.includes(stage))
