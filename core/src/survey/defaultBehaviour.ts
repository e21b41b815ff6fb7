import { fromSetpoint, type OnOffBehaviour } from '../job/behaviour'
import type { PortRef } from '../job/chain'
import type { LoopDocument } from '../job/documents'
import { type FieldData, fieldValue } from '../plant/fieldValue'
import type { ContactPort, ControllerFacts } from '../profile/deviceProfile'
import { factsOfKind } from './kindFacts'

/** Key limits lie this far about the set, and the alarm as much further out. */
const LIMIT_K = 3
const MINUTE = 60

/** What an output is, besides its port: the action it is made for, and which stage of a controller's it is, from 0. */
export interface OutputPlace {
  readonly contact?: ContactPort | undefined
  readonly stage?: number
}

/**
 * The plan a fitter would start from: the target as setpoint in the controller's own convention, the usual swing for this kind and
 * its school, further stages spaced as usual, key limits a few kelvin about it, the kind's own limit as the highest set, an alarm
 * beyond. A broken probe does what harms least of what the controller offers.
 */
export function defaultBehaviour(
  loop: LoopDocument,
  controller: ControllerFacts,
  output: PortRef,
  input: PortRef,
  order: number,
  data: FieldData,
  { contact, stage = 0 }: OutputPlace = {},
): OnOffBehaviour {
  const facts = factsOfKind(loop.kind)
  const { answers } = loop.survey
  const action = contact?.action ?? facts.action
  const heats = action === 'heating'
  const asked = typeof answers['target'] === 'number' ? answers['target'] : undefined
  const targetC = asked === undefined ? (heats ? 21 : 24) : (facts.setsTo?.(answers, data) ?? asked)
  const swing = fieldValue(data, facts.swing(answers))
  const spacing = fieldValue(data, heats ? 'spacing.heating' : 'spacing.cooling').typical
  const setpointC = targetC + (heats ? -1 : 1) * stage * spacing
  const [first] = Object.values(controller.conventions).sort((a, b) => a.order - b.order)
  const limitC = facts.highest?.(answers, data) ?? Infinity
  const highestC = Math.max(setpointC, Math.min(setpointC + LIMIT_K, limitC))
  // Never narrower than the display, or a bimetal, can tell.
  const swingK = Math.max(swing.typical, fieldValue(data, 'resolve.swing').low * controller.display.stepC)
  const words = fromSetpoint(action, first?.convention ?? 'cut-out', setpointC, swingK, { swingIs: first?.swingIs })
  const rest = facts.rest(answers)
  const offered = Object.values(controller.faultOutputs).map(({ does }) => does)
  return {
    kind: 'on-off',
    order,
    output,
    input,
    ...words,
    lowestC: heats ? Math.min(setpointC, 10) : setpointC - LIMIT_K,
    highestC,
    alarmHighC: Math.max(highestC, words.onC, words.offC) + LIMIT_K,
    offsetK: 0,
    minimumOffS: rest ? fieldValue(data, rest).typical * MINUTE : 180,
    probeFault: facts.fault.find((wish) => offered.includes(wish)) ?? 'off',
  }
}
