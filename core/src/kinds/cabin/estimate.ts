import { fieldValue } from '../../plant/fieldValue'
import { between, KJ, QUICK_SHARE, times, type Estimator, estimateOf } from '../estimator'

/** Taken where only the other measure is known. */
const CABIN_M3 = 10

/** Loss and stored heat from what a fitter can see. */
export const estimate: Estimator = ({ volumeM3 = CABIN_M3, insulation }, data) => {
  const [insulated, bare] = [fieldValue(data, 'van.ua.insulated'), fieldValue(data, 'van.ua.bare')]
  const loss = { poor: bare, fair: between(insulated, bare), good: insulated }[insulation]
  const stored = fieldValue(data, 'cap.cabin')
  const capacity = times(stored, volumeM3 * KJ)
  return estimateOf({
    loss,
    capacity,
    quick: times(capacity, QUICK_SHARE),
    why: `a small van cabin loses ${loss.low} to ${loss.high}, typically ${loss.typical} W/K (${bare.source}); ${stored.what}: ${stored.typical} ${stored.unit} (${stored.source}), ${volumeM3} m³ taken`,
  })
}
