import type { Words } from '../words'
import { type Beyond, beyondWords } from '../beyondWords'
import type { Sentences } from '../sentences'

/** Sentences of the findings about what is keyed. */
export const settingFindings = {
  C095_CANNOT_BE_KEYED: (f: { readonly name: string; readonly tag: string; readonly beyond: Beyond }): Sentences => ({
    head: `${f.name} cannot be keyed so on ${f.tag}.`,
    reason: beyondWords(f.beyond),
    remedy: 'Change the plan, or choose another controller.',
  }),
  C097_LEFT_OTHERWISE: (f: {
    readonly name: string
    readonly planned: string
    readonly unit: string
    readonly left: string
    /** Ten times too much, or a tenth. */
    readonly slipped?: 10 | 0.1
    /** Keyed the other way round: it cools where it should heat. */
    readonly turned?: boolean
  }): Sentences => ({
    head: f.turned
      ? 'It was left the wrong way round.'
      : f.slipped === undefined
        ? `${f.name} was left other than planned.`
        : `${f.name} was left at ${f.slipped === 10 ? 'ten times' : 'a tenth of'} the plan.`,
    reason: `Planned ${f.planned} ${f.unit}, left at ${f.left} ${f.unit}.`.replace(/ +([.,])/g, '$1'),
    remedy: f.turned
      ? `${f.name} decides whether it runs when it is cold or when it is warm: key it as planned before it runs.`
      : f.slipped === undefined
        ? 'Key it as planned, or write the reason on the keying sheet.'
        : 'The decimal point has slipped: key it again, and read it back.',
  }),
  C151_TOLERANCE_UNDER_STEP: (
    f: { readonly tag: string; readonly name: string; readonly tolerance: number; readonly stepK: number },
    { say }: Words,
  ): Sentences => ({
    head: `${f.tag} cannot tell ${say(f.tolerance, 'difference')} apart.`,
    reason: `The survey lets it stray by ${say(f.tolerance, 'difference')}; ${f.name} shows steps of ${say(f.stepK, 'difference')}.`,
    remedy: 'A wider tolerance, or a control with a finer display.',
  }),
  C152_SWING_OVER_TOLERANCE: (
    f: { readonly tolerance: number; readonly swingK: number },
    { say, term }: Words,
  ): Sentences => ({
    head: `The ${term('differential')} is wider than it may stray.`,
    reason: `${say(f.swingK, 'difference')} from on to off; the survey lets it stray by ${say(f.tolerance, 'difference')} either way.`,
    remedy: `A narrower ${term('differential')}, a wider tolerance, or a control that modulates.`,
  }),
  C119_BAND_UNDER_RESOLUTION: (f: { readonly bandK: number; readonly stepK: number }, { say }: Words): Sentences => ({
    head: 'Band is narrower than the display resolves.',
    reason: `${say(f.bandK, 'difference', 2)} of band, display step ${say(f.stepK, 'difference', 2)}: it jumps from nothing to full.`,
    remedy: 'Widen it.',
  }),
  C120_BAND_SETTLES_AWAY: (
    f: {
      readonly settlesC: number
      readonly offsetK: number
      readonly tolerance: number
      readonly saturated: 'off' | 'full' | undefined
    },
    { say }: Words,
  ): Sentences => ({
    head: `Settles at ${say(f.settlesC, 'temperature')} at design.`,
    reason: `${say(Math.abs(f.offsetK), 'difference')} ${f.offsetK < 0 ? 'under' : 'over'} the setpoint, and it may stray by ${say(f.tolerance, 'difference')}${f.saturated === 'full' ? ': all it has is not enough' : ''}.`,
    remedy: f.saturated
      ? 'More power, better insulation, or another set.'
      : 'A narrower band, another anchor, or an integral time.',
  }),
  C121_CYCLE_TIME_SHORT: (
    f: {
      readonly tag: string
      readonly cycleS: number
      readonly leastS: number
    },
    { say }: Words,
  ): Sentences => ({
    head: `The cycle time wears ${f.tag} out.`,
    reason: `${say(f.cycleS, 'seconds')} a cycle are ${say(3600 / f.cycleS, 'perHour', 0)}; a contactor wants ${say(f.leastS, 'seconds')} or more.`,
    remedy: 'A longer cycle, or a solid-state relay.',
  }),
  C122_DUTY_LARGE: (f: { readonly dutyPercent: number }, { say, term }: Words): Sentences => ({
    head: 'Without its probe it heats more than half of the time.',
    reason: `${say(f.dutyPercent, 'percent')} of the time, and no ${term('limiter')} in its line: in mild weather it overheats.`,
    remedy: `Plan half or less, and a ${term('limiter')}.`,
  }),
  C118_OWNER_UNLIMITED: (f: { readonly tag: string; readonly name: string }): Sentences => ({
    head: `Nothing holds the owner\u2019s hand on ${f.tag}.`,
    reason: `${f.name} can be turned from end to end.`,
    remedy: 'Say on the panel card in which range it is meant to stay.',
  }),
}
