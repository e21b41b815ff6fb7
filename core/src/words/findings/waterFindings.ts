import type { Words } from '../words'
import { CLASS_A_MOST_V } from '../../units/peopleLimits'
import type { Sentences } from '../sentences'

/** Sentences of the findings about water near electricity. */
export const waterFindings = {
  C053_PROBE_NOT_SAFE: (
    f: { readonly tag: string; readonly touched: boolean; readonly name: string },
    { term }: Words,
  ): Sentences => ({
    head: `${f.tag} is not separated from ${term('mains')}.`,
    reason: `It sits ${f.touched ? 'in water that is touched' : 'where it is washed down'}; ${f.name} neither has a separated input nor a ${term('safetyTransformer')}.`,
    remedy: `Feed the controller from a ${term('safetyTransformer')}, or choose one with separated inputs.`,
  }),

  C067_NO_RESIDUAL_DEVICE: (
    f: {
      readonly tag: string
      readonly us: boolean
      readonly touched: boolean
    },
    { term }: Words,
  ): Sentences => ({
    head: `${f.tag} has no ${term('residualCurrentDevice')}.`,
    reason: f.touched
      ? f.us
        ? `The water is touched: at 4 to 6 mA it must trip; a 30 mA device does not count (circuits up to ${CLASS_A_MOST_V} V to ground).`
        : 'The water is touched: a fault must switch off before anyone feels it.'
      : 'It is washed down: water finds its way in.',
    remedy: `A circuit with ${f.us ? '' : 'a '}${term('residualCurrentDevice')} and bonding, by the licensed trade.`,
  }),
}
