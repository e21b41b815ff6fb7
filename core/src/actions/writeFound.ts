import { foundRecord } from '../document/fields/surveyFields'
import { deviceRecord } from '../device/fields/deviceFields'
import { maybe, record } from '../schema/field'
import { defineAction, withJob, withLoop } from './action'

/** Writes down the control that was there. The job keeps a copy of its profile, so that what was found can be judged anywhere. */
export const writeFound = defineAction({
  id: 'write-as-found',
  did: 'wrote down what was found',
  input: record('as found', { found: foundRecord, profile: maybe(deviceRecord) }),
  run: (edited, { found, profile }) => {
    const written = withLoop(edited, { survey: { ...edited.loop.survey, found } })
    return profile && !edited.job.profiles[profile.id]
      ? withJob(written, { profiles: { ...edited.job.profiles, [profile.id]: profile } })
      : written
  },
})
