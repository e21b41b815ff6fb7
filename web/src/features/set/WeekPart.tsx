import { useRef, useState } from 'react'
import { daysSay, weekView } from '@nachtigal/core/settings/week/weekView'
import type { WeekPlan } from '@nachtigal/core/settings/week/fields'
import {
  addPeriod,
  endOverlap,
  startAt,
  toggleDay,
  withoutPeriod,
  withPeriod,
} from '@nachtigal/core/settings/week/weekPlan'
import { bindsAny, boundTo } from '@nachtigal/core/device/bound'
import { wallMinutes } from '@nachtigal/core/time/weekSchedule'
import { weekPeriodRecord, weekPlanRecord } from '@nachtigal/core/settings/week/fields'
import { type WeekBarDrawn, WeekStrip } from '../../drawing/WeekStrip'
import { download } from '../../lib/download'
import { PHONE, useMedia } from '../../lib/useMedia'
import { weekFromCalendar, weekToCalendar } from '../../lib/weekCalendar'
import { useLoop } from '../../loop/loopContext'
import { ChoiceField } from '../../design/ChoiceField'
import { Field } from '../../design/Field'
import { NumberField } from '../../design/NumberField'
import { MeaningPanel } from './MeaningPanel'
import { useSetting } from './setting'
import { newId } from '../../lib/newId'

const DAY = 1440
const initials = ['M', 'T', 'W', 'T', 'F', 'S', 'S']
const dayNames = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday']

/** A name that any system takes for a file. */
const fileName = (name: string) => name.replace(/[^\p{L}\p{N} ._-]/gu, '_').slice(0, 80)

/** The week: periods on their days, dragged; what overlaps; what comes next; a calendar file in and out. */
export function WeekPart() {
  const { loop, job, preferences } = useLoop()
  const { context, device, whole, move, safely, withWhole } = useSetting()
  const phone = useMedia(PHONE)
  const [now] = useState(() => new Date().toISOString())
  const [chosen, setChosen] = useState<string>()
  const [read, setRead] = useState<{ readonly bad: boolean; readonly says: string }>()
  const input = useRef<HTMLInputElement>(null)
  const week = whole.week!
  const keptWeek = loop.settings.controllers?.[device.id]?.week ?? week
  const view = weekView(context, device, now)!
  const { controller } = device.facts
  const inHand = view.periods.find(({ id }) => id === chosen) ?? view.periods[0]
  const stepH = controller ? boundTo(controller, 'period1.start')?.step : undefined
  const stepMin = Math.max(5, (stepH ?? 0.25) * 60)
  const put = (next: WeekPlan) => withWhole({ week: next })
  const key = (name: string) => `${loop.id}/${device.id}/week/${inHand?.id ?? ''}/${name}`
  const number = (id: string) => view.periods.findIndex((period) => period.id === id) + 1
  const titles = Object.fromEntries(view.periods.map(({ id }) => [id, `Period ${number(id)}`]))
  const bars = view.bars.flatMap(({ id, fromMin, toMin }): WeekBarDrawn[] => {
    const pieces: WeekBarDrawn[] = []
    const start = wallMinutes('start', week.periods[id]!.start)
    for (let at = fromMin; at < toMin;) {
      const day = Math.floor(at / DAY)
      const end = Math.min(toMin, (day + 1) * DAY)
      const from = at - day * DAY
      pieces.push({
        id,
        day,
        from,
        to: end - day * DAY,
        starts: from === start,
        ends: end === toMin && toMin < 7 * DAY,
      })
      at = end
    }
    return pieces
  })
  const add = () => {
    const id = newId()
    const from = view.periods.at(-1)
    setChosen(id)
    safely(() =>
      put(
        addPeriod(keptWeek, id, {
          mode: from?.mode ?? (whole.reset ? 'night' : 'runs'),
          days: from?.days ?? '12345',
          start: from
            ? startAt(keptWeek, from.id, wallMinutes('start', from.start) + from.minutes + 60).periods[from.id]!.start
            : whole.reset
              ? '22:00'
              : '06:00',
          minutes: from?.minutes ?? (whole.reset ? 480 : 60),
        }),
      ),
    )
  }
  const fetchFile = async (file: File) => {
    const made = weekFromCalendar(await file.text(), job.zone)
    if (!made.ok) {
      setRead({ bad: true, says: `${file.name.slice(0, 60)}: ${made.message}` })
      return
    }
    const next = made.periods.reduce<WeekPlan>((all, period) => addPeriod(all, newId(), period), {
      ...keptWeek,
      periods: {},
    })
    const refused = safely(() => put(next))
    setRead({
      bad: refused !== undefined,
      says:
        refused ??
        `${made.periods.length} period${made.periods.length === 1 ? '' : 's'} from ${file.name.slice(0, 60)}.${made.left.length > 0 ? ` Left out: ${made.left.join(' ')}` : ''}`,
    })
  }
  return (
    <div className="work">
      <section className="flex flex-col min-h-0 min-w-0 overflow-auto" aria-labelledby="week-title">
        <div className="flex items-baseline gap-4 px-4 pt-2 flex-wrap">
          <h2 id="week-title" className="h2">
            Week
          </h2>
          <span className="text-ink2">
            {view.periods.length} of {view.most} periods{whole.reset ? ', each sets the supply back' : ''}
          </span>
          <span className="md:ml-auto flex gap-4 flex-wrap">
            <button type="button" className="third" onClick={add}>
              Add a period
            </button>
            <button
              type="button"
              className="third"
              disabled={view.periods.length === 0}
              onClick={() =>
                download(
                  `${fileName(loop.name)}.ics`,
                  weekToCalendar(view.periods, {
                    name: `${loop.name}, ${device.name}`,
                    zone: job.zone,
                    today: now,
                    stamp: now,
                  }),
                  'text/calendar',
                )
              }
            >
              Calendar file
            </button>
            <button type="button" className="third" onClick={() => input.current?.click()}>
              From a calendar file
            </button>
            <input
              ref={input}
              type="file"
              accept=".ics,text/calendar"
              aria-label="Calendar file to read"
              className="sr-only"
              tabIndex={-1}
              onChange={(event) => {
                const [file] = event.target.files ?? []
                if (file) void fetchFile(file)
                event.target.value = ''
              }}
            />
          </span>
        </div>
        {read ? (
          <p role={read.bad ? 'alert' : 'status'} className={`px-4 ${read.bad ? 'error' : ''}`}>
            {read.says}
          </p>
        ) : null}
        <div className="px-2 flex items-stretch min-h-[220px] flex-1 max-lg:flex-none">
          <WeekStrip
            bars={bars}
            chosen={inHand?.id}
            clashing={new Set(view.overlaps.flatMap(({ first, second }) => [first, second]))}
            titles={titles}
            stepMin={stepMin}
            compact={phone}
            onChoose={setChosen}
            startOf={(id) => wallMinutes('start', week.periods[id]!.start)}
            lengthOf={(id) => week.periods[id]!.minutes}
            onStart={(id, minutes, done) => move(() => put(startAt(keptWeek, id, minutes)), done)}
            onLength={(id, minutes, done) => move(() => put(withPeriod(keptWeek, id, { minutes })), done)}
          />
        </div>
        {view.periods.length === 0 ? (
          <p className="px-4 py-2">No period yet: add one, or read a calendar file.</p>
        ) : null}
        {view.overlaps.map(({ first, second, minutes }) => (
          <p key={`${first}/${second}`} className="px-4 flex gap-3 flex-wrap items-baseline">
            <span>
              Periods {number(first)} and {number(second)} share {minutes} min a week.
            </span>
            {(['cut', 'join'] as const).map((how) => {
              const next = endOverlap(keptWeek, first, second, how)
              return next ? (
                <button key={how} type="button" className="third" onClick={() => safely(() => put(next))}>
                  {how === 'cut' ? 'End the first where the second starts' : 'Make one of both'}
                </button>
              ) : null
            })}
          </p>
        ))}
        {inHand ? (
          <div className="param-row" role="group" aria-label={`Period ${number(inHand.id)}`}>
            <ChoiceField
              label="Period"
              value={inHand.id}
              choices={view.periods.map(({ id, days, start }) => ({
                value: id,
                title: `${number(id)}: ${daysSay(days)}, ${start}`,
              }))}
              onChoose={setChosen}
            />
            <ChoiceField
              label="Days"
              value={['1234567', '12345', '67'].includes(inHand.days) ? inHand.days : 'own'}
              choices={[
                { value: '1234567', title: 'every day' },
                { value: '12345', title: 'working days' },
                { value: '67', title: 'weekend' },
                { value: 'own', title: 'chosen days' },
              ]}
              onChoose={(days) =>
                days === 'own' ? undefined : safely(() => put(withPeriod(keptWeek, inHand.id, { days })))
              }
            />
            <fieldset className="days">
              <legend className="lab mb-1">{daysSay(inHand.days)}</legend>
              <span className="flex">
                {initials.map((initial, i) => (
                  <button
                    key={dayNames[i]}
                    type="button"
                    aria-label={dayNames[i]}
                    aria-pressed={inHand.days.includes(String(i + 1))}
                    onClick={() => safely(() => put(toggleDay(keptWeek, inHand.id, i + 1)))}
                  >
                    {initial}
                  </button>
                ))}
              </span>
            </fieldset>
            <Field label="Starts at">
              {(ids) => (
                <input
                  {...ids}
                  type="time"
                  step={stepMin * 60}
                  value={inHand.start}
                  onChange={(event) => {
                    const start = event.target.value
                    if (/^\d\d:\d\d$/.test(start)) safely(() => put(withPeriod(keptWeek, inHand.id, { start })))
                  }}
                />
              )}
            </Field>
            <NumberField
              label="Runs for"
              draftKey={key('minutes')}
              value={inHand.minutes}
              field={weekPeriodRecord.fields.minutes}
              preferences={preferences}
              stepSi={stepMin}
              required
              onCommit={(v) =>
                v === undefined ? undefined : safely(() => put(withPeriod(keptWeek, inHand.id, { minutes: v })))
              }
            />
            <div className="self-end pb-2">
              <button
                type="button"
                className="third"
                onClick={() => safely(() => put(withoutPeriod(keptWeek, inHand.id)))}
              >
                Remove it
              </button>
            </div>
          </div>
        ) : null}
        {controller && bindsAny(controller, 'once.') ? (
          <div className="param-row">
            <NumberField
              label="Run once, for"
              draftKey={`${loop.id}/${device.id}/once`}
              value={week.onceMin}
              field={weekPlanRecord.fields.onceMin}
              preferences={preferences}
              required
              onCommit={(v) => (v === undefined ? undefined : safely(() => put({ ...keptWeek, onceMin: v })))}
            />
          </div>
        ) : null}
      </section>
      <MeaningPanel lines={view.lines} />
    </div>
  )
}
