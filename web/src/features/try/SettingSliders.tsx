import { changeSettings, settingsChange } from '@nachtigal/core/actions/changeSettings'
import { useAct } from '../../loop/useAct'
import { Slider } from 'radix-ui'
import { useMemo } from 'react'
import {
  fieldOfSetting,
  settingOf,
  settingsKept,
  type SweepSetting,
  withLoopSetting,
} from '@nachtigal/core/simulate/loop/sweep'
import { settingSpan } from '@nachtigal/core/simulate/loop/settingSpan'
import { quantityView } from '@nachtigal/core/units/quantity'
import { useLoop } from '../../loop/loopContext'
import { NumberField } from '../../design/NumberField'
import { useTrial } from './trial'

export const settingTitles: Readonly<Record<SweepSetting, string>> = {
  swingK: 'Swing',
  minimumOffS: 'Minimum off time',
  setpointC: 'Setpoint',
  bandK: 'Band',
  integralS: 'Integral time',
  minimumPercent: 'Least',
}

/** Settings of the output in hand under sliders: while one is dragged the run follows; let go, it is kept. */
export function SettingSliders() {
  const { loop, chain, data, preferences, behaviour } = useLoop()
  const act = useAct()
  const { context, hold, run } = useTrial()
  const plan = behaviour ?? run?.outputs[0]?.plan
  // What follows the weather has no set of its own to move.
  const follows = run?.scenario.controls.some((control) => 'follows' in control) ?? false
  const settings = useMemo(
    () =>
      plan
        ? settingsKept(chain, plan)
            .filter((setting) => !(follows && setting === 'setpointC'))
            .slice(0, 3)
        : [],
    [chain, plan, follows],
  )
  if (!plan) return null
  const heldPlan = context.loop.settings.planned[plan.id] ?? plan
  return (
    <div className="sliders">
      {settings.map((setting) => {
        const { low, high, step, quantity } = settingSpan(loop, plan, setting, data)
        const value = settingOf(heldPlan, setting)
        const view = quantityView(quantity, preferences)
        const put = (si: number, done: boolean): string | undefined => {
          try {
            const next = withLoopSetting(loop, plan.id, setting, si)
            if (!done) {
              hold(next)
              return undefined
            }
            hold(null)
            return act(changeSettings, settingsChange(loop.settings, next.settings))
          } catch (error) {
            hold(null)
            return (error as Error).message
          }
        }
        return (
          <div key={setting} className="slider" data-setting={setting}>
            <NumberField
              label={settingTitles[setting]}
              draftKey={`${loop.id}/${plan.id}/try-${setting}`}
              value={value}
              quantity={quantity}
              preferences={preferences}
              required
              field={fieldOfSetting(plan, setting)}
              stepSi={step}
              onCommit={(si) => (si === undefined ? undefined : put(si, true))}
            />
            <Slider.Root
              className="track"
              min={low}
              max={high}
              step={step}
              value={[Math.min(high, Math.max(low, value))]}
              onValueChange={([si]) => void put(si!, false)}
              onValueCommit={([si]) => void put(si!, true)}
            >
              <Slider.Track className="track-line">
                <Slider.Range className="track-range" />
              </Slider.Track>
              <Slider.Thumb
                className="track-thumb"
                aria-label={settingTitles[setting]}
                aria-valuetext={`${view.toShown(value).toFixed(view.decimals)} ${view.label}`}
              />
            </Slider.Root>
          </div>
        )
      })}
    </div>
  )
}
