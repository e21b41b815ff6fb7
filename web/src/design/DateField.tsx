import { CalendarDays } from 'lucide-react'
import { Popover } from 'radix-ui'
import { lazy, Suspense, useState } from 'react'
import { plainDay } from '@nachtigal/core/time/plainDay'
import { KeptText } from './KeptText'

const Calendar = lazy(() => import('./Calendar').then(({ Calendar: made }) => ({ default: made })))

interface Props {
  readonly label: string
  readonly value?: string | undefined
  /** Today, by the clock of the job: where the calendar opens. */
  readonly today: string
  /** Answers what is wrong, or nothing. */
  readonly onKeep: (day: string) => string | undefined
}

/** A day: typed as 2027-09-30, or tapped in a calendar. Kept when one leaves it. */
export function DateField({ label, value = '', today, onKeep }: Props) {
  const [open, setOpen] = useState(false)
  const [problem, setProblem] = useState<string>()
  return (
    <div className="date-field">
      <KeptText
        // What is tapped in the calendar is what the field shows, also after something wrong was typed.
        key={value}
        label={label}
        value={value}
        placeholder={today}
        most={40}
        wrong={(text) =>
          text === '' || plainDay(text)
            ? undefined
            : `${label} is \u201c${text}\u201d: it takes a day such as ${today}.`
        }
        onKeep={onKeep}
      />
      <Popover.Root open={open} onOpenChange={setOpen}>
        <Popover.Trigger className="tool" aria-label={`${label}: calendar`}>
          <CalendarDays size={18} strokeWidth={1.5} aria-hidden />
        </Popover.Trigger>
        <Popover.Portal>
          <Popover.Content className="popover calendar" sideOffset={4} collisionPadding={12} aria-label={label}>
            <Suspense fallback={<p role="status">Opening the calendar</p>}>
              <Calendar
                day={plainDay(value) ? value : undefined}
                today={today}
                onChoose={(day) => {
                  const refused = onKeep(day)
                  setProblem(refused)
                  if (refused === undefined) setOpen(false)
                }}
              />
            </Suspense>
            {problem ? (
              <p role="alert" className="error">
                {problem}
              </p>
            ) : null}
          </Popover.Content>
        </Popover.Portal>
      </Popover.Root>
    </div>
  )
}
