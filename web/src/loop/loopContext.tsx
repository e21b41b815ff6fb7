import { createContext, type ReactNode, useCallback, useContext, useMemo } from 'react'
import { type LoopContext, loopContext } from '@nachtigal/core/loop/context'
import { checkLoop } from '@nachtigal/core/check/checkLoop'
import type { Finding } from '@nachtigal/core/check/finding'
import { type OnOffBehaviour, type PlanOf, plansOf } from '@nachtigal/core/settings/behaviour'
import type { PortRef } from '@nachtigal/core/document/chain'
import { changesBetween } from '@nachtigal/core/document/changesBetween'
import type { JobDocument, LoopDocument, Reading } from '@nachtigal/core/document/documents'
import type { FieldData } from '@nachtigal/core/plant/fieldValue'
import type { DeviceProfile } from '@nachtigal/core/device/deviceProfile'
import { controlOutputs } from '@nachtigal/core/wiring/reach'
import { keptFigure, type KeptFigure } from '@nachtigal/core/units/keptFigure'
import { type Quantity, type UnitPreferences } from '@nachtigal/core/units/quantity'
import { useAppDispatch, useAppSelector } from '../state/store'
import { outputTaken } from '../state/viewSlice'
import { type SendOptions, useSend } from './useSend'

/** A planned output that switches. */
type PlannedOutput = PlanOf<OnOffBehaviour>

/** An output of a controller: what it is called here, and its plan where it has one. */
interface Output {
  readonly key: string
  readonly output: PortRef
  readonly input: PortRef
  readonly plan: PlanOf | undefined
}

export interface Loop extends LoopContext {
  /** All loops of the job. */
  readonly loops: readonly LoopDocument[]
  /** Units to show and type in: the job's, or the look in the other one. */
  readonly preferences: UnitPreferences
  readonly profiles: readonly DeviceProfile[]
  readonly open: readonly Finding[]
  readonly closed: readonly Finding[]
  /** The planned outputs in order, and the one in hand; none before there is a controller. */
  readonly plans: readonly PlanOf[]
  /** The plan in hand, whatever way it controls; and the same where it switches. */
  readonly behaviour: PlanOf | undefined
  readonly plan: PlannedOutput | undefined
  /** Every output of the chain's controllers, planned or not, and the one in hand. */
  readonly outputs: readonly Output[]
  readonly output: Output | undefined
  readonly takeOutput: (plan: string) => void
  /** Turns the loop (and the job) into what they are to be, as one command. Answers what is wrong. */
  readonly change: (
    next: { job?: JobDocument; loop?: LoopDocument },
    options?: Pick<SendOptions, 'why' | 'tell' | 'action'>,
  ) => string | undefined
  /** A reading as typed now by whoever types here. */
  readonly reading: (
    text: string,
    quantity: Quantity | undefined,
    preferences?: UnitPreferences,
    state?: Reading['state'],
  ) => Reading
}

const Context = createContext<Loop | null>(null)

interface Props {
  readonly job: JobDocument
  readonly loop: LoopDocument
  readonly data: FieldData
  readonly profiles: readonly DeviceProfile[]
  /** All loops of the job: what they draw from shared supplies counts. */
  readonly loops: Readonly<Record<string, LoopDocument>>
  readonly children: ReactNode
}

/** Derives everything a loop's screens look at, once a change, and hands it down with the way to change it. */
export function LoopProvider({ job, loop, data, profiles, loops, children }: Props) {
  const unit = useAppSelector((state) => state.view.unit)
  const by = useAppSelector((state) => state.view.by)
  const send = useSend(job.id)
  const preferences = useMemo(
    (): UnitPreferences => ({ temperatureUnit: unit ?? job.temperatureUnit, system: job.system }),
    [unit, job.temperatureUnit, job.system],
  )
  const derived = useMemo(() => {
    const all = Object.values(loops)
    const context = loopContext(job, loop, data, preferences, all)
    const plans = plansOf(loop.settings.planned)
    return { ...context, ...checkLoop(context), loops: all, plans, outputs: outputsOf(context, plans) }
  }, [job, loop, data, preferences, loops])
  const dispatch = useAppDispatch()
  const taken = useAppSelector((state) => state.view.outputs[loop.id])
  const takeOutput = useCallback(
    (plan: string) => {
      dispatch(outputTaken({ loop: loop.id, plan }))
    },
    [dispatch, loop.id],
  )
  const change = useCallback<Loop['change']>(
    (next, options) =>
      send(
        [
          ...(next.job ? changesBetween(job.id, job, next.job) : []),
          ...(next.loop ? changesBetween(loop.id, loop, next.loop) : []),
        ],
        { loopId: loop.id, ...options },
      ),
    [send, job, loop],
  )
  const reading = useCallback<Loop['reading']>(
    (text, quantity, prefs = preferences, state = 'value') => {
      const { value, ...kept }: KeptFigure = quantity ? keptFigure(text, quantity, prefs) : { text, unit: '' }
      return {
        ...kept,
        state,
        at: new Date().toISOString(),
        by: by || 'unnamed',
        ...(state === 'value' && value !== undefined ? { value } : {}),
      }
    },
    [preferences, by],
  )
  const output = derived.outputs.find(({ key }) => key === taken) ?? derived.outputs[0]
  const behaviour = output ? output.plan : derived.plans[0]
  const value = useMemo(
    () => ({
      ...derived,
      output,
      behaviour,
      plan: behaviour?.kind === 'on-off' ? behaviour : undefined,
      preferences,
      profiles,
      change,
      reading,
      takeOutput,
    }),
    [derived, output, behaviour, preferences, profiles, change, reading, takeOutput],
  )
  return <Context.Provider value={value}>{children}</Context.Provider>
}

function outputsOf({ chain, loop }: LoopContext, plans: readonly PlanOf[]): Output[] {
  const unused = Object.values(loop.settings.planned).filter((plan) => plan.kind === 'on-off' && plan.unused)
  return chain.devices.flatMap((device) =>
    controlOutputs(device).flatMap((port): Output[] => {
      const here = ({ output }: Pick<PlanOf, 'output'>) => output.device === device.id && output.port === port
      if (unused.some(here)) return []
      const plan = plans.find(here)
      const input = Object.entries(device.facts.ports).find(([, { kind }]) => kind === 'probe-in')?.[0] ?? 'none'
      return [
        {
          key: plan?.id ?? `${device.id}.${port}`,
          output: { device: device.id, port },
          input: plan?.input ?? { device: device.id, port: input },
          plan,
        },
      ]
    }),
  )
}

/** The loop in hand. @throws Error outside its provider */
export function useLoop(): Loop {
  const loop = useContext(Context)
  if (!loop) throw new Error('no loop above this screen')
  return loop
}
