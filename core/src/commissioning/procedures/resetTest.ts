import type { LoopContext } from '../../loop/context'
import { type ResetLine, resetLine } from '../../settings/reset/law/resetLine'
import type { PlanOf } from '../../settings/behaviour'
import type { ResolvedDevice } from '../../document/chain'
import type { ResetPlan } from '../../settings/reset/fields'
import { fieldValue } from '../../plant/fieldValue'
import type { Found, Judged, StepSpec, TestSpec } from '../proofTest'
import {
  around,
  cause,
  look,
  nameOf,
  noted,
  parameterName,
  sourceOfRow,
  spec,
  standIn,
  substitute,
  toKeying,
  toProbe,
  toSet,
} from './parts'

/** A display of the outdoor temperature that is off by more than this reads wrong, K. */
const OUTDOOR_K = 1.5

/** A line whose ends or limits cross asks for nothing that could be tested; a finding says so. */
const crossed = ({
  designOutdoorC,
  warmOutdoorC,
  minimumSupplyC = -Infinity,
  maximumSupplyC = Infinity,
  frostBelowC,
  frostSupplyC,
}: ResetLine) =>
  !(warmOutdoorC > designOutdoorC) ||
  minimumSupplyC > maximumSupplyC ||
  (frostBelowC === undefined) !== (frostSupplyC === undefined)

/**
 * The reset line at the outdoor air of now and at two that are dialled: what supply the controller asks for. Expected: `reset.supply`
 * with the parallel shift, tolerance tol.reset; the settled supply of now is read at the pipe.
 */
export function resetTest(
  context: LoopContext,
  device: ResolvedDevice,
  reset: ResetPlan,
  plan: PlanOf | undefined,
): TestSpec | undefined {
  if (crossed(reset)) return undefined
  const { words, loop } = context
  const { say } = words
  const toleranceK = fieldValue(context.data, 'tol.reset').typical
  const source = sourceOfRow(context, 'tol.reset')
  const outdoorPort =
    Object.entries(device.facts.ports).find(([, port]) => port.kind === 'probe-in' && port.feels === 'outdoor')?.[0] ??
    'outdoor'
  const input = { device: device.id, port: outdoorPort }
  const line = resetLine(reset)
  const supply = (outdoorC: number) => {
    const C = line(outdoorC)
    return C === null ? null : C + reset.shiftK
  }
  const now = Math.min(
    reset.warmOutdoorC,
    Math.max(reset.designOutdoorC, loop.survey.found?.outdoorC ?? (reset.designOutdoorC + reset.warmOutdoorC) / 2),
  )
  const width = reset.warmOutdoorC - reset.designOutdoorC
  const points = {
    cold: reset.designOutdoorC,
    middle: reset.designOutdoorC + width / 2,
    mild: reset.warmOutdoorC - width * 0.15,
  }
  const step = (id: keyof typeof points, title: string): StepSpec => {
    const outdoorC = points[id]
    const expected = supply(outdoorC)
    const dial = substitute(context, input, outdoorC)
    return {
      id,
      title,
      does: `${standIn(context, input)} on the outdoor input: ${say(outdoorC, 'temperature')}${dial ? ` (${dial})` : ''}. ${reset.averageH > 0 ? `The controller averages over ${say(reset.averageH, 'hours')}: read the supply that it computes, averaging off.` : 'Read the supply that it asks for.'}`,
      main:
        expected === null
          ? {
              kind: 'number',
              label: 'Supply asked for',
              quantity: 'temperature',
              expected: 0,
              low: 0,
              high: 0,
              source,
              nothing: 'shut down',
              nothingFits: true,
            }
          : around('Supply asked for', 'temperature', expected, toleranceK, source, { nothing: 'shut down' }),
      asides: { outdoor: around('Display: outdoor', 'temperature', outdoorC, OUTDOOR_K, 'what was dialled') },
      ...(dial ? { dial } : {}),
      at: { input, temperatureC: outdoorC },
    }
  }
  const here = supply(now)
  return spec(context, {
    id: `reset/${device.id}`,
    kind: 'reset',
    title: 'Reset line',
    about: nameOf(device),
    purpose: 'The supply that is asked for at three outdoor temperatures, and the one that comes now.',
    have: [standIn(context, input), 'thermometer on the supply pipe'],
    how: 'Lift the outdoor probe for the dialled ones, land it again for now. Read what the controller asks for; at now, settled for 20 minutes.',
    rule: `Within ${say(toleranceK, 'difference')} of the line (${source}). Off by the same everywhere is a shift, off at one end is that end.`,
    steps: [
      step('cold', 'Coldest, dialled'),
      step('middle', 'Half way, dialled'),
      step('mild', 'Mild, dialled'),
      {
        id: 'now-outdoor',
        title: 'Outdoor now',
        does: 'Land the outdoor probe again. Read a thermometer in the shade beside it, and what the display shows.',
        main: noted('Thermometer, outdoors', 'temperature', { expected: now }),
        asides: { display: noted('Display: outdoor', 'temperature', { expected: now }) },
        at: { input, probe: 'joined' },
      },
      {
        id: 'now',
        title: 'Supply now',
        does: `After 20 minutes of steady run: what does the thermometer on the supply pipe show? ${here === null ? '' : `At ${say(now, 'temperature')} outside it is ${say(here, 'temperature')}.`}`.trim(),
        main: noted('Supply pipe', 'temperature', { expected: here ?? 0, nothing: 'shut down' }),
      },
    ],
    judge: (found, wrong) => judge(context, plan, { reset, supply, points, toleranceK }, found, wrong),
  })
}

function judge(
  context: LoopContext,
  plan: PlanOf | undefined,
  {
    reset,
    supply,
    points,
    toleranceK,
  }: {
    readonly reset: ResetPlan
    readonly supply: (outdoorC: number) => number | null
    readonly points: Readonly<Record<'cold' | 'middle' | 'mild', number>>
    readonly toleranceK: number
  },
  found: Found,
  wrong: readonly string[],
): Judged | undefined {
  if (['cold', 'middle', 'mild'].some((id) => wrong.includes(`${id}/outdoor`)))
    return look('reset.outdoor-kind', {}, cause('reset.outdoor-kind', {}, toProbe))
  const read = (['cold', 'middle', 'mild'] as const).flatMap((id) => {
    const value = found.value(id)
    const expected = supply(points[id])
    return typeof value === 'number' && expected !== null ? [{ id, value, expected, error: value - expected }] : []
  })
  const by = Object.fromEntries(read.map((each) => [each.id, each]))
  if (wrong.some((id) => ['cold', 'middle', 'mild'].includes(id)) && read.length >= 2) {
    const same = Math.max(...read.map(({ error }) => error)) - Math.min(...read.map(({ error }) => error)) <= toleranceK
    const flat =
      read.length >= 2 && Math.max(...read.map(({ value }) => value)) - Math.min(...read.map(({ value }) => value)) < 1
    const name = (binds: Parameters<typeof parameterName>[2]) => (plan && parameterName(context, plan, binds)) ?? 'it'
    if (flat)
      return look(
        'reset.fixed-supply',
        { value: read[0]!.value },
        cause(
          'reset.fixed-supply',
          { resetLeastParameter: name('reset.least'), resetMostParameter: name('reset.most') },
          toKeying,
        ),
      )
    if (same && read.length === 3)
      return look(
        'reset.line-shifted',
        { error: read[0]!.error },
        cause('reset.line-shifted', { resetShiftParameter: name('reset.shift') }, toKeying),
      )
    const cold = by['cold'] && Math.abs(by['cold'].error) > toleranceK
    const mild = by['mild'] && Math.abs(by['mild'].error) > toleranceK
    if (cold && !mild) {
      const top = by['cold']!.value
      const capped =
        by['middle'] !== undefined && Math.abs(by['middle'].error) <= toleranceK && top < by['cold']!.expected
      return look(
        'reset.line-limited',
        { top, cold: points.cold, expected: by['cold']!.expected },
        capped
          ? cause('reset.line-limited', { resetMostParameter: name('reset.most') }, toKeying)
          : cause(
              'reset.line-cold-end',
              {
                resetColdSupplyParameter: name('reset.coldSupply'),
                resetColdOutdoorParameter: name('reset.coldOutdoor'),
              },
              toKeying,
            ),
      )
    }
    if (mild && !cold)
      return look(
        'reset.line-mild-end',
        { value: by['mild']!.value, mild: points.mild, expected: by['mild']!.expected },
        cause(
          'reset.line-mild-end',
          {
            resetMildSupplyParameter: name('reset.mildSupply'),
            resetMildOutdoorParameter: name('reset.mildOutdoor'),
            resetLeastParameter: name('reset.least'),
          },
          toKeying,
        ),
      )
    return found.complete || read.length === 3
      ? look(
          'reset.line-not-keyed',
          {},
          cause('reset.line-not-keyed', {}, plan ? toSet(plan, 'reset', 'Open the reset line') : toKeying),
        )
      : undefined
  }
  const [air, shown] = [found.value('now-outdoor'), found.value('now-outdoor/display')]
  if (typeof air === 'number' && typeof shown === 'number' && Math.abs(shown - air) > OUTDOOR_K)
    return look('reset.outdoor-place', { shown, air }, cause('reset.outdoor-place', { shown, air }, toProbe))
  const supplyNow = found.value('now')
  if (typeof supplyNow === 'number' && typeof air === 'number') {
    const expected = supply(air)
    if (expected === null) return undefined
    if (Math.abs(supplyNow - expected) > toleranceK && read.every(({ error }) => Math.abs(error) <= toleranceK))
      return look(
        'reset.supply-not-following',
        { supplyNow, air, expected },
        cause('reset.supply-not-following', { supplyNow, expected, averageH: reset.averageH }),
      )
  }
  return undefined
}
