import { fixWords } from '@nachtigal/core/check/fix'
import { type Fix } from '@nachtigal/core/shapes/fix'
import { carryOutRemedy } from '@nachtigal/core/actions/carryOutRemedy'
import { Button } from '../design/Button'
import { useLoop } from './loopContext'
import { useTap } from './useTap'

/** One tap that carries a remedy out, as an undoable change; nothing where the shelf has nothing for it. */
export function FixButton({ fix, of }: { fix: Fix; of: { finding: string } | { connection: string } }) {
  const { profiles } = useLoop()
  const tap = useTap()
  const say = fixWords(fix, profiles)
  if (say === undefined) return null
  return (
    <Button second onClick={() => tap(carryOutRemedy, of, { why: say.toLowerCase() })} end="+">
      {say}
    </Button>
  )
}
