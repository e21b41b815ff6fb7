import { useLoop } from '../../loop/loopContext'
import { AddTemporary } from '../../loop/TemporaryBar'

const questions = {
  commanded: 'Commanded? The output lamp or the display says on.',
  answered: 'Answered? The load draws current; pipe or mat warms.',
} as const

/** Half of all control faults are plant faults: asked before any test. */
export function BeforeTest() {
  const { loop, change } = useLoop()
  const ask = (id: keyof typeof questions, answer: 'yes' | 'no') =>
    change({ loop: { ...loop, proof: { ...loop.proof, answers: { ...loop.proof.answers, [id]: answer } } } })
  return (
    <div className="grid gap-1 max-md:gap-3" role="group" aria-label="Before any test">
      {(Object.keys(questions) as (keyof typeof questions)[]).map((id) => (
        <div key={id} className="flex items-center gap-2">
          <span className="flex-1">{questions[id]}</span>
          {(['yes', 'no'] as const).map((answer) => (
            <button
              key={answer}
              type="button"
              aria-pressed={loop.proof.answers[id] === answer}
              className={`h-8 px-3 max-md:h-12 max-md:px-5 border border-ink ${loop.proof.answers[id] === answer ? 'chosen' : 'bg-blank'}`}
              onClick={() => ask(id, answer)}
            >
              {answer}
            </button>
          ))}
        </div>
      ))}
      <AddTemporary trigger="Output forced, switch in hand, contact bridged? Enter it" />
      {Object.values(loop.proof.answers).includes('no') ? (
        <p className="small">
          <b className="text-look">A plant fault first.</b> Half of all control faults are plant faults: mend it, then
          test.
        </p>
      ) : null}
    </div>
  )
}
