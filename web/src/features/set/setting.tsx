import { createContext, type ReactNode, useCallback, useContext, useMemo, useState } from 'react'
import { withPlan, withPlanned } from '@nachtigal/core/document/withPlanned'
import { checkLoop } from '@nachtigal/core/check/checkLoop'
import type { LoopContext } from '@nachtigal/core/loop/context'
import type { Finding } from '@nachtigal/core/check/finding'
import { type Behaviour, type PlanOf, planOf } from '@nachtigal/core/settings/behaviour'
import type { ResolvedDevice } from '@nachtigal/core/document/chain'
import type { ControllerPlan } from '@nachtigal/core/settings/controllerPlan'
import type { LoopDocument } from '@nachtigal/core/document/documents'
import { controllerPlanOf, withControllerPlan } from '@nachtigal/core/survey/controllerPlanOf'
import { changeSettings, settingsChange } from '@nachtigal/core/actions/changeSettings'
import { useAct } from '../../loop/useAct'
import { useLoop } from '../../loop/loopContext'

/** What the parts of the stage share: the loop as it is being dragged, and the ways to change it. */
interface Setting {
  /** The loop with what a hand holds now; what is drawn and told is of this one. */
  readonly context: LoopContext
  readonly findings: readonly Finding[]
  readonly device: ResolvedDevice
  readonly whole: ControllerPlan
  /** The plan in hand, as it is being dragged. */
  readonly plan: PlanOf | undefined
  /** Shows a loop without keeping it. */
  readonly hold: (loop: LoopDocument | null) => void
  /** Keeps a loop as one command. Answers what is wrong. */
  readonly keep: (loop: LoopDocument) => string | undefined
  /** The loop as it is kept, with all planned outputs changed so. */
  readonly replanned: (planned: Readonly<Record<string, Behaviour>>) => LoopDocument
  /** The same with one planned output. */
  readonly withPlan: (id: string, plan: Behaviour) => LoopDocument
  readonly withWhole: (change: Partial<ControllerPlan>) => LoopDocument
  /** Moves while a hand holds it, keeps once it is let go. */
  readonly move: (make: () => LoopDocument, done: boolean) => void
  /** Keeps what is made, or answers why it cannot be made. */
  readonly safely: (make: () => LoopDocument) => string | undefined
}

const Context = createContext<Setting | null>(null)

/** Hands down the loop in hand as it is being set. */
export function SettingProvider({ device, children }: { device: ResolvedDevice; children: ReactNode }) {
  const inHand = useLoop()
  const { loop, behaviour } = inHand
  const act = useAct()
  const [held, setHeld] = useState<LoopDocument | null>(null)
  const context = useMemo((): LoopContext => (held ? { ...inHand, loop: held } : inHand), [held, inHand])
  const findings = useMemo(
    () => (held ? checkLoop({ ...inHand, loop: held }).open : inHand.open).filter(({ step }) => step === 'set'),
    [held, inHand],
  )
  const keep = useCallback(
    (next: LoopDocument) => {
      setHeld(null)
      return act(changeSettings, settingsChange(loop.settings, next.settings))
    },
    [act, loop],
  )
  const replanned = useCallback(
    (planned: Readonly<Record<string, Behaviour>>): LoopDocument => withPlanned(loop, planned),
    [loop],
  )
  const value = useMemo((): Setting => {
    const id = behaviour?.id
    const shown = id === undefined ? undefined : context.loop.settings.planned[id]
    return {
      context,
      findings,
      device,
      whole: controllerPlanOf(context, device),
      plan: id === undefined || !shown ? undefined : planOf(id, shown),
      hold: setHeld,
      keep,
      replanned,
      withPlan: (planId, plan) => withPlan(loop, planId, plan),
      withWhole: (part) => withControllerPlan({ ...inHand, loop }, device, part),
      move: (make, done) => {
        let next: LoopDocument
        try {
          next = make()
        } catch {
          // A hand may pass over what cannot be: it stays where it was.
          if (done) setHeld(null)
          return
        }
        if (done) keep(next)
        else setHeld(next)
      },
      safely: (make) => {
        try {
          return keep(make())
        } catch (error) {
          return (error as Error).message
        }
      },
    }
  }, [context, findings, device, behaviour, keep, replanned, inHand, loop])
  return <Context.Provider value={value}>{children}</Context.Provider>
}

/** The setting in hand. @throws Error outside its provider */
export function useSetting(): Setting {
  const setting = useContext(Context)
  if (!setting) throw new Error('no setting above this part')
  return setting
}
