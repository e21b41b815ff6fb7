import { useState } from 'react'
import { identifyProbe, type ProbeReadingPoint } from '@nachtigal/core/probes/identifyProbe'
import { parseQuantity } from '@nachtigal/core/units/parseQuantity'
import { quantityView } from '@nachtigal/core/units/quantity'
import { useJob } from '../../loop/jobContext'
import { useLoop } from '../../loop/loopContext'
import { Dialog } from '../../design/Dialog'
import { Field } from '../../design/Field'
import { Shape } from '../../design/Shape'

interface Typed {
  readonly warm: string
  readonly ohm: string
}

/** Which probe is this: ohms at one or two known temperatures in, ranked candidates out. */
export function WhichProbe({ onClose }: { onClose: () => void }) {
  const { preferences, words } = useLoop()
  const { calcData } = useJob()
  const [rows, setRows] = useState<readonly Typed[]>([
    { warm: '', ohm: '' },
    { warm: '', ohm: '' },
  ])
  const view = quantityView('temperature', preferences)
  const read = rows.map(({ warm, ohm }) => {
    const [t, r] = [parseQuantity(warm, 'temperature', preferences), parseQuantity(ohm, 'resistance', preferences)]
    const celsius = t.ok ? t.si : undefined
    return {
      point: celsius !== undefined && r.ok && r.si > 0 ? { temperatureC: celsius, resistanceOhm: r.si } : undefined,
      wrongWarm:
        warm.trim() !== '' && (celsius === undefined || celsius < -60 || celsius > 200)
          ? `Temperature is ${warm.slice(0, 20)}: it takes ${words.say(-60, 'temperature', 0)} to ${words.say(200, 'temperature', 0)}.`
          : undefined,
      wrongOhm:
        ohm.trim() !== '' && (!r.ok || r.si <= 0)
          ? `Ohms are ${ohm.slice(0, 20)}: they take a number over 0.`
          : undefined,
    }
  })
  const points = read.flatMap(({ point, wrongWarm }): ProbeReadingPoint[] => (point && !wrongWarm ? [point] : []))
  const identity = points.length > 0 ? identifyProbe(points, calcData.parts) : undefined
  const set = (i: number, change: Partial<Typed>) =>
    setRows(rows.map((row, at) => (at === i ? { ...row, ...change } : row)))
  return (
    <Dialog
      open
      onClose={onClose}
      title="Which probe is this?"
      about="Both leads lifted, power off. Ohms at a temperature that you know: a room, a hand, ice water."
    >
      <div className="grid gap-4">
        {rows.map((row, i) => (
          <div key={i} className="grid grid-cols-2 gap-4">
            <Field
              label={i === 0 ? 'Temperature' : 'Temperature, once more'}
              unit={view.label}
              error={read[i]!.wrongWarm}
            >
              {(ids) => (
                <input
                  {...ids}
                  inputMode="decimal"
                  autoComplete="off"
                  maxLength={12}
                  value={row.warm}
                  onChange={(event) => set(i, { warm: event.target.value })}
                />
              )}
            </Field>
            <Field label={i === 0 ? 'Ohms' : 'Ohms, once more'} unit="ohm" error={read[i]!.wrongOhm}>
              {(ids) => (
                <input
                  {...ids}
                  inputMode="decimal"
                  autoComplete="off"
                  maxLength={12}
                  value={row.ohm}
                  onChange={(event) => set(i, { ohm: event.target.value })}
                />
              )}
            </Field>
          </div>
        ))}
        <div role="status" aria-label="Candidates" className="grid gap-1">
          {identity ? (
            <>
              <p className="font-bold">
                {
                  {
                    one: 'One fits.',
                    several: 'More than one fits.',
                    none: 'None fits: check meter, leads and temperature.',
                  }[identity.verdict]
                }
              </p>
              <ul>
                {identity.candidates.slice(0, 5).map(({ name, worstErrorK, fits }) => (
                  <li key={name} className="flex gap-3 items-center border-b border-line min-h-8">
                    <Shape kind={fits ? 'fits' : 'waiting'} size={14} labelled />
                    <span className="flex-1">{name}</span>
                    <span className="text-ink2">off by {words.say(worstErrorK, 'difference')}</span>
                  </li>
                ))}
              </ul>
              {identity.second ? (
                <p>
                  Measure once more in warm water: at {words.say(identity.second.temperatureC, 'temperature', 0)}{' '}
                  {identity.second.expected
                    .map(({ name, resistanceOhm }) => `${name} gives ${words.say(resistanceOhm, 'resistance', 0)}`)
                    .join(', ')}
                  .
                </p>
              ) : null}
            </>
          ) : (
            <p className="text-ink2">Type one reading; a second one tells two kinds apart.</p>
          )}
        </div>
      </div>
    </Dialog>
  )
}
