import { fixWords } from '@nachtigal/core/check/fix'
import { type Fix } from '@nachtigal/core/shapes/fix'
import { Button } from '../ui/Button'
import { useLoop } from './loopContext'
import { useEdit } from './useEdit'

/** One tap that carries a remedy out, as an undoable change; nothing where the shelf has nothing for it. */
export function FixButton({ fix }: { fix: Fix }) {
  const { profiles } = useLoop()
  const edit = useEdit()
  const say = fixWords(fix, profiles)
  if (say === undefined) return null
  return (
    <Button second onClick={() => edit.fix(fix, say.toLowerCase())} end="+">
      {say}
    </Button>
  )
}
