import Papa from 'papaparse'
import { useRef, useState } from 'react'
import { weatherRows } from '@nachtigal/core/series/weatherRows'
import { type DaySort, dayTitle, isCooling, isIndoor, type Span } from '@nachtigal/core/simulate/loop/runWeather'
import { useLoop } from '../../loop/loopContext'
import { ChoiceField } from '../../design/ChoiceField'
import { useTrial } from './trial'

/** Largest weather file that is read: two years of an EPW file are a quarter of it. */
const MOST_BYTES = 16 * 1024 * 1024

const longer = [
  ['week', 'A week'],
  ['season', 'A season'],
] as const satisfies readonly (readonly [Span, string])[]
/** Days that the question is mostly about: does it hold on the hardest one, and does it not start all the time on a mild one. */
const days = ['design', 'mild'] as const satisfies readonly DaySort[]

/** How long, and under which weather. */
export function RunControls() {
  const { loop, words } = useLoop()
  const { choice, choose, climates, own, takeOwn, weather } = useTrial()
  const file = useRef<HTMLInputElement>(null)
  const [problem, setProblem] = useState<string>()
  const [told, setTold] = useState<string>()
  const read = async (chosen: File) => {
    setTold(undefined)
    try {
      if (chosen.size > MOST_BYTES)
        throw new RangeError(
          `the file has ${Math.ceil(chosen.size / 1024 / 1024)} MB: ${MOST_BYTES / 1024 / 1024} MB are the most`,
        )
      const text = await chosen.text()
      const { data } = Papa.parse<string[]>(text, { delimiter: '', delimitersToGuess: [',', ';', '\t'] })
      const { hourlyC, bridged, format, title } = weatherRows(data)
      takeOwn({
        id: 'own',
        title: title === 'own weather' ? 'Own weather' : title,
        about: format === 'epw' ? 'EPW file' : 'table',
        hourlyC,
      })
      choose({ climate: 'own', span: choice.span === 'day' ? 'week' : choice.span })
      setProblem(undefined)
      setTold(`${hourlyC.length} hours read${bridged > 0 ? `, ${bridged} missing ones bridged` : ''}.`)
    } catch (error) {
      setProblem(`${chosen.name.slice(0, 60)}: ${(error as Error).message}`)
    }
  }
  const hot = isCooling(loop)
  const asks = climates.find(({ id }) => id === choice.climate)
  return (
    <div className="run-controls">
      <fieldset className="spans">
        <legend className="lab">Run</legend>
        {days.map((sort) => (
          <button
            key={sort}
            type="button"
            aria-pressed={choice.span === 'day' && choice.sort === sort}
            onClick={() => choose({ span: 'day', sort })}
          >
            {dayTitle(loop, sort)}
          </button>
        ))}
        {longer.map(([span, title]) => (
          <button key={span} type="button" aria-pressed={choice.span === span} onClick={() => choose({ span })}>
            {title}
          </button>
        ))}
      </fieldset>
      {choice.span === 'day' ? null : (
        <ChoiceField
          label="Weather"
          value={asks?.id ?? climates[0]?.id}
          onChoose={(value) => choose({ climate: value })}
          choices={climates.map(({ id, title, about }) => ({ value: id, title: `${title}, ${about}` }))}
        />
      )}
      <div className="weather-file">
        <input
          ref={file}
          type="file"
          className="sr-only"
          tabIndex={-1}
          accept=".csv,.txt,.epw"
          aria-label="Weather file"
          onChange={(event) => {
            const [chosen] = event.target.files ?? []
            if (chosen) void read(chosen)
            event.target.value = ''
          }}
        />
        <button type="button" className="third" onClick={() => file.current?.click()}>
          {own ? 'Another weather file' : 'Own weather file'}
        </button>
        <p className="small text-ink2">
          {problem ? (
            <span role="alert" className="error">
              {problem}
            </span>
          ) : told ? (
            <span role="status">{told}</span>
          ) : weather ? (
            `${own && choice.climate === 'own' && choice.span !== 'day' ? 'Your file' : 'Made up'}; ${hot ? 'warmest' : 'coldest'} ${words.say(weather.extremeC, 'temperature')}${isIndoor(loop) ? ' in the room' : ''}`
          ) : null}
        </p>
      </div>
    </div>
  )
}
