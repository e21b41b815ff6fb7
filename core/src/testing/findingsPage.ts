import { checkLoop } from '../check/checkLoop'
import { loopContext } from '../loop/context'
import { type Finding, mayBeClosed } from '../check/finding'
import { wordsFor } from '../words/words'
import { type FindingCode, findingWords, sayFinding } from '../words/sayFinding'
import { fieldData } from './fieldData'
import { ruleCases } from './ruleCases'
import { tableRow as row } from './tableRow'

const severities = { stop: 'stop', 'look-again': 'look again', note: 'note' } as const
const US = { temperatureUnit: 'F', system: 'us', practice: 'us' } as const

/** A finding of a rule's own case, by the code. */
function found(code: string): Finding {
  const { job, loop } = ruleCases[code]![0]()
  const mine = checkLoop(loopContext(job, loop, fieldData)).open.find((each) => each.code === code)
  if (!mine) throw new RangeError(`the case of ${code} does not trip it`)
  return mine
}

/** What a figure is worth in the table: short, and nothing but the figure. */
function worth(value: unknown): string {
  if (typeof value === 'number') return String(Number(value.toPrecision(4)))
  if (value === undefined) return 'none'
  const text = JSON.stringify(value)
  return text.length > 60 ? `${text.slice(0, 57)}…` : text
}

const figuresOf = ({ figures }: Finding) =>
  Object.entries(figures)
    .map(([name, value]) => `${name} ${worth(value)}`)
    .join(', ')

/** The page of findings: every code with its sentence, the figures that it is made of, what trips it and what clears it. */
export const findingsPage = (): string =>
  [
    '# Findings',
    '',
    'Made by `npm run reference` from the rules, their cases and the sentences in `core/src/words/findings`; a test holds it. A finding is a code and figures; its sentences are made from them in the units of the job. Each is shown as its own case in `core/src/testing/ruleCases.ts` trips it, in °C and the words of Europe; the second sentence is the same one in °F and the words of the United States.',
    '',
    row(['code', 'weight', 'mended in', 'what trips it', 'from these figures', 'what clears it', 'by a tap']),
    row(['---', '---', '---', '---', '---', '---', '---']),
    ...Object.keys(findingWords)
      .sort()
      .map((code) => {
        const mine = found(code)
        const us = sayFinding(code as FindingCode, mine.figures as never, wordsFor(US))
        const [said, saidUs] = [mine, us].map(({ head, reason }) => `${head} ${reason}`) as [string, string]
        return row([
          `\`${code}\``,
          `${severities[mine.severity]}${mayBeClosed(mine) ? '' : ', not to be reasoned away'}`,
          mine.step,
          said === saidUs ? said : `${said} / ${saidUs}`,
          figuresOf(mine),
          mine.remedy,
          mine.fix && 'say' in mine.fix ? mine.fix.say : '',
        ])
      }),
    '',
  ].join('\n')
