import { civilDay, dayNumber } from './civilDay'

/** Whether a text is a day of the calendar as ISO text, such as 2027-09-30; 2027-02-30 is none. */
export function plainDay(text: string): boolean {
  const [, y, m, d] = /^(\d{4})-(\d\d)-(\d\d)$/.exec(text) ?? []
  if (!y || !m || !d) return false
  const [year, month, day] = [Number(y), Number(m), Number(d)]
  if (month < 1 || month > 12 || day < 1 || day > 31) return false
  const back = civilDay(dayNumber(year, month, day))
  return back.year === year && back.month === month && back.day === day
}
