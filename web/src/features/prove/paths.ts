import { loopAt } from '../../lib/addresses'
/** Address of Prove, its list of tests. */
export const testsPath = (job: string, loop: string) => loopAt(job, loop, 'prove')

/** Address of one test. */
export const testPath = (job: string, loop: string, test: string) => `${testsPath(job, loop)}/test/${test}`

/** Address of the instruments of the day. */
export const instrumentsPath = (job: string, loop: string) => `${testsPath(job, loop)}/instruments`
