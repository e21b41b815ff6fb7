import { AIR_WH, type Estimator, spaceOf } from '../estimator'

const space = spaceOf('fan')

/** Loss and stored heat from what a fitter can see: a space, and the air that is moved through it. */
export const estimate: Estimator = (input, data) => {
  const made = space(input, data)
  return { ...made, why: `${made.why}; air moved adds ${AIR_WH} W/K for each m³/h` }
}
