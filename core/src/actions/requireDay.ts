import { plainDay } from '../time/plainDay'
import { Refused } from '../units/refused'

/** Holds a text to a day of the calendar, or to nothing. @throws Refused naming the field, where it is neither */
export function requireDay(text: string, field: string): void {
  if (text !== '' && !plainDay(text))
    throw new Refused(field, { must: 'other', says: `is ${text.slice(0, 60)}: a day like 2027-09-30, or nothing` })
}
