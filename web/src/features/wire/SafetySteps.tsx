import { useEffect, useRef } from 'react'
import type { SafetyStep, StepVerdict } from '@nachtigal/core/commissioning/safetyStep'
import type { HuntGround } from '@nachtigal/core/commissioning/shortFinder'
import type { ShapeKind } from '../../design/Shape'
import { Shape } from '../../design/Shape'

export const shapeOf: Record<StepVerdict, ShapeKind> = {
  waiting: 'waiting',
  good: 'fits',
  'look-again': 'look',
  stop: 'stop',
}

/** What a step was answered with, short. */
function answered({ reading, answer, ask }: SafetyStep): string {
  if (ask.kind === 'rows') return ''
  if (answer)
    return answer.answer === 'yes' ? (ask.kind === 'answer' ? ask.yes : 'yes') : ask.kind === 'answer' ? ask.no : 'no'
  if (!reading) return ''
  return reading.state === 'over-range' ? 'over-range' : `${reading.text} ${reading.unit}`
}

interface Props {
  readonly steps: readonly SafetyStep[]
  readonly chosen: string
  readonly onChoose: (id: string) => void
  /** Conductors on which a short can be hunted, under the steps. */
  readonly grounds?: readonly HuntGround[]
}

/** Every step of a block with what was read, as a column; steps of one group under its heading. */
export function SafetySteps({ steps, chosen, onChoose, grounds = [] }: Props) {
  const box = useRef<HTMLDivElement>(null)
  useEffect(() => {
    box.current?.querySelector('[aria-current=true]')?.scrollIntoView({ block: 'nearest' })
  }, [chosen])
  const groups = [...new Set(steps.map(({ group }) => group))]
  return (
    <div
      ref={box}
      className="lg:border-r border-line min-h-0 overflow-y-auto max-lg:max-h-[30vh] max-md:max-h-[98px] max-lg:border-b"
    >
      {groups.map((group) => {
        const mine = steps.filter((each) => each.group === group)
        const left = mine.filter(({ verdict }) => verdict === 'waiting').length
        return (
          <section key={group} aria-label={group}>
            <h2 className="h3 px-4 pt-2 pb-1 border-b border-ink flex">
              {group}
              <span className="ml-auto small text-ink2 font-normal">
                {left === 0 ? '' : left === 1 ? '1 waits' : `${left} wait`}
              </span>
            </h2>
            {mine.map((step) => (
              <button
                key={step.id}
                type="button"
                aria-current={step.id === chosen}
                data-verdict={step.verdict}
                className={`w-full text-left px-4 min-h-9 max-md:min-h-12 flex items-center gap-3 border-b border-line ${step.id === chosen ? 'chosen' : ''}`}
                onClick={() => onChoose(step.id)}
              >
                <Shape kind={shapeOf[step.verdict]} labelled />
                <span className="min-w-0 flex-1 break-words">{step.title}</span>
                <span className="font-bold whitespace-nowrap">{answered(step)}</span>
              </button>
            ))}
          </section>
        )
      })}
      {grounds.length > 0 ? (
        <section aria-label="Short finder">
          <h3 className="h3 px-4 pt-2 pb-1 border-b border-ink">Short finder</h3>
          {grounds.map(({ id, title }) => (
            <button
              key={id}
              type="button"
              aria-current={`hunt:${id}` === chosen}
              className={`w-full text-left px-4 min-h-9 max-md:min-h-12 border-b border-line ${`hunt:${id}` === chosen ? 'chosen' : ''}`}
              onClick={() => onChoose(`hunt:${id}`)}
            >
              {title}
            </button>
          ))}
        </section>
      ) : null}
    </div>
  )
}
