import { feedOf } from '../../document/chain'
import type { PlanOf, ProbeFault } from '../behaviour'
import { limitersOf } from '../../wiring/protections'
import { lineOfOutput } from '../../wiring/outputPath'
import { readsColdWhenOpen } from '../../probes/readsColdWhenOpen'
import type { LoopContext } from '../../loop/context'
import { probeFailures } from '../consequences'

/** One way to fail, judged for this loop. */
interface FaultChoice {
  readonly fault: ProbeFault
  readonly offered: boolean
  readonly verdict: 'fits' | 'look' | 'stop'
  readonly says: string
}

interface FaultView {
  readonly choices: readonly FaultChoice[]
  /** What breaks which way: a line for open, one for short or damp. */
  readonly errs: readonly { readonly what: string; readonly shows: string; readonly does: string }[]
  /** What is to be protected: from cold, from heat, from both alike. */
  readonly protects: 'cold' | 'heat' | 'both'
  readonly display: { readonly open: string; readonly short: string }
  readonly fallsK?: number
}

const titles: Readonly<Record<ProbeFault, string>> = {
  off: 'Output off',
  on: 'Output on',
  last: 'Last value',
  duty: 'Fixed duty',
}
/** What an output does without its probe, in words. */
export const faultTitle = (fault: ProbeFault) => titles[fault]

/** What each way of failing does to what this loop keeps, and which way this probe errs before it fails. */
export function faultView(context: LoopContext, plan: PlanOf): FaultView {
  const { chain, survey, words } = context
  const controller = chain.devices.find(({ id }) => id === plan.output.device)?.facts.controller
  const heats = plan.action === 'heating'
  const line = lineOfOutput(chain, plan.output)
  const guarded = line !== undefined && limitersOf(chain, line).length > 0
  const harm = survey?.harm
  const offered = new Set(Object.values(controller?.faultOutputs ?? {}).map(({ does }) => does))
  const runs = heats ? 'the heat stays on' : 'it cools on'
  const stops = heats ? 'no heat' : plan.kind === 'fan' ? 'least speed' : 'no cooling'
  const falls = probeFailures({ ...plan, probeFault: 'off' }, chain, survey).find(
    ({ fallsK }) => fallsK !== undefined,
  )?.fallsK
  const change =
    falls === undefined
      ? ''
      : `; it ${falls > 0 ? 'falls' : 'rises'} ${words.say(Math.abs(falls), 'difference')} in the first hour at design`
  const heat = heats ? ('stop' as const) : ('look' as const)
  const onVerdict = heats ? 'stop' : harm === 'heat' ? 'fits' : harm === 'cold' ? 'look' : 'look'
  const offVerdict = (heats && harm === 'cold') || (!heats && harm === 'heat') ? 'look' : 'fits'
  const judged: Readonly<Record<ProbeFault, readonly [FaultChoice['verdict'], string]>> = {
    off: [offVerdict, `${stops}${change}.`],
    on: [
      onVerdict,
      heats
        ? `${runs}: only the limiter holds it${guarded ? '' : ', and there is none in its line'}.`
        : `${runs}: too cold in time, never too warm.`,
    ],
    last: [heat, heats ? 'As on, when it was on: nobody sees why.' : 'What it did last goes on, whatever comes.'],
    duty: [
      'fits',
      `runs ${plan.dutyPercent === undefined ? 'a fixed share' : words.say(plan.dutyPercent, 'percent')} of the time: near right while the load is as usual.`,
    ],
  }
  const feed = feedOf(chain, plan.input)
  const curve = feed?.fromDevice.facts.probe?.curve
  const name = feed ? `${feed.fromDevice.tag} ${feed.fromDevice.name}` : ''
  const cold = curve && readsColdWhenOpen(curve)
  const answer = (readsCold: boolean) =>
    readsCold ? (heats ? 'heats too much' : 'cools too little') : heats ? 'heats too little' : 'cools too much'
  const errs =
    curve === undefined
      ? []
      : cold === undefined
        ? [
            {
              what: `${name} with its wires crossed`,
              shows: 'falls when it is warmed',
              does: heats ? 'heats without end' : 'never cools',
            },
            { what: 'Cable pinched', shows: 'reads the pinch', does: 'holds the wrong place' },
          ]
        : [
            { what: `${name}, a bad connection`, shows: cold ? 'reads too cold' : 'reads too hot', does: answer(cold) },
            { what: 'Damp in its cable', shows: cold ? 'reads too hot' : 'reads too cold', does: answer(!cold) },
          ]
  return {
    choices: (['off', 'on', 'last', 'duty'] as const).map((fault) => ({
      fault,
      offered: offered.has(fault),
      verdict: judged[fault][0],
      says: judged[fault][1],
    })),
    errs,
    protects: harm ?? 'both',
    display: controller?.faultDisplay ?? { open: '', short: '' },
    ...(falls === undefined ? {} : { fallsK: falls }),
  }
}
