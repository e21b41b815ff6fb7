import { CLASS_A_MOST_V } from '../../units/peopleLimits'
import type { Sentences } from '../sentences'

/** Sentences of the findings about water near electricity. */
export const waterFindings = {
  C053_PROBE_NOT_SAFE: (f: { readonly tag: string; readonly touched: boolean; readonly name: string }): Sentences => ({
    head: `${f.tag} is not separated from mains.`,
    reason: `It sits ${f.touched ? 'in water that is touched' : 'where it is washed down'}; ${f.name} neither has a separated input nor a safety transformer.`,
    remedy: 'Feed the controller from a safety transformer, or choose one with separated inputs.',
  }),

  C067_NO_RESIDUAL_DEVICE: (f: {
    readonly tag: string
    readonly us: boolean
    readonly touched: boolean
  }): Sentences => ({
    head: `${f.tag} has no ${f.us ? 'Class A ground-fault protection' : '30 mA residual-current device'}.`,
    reason: f.touched
      ? f.us
        ? `The water is touched: at 4 to 6 mA it must trip; a 30 mA device does not count (circuits up to ${CLASS_A_MOST_V} V to ground).`
        : 'The water is touched: a fault must switch off before anyone feels it.'
      : 'It is washed down: water finds its way in.',
    remedy: f.us
      ? 'A circuit with Class A ground-fault protection and bonding, by the licensed trade.'
      : 'A circuit with a 30 mA device and bonding, by the licensed trade.',
  }),
}
