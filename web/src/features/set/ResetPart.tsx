import { resetSeason } from '@nachtigal/core/settings/reset/resetSeason'
import { resetView } from '@nachtigal/core/settings/reset/resetView'
import type { ResetPlan } from '@nachtigal/core/settings/reset/fields'
import { resetPlanRecord } from '@nachtigal/core/settings/reset/fields'
import { ResetLine } from '../../drawing/ResetLine'
import type { ResetHandle } from '../../drawing/reset/resetDrawing'
import { PHONE, useMedia } from '../../lib/useMedia'
import { useLoop } from '../../loop/loopContext'
import { NumberField } from '../../design/NumberField'
import { MeaningPanel } from './MeaningPanel'
import { useSetting } from './setting'
import { useDisplay } from './useDisplay'

const fields = [
  ['designOutdoorC', 'Design outdoors'],
  ['designSupplyC', 'Design supply'],
  ['warmOutdoorC', 'Warm outdoors'],
  ['warmSupplyC', 'Warm supply'],
  ['minimumSupplyC', 'Minimum'],
  ['maximumSupplyC', 'Maximum'],
  ['shutdownAboveC', 'Summer stop over'],
  ['frostBelowC', 'Frost protection under'],
  ['frostSupplyC', 'Frost supply'],
] as const
const optional = new Set<string>(['minimumSupplyC', 'maximumSupplyC', 'shutdownAboveC', 'frostBelowC', 'frostSupplyC'])

/** The reset line: supply by the weather, beside what the emitters need and what a fixed supply would take. */
export function ResetPart() {
  const { loop, preferences, words } = useLoop()
  const { context, device, whole, findings, move, safely, withWhole } = useSetting()
  const { temperature, step, stepSi, out, maybe } = useDisplay()
  const phone = useMedia(PHONE)
  const plan = whole.reset!
  const view = resetView(context, device)
  const season = view && resetSeason(context, view)
  const pairs = (points: readonly { outdoorC: number; supplyC: number }[]) =>
    points.map(({ outdoorC, supplyC }) => [out(outdoorC), out(supplyC)] as const)
  const put = (change: Partial<ResetPlan>) => withWhole({ reset: { ...plan, ...change } })
  const key = (name: string) => `${loop.id}/${device.id}/reset/${name}`
  const has = (code: string) => findings.find((f) => f.code === code)?.head
  const dragged = (handle: ResetHandle, x: number, y: number): Partial<ResetPlan> => {
    const [outdoorC, supplyC] = [temperature.toSi(x), temperature.toSi(y)]
    switch (handle) {
      case 'design':
        return { designOutdoorC: Math.min(outdoorC, plan.warmOutdoorC - stepSi), designSupplyC: supplyC }
      case 'warm':
        return { warmOutdoorC: Math.max(outdoorC, plan.designOutdoorC + stepSi), warmSupplyC: supplyC }
      case 'minimum':
        return { minimumSupplyC: Math.min(supplyC, plan.maximumSupplyC ?? Infinity) }
      case 'maximum':
        return { maximumSupplyC: Math.max(supplyC, plan.minimumSupplyC ?? -Infinity) }
      case 'shutdown':
        return { shutdownAboveC: outdoorC }
    }
  }
  return (
    <div className="work">
      <section className="flex flex-col min-h-0 min-w-0" aria-labelledby="reset-title">
        <div className="flex items-baseline gap-4 px-4 pt-2">
          <h2 id="reset-title" className="h2">
            Reset line
          </h2>
          <span className="text-ink2 min-w-0 not-phone">
            drag a corner, or arrow keys by {words.say(stepSi, 'difference')}
          </span>
        </div>
        <div className="flex-1 min-h-0 max-lg:h-[420px] max-lg:flex-none px-2 flex items-stretch">
          {view ? (
            <ResetLine
              stopTitle={words.term('warmWeatherShutdown')}
              values={{
                design: [out(plan.designOutdoorC), out(plan.designSupplyC)],
                warm: [out(plan.warmOutdoorC), out(plan.warmSupplyC)],
                minimum: maybe(plan.minimumSupplyC),
                maximum: maybe(plan.maximumSupplyC),
                shutdown: maybe(plan.shutdownAboveC),
                line: pairs(view.line),
                setback: pairs(view.setback),
                need: pairs(view.need),
                returns: pairs(view.returns),
                returnLimit: out(view.returnLimitC),
                condensing: view.condensing,
                fixed: out(view.fixedC),
                now: view.now ? [out(view.now.outdoorC), out(view.now.supplyC)] : undefined,
                hours: (season?.hours ?? []).map(({ fromC, toC, hours }) => ({
                  from: out(fromC),
                  to: out(toC),
                  hours,
                })),
              }}
              unit={temperature.label}
              step={step}
              compact={phone}
              marks={{
                ...(has('C101_LINE_UNDER_NEED') ? { warm: has('C101_LINE_UNDER_NEED')! } : {}),
                ...(has('C103_LINE_OVER_SCREED') ? { maximum: has('C103_LINE_OVER_SCREED')! } : {}),
              }}
              onMove={(handle, { x, y }, done) => move(() => put(dragged(handle, x, y)), done)}
            />
          ) : (
            <p role="alert" className="p-4">
              The warm point is not warmer than the design point, or the minimum is over the maximum: no line can be
              drawn.
            </p>
          )}
        </div>
        <div className="param-row">
          {fields.map(([field, label]) => (
            <NumberField
              key={field}
              label={words.local(label)}
              draftKey={key(field)}
              value={plan[field]}
              field={resetPlanRecord.fields[field]}
              preferences={preferences}
              stepSi={stepSi}
              required={!optional.has(field)}
              finding={
                field === 'frostBelowC' && has('C102_NO_FROST_PROTECTION')
                  ? 'stop'
                  : field === 'warmOutdoorC' && has('C100_LINE_CROSSED')
                    ? 'look'
                    : undefined
              }
              onCommit={(v) =>
                safely(() => {
                  const { [field]: _old, ...rest } = plan
                  // Frost limit and frost supply belong together.
                  const frost =
                    v === undefined && (field === 'frostBelowC' || field === 'frostSupplyC')
                      ? { frostBelowC: undefined, frostSupplyC: undefined }
                      : v !== undefined && field === 'frostBelowC' && plan.frostSupplyC === undefined
                        ? { frostSupplyC: plan.minimumSupplyC ?? 20 }
                        : v !== undefined && field === 'frostSupplyC' && plan.frostBelowC === undefined
                          ? { frostBelowC: 2 }
                          : {}
                  const next = { ...rest, ...(v === undefined ? {} : { [field]: v }), ...frost }
                  return withWhole({
                    reset: Object.fromEntries(
                      Object.entries(next).filter(([, each]) => each !== undefined),
                    ) as unknown as ResetPlan,
                  })
                })
              }
            />
          ))}
          <NumberField
            label={words.local('Night set-back')}
            draftKey={key('setback')}
            value={plan.setbackK}
            field={resetPlanRecord.fields.setbackK}
            preferences={preferences}
            stepSi={stepSi}
            required
            onCommit={(v) => (v === undefined ? undefined : safely(() => put({ setbackK: v })))}
          />
          <NumberField
            label="Shift"
            draftKey={key('shift')}
            value={plan.shiftK}
            field={resetPlanRecord.fields.shiftK}
            preferences={preferences}
            stepSi={stepSi}
            required
            onCommit={(v) => (v === undefined ? undefined : safely(() => put({ shiftK: v })))}
          />
          <NumberField
            label="Averaged over"
            draftKey={key('average')}
            value={plan.averageH}
            field={resetPlanRecord.fields.averageH}
            preferences={preferences}
            required
            onCommit={(v) => (v === undefined ? undefined : safely(() => put({ averageH: v })))}
          />
        </div>
      </section>
      <MeaningPanel lines={season?.lines ?? []} />
    </div>
  )
}
