import { useEffect, useState } from 'react'
import { type Fix } from '@nachtigal/core/shapes/fix'
import { shelfOf } from '@nachtigal/core/device/suitsPractice'
import { fixWords } from '@nachtigal/core/check/fix'
import { carryOutRemedy } from '@nachtigal/core/actions/carryOutRemedy'
import { Button } from '../design/Button'
import { tryRemedy } from '../workers/remedies'
import { useLoop } from './loopContext'
import { useTap } from './useTap'

type State = 'trying' | { readonly say: string | null } | { readonly problem: string }

/**
 * One tap that carries a remedy out, as an undoable change. It is tried on a copy first, and until then shown as being tried; nothing where
 * it does not help, or where the shelf has nothing for it.
 */
export function FixButton({ fix, of }: { fix: Fix; of: { finding: string } | { connection: string } }) {
  const { profiles, job, loop, loops, data } = useLoop()
  const tap = useTap()
  const [state, setState] = useState<State>('trying')
  const key = 'finding' in of ? of.finding : of.connection
  useEffect(() => {
    let here = true
    setState('trying')
    tryRemedy({ edited: { job, loop }, loops, data, shelf: profiles, of }).then(
      (say) => here && setState({ say }),
      (error: unknown) => here && setState({ problem: error instanceof Error ? error.message : String(error) }),
    )
    return () => {
      here = false
    }
    // The key stands for what it is of.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [job, loop, loops, data, profiles, key])
  if (state === 'trying') {
    const say = fixWords(fix, shelfOf(profiles, job.practice))
    return say === undefined ? null : (
      <span className="small text-ink2" role="status" data-remedy="trying">
        Being tried: {say}
      </span>
    )
  }
  if ('problem' in state)
    return <span className="small text-ink2">Its remedy could not be tried: {state.problem}.</span>
  const { say } = state
  if (say === null) return null
  return (
    <div data-remedy="ready">
      <Button second onClick={() => tap(carryOutRemedy, of, { why: say.toLowerCase() })} end="+">
        {say}
      </Button>
    </div>
  )
}
