import { answersOf } from '@nachtigal/core/kinds/answersOf'
import { useAct } from '../../loop/useAct'
import { tickHazards } from '@nachtigal/core/actions/tickHazards'
import { hazardsOf, proposedHazards } from '@nachtigal/core/kinds/proposedHazards'
import { useLoop } from '../../loop/loopContext'
import { Button } from '../../design/Button'
import { Tick } from '../../design/Tick'

/** Hazards of this kind: proposed by its answers, ticked by whoever stands there; each says where its caution will show. */
export function HurtPart() {
  const { loop, words } = useLoop()
  const act = useAct()
  const ticked = loop.survey.hazards
  const put = (hazards: Readonly<Record<string, true>>) => act(tickHazards, { hazards })
  const proposed = proposedHazards(loop.kind, answersOf(loop))
  const left = proposed.filter(({ id }) => !ticked[id])
  const tick = (id: string, on: boolean) => {
    const { [id]: _gone, ...rest } = ticked
    put(on ? { ...rest, [id]: true } : rest)
  }
  return (
    <div className="grid gap-3">
      <p className="text-ink2 max-w-[70ch]">
        Tick what is true here. Each one shows its caution at the steps where it bites.
      </p>
      {left.length > 0 ? (
        <div className="max-w-sm">
          <Button
            second
            end="+"
            onClick={() => put({ ...ticked, ...Object.fromEntries(left.map(({ id }) => [id, true as const])) })}
          >
            Tick the {left.length} proposed
          </Button>
        </div>
      ) : null}
      <ul className="grid gap-x-8 lg:grid-cols-2">
        {hazardsOf(loop.kind).map(({ id, title, caution }) => {
          const mine = proposed.some((each) => each.id === id)
          return (
            <li key={id} className="border-b border-line py-1">
              <Tick checked={ticked[id] === true} onChange={(on) => tick(id, on)} className="max-md:min-h-12">
                <span className="cond text-[17px] font-semibold">{title}</span>
                {mine && !ticked[id] ? <span className="small text-look">proposed</span> : null}
              </Tick>
              <p className="small text-ink2 pl-6">{words.tell(caution)}</p>
            </li>
          )
        })}
      </ul>
    </div>
  )
}
