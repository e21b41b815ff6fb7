import './set.css'
import type { ComponentType } from 'react'
import { useParams } from 'react-router'
import { type SetPartId, setParts, setPartTitles } from '@nachtigal/core/settings/setParts'
import { useLoop } from '../../loop/loopContext'
import { Button } from '../../design/Button'
import { PartsNav } from '../../design/PartsNav'
import { BandPart } from './BandPart'
import { BatteryPart } from './BatteryPart'
import { DefrostPart } from './DefrostPart'
import { FanPart } from './FanPart'
import { FaultPart } from './FaultPart'
import { PointsPart } from './PointsPart'
import { OffsetPart } from './OffsetPart'
import { OtherPart } from './OtherPart'
import { OwnerPart } from './OwnerPart'
import { ResetPart } from './ResetPart'
import { SettingProvider } from './setting'
import { TimerPart } from './TimerPart'
import { TradePart } from './TradePart'
import { WeekPart } from './WeekPart'
import { loopAt } from '../../lib/addresses'

const screens: Readonly<Record<SetPartId, ComponentType>> = {
  reset: ResetPart,
  points: PointsPart,
  band: BandPart,
  trade: TradePart,
  fan: FanPart,
  defrost: DefrostPart,
  battery: BatteryPart,
  week: WeekPart,
  timer: TimerPart,
  offset: OffsetPart,
  fault: FaultPart,
  owner: OwnerPart,
  other: OtherPart,
}

/** Step 4: the instruments of the controller in hand, one large, what it means beside it, live. */
export function SetStep() {
  const context = useLoop()
  const { loop, job, chain, output, behaviour } = context
  const { part: asked } = useParams()
  const device = chain.devices.find(({ id }) => id === output?.output.device)
  const parts = device ? setParts(context, device, behaviour?.id) : []
  const part = parts.find((each) => each === asked) ?? parts[0]
  if (!device || part === undefined)
    return (
      <div className="p-6 bg-paper flex-1">
        <h2 className="h2">Nothing to set yet</h2>
        <p className="my-2">A controller on an output makes the plan.</p>
        <div className="max-w-xs">
          <Button to={loopAt(job.id, loop.id, 'match', 'controller')}>Choose a controller</Button>
        </div>
      </div>
    )
  const base = loopAt(job.id, loop.id, 'set')
  const Screen = screens[part]
  return (
    <div className="fills flex-1 min-h-0 flex flex-col bg-paper">
      <PartsNav
        label="Parts of setting"
        parts={[
          ...parts.map((id, i) => ({ to: i === 0 ? base : `${base}/${id}`, title: setPartTitles[id] })),
          { to: `${base}/keying`, title: 'Keying sheet' },
        ]}
        here={setPartTitles[part]}
      />
      <SettingProvider key={device.id} device={device}>
        <Screen key={part} />
      </SettingProvider>
    </div>
  )
}
