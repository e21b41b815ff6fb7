import { fieldValue } from '../../plant/fieldValue'
import { KJ, needed, QUICK_SHARE, shellM2, times, type Estimator, estimateOf } from '../estimator'

/** Loss and stored heat from what a fitter can see. */
export const estimate: Estimator = ({ areaM2, volumeM3, insulation }, data) => {
  const volume = needed('volumeM3', 'cabinet', volumeM3, areaM2 === undefined ? undefined : (areaM2 / 6.6) ** 1.5)
  const wall = fieldValue(data, `u.cabinet.${insulation}`)
  const stored = fieldValue(data, 'cap.cabinet')
  const capacity = times(stored, volume * KJ)
  return estimateOf({
    loss: times(wall, areaM2 ?? shellM2(volume)),
    capacity,
    quick: times(capacity, QUICK_SHARE),
    why: `${wall.what}: ${wall.low} to ${wall.high}, typically ${wall.typical} ${wall.unit} (${wall.source}); ${stored.what}: ${stored.typical} ${stored.unit} (${stored.source})`,
  })
}
