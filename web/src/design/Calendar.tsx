import { DayPicker } from 'react-day-picker'
import 'react-day-picker/style.css'
import './calendar.css'

interface Props {
  readonly day: string | undefined
  readonly today: string
  readonly onChoose: (day: string) => void
}

// A day of a calendar has no hour: noon of the browser’s own zone stays within it, whatever the clock does.
const noon = (day: string) => new Date(`${day}T12:00:00`)
const two = (number: number) => String(number).padStart(2, '0')
const plain = (date: Date) => `${date.getFullYear()}-${two(date.getMonth() + 1)}-${two(date.getDate())}`

/** A month of days to tap; weeks begin on Monday. */
export function Calendar({ day, today, onChoose }: Props) {
  const chosen = day === undefined ? undefined : noon(day)
  return (
    <DayPicker
      mode="single"
      required={false}
      autoFocus
      weekStartsOn={1}
      selected={chosen}
      defaultMonth={chosen ?? noon(today)}
      today={noon(today)}
      captionLayout="dropdown"
      startMonth={new Date(2000, 0)}
      endMonth={new Date(2099, 11)}
      onSelect={(date) => {
        if (date) onChoose(plain(date))
      }}
    />
  )
}
