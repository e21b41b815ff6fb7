import { dayTitle } from '@nachtigal/core/simulate/loop/runWeather'
import { RunControls } from './RunControls'
import { RunMeaning } from './RunMeaning'
import { RunStrip } from './RunStrip'
import { SettingSliders } from './SettingSliders'
import { useTrial } from './trial'

const titles = { week: 'The hardest week', season: 'A season' } as const

/** The run itself, large; weather and settings under it, what it says beside it. */
export function RunPart() {
  const { state, run, choice, context } = useTrial()
  return (
    <div className="work">
      <div className="try-main">
        <RunStrip
          state={state}
          run={run!}
          title={choice.span === 'day' ? dayTitle(context.loop, choice.sort) : titles[choice.span]}
        />
        <RunControls />
        <SettingSliders />
      </div>
      <RunMeaning />
    </div>
  )
}
