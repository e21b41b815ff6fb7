import type { LoopContext } from '../../loop/context'
import type { PlanOf } from '../../settings/behaviour'
import type { TestSpec } from '../proofTest'
import { cause, loadName, look, spec, toKeying, toWires, yesNo } from './parts'

/** Air over an enclosure cooler must get this much colder, K. Source: symptom rows of the cooler. */
const COOLER_K = 8

/** An enclosure cooler: its valve or compressor really opens, air gets cold over it, water runs off outside. */
export function coolerTest(context: LoopContext, plan: PlanOf): TestSpec {
  const { say } = context.words
  const load = loadName(context, plan)
  return spec(context, {
    id: `cooler/${plan.id}`,
    kind: 'cooler',
    title: 'Cooler',
    about: load,
    purpose: `${load} opens when it is asked, and air gets at least ${say(COOLER_K, 'difference', 0)} colder over it.`,
    have: ['two thermometers'],
    how: 'Cabinet shut, ten minutes of run, thermometers in the air going in and coming out.',
    rule: `${say(COOLER_K, 'difference', 0)} or more: it works. Less is the cooler; enough and still too warm is the load.`,
    safety: ['Compressed air: shut and bleed before opening; goggles, hearing. Drives keep their charge.'],
    steps: [
      {
        id: 'opens',
        title: 'Opens',
        does: `The control asks: does ${load} open (click, hiss, fan)?`,
        main: yesNo('It opens'),
      },
      {
        id: 'drop',
        title: 'Colder by',
        does: 'Air going in less air coming out, after ten minutes.',
        main: {
          kind: 'number',
          label: 'Colder by',
          quantity: 'difference',
          expected: COOLER_K,
          low: COOLER_K,
          high: Infinity,
          source: `a cooler that works: at least ${say(COOLER_K, 'difference', 0)}`,
        },
      },
      {
        id: 'shuts',
        title: 'Shuts',
        does: `The control is satisfied: does ${load} shut, without a hiss?`,
        main: yesNo('It shuts'),
      },
      {
        id: 'dry',
        title: 'Dry',
        does: 'Is the cabinet dry inside, and the way for air or water out open?',
        main: yesNo('Dry'),
      },
    ],
    judge: (found, wrong) => {
      if (found.picked('opens') === 'no') return look('cooler.valve-coil', {}, cause('cooler.valve-coil', {}, toWires))
      if (found.picked('shuts') === 'no') return look('cooler.valve-dirt', {}, cause('cooler.valve-dirt', {}, toWires))
      if (wrong.includes('drop')) {
        const drop = found.value('drop')
        return look('cooler.cooler-weak', { drop, cOOLER_K: COOLER_K }, cause('cooler.cooler-weak', {}))
      }
      if (found.picked('dry') === 'no') return look('cooler.dew', {}, cause('cooler.dew', {}, toKeying))
      return undefined
    },
  })
}
