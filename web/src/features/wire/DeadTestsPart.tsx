import { useMemo } from 'react'
import { useNavigate, useParams } from 'react-router'
import { safetyBlocks } from '@nachtigal/core/commissioning/safetyBlocks'
import { huntGrounds } from '@nachtigal/core/commissioning/shortFinder'
import { useLoop } from '../../loop/loopContext'
import { HuntSheet } from './HuntSheet'
import { NoWires } from './NoWires'
import { SafetySheet } from './SafetySheet'
import { SafetySteps } from './SafetySteps'
import { WireFrame } from './WireFrame'
import { loopAt } from '../../lib/addresses'

/** Isolate and prove dead, then the dead tests in their order, and the short finder. */
export function DeadTestsPart() {
  const context = useLoop()
  const { job, loop } = context
  const { step: wanted } = useParams()
  const navigate = useNavigate()
  const blocks = useMemo(() => safetyBlocks(context), [context])
  const grounds = useMemo(() => huntGrounds(context), [context])
  const steps = [...blocks.steps.isolate, ...blocks.steps.dead]
  const chosen = steps.find(({ id }) => id === wanted) ?? steps.find(({ verdict }) => verdict === 'waiting') ?? steps[0]
  const ground = wanted?.startsWith('hunt:') ? grounds.find(({ id }) => `hunt:${id}` === wanted) : undefined
  const go = (id: string | undefined) => {
    if (id !== undefined)
      void navigate(loopAt(job.id, loop.id, 'wire', 'dead', id), {
        replace: true,
        flushSync: true,
      })
  }
  if (!chosen) return <NoWires part="Dead tests" />
  const at = steps.indexOf(chosen)
  const onward = () => go((steps.slice(at + 1).find(({ verdict }) => verdict === 'waiting') ?? steps[at + 1])?.id)
  return (
    <WireFrame part="Dead tests">
      <div className="flex-1 min-h-0 grid lg:grid-cols-[400px_minmax(0,1fr)] max-lg:grid-rows-[auto_minmax(0,1fr)]">
        <SafetySteps steps={steps} grounds={grounds} chosen={ground ? `hunt:${ground.id}` : chosen.id} onChoose={go} />
        {ground ? (
          <HuntSheet
            key={ground.id}
            ground={ground}
            onDone={() => go(steps.find(({ verdict }) => verdict !== 'good')?.id ?? steps[0]?.id)}
          />
        ) : (
          <SafetySheet
            key={chosen.id}
            step={chosen}
            at={at}
            of={steps.length}
            onNext={onward}
            onHunt={(conductor) =>
              go(
                `hunt:${(grounds.find(({ title, branches }) => title.startsWith(`${conductor},`) || branches.some(({ id }) => id.startsWith(conductor))) ?? grounds[0])?.id ?? ''}`,
              )
            }
          />
        )}
      </div>
    </WireFrame>
  )
}
