import { useAct } from '../../loop/useAct'
import { keepRun } from '@nachtigal/core/actions/keepRun'
import { useLoop } from '../../loop/loopContext'
import { Button } from '../../design/Button'
import { useTrial } from './trial'

/** Most runs that a loop keeps: the oldest one has to be taken out first. */
const MOST = 24

/** Keeps the run that is shown with the loop: what it was made of, and what came out. */
export function KeepButton() {
  const { loop } = useLoop()
  const act = useAct()
  const { choice, outcome, state, climates } = useTrial()
  const runs = Object.values(loop.trial?.runs ?? {})
  const keep = () => {
    if (!outcome) return
    const climate = climates.find(({ id }) => id === choice.climate)
    const run = {
      title:
        `${{ day: 'Day', week: 'Week', season: 'Season' }[choice.span]}${choice.span === 'day' ? '' : `, ${climate?.title ?? ''}`}${choice.faults.length > 0 ? ', with faults' : ''}`.slice(
          0,
          80,
        ),
      choice: JSON.stringify(choice),
      planned: JSON.stringify({ planned: loop.settings.planned, controllers: loop.settings.controllers }),
      starts: outcome.figures.starts,
      energyKwh: outcome.figures.energyKwh,
      lowestC: outcome.figures.lowestC,
      highestC: outcome.figures.highestC,
    }
    act(keepRun, run, { tell: 'Run kept' })
  }
  return (
    <Button second end="" disabled={state.status !== 'done' || !outcome || runs.length >= MOST} onClick={keep}>
      {runs.length >= MOST ? `${MOST} runs are kept: take one out` : 'Keep this run'}
    </Button>
  )
}
