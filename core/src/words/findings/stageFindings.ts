import { withArticle } from '../terms'
import type { Words } from '../words'
import type { Sentences } from '../sentences'

/** Sentences of the findings about stages. */
export const stageFindings = {
  C090_STAGE_OUT_OF_ORDER: (
    f: { readonly at: number; readonly at2: number; readonly onC: number; readonly beforeC: number },
    { say }: Words,
  ): Sentences => ({
    head: `Stage ${f.at + 1} comes before stage ${f.at2}.`,
    reason: `It cuts in at ${say(f.onC, 'temperature')}, stage ${f.at2} at ${say(f.beforeC, 'temperature')}: 1, 1-2, 1-2-3 is broken.`,
    remedy: 'Space the stages evenly, or let them change places.',
  }),
  C091_HEAT_AGAINST_COLD: (f: { readonly fromC: number; readonly toC: number }, { say }: Words): Sentences => ({
    head: 'Heating and cooling fight.',
    reason: `From ${say(f.fromC, 'temperature')} to ${say(f.toC, 'temperature')} both can run.`,
    remedy: 'Let heating cut out before cooling cuts in.',
  }),
  C092_DEADBAND_NARROW: (f: { readonly spacingK: number; readonly usualK: number }, { say }: Words): Sentences => ({
    head: 'Heating and cooling are close.',
    reason: `${say(f.spacingK, 'difference')} between the last heating and the first cooling; usual are ${say(f.usualK, 'difference', 0)}.`,
    remedy: 'Move them apart, or let a delay stand between them.',
  }),
  C093_STARTS_TOO_MANY: (
    f: {
      readonly cyclesPerHour: number
      readonly tag: string | undefined
      readonly mostAnHour: number
      readonly minimumOffS: number | undefined
    },
    { say, term }: Words,
  ): Sentences => ({
    head: `Starts up to ${say(f.cyclesPerHour, 'perHour', 1)}.`,
    reason: `${f.tag ? `${f.tag} bears` : 'Usual are at most'} ${say(f.mostAnHour, 'perHour', 0)}${f.minimumOffS !== undefined ? `; ${withArticle(term('minimumOffTime'))} of ${say(f.minimumOffS, 'seconds')} is kept` : ''}.`,
    remedy: `A wider ${term('differential')}, a longer ${term('minimumOffTime')}, a smaller power, or more store.`,
  }),
  C094_STAGE_WAIT_SHORT: (
    f: { readonly waitS: number; readonly stages: number; readonly leastS: number },
    { say }: Words,
  ): Sentences => ({
    head: f.waitS === 0 ? 'No delay between stages.' : 'Delay between stages is short.',
    reason: `After a power loss ${f.stages} start ${f.waitS === 0 ? 'at once' : `within ${say(f.waitS * (f.stages - 1), 'seconds')}`}; usual are ${say(f.leastS, 'seconds')} or more.`,
    remedy: 'A longer delay.',
  }),
  C098_FREEZE_CUT_OUT: (
    f: { readonly tag: string; readonly atC: number; readonly iceC: number },
    { say }: Words,
  ): Sentences => ({
    head: `Freeze cut-out ${f.tag} is under the ice line.`,
    reason: `It opens at ${say(f.atC, 'temperature')}; ice comes at ${say(f.iceC, 'temperature')}, before it trips.`,
    remedy: `Set it over ${say(f.iceC, 'temperature')}, by the maker\u2019s leaflet.`,
  }),
  C096_CUT_OUT_IN_BAND: (
    f: { readonly tag: string; readonly atC: number; readonly lowest: number; readonly iceC: number | undefined },
    { say }: Words,
  ): Sentences => ({
    head: `${f.tag} opens while it works.`,
    reason: `It opens at ${say(f.atC, 'temperature')}; the last stage stops at ${say(f.lowest, 'temperature')}.`,
    remedy:
      f.iceC === undefined
        ? `Set it under ${say(f.lowest, 'temperature')}.`
        : `Set it between ${say(f.iceC, 'temperature')} (ice) and ${say(f.lowest, 'temperature')}.`,
  }),
  C099_STAGE_DRIVES_NOTHING: (f: {
    readonly stage: number
    readonly tag: string
    readonly output: string
  }): Sentences => ({
    head: `Stage ${f.stage} drives nothing.`,
    reason: `Nothing hangs on ${f.tag} ${f.output}; the sequence has a hole there.`,
    remedy: 'Take the stage out in Set, or join its load in Match.',
  }),
}
