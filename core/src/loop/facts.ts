import { feedOf } from '../document/chain'
import type { CalcCall, SurveyFigure } from '../kinds/asked'
import { factsOfKind } from '../kinds/kinds'
import { remembered } from '../memory/remembered'
import { plansOf, switchingOf } from '../settings/behaviour'
import { factOf } from '../settings/factOf'
import { restingWords, startsOf, startsTitles, worstTitle } from '../settings/starts'
import type { Quantity } from '../units/quantity'
import { contactLoad } from '../wiring/contactLoad'
import { givesOf } from '../device/duty'
import { workingPort } from '../device/withNameplate'
import type { Words } from '../words/words'
import type { LoopContext } from './context'

/** One figure of a loop as it counts, wherever it stands: on a step, on a sheet, in a run. */
export interface Fact {
  /** What it is of: `load`, `starts.worst/plan-1`, `amps/device-2`. The part after the stroke is a plan or a device. */
  readonly id: string
  readonly title: string
  readonly value: number
  readonly quantity: Quantity
  readonly decimals?: number
  readonly low?: number
  readonly high?: number
  /** Where it comes from; `worked` out of others, or `planned`. */
  readonly source: SurveyFigure['source'] | 'worked' | 'planned'
  readonly why?: string
  readonly worked?: CalcCall
  /** Words in place of the figure, where it has none: "stays on". */
  readonly instead?: string
}

/** A fact in words: the same wherever it stands. */
export const sayFact = ({ value, quantity, decimals, instead }: Fact, { say }: Pick<Words, 'say'>): string =>
  instead ?? say(value, quantity, decimals)

type Put = (fact: Fact) => void

/** What the survey found and what follows from it. */
function surveyFacts({ loop, survey }: LoopContext, put: Put): void {
  if (!survey) return
  const { questions, action } = { questions: factsOfKind(loop.kind).questions, action: survey.seen.action }
  for (const [id, { value, low, high, source, why, worked }] of Object.entries(survey.figures)) {
    const question = questions.find((each) => each.id === id)
    const quantity =
      question?.ask === 'number' ? question.quantity : ({ loss: 'loss', capacity: 'capacity' } as const)[id]
    if (quantity === undefined) continue
    put({
      ...{ id, title: question?.title ?? (id === 'loss' ? 'Heat loss' : 'Heat stored'), value, quantity, source, why },
      ...(low === undefined ? {} : { low }),
      ...(high === undefined ? {} : { high }),
      ...(worked === undefined ? {} : { worked }),
    })
  }
  const { fullPowerW, powerW, loadW } = survey.seen
  put({ id: 'needs', title: 'Load on the design day', value: loadW, quantity: 'power', source: 'worked' })
  put({
    ...{ id: 'power', title: action === 'heating' ? 'Power of the plant' : 'It takes out', quantity: 'power' },
    ...{ value: fullPowerW ?? powerW, source: survey.figures['power']?.source ?? 'worked' },
  })
  for (const { id, label, value, quantity, worked } of survey.lines)
    put({ id, title: label, value, quantity, source: 'worked', ...(worked === undefined ? {} : { worked }) })
}

/** What each load takes and gives. */
function deviceFacts({ chain }: LoopContext, put: Put): void {
  for (const { id, tag, facts, nameplate } of chain.devices) {
    if (facts.category !== 'load') continue
    const source = nameplate && Object.keys(nameplate).length > 0 ? 'nameplate' : 'chain'
    const port = facts.ports[workingPort(facts) ?? '']
    if (port?.kind === 'load') {
      const { load } = port
      put({ id: factOf('takes', id), title: `${tag} takes`, value: load.powerW, quantity: 'electricPower', source })
      put({ id: factOf('volts', id), title: `${tag} at`, value: load.volts, quantity: 'voltage', source })
      put({
        ...{ id: factOf('amps', id), title: `${tag} draws`, value: contactLoad([], load).loadA, quantity: 'current' },
        source: load.amps === undefined ? 'worked' : source,
      })
    }
    const gives = Math.max(0, ...Object.values(facts.ports).map((each) => ('does' in each ? givesOf(each) : 0)))
    if (gives > 0) put({ id: factOf('gives', id), title: `${tag} gives`, value: gives, quantity: 'power', source })
    const { startsPerHour, minimumOffS } = facts.load ?? {}
    if (startsPerHour !== undefined)
      put({
        ...{ id: factOf('bears', id), title: `${tag} bears`, value: startsPerHour, quantity: 'perHour' },
        source,
      })
    if (minimumOffS !== undefined)
      put({
        id: factOf('minimumOff', id),
        title: `${tag}, minimum off time`,
        value: minimumOffS,
        quantity: 'seconds',
        source,
      })
  }
}

const reasonWords = ({ reason }: { readonly reason?: keyof typeof restingWords }) =>
  reason ? { instead: restingWords[reason] } : {}

/** Where each plan switches, how late its probe is, and how often it starts. */
function planFacts(context: LoopContext, put: Put): void {
  const { loop, chain } = context
  for (const plan of plansOf(loop.settings.planned)) {
    const lagS = feedOf(chain, plan.input)?.fromDevice.facts.probe?.lagS
    if (lagS !== undefined)
      put({
        id: factOf('lag', plan.id),
        title: 'Its probe is late by',
        value: lagS,
        quantity: 'seconds',
        source: 'chain',
      })
    if (plan.kind !== 'on-off') continue
    const { onC, offC, swingK } = switchingOf(plan)
    put({ id: factOf('on', plan.id), title: 'Switches on at', value: onC, quantity: 'temperature', source: 'planned' })
    put({
      id: factOf('off', plan.id),
      title: 'Switches off at',
      value: offC,
      quantity: 'temperature',
      source: 'planned',
    })
    put({ id: factOf('swing', plan.id), title: 'Swing', value: swingK, quantity: 'difference', source: 'planned' })
    const starts = startsOf(context, plan)
    if (!starts) continue
    const { worst, allowed, load } = starts
    const rate = { quantity: 'perHour', source: 'worked' } as const
    const design = starts.at(load.restC)
    put({
      ...{ id: factOf('starts.design', plan.id), title: startsTitles.design, value: design.perHour, ...rate },
      worked: design.worked,
      ...reasonWords(design),
    })
    put({
      ...{ id: factOf('starts.worst', plan.id), title: worstTitle(worst), value: worst.perHour, ...rate },
      worked: worst.worked,
      ...reasonWords(worst),
    })
    if (allowed)
      put({
        ...{ id: factOf('starts.allowed', plan.id), title: startsTitles.allowed, value: allowed.perHour, ...rate },
        ...{ decimals: 0, why: allowed.source },
      })
  }
}

/**
 * The facts of a loop: every figure that several places tell, resolved once, by its id. Places show `sayFact` of it and carry its id.
 * What was put first counts: a line of the survey that tells another value under the same id is a fault that the tests find.
 */
export const loopFacts = remembered((context: LoopContext): ReadonlyMap<string, Fact> => {
  const facts = new Map<string, Fact>()
  const put: Put = (fact) => {
    if (!facts.has(fact.id)) facts.set(fact.id, fact)
  }
  surveyFacts(context, put)
  deviceFacts(context, put)
  planFacts(context, put)
  return facts
})
