import { keyedBeside, otherParameters } from '@nachtigal/core/settings/setParts'
import type { ResolvedDevice } from '@nachtigal/core/document/chain'
import { parameterView } from '@nachtigal/core/device/parameterView'
import { plannedValues } from '@nachtigal/core/settings/plannedValues'
import { controllerPlanOf, withControllerPlan } from '@nachtigal/core/survey/controllerPlanOf'
import { useLoop } from '../../loop/loopContext'
import { ChoiceField } from '../../design/ChoiceField'
import { NumberField } from '../../design/NumberField'
import { MeaningPanel } from './MeaningPanel'
import { useSetting } from './setting'

/** What no instrument holds: parameters that are keyed once, by the leaflet, and those of drives. */
export function OtherPart() {
  const { context, device } = useSetting()
  const devices = [device, ...keyedBeside(context).filter(({ id }) => id !== device.id)]
  return (
    <div className="work">
      <section className="flex flex-col min-h-0 min-w-0 overflow-auto p-4 gap-4" aria-label="Other keys">
        {devices.map((each) => (otherParameters(each).length > 0 ? <Parameters key={each.id} device={each} /> : null))}
      </section>
      <MeaningPanel lines={[]}>
        <p>By the leaflet, once. What is planned here stands in the keying sheet like everything else.</p>
      </MeaningPanel>
    </div>
  )
}

function Parameters({ device }: { device: ResolvedDevice }) {
  const inHand = useLoop()
  const { job, loop, preferences, words } = inHand
  const { context, safely } = useSetting()
  const controller = device.facts.controller!
  const values = plannedValues(context, device)
  const put = (code: string, value: number | string) =>
    safely(() =>
      withControllerPlan(inHand, device, {
        values: { ...controllerPlanOf(inHand, device).values, [code]: value },
      }),
    )
  return (
    <section aria-labelledby={`other-${device.id}`}>
      <h2 id={`other-${device.id}`} className="h2">
        {device.tag} {device.name}
      </h2>
      <div className="grid gap-x-4 gap-y-3 mt-2 grid-cols-2 md:grid-cols-3">
        {otherParameters(device).map((code) => {
          const parameter = controller.parameters[code]!
          const view = parameterView(parameter, controller, job)
          const value = values.get(code)
          return view ? (
            <NumberField
              key={code}
              label={parameter.name}
              hint={words.tell(parameter.meaning)}
              draftKey={`${loop.id}/${device.id}/other/${code}`}
              value={typeof value === 'number' ? value : undefined}
              quantity={parameter.quantity!}
              preferences={preferences}
              low={parameter.low ?? -1e6}
              high={parameter.high ?? 1e6}
              decimals={view.decimals}
              required
              onCommit={(v) => (v === undefined ? undefined : put(code, v))}
            />
          ) : (
            <ChoiceField
              key={code}
              label={parameter.name}
              hint={words.tell(parameter.meaning)}
              value={String(value ?? '')}
              choices={Object.entries(parameter.shows ?? {}).map(([choice, shown]) => ({
                value: choice,
                title: `${shown} (${choice})`,
              }))}
              onChoose={(choice) => put(code, choice)}
            />
          )
        })}
      </div>
    </section>
  )
}
