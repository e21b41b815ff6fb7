import { useMemo } from 'react'
import { workedLines } from '@nachtigal/core/calc/workedLines'
import type { CalcCall } from '@nachtigal/core/kinds/asked'
import { Opens } from '../design/Opens'
import { useJob } from './jobContext'
import { useLoop } from './loopContext'
import { useOpenCalculation } from './useOpenCalculation'

/** The sum behind a number: formula, numbers put in, source, result. */
export function WorkedSum({ call }: { call: CalcCall }) {
  const { preferences } = useLoop()
  const { calcData, job } = useJob()
  const open = useOpenCalculation(job.id, preferences)
  const sum = useMemo(() => workedLines(call, calcData, preferences), [call, calcData, preferences])
  return (
    <div className="grid gap-2">
      <h3 className="h3">{sum.title}</h3>
      <p className="small">
        <span className="text-ink2">Formula </span>
        {sum.formula}
      </p>
      <dl className="facts worked small">
        {sum.inputs.map(({ label, value }, i) => (
          <div key={`${label}-${i}`} className="contents">
            <dt>{label}</dt>
            <dd className="!text-[13px] !whitespace-normal">{value}</dd>
          </div>
        ))}
      </dl>
      <dl className="facts worked small border-t border-ink">
        {sum.outputs.map(({ label, value, asked }, i) => (
          <div key={`${label}-${i}`} className="contents">
            <dt>{label}</dt>
            <dd
              className={`!whitespace-normal ${asked ? 'font-bold' : ''} ${value.length > 30 ? '!text-[12px] text-left' : ''}`}
            >
              {value}
            </dd>
          </div>
        ))}
      </dl>
      <p className="small">
        <span className="text-ink2">Source </span>
        {sum.source}
      </p>
      {sum.cautions.map((caution) => (
        <p key={caution} className="small">
          {caution}
        </p>
      ))}
      <button type="button" className="third min-h-8 max-md:min-h-12" onClick={() => open(call.calc, call.input)}>
        Try other figures
      </button>
    </div>
  )
}

/** A number that was worked out; it opens its sum. */
export function Worked({ call, text, label }: { call: CalcCall; text: string; label: string }) {
  return (
    <Opens className="sum" label={`${label} ${text}: open the calculation`} trigger={text}>
      <WorkedSum call={call} />
    </Opens>
  )
}
