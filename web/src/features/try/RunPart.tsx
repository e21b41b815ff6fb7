import { RunControls } from './RunControls'
import { RunMeaning } from './RunMeaning'
import { RunStrip } from './RunStrip'
import { SettingSliders } from './SettingSliders'
import { useTrial } from './trial'

const titles = { day: 'A day', week: 'The hardest week', season: 'A season' } as const

/** The run itself, large; weather and settings under it, what it says beside it. */
export function RunPart() {
  const { state, run, choice } = useTrial()
  return (
    <div className="work">
      <div className="try-main">
        <RunStrip state={state} run={run!} title={titles[choice.span]} />
        <RunControls />
        <SettingSliders />
      </div>
      <RunMeaning />
    </div>
  )
}
