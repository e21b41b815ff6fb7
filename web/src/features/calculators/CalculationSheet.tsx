import { Copy, NotebookPen, Printer } from 'lucide-react'
import { useState } from 'react'
import { Link } from 'react-router'
import type { Calculation } from '@nachtigal/core/calc/calculation'
import { isAsked } from '@nachtigal/core/calc/form'
import { sumText, workedLines } from '@nachtigal/core/calc/workedLines'
import { PictureDrawing } from '../../drawing/picture/PictureDrawing'
import { useAppDispatch, useAppSelector } from '../../state/store'
import { themeTurned } from '../../state/viewSlice'
import { Shape } from '../../design/Shape'
import { KeepCalculation } from './KeepCalculation'
import { CalculationAnswer, SumTables } from './CalculationAnswer'
import { CalculationField } from './CalculationField'
import { useCalculators } from './calculatorsContext'
import { useCalculationForm } from './useCalculationForm'

/** Time for a drawing to take its new colours. */
const REDRAWN_MS = 150
const SHORT: readonly string[] = ['number', 'either', 'choice', 'boolean', 'text']

/** One calculation: what goes in, what comes out as one types, a drawing, and the sum laid open. */
export function CalculationSheet({ entry }: { entry: Calculation }) {
  const { calcData, preferences, job, base } = useCalculators()
  const theme = useAppSelector((state) => state.view.theme)
  const { form, own, read, errors, output, picture, type, showExample, clear } = useCalculationForm(entry)
  const dispatch = useAppDispatch()
  const [keeping, setKeeping] = useState(false)
  const [told, setTold] = useState<string>()
  const names = Object.keys(entry.inputs)
  const borrowed = names.filter((name) => !own[name] && form[name] !== '' && isAsked(entry.inputs[name]!, form))
  // Many short fields stand two beside one another, so that all of them are seen at once.
  const many = Object.values(entry.inputs).filter(({ type: of }) => SHORT.includes(of)).length > 7
  const asked = Object.keys(entry.outputs)[0]!
  const sum = output
    ? workedLines({ calc: entry.id, input: read.input, output: asked }, calcData, preferences)
    : undefined
  const loops = job ? Object.keys(job.loops).length : 0
  const print = async () => {
    const atNight = theme === 'night'
    // Curves are drawn in the colours of the screen: on paper they are day's.
    if (atNight) {
      dispatch(themeTurned())
      await new Promise((resolve) => setTimeout(resolve, REDRAWN_MS))
    }
    window.print()
    if (atNight) dispatch(themeTurned())
  }
  const copy = async () => {
    if (!sum) return
    try {
      await navigator.clipboard.writeText(sumText(sum))
      setTold('Copied')
    } catch {
      setTold('This browser does not let a page copy. Print it instead.')
    }
  }
  return (
    <section className="sum-sheet" aria-labelledby="sum-title">
      <div className="sum-head">
        <Link to={base} className="only-phone min-h-12 content-center">
          All calculators
        </Link>
        <h1 id="sum-title" className="h1">
          {entry.title}
        </h1>
        <span className="mono small text-ink2 not-phone">{entry.id}</span>
        <span className="sum-actions">
          <button type="button" className="third" disabled={!sum} onClick={() => void copy()}>
            <Copy size={16} strokeWidth={1.5} aria-hidden /> Copy
          </button>
          <button type="button" className="third" disabled={!sum} onClick={() => void print()}>
            <Printer size={16} strokeWidth={1.5} aria-hidden /> Print
          </button>
          {job ? (
            <button type="button" className="third" disabled={!sum || loops === 0} onClick={() => setKeeping(true)}>
              <NotebookPen size={16} strokeWidth={1.5} aria-hidden />{' '}
              {loops === 0 ? 'Keep in a log: no loop yet' : 'Keep in a log'}
            </button>
          ) : null}
          <span role="status" className="small text-ink2">
            {told}
          </span>
        </span>
      </div>
      <form
        className={`sum-form ${many ? 'two' : ''}`}
        aria-label="What goes in"
        onSubmit={(event) => event.preventDefault()}
      >
        <div className="flex gap-4 items-baseline">
          <button type="button" className="third min-h-8 max-md:min-h-12" onClick={clear}>
            Clear
          </button>
          {entry.examples.slice(0, 3).map((_, i) => (
            <button key={i} type="button" className="third min-h-8 max-md:min-h-12" onClick={() => showExample(i)}>
              Example {i + 1}
            </button>
          ))}
        </div>
        {borrowed.length > 0 ? (
          <p className="caution">
            <Shape kind="note" />
            <span>What is marked example is not yours yet.</span>
          </p>
        ) : null}
        {names
          .filter((name) => isAsked(entry.inputs[name]!, form))
          .map((name) => (
            <div key={name} className={SHORT.includes(entry.inputs[name]!.type) ? '' : 'long'}>
              <CalculationField
                field={entry.inputs[name]!}
                path={name}
                value={form[name]}
                errors={errors}
                example={borrowed.includes(name)}
                onType={(value) => type(name, value)}
              />
            </div>
          ))}
      </form>
      <div className="sum-result">
        <h2 className="h2" id="answer">
          Answer
        </h2>
        {output ? (
          <CalculationAnswer outputs={entry.outputs} output={output} />
        ) : read.missing.length > 0 ? (
          <p role="status">Still needed: {read.missing.map((title) => title.toLowerCase()).join(', ')}.</p>
        ) : (
          <p role={errors['input'] ? 'alert' : 'status'} className="flex gap-2 items-start">
            <Shape kind="stop" size={18} />
            <span>{errors['input'] ?? 'No answer until what is marked is mended.'}</span>
          </p>
        )}
        {(entry.cautions ?? []).length > 0 ? <Cautions texts={sum?.cautions ?? entry.cautions!} /> : null}
        {picture ? (
          <PictureDrawing picture={picture} preferences={preferences} theme={theme} label={`${entry.title}, drawn`} />
        ) : null}
        {output ? <SumTables outputs={entry.outputs} output={output} /> : null}
        {sum ? (
          <div className="sum-worked">
            <h2 className="h3">How it is calculated</h2>
            <dl>
              <dt>Formula</dt>
              <dd>{sum.formula}</dd>
              {sum.inputs.map(({ label, value, symbol }, i) => (
                <div key={`${label}-${i}`} className="contents">
                  <dt>
                    {label}
                    {symbol ? `, ${symbol}` : ''}
                  </dt>
                  <dd>{value}</dd>
                </div>
              ))}
              {sum.outputs
                .filter(({ table }) => !table)
                .map(({ label, value }, i) => (
                  <div key={`${label}-${i}`} className="contents result">
                    <dt>= {label}</dt>
                    <dd>{value}</dd>
                  </div>
                ))}
              <dt>Source</dt>
              <dd>{sum.source}</dd>
            </dl>
          </div>
        ) : null}
      </div>
      {sum?.outputs[0] ? (
        <a href="#answer" className="sum-strip only-phone">
          <span className="text-ink2">{sum.outputs[0].label}</span> <b>{sum.outputs[0].value.slice(0, 40)}</b>
        </a>
      ) : null}
      {keeping && job && sum ? (
        <KeepCalculation job={job} sum={sum} input={read.input} onClose={() => setKeeping(false)} />
      ) : null}
    </section>
  )
}

function Cautions({ texts }: { texts: readonly string[] }) {
  return (
    <ul className="grid gap-1">
      {texts.map((text) => (
        <li key={text} className="caution">
          <Shape kind="look" labelled />
          <span>{text}</span>
        </li>
      ))}
    </ul>
  )
}
