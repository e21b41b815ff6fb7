import type { Words } from '../words'
import type { CauseWords, VerdictWords } from '../sentences'

/** Verdicts of this test from their figures. */
export const coolerVerdicts = {
  'cooler.valve-coil': (): VerdictWords => ({ head: 'It does not open', reason: 'Asked, and nothing moved.' }),
  'cooler.valve-dirt': (): VerdictWords => ({ head: 'It does not shut', reason: 'It blows on when nothing asks.' }),
  'cooler.cooler-weak': (
    f: { readonly drop: null | number | undefined; readonly cOOLER_K: number },
    { say }: Words,
  ): VerdictWords => ({
    head: 'The cooler is weak',
    reason: `${f.drop === null || f.drop === undefined ? 'Nothing' : say(f.drop, 'difference')} colder; ${say(f.cOOLER_K, 'difference', 0)} is the least.`,
  }),
  'cooler.dew': (): VerdictWords => ({
    head: 'Water in the cabinet',
    reason: 'It cools under the dew point, or hall air is drawn in.',
  }),
}

/** Causes of this test from their figures. */
export const coolerCauses = {
  'cooler.valve-coil': (): CauseWords => ({
    says: 'Coil on the wrong voltage, open, or its plunger stuck.',
    check: 'Licensed: volts and amperes of the coil against its plate. Never power a coil off its stem.',
  }),
  'cooler.valve-dirt': (): CauseWords => ({
    says: 'Dirt under the seat, or the contact is welded.',
    check: 'Lift its wire: shuts it? Then the contact; else clean the seat, air shut and bled.',
  }),
  'cooler.cooler-weak': (): CauseWords => ({
    says: 'Too little pressure at the cooler, a fouled filter or coil, or its exhaust shut.',
    check: 'Pressure at the cooler while it flows; filter; exhaust. Shut and bleed before opening.',
  }),
  'cooler.dew': (): CauseWords => ({
    says: 'The set is under the dew point, a gland is open, or the drain is shut.',
    check: 'Set 35 °C or over the dew point; seal; free the drain.',
  }),
}
