import { tradeSizesMm2 } from '@nachtigal/core/wiring/wireResistance'
import { gaugeOf, sizeWords } from '@nachtigal/core/words/sizeWords'
import { dropCall, type RowLoad, rowLoads } from '@nachtigal/core/wiring/conductors'
import type { WireRow } from '@nachtigal/core/wiring/wireRow'
import { rowRecord } from '@nachtigal/core/document/fields/wiringFields'
import { useLoop } from '../../loop/loopContext'
import { Worked } from '../../loop/Worked'
import { ChoiceField } from '../../design/ChoiceField'
import { NumberField } from '../../design/NumberField'
import { TextField } from '../../design/TextField'
import { useRow } from './useRow'

/** What is written down of one wire: length, section, label, note. */
export function WireDetails({ row }: { row: WireRow }) {
  const { job, loop, preferences } = useLoop()
  const { state, write, assumed, sizeMm2 } = useRow(row)
  const sizes =
    job.practice === 'us'
      ? Object.entries(gaugeOf).map(([mm2, title]) => ({ mm2: Number(mm2), title }))
      : tradeSizesMm2.map((mm2) => ({ mm2, title: `${mm2} mm²` }))
  return (
    <div className="grid grid-cols-[88px_104px_72px_minmax(0,1fr)] gap-3 max-md:grid-cols-2">
      <NumberField
        label="Length"
        draftKey={`${loop.id}/wire/${row.id}/length`}
        value={state?.lengthM}
        field={rowRecord.fields.lengthM}
        preferences={preferences}
        placeholder={assumed ? 'not known' : ''}
        onCommit={(next) => {
          const { lengthM: _l, ...rest } = state ?? {}
          return write(next === undefined ? rest : { ...rest, lengthM: next })
        }}
      />
      <ChoiceField
        label="Section"
        value={String(sizeMm2)}
        choices={[
          ...(sizes.some(({ mm2 }) => mm2 === sizeMm2)
            ? []
            : [{ value: String(sizeMm2), title: sizeWords(job.practice, sizeMm2) }]),
          ...sizes.map(({ mm2, title }) => ({ value: String(mm2), title })),
        ]}
        onChoose={(next) => {
          const { sizeMm2: _s, ...rest } = state ?? {}
          // As the table has it, whether it gives one or ends before.
          const usual = next === String(row.conductor.sizeMm2)
          write(usual ? rest : { ...rest, sizeMm2: Number(next) })
        }}
      />
      <TextField
        label="Label"
        draftKey={`${loop.id}/wire/${row.id}/label`}
        value={state?.label ?? ''}
        placeholder={String(row.number)}
        field={rowRecord.fields.label}
        onCommit={(next) => {
          const { label: _l, ...rest } = state ?? {}
          return write(next === '' ? rest : { ...rest, label: next })
        }}
      />
      <TextField
        label="Note"
        draftKey={`${loop.id}/wire/${row.id}/note`}
        value={state?.note ?? ''}
        field={rowRecord.fields.note}
        onCommit={(next) => {
          const { note: _n, ...rest } = state ?? {}
          return write(next === '' ? rest : { ...rest, note: next })
        }}
      />
    </div>
  )
}

/** What the wire carries, what it loses on the way and what protects it, in one line. */
export function WireLoad({ row }: { row: WireRow }) {
  const { chain, loop, job, words } = useLoop()
  const [load] = rowLoads([row], chain, loop.wiring.rows, job.practice)
  if (!load || row.role === 'earth' || row.role === 'screen' || load.currentA === 0) return null
  return <LoadLine load={load} words={words} />
}

function LoadLine({ load, words }: { load: RowLoad; words: ReturnType<typeof useLoop>['words'] }) {
  const { row, currentA, pairDropV, usualMm2 } = load
  const { job } = useLoop()
  const fed = row.fedBy
  const call = dropCall(load)
  return (
    <span>
      Carries {words.say(currentA, 'current')}, loses{' '}
      {call ? (
        <Worked call={call} text={words.say(pairDropV, 'voltage', 2)} label="Lost there and back" />
      ) : (
        words.say(pairDropV, 'voltage', 2)
      )}{' '}
      there and back
      {fed && usualMm2 !== undefined
        ? `. Behind ${words.say(fed.protectionA, 'current', 0)} at ${fed.tag}; ${sizeWords(job.practice, usualMm2)} is usual, check local code.`
        : '.'}
    </span>
  )
}
