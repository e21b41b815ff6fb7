import { choice, either, maybe, number, record, whole } from '../../schema/field'
import { share, width } from '../fieldParts'
import { everyPlan } from '../everyPlan'

/** A fan output: the stronger of two demands, never under its minimum. */
export const fanRecord = whole(
  record('fan plan', {
    ...everyPlan,
    /** From the setpoint to full speed. */
    bandK: width('band to full speed'),
    humidityPercent: maybe(share('humidity from')),
    humidityBandPercent: maybe(number('humidity band to full speed', 'percent', { over: 0, max: 100 })),
    /** `off` lets it stop. */
    minimumPercent: either('minimum speed', share('minimum speed'), { words: ['off'] }),
    minimumMode: choice('demand starts', ['floor', 'scaled'], { floor: 'from 0', scaled: 'from the minimum speed' }),
  }),
)
