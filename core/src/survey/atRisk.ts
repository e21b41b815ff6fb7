import { answersOf } from '../kinds/answersOf'
import type { LoopDocument } from '../document/documents'

type Surveyed = { readonly loop: Pick<LoopDocument, 'kind' | 'survey'> }
/** Who may be hurt by a loop that fails. */
type AtRisk = 'animals' | 'people'

const whom = ({ loop }: Surveyed, question: string): AtRisk | undefined => {
  const who = answersOf(loop)[question]
  return who === 'animals' || who === 'people' ? who : undefined
}

/** Who touches the water of a loop; nothing where nobody does, or nobody said. */
export const touchedBy = (context: Surveyed): AtRisk | undefined => whom(context, 'users')

/** Who lives on the air of a loop. */
export const livesOnAir = (context: Surveyed): AtRisk | undefined => whom(context, 'occupants')

/** Whether water makes a residual-current device necessary: it is touched, or thrown about. */
export const wantsGroundFault = (context: Surveyed): boolean =>
  touchedBy(context) !== undefined || answersOf(context.loop)['wet'] === 'washed'
