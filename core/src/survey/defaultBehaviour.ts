import { usualSwing } from '../kinds/usualSwing'
import { actionOf } from '../kinds/actionOf'
import { answersOf } from '../kinds/answersOf'
import { startReset } from '../settings/reset/startReset'
import {
  type BandBehaviour,
  type FanBehaviour,
  fromSetpoint,
  type OnOffBehaviour,
  switchingOf,
} from '../settings/behaviour'
import type { PortRef } from '../document/chain'
import type { LoopDocument } from '../document/documents'
import { type FieldData, fieldValue } from '../plant/fieldValue'
import { boundTo, comesWith, timeFrom } from '../device/bound'
import type { ContactPort, ControllerFacts } from '../device/deviceProfile'
import { factsOfKind } from '../kinds/kinds'

/** Key limits lie this far about the setpoint, and the alarm as much further out. */
const LIMIT_K = 3
const MINUTE = 60

/** What an output is, besides its port: the action it is made for, and which stage of a controller's it is, from 0. */
interface OutputPlace {
  readonly contact?: ContactPort | undefined
  readonly action?: 'heating' | 'cooling' | undefined
  readonly stage?: number
}

/** What a plan starts from whatever way it controls. */
function startOf(
  loop: LoopDocument,
  controller: ControllerFacts,
  data: FieldData,
  { contact, action: made, stage = 0 }: OutputPlace,
) {
  const facts = factsOfKind(loop.kind)
  const answers = answersOf(loop)
  const action = contact?.action ?? made ?? actionOf(loop)
  const heats = action === 'heating'
  const asked = typeof answers['target'] === 'number' ? answers['target'] : undefined
  const targetC = asked === undefined ? (heats ? 21 : 24) : (facts.setsTo?.(answers, data) ?? asked)
  const spacing = fieldValue(data, heats ? 'spacing.heating' : 'spacing.cooling').typical
  const setpointC = targetC + (heats ? -1 : 1) * stage * spacing
  const limitC = facts.highest?.(answers, data) ?? Infinity
  const highestC = Math.max(setpointC, Math.min(setpointC + LIMIT_K, limitC))
  const offered = Object.values(controller.faultOutputs).map(({ does }) => does)
  const probeFault = facts.fault.find((wish) => offered.includes(wish)) ?? 'off'
  const duty = comesWith(controller, 'duty')
  return {
    action,
    heats,
    setpointC,
    highestC,
    lowestC: heats ? Math.min(setpointC, 10) : setpointC - LIMIT_K,
    probeFault,
    ...(duty === undefined ? {} : { dutyPercent: duty }),
  }
}

/** Minimum off time that a fitter would start from, s: what is usual for what burns or compresses, else three minutes. */
export function usualMinimumOffS(loop: Pick<LoopDocument, 'kind' | 'survey'>, data: FieldData): number {
  const row = factsOfKind(loop.kind).minimumOff(answersOf(loop))
  return row ? fieldValue(data, row).typical * MINUTE : 180
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
  place: OutputPlace = {},
): OnOffBehaviour {
  const { heats: _heats, action, setpointC, highestC, ...start } = startOf(loop, controller, data, place)
  const swing = usualSwing(loop, data)
  const [first] = Object.values(controller.conventions).sort((a, b) => a.order - b.order)
  // Never narrower than the display, or a bimetal, can tell.
  const swingK = Math.max(swing.typical, fieldValue(data, 'resolve.swing').low * controller.display.stepC)
  const words = fromSetpoint(action, first?.convention ?? 'cut-out', setpointC, swingK, { swingIs: first?.swingIs })
  const { onC, offC } = switchingOf(words)
  // By the weather it works up to the top of its line.
  const lineTopC = (controller.controls?.reset && startReset(loop, data).maximumSupplyC) || -Infinity
  return {
    kind: 'on-off',
    order,
    output,
    input,
    ...words,
    ...start,
    highestC,
    alarmHighC: Math.max(highestC, onC, offC, lineTopC + Math.max(onC, offC) - setpointC) + LIMIT_K,
    offsetK: 0,
    minimumOffS: usualMinimumOffS(loop, data),
  }
}

/** The band a fitter would start from: the usual width for its kind, or what the controller comes with. */
export function defaultBand(
  loop: LoopDocument,
  controller: ControllerFacts,
  output: PortRef,
  input: PortRef,
  order: number,
  data: FieldData,
  place: OutputPlace = {},
): BandBehaviour {
  const { band } = factsOfKind(loop.kind).leaning(answersOf(loop))
  const { heats: _heats, ...start } = startOf(loop, controller, data, place)
  const cycled = boundTo(controller, 'cycle')
  const [integral, cycle, travel] = (['integral', 'cycle', 'travel'] as const).map((binds) => {
    const found = boundTo(controller, binds)
    return found && typeof found.comes === 'number' ? timeFrom(found, found.comes) : undefined
  })
  return {
    kind: 'band',
    order,
    output,
    input,
    ...start,
    anchor: boundTo(controller, 'anchor') ? 'centred' : 'from-setpoint',
    bandK: cycled ? (comesWith(controller, 'band') ?? 10) : fieldValue(data, band ?? 'band.valve.room').typical,
    integralS: integral ?? 0,
    minimumPercent: 0,
    maximumPercent: 100,
    ...(cycle === undefined ? {} : { cycleS: cycle }),
    ...(travel === undefined ? {} : { travelS: travel }),
    alarmHighC: start.highestC + LIMIT_K,
    offsetK: 0,
  }
}

/** The fan a fitter would start from: its two sets from the survey, never under its least speed. */
export function defaultFan(
  loop: LoopDocument,
  controller: ControllerFacts,
  output: PortRef,
  input: PortRef,
  order: number,
  data: FieldData,
): FanBehaviour {
  const answers = answersOf(loop)
  const { heats: _heats, lowestC: _low, ...start } = startOf(loop, controller, data, { action: 'cooling' })
  const humid = boundTo(controller, 'humidity') !== undefined && answers['first'] !== 'temperature'
  const { tolerance } = answers
  // How far over its set it may take to full speed is what was asked.
  const bandK = typeof tolerance === 'number' ? tolerance : fieldValue(data, 'band.fan.temperature').typical
  const minimum = typeof answers['minimum'] === 'number' ? answers['minimum'] : fieldValue(data, 'fan.min.ec').typical
  return {
    kind: 'fan',
    order,
    output,
    input,
    ...start,
    bandK,
    ...(humid
      ? {
          humidityPercent: typeof answers['humiditySet'] === 'number' ? answers['humiditySet'] : 70,
          humidityBandPercent: fieldValue(data, 'band.fan.humidity').typical,
        }
      : {}),
    minimumPercent: minimum,
    minimumMode: 'floor',
    alarmHighC: start.setpointC + bandK + LIMIT_K,
    offsetK: 0,
  }
}
