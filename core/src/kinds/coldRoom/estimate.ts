import { fieldValue } from '../../plant/fieldValue'
import { AIR_WH, KJ, needed, plus, QUICK_SHARE, shellM2, times, type Estimator, estimateOf } from '../estimator'

/** Taken where only the other measure is known. */
const COLD_ROOM_M = 2.4

/** Loss and stored heat from what a fitter can see. */
export const estimate: Estimator = ({ areaM2, volumeM3, insulation }, data) => {
  const volume = needed('volumeM3', 'cold-room', volumeM3, areaM2 === undefined ? undefined : areaM2 * COLD_ROOM_M)
  const panel = fieldValue(data, { poor: 'cr.u.80', fair: 'cr.u.100', good: 'cr.u.150' }[insulation])
  const airWPerK = (70 / Math.sqrt(volume)) * volume * (AIR_WH / 24)
  const stored = fieldValue(data, 'cap.coldroom')
  const capacity = times(stored, volume * KJ)
  return estimateOf({
    loss: plus(times(panel, shellM2(volume)), { low: airWPerK * 0.8, typical: airWPerK, high: airWPerK * 2 }),
    capacity,
    quick: times(capacity, QUICK_SHARE),
    why: `${panel.what}: ${panel.typical} ${panel.unit} (${panel.source}) and 70/√V air changes a day; ${stored.what}: ${stored.low} to ${stored.high}, typically ${stored.typical} ${stored.unit} (${stored.source})`,
  })
}
