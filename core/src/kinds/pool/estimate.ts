import { fieldValue } from '../../plant/fieldValue'
import { storedJPerK } from '../../plant/water'
import { between, exactly, needed, times, type Estimator, estimateOf } from '../estimator'

/** Taken where only the other measure is known. */
const POOL_DEPTH_M = 1.4

/** Loss and stored heat from what a fitter can see. */
export const estimate: Estimator = ({ areaM2, volumeM3, insulation }, data) => {
  const volume = needed('volumeM3', 'pool', volumeM3, areaM2 === undefined ? undefined : areaM2 * POOL_DEPTH_M)
  const area = areaM2 ?? volume / POOL_DEPTH_M
  const [open, cover] = [fieldValue(data, 'pool.u.open'), fieldValue(data, 'pool.u.cover')]
  const perM2 = { poor: open, fair: between(cover, open), good: cover }[insulation]
  const stored = exactly(storedJPerK(volume))
  return estimateOf({
    loss: times(perM2, area),
    capacity: stored,
    quick: stored,
    why: `${{ poor: 'open water', fair: 'water covered at night', good: 'water under a floating cover' }[insulation]} loses ${perM2.low} to ${perM2.high}, typically ${perM2.typical} ${open.unit} on water over air (${open.source}); the water stores 1.163 kWh a m³ and kelvin, and stirred water cycles as a whole`,
  })
}
