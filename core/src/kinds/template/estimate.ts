import { spaceOf } from '../estimator'

/** Loss and stored heat from what a fitter can see: those of a heated space. */
export const estimate = spaceOf('template')
