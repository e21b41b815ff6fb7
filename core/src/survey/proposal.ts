import { usualSwing } from '../kinds/usualSwing'
import { answersOf } from '../kinds/answersOf'
import { droop } from '../settings/band/law/proportional'
import { swingForStarts, worstStarts } from '../control/starts'
import { allowedStarts } from '../settings/allowedStarts'
import { switchingPlans } from '../settings/behaviour'
import { factOf } from '../settings/factOf'
import { startsOf, startsTitles, worstTitle } from '../settings/starts'
import type { ResolvedChain } from '../document/chain'
import type { LoopDocument } from '../document/documents'
import type { Words } from '../words/words'
import { type FieldData, fieldValue } from '../plant/fieldValue'
import { usualMinimumOffS } from './defaultBehaviour'
import type { Control } from '../choices/deviceChoices'
import type { Quantity } from '../units/quantity'
import type { CalcCall } from '../kinds/asked'
import { factsOfKind } from '../kinds/kinds'
import type { Wanted } from '../kinds/leaning'
import type { LoopSurvey } from './surveyResult'

interface ProposalFigure {
  /** Of the loop that it tells. */
  readonly fact?: string
  readonly label: string
  readonly value: number
  readonly quantity: Quantity
  readonly decimals?: number
  readonly worked?: CalcCall
}

/** What a proposal is made of besides its survey. */
interface Proposed {
  readonly loop: LoopDocument
  readonly chain: ResolvedChain
  readonly data: FieldData
}

/** How to control this loop, why in two lines with numbers, and what would change its mind. */
export interface Proposal {
  readonly control: Control
  readonly stages: number
  readonly title: string
  readonly reason: readonly [string, string]
  readonly would: readonly string[]
  readonly figures: readonly ProposalFigure[]
  readonly wants: readonly Wanted[]
}

const titles: Readonly<Record<Control, string>> = {
  'on-off': 'On and off',
  staged: 'In stages',
  modulating: 'Modulating',
  'time-proportioned': 'Solid-state, time-proportioned',
  reset: 'Supply by the weather',
  fan: 'Fan by the stronger demand',
  defrost: 'On and off, with defrost',
  timer: 'By the clock',
  battery: 'On and off, with battery cut-off',
  group: 'In a group with a leader',
}

/** Controls that switch, so that how often they do counts. */
const SWITCHES: ReadonlySet<Control> = new Set(['on-off', 'staged', 'defrost', 'battery', 'reset'])

/**
 * How often the plant would start as one step: as planned where it is planned so, else with the usual swing and minimum off time, before
 * any probe is chosen.
 */
function oneStep(context: Proposed, survey: LoopSurvey) {
  const { loop, data } = context
  const { powerW, capacityJPerK, lossWPerK, restC, targetC, action } = survey.seen
  const plan = switchingPlans(loop.settings.planned).find((each) => each.action === action)
  const starts = plan && startsOf({ ...context, survey }, plan)
  const swingK = starts ? plan.swingK : usualSwing(loop, data).typical
  const needW = lossWPerK * (action === 'heating' ? targetC - restC : restC - targetC)
  const given = (ofW: number) => ({
    ...{ powerW: ofW, capacityJPerK },
    minimumOffS: starts?.given.minimumOffS ?? usualMinimumOffS(loop, data),
    lagS: starts?.given.lagS ?? 0,
    hardestDutyPercent: Math.max(0, (100 * needW) / ofW),
  })
  const ofPower = (ofW: number) => (ofW > 0 ? worstStarts(given(ofW), swingK).perHour : 0)
  const allowed = starts ? starts.allowed : allowedStarts(context)
  const alone = starts?.load.stages === 1
  return {
    swingK,
    planned: starts !== undefined,
    ofPower,
    allowed,
    worst: alone ? starts.worst.perHour : ofPower(powerW),
    title: worstTitle({
      minimumOffRules: alone
        ? starts.worst.minimumOffRules
        : powerW > 0 && worstStarts(given(powerW), swingK).minimumOffRules,
    }),
    worked: alone ? starts.worst.worked : undefined,
    fact: (what: string) => (starts ? { fact: factOf(what, plan.id) } : {}),
    swingOf: (ofW: number) => allowed && swingForStarts(given(ofW), allowed.perHour),
  }
}

/**
 * The proposal that a survey ends with. A kind leans to one way of control; the numbers may overrule it: more switchings an hour than
 * the load allows make stages, a tolerance narrower than half of the usual swing makes it modulating where the plant can.
 */
export function propose(context: Proposed & { readonly words: Words }, survey: LoopSurvey): Proposal {
  const { loop, data } = context
  const { seen, figures: known } = survey
  const { say } = context.words
  const facts = factsOfKind(loop.kind)
  const answers = answersOf(loop)
  const leaning = facts.leaning(answers)
  const { powerW, loadW, lossWPerK, restC, targetC, action } = seen
  const fullW = seen.fullPowerW ?? powerW
  const swingRow = usualSwing(loop, data)
  const dutyPercent = fullW > 0 ? Math.min(100, (100 * loadW) / fullW) : 100
  const { swingK, planned, worst, title, worked, allowed, swingOf, ofPower, fact } = oneStep(context, survey)
  const asked = typeof answers['stages'] === 'number' ? answers['stages'] : undefined
  const upTo = Array.from({ length: leaning.mostStages }, (_, i) => i + 1)
  const needed = allowed ? (upTo.find((n) => ofPower(powerW / n) <= allowed.perHour) ?? leaning.mostStages) : 1
  const stages = Math.min(leaning.mostStages, Math.max(1, asked ?? needed))
  const tolerance = answers['tolerance']
  const tight =
    leaning.control === 'on-off' &&
    typeof tolerance === 'number' &&
    tolerance < swingRow.low / 2 &&
    leaning.band !== undefined
  const control: Control = tight
    ? 'modulating'
    : (leaning.control === 'on-off' || leaning.control === 'staged') && stages > 1
      ? 'staged'
      : leaning.control === 'staged'
        ? 'on-off'
        : leaning.control
  const band = leaning.band ? fieldValue(data, leaning.band).typical : undefined
  const droopInput =
    band !== undefined && powerW > 0
      ? { powerW, lossWPerK, outdoorC: restC, setpointC: targetC, bandK: band, anchor: 'centred' as const, action }
      : undefined
  const settles = droopInput ? droop(droopInput) : undefined
  const figures: ProposalFigure[] = [
    { fact: 'needs', label: 'Load on the design day', value: loadW, quantity: 'power' },
    {
      fact: 'power',
      label: action === 'heating' ? 'Power of the plant' : 'It takes out',
      value: fullW,
      quantity: 'power',
    },
    ...(worst > 0
      ? [
          {
            label: control === 'staged' ? `${title}, as one step` : title,
            value: worst,
            quantity: 'perHour' as const,
            ...(worked ? { worked, ...fact('starts.worst') } : {}),
          },
          ...(allowed
            ? [
                {
                  ...fact('starts.allowed'),
                  label: startsTitles.allowed,
                  value: allowed.perHour,
                  quantity: 'perHour' as const,
                  decimals: 0,
                },
              ]
            : []),
        ]
      : []),
    ...(settles && droopInput
      ? [
          {
            label: `Droop with a band of ${say(band!, 'difference', 0)}`,
            value: settles.offsetK,
            quantity: 'difference' as const,
            worked: { calc: 'control.droop', input: droopInput, output: 'offsetK' },
          },
        ]
      : []),
  ]
  const stillOften = (ofW: number) =>
    allowed && ofPower(ofW) > allowed.perHour
      ? ` Still too often: a swing of ${say(swingOf(ofW)!, 'difference')}, or more water or mass.`
      : ''
  const short = fullW < loadW
  const first = short
    ? `${say(fullW, 'power')} against a load of ${say(loadW, 'power')}: it does not hold the target on the design day.`
    : `${say(loadW, 'power')} of load against ${say(fullW, 'power')}: on for ${say(dutyPercent, 'percent')} of the design day.`
  const allowedSay = allowed
    ? `${say(allowed.perHour, 'perHour', 0)} is allowed (${allowed.source})`
    : 'nothing minds that'
  const named = planned ? 'planned' : 'usual'
  const second =
    control === 'staged' && asked !== undefined
      ? `${stages} steps of ${say(fullW / stages, 'power')}: with a swing of ${say(swingK, 'difference')} each starts ${say(ofPower(powerW / stages), 'perHour', 1)} at worst; ${allowedSay}.`
      : control === 'staged'
        ? `One step would start ${say(worst, 'perHour', 1)} with a swing of ${say(swingK, 'difference')}; ${stages} steps bring each to ${say(ofPower(powerW / stages), 'perHour', 1)}. ${allowedSay[0]!.toUpperCase()}${allowedSay.slice(1)}.${stillOften(powerW / stages)}`
        : control === 'modulating' && settles
          ? `A band of ${say(band!, 'difference', 0)} settles ${say(Math.abs(settles.offsetK), 'difference')} ${settles.offsetK < 0 ? 'under' : 'over'} the setpoint at design; the ${named} swing of ${say(swingK, 'difference')} would stray half of that each way.`
          : SWITCHES.has(control) && worst > 0
            ? `With the ${named} swing of ${say(swingK, 'difference')} it starts ${say(worst, 'perHour', 1)} at worst; ${allowedSay}.${allowed && worst > allowed.perHour ? ` Too often: a swing of ${say(swingOf(powerW)!, 'difference')}, or more water or mass.` : ''}`
            : `${leaning.because}`
  const would = [
    ...(short ? ['More power, less loss, or a target that it can hold.'] : []),
    leaning.would,
    ...(control === 'staged' && asked === undefined && allowed
      ? [`A swing of ${say(swingOf(powerW)!, 'difference')}: then one step would do.`]
      : []),
    ...(tight ? [`A tolerance of ${say(swingRow.typical / 2, 'difference')} or more: on and off would do.`] : []),
    ...(Object.values(known).some(({ source }) => source === 'estimate')
      ? ['Measured figures in place of the estimated ones.']
      : []),
  ]
  const needs = leaning.also.filter(({ category }) => category === 'limiter' || category === 'permissive')
  const titled = control === 'staged' ? `${counts[stages] ?? stages} stages` : titles[control]
  return {
    control,
    stages,
    title: needs.length > 0 ? `${titled}, with ${needs.map(({ as }) => as).join(' and ')}` : titled,
    reason: [
      first,
      control === leaning.control || control === 'staged'
        ? `${leaning.because} ${second === leaning.because ? '' : second}`.trim()
        : second,
    ],
    would,
    figures,
    wants: leaning.also,
  }
}

const counts: Readonly<Record<number, string>> = { 2: 'Two', 3: 'Three', 4: 'Four' }
