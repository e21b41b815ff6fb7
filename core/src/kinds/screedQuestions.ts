import type { Answers } from './answers'
import { type FieldData, fieldValue } from '../plant/fieldValue'
import { asks, asksWhich, type Question } from './question'

/** Which field data rows hold for a kind of screed: water at the pipe at most, days before the first heat. */
const rows = {
  cement: { most: 'screed.max.cement', wait: 'screed.wait.cement' },
  casulphate: { most: 'screed.max.casulphate', wait: 'screed.wait.casulphate' },
} as const

/** What the pipes lie in and how old it is; asked of every floor, also of one that a boiler feeds. */
export const screedQuestions = (group: string, when?: Question['when']): readonly Question[] => [
  asksWhich(
    group,
    'screedKind',
    'Kind of screed',
    {
      cement: ['Cement', 'At the pipe {55 C} at most; first heat after 21 days.'],
      casulphate: ['Calcium sulphate', 'At the pipe {50 C} at most; first heat after 7 days.'],
      none: ['None: dry boards, or a mat in adhesive', 'Its maker tells how warm it may get.'],
    },
    'Ask the builder or read his sheet; not to be told by looking.',
    { safety: true, ...(when ? { when } : {}) },
  ),
  asks(
    group,
    'screedAge',
    'Screed laid, days ago',
    'count',
    [0, 40_000],
    'The builder\u2019s record. Already heated for years: enter 1000.',
    { safety: true, when: { question: 'screedKind', is: ['cement', 'casulphate'] } },
  ),
]

/** Warmest water that the screed bears at the pipe, °C; while nobody told its kind, the one that bears less. */
export function screedMostC({ screedKind }: Answers, data: FieldData): number {
  return fieldValue(data, rows[screedKind === 'cement' ? 'cement' : 'casulphate'].most).high
}

/** Days before the first heat; nothing where there is no screed, or nobody told its kind. */
export function screedWaitDays({ screedKind }: Answers, data: FieldData): number | undefined {
  return screedKind === 'cement' || screedKind === 'casulphate'
    ? fieldValue(data, rows[screedKind].wait).typical
    : undefined
}
