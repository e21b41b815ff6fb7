import type { LoopContext } from '../../check/context'
import type { PlanOf } from '../../document/behaviour'
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
          source: 'a cooler that works: at least 8 K',
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
      if (found.picked('opens') === 'no')
        return look(
          'It does not open',
          'Asked, and nothing moved.',
          cause(
            'valve-coil',
            'Coil on the wrong voltage, open, or its plunger stuck.',
            'Licensed: volts and amperes of the coil against its plate. Never power a coil off its stem.',
            toWires,
          ),
        )
      if (found.picked('shuts') === 'no')
        return look(
          'It does not shut',
          'It blows on when nothing asks.',
          cause(
            'valve-dirt',
            'Dirt under the seat, or the contact is welded.',
            'Lift its wire: shuts it? Then the contact; else clean the seat, air shut and bled.',
            toWires,
          ),
        )
      if (wrong.includes('drop')) {
        const drop = found.value('drop')
        return look(
          'The cooler is weak',
          `${drop === null || drop === undefined ? 'Nothing' : say(drop, 'difference')} colder; ${say(COOLER_K, 'difference', 0)} is the least.`,
          cause(
            'cooler-weak',
            'Too little pressure at the cooler, a fouled filter or coil, or its exhaust shut.',
            'Pressure at the cooler while it flows; filter; exhaust. Shut and bleed before opening.',
          ),
        )
      }
      if (found.picked('dry') === 'no')
        return look(
          'Water in the cabinet',
          'It cools under the dew point, or hall air is drawn in.',
          cause(
            'dew',
            'The set is under the dew point, a gland is open, or the drain is shut.',
            'Set 35 °C or over the dew point; seal; free the drain.',
            toKeying,
          ),
        )
      return undefined
    },
  })
}
