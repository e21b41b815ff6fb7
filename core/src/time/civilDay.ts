/**
 * Days from 1970-01-01 to a day of the Gregorian calendar. Months beyond 12 and days beyond their month are not checked here.
 * Source: Hinnant, days from civil: the year begins in March, so that the leap day is its last.
 */
export function dayNumber(year: number, month: number, day: number): number {
  const y = month <= 2 ? year - 1 : year
  const era = Math.floor(y / 400)
  const yearOfEra = y - era * 400
  const dayOfYear = Math.floor((153 * (month + (month > 2 ? -3 : 9)) + 2) / 5) + day - 1
  return era * 146_097 + yearOfEra * 365 + Math.floor(yearOfEra / 4) - Math.floor(yearOfEra / 100) + dayOfYear - 719_468
}

/** The day of the Gregorian calendar, the same turned round. */
export function civilDay(days: number): { readonly year: number; readonly month: number; readonly day: number } {
  const z = days + 719_468
  const era = Math.floor(z / 146_097)
  const dayOfEra = z - era * 146_097
  const yearOfEra = Math.floor(
    (dayOfEra - Math.floor(dayOfEra / 1460) + Math.floor(dayOfEra / 36_524) - Math.floor(dayOfEra / 146_096)) / 365,
  )
  const dayOfYear = dayOfEra - (365 * yearOfEra + Math.floor(yearOfEra / 4) - Math.floor(yearOfEra / 100))
  const shifted = Math.floor((5 * dayOfYear + 2) / 153)
  const month = shifted < 10 ? shifted + 3 : shifted - 9
  return {
    year: yearOfEra + era * 400 + (month <= 2 ? 1 : 0),
    month,
    day: dayOfYear - Math.floor((153 * shifted + 2) / 5) + 1,
  }
}

/**
 * Day of the week of a day that `dayNumber` counts, from Monday as 0.
 * @example weekdayOf(dayNumber(2029, 1, 1)) // 0
 */
export const weekdayOf = (days: number): number => (((days + 3) % 7) + 7) % 7
