import { type LoopContext, loopContext } from '../loop/context'
import { type School, schools, type SchoolSide } from '../simulate/loop/schools'
import { checkLoop } from './checkLoop'
import { worseFindings } from './worseFindings'

/** One side, and whether it may be planned: no rule finds anything that it does not find now. */
export interface ComparedSide extends SchoolSide {
  readonly plannable: boolean
}

/** Two ways that this controller and this load can both do. */
export interface Comparison extends Omit<School, 'sides'> {
  readonly sides: readonly [ComparedSide, ComparedSide]
}

/** The comparisons of a loop. A side that a rule objects to is shown for what it would do, and is not offered to be planned. */
export function comparisons(context: LoopContext): readonly Comparison[] {
  const { open } = checkLoop(context)
  const judged = (side: SchoolSide): ComparedSide => {
    const { job, data, words } = context
    const plannable =
      side.loop !== context.loop &&
      side.change === undefined &&
      side.elsewhere === undefined &&
      worseFindings(open, checkLoop(loopContext(job, side.loop, data, words.preferences)).open).length === 0
    return { ...side, plannable }
  }
  return schools(context).map((school) => ({ ...school, sides: [judged(school.sides[0]), judged(school.sides[1])] }))
}
