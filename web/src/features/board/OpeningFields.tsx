import type { Answer, Answers } from '@nachtigal/core/kinds/answers'
import { answersOf } from '@nachtigal/core/kinds/answersOf'
import type { LoopKind } from '@nachtigal/core/kinds/ids'
import { openingQuestions } from '@nachtigal/core/kinds/openingQuestions'
import { offeredIn } from '@nachtigal/core/kinds/question'
import type { Practice } from '@nachtigal/core/units/practice'
import { formatValue, type UnitPreferences } from '@nachtigal/core/units/quantity'
import { wordsFor } from '@nachtigal/core/words/words'
import { ChoiceField } from '../../design/ChoiceField'
import { NumberField } from '../../design/NumberField'

interface Props {
  readonly kind: LoopKind
  /** Names its fields, so that what is typed survives. */
  readonly draftKey: string
  readonly preferences: UnitPreferences
  readonly practice: Practice
  readonly answers: Answers
  readonly onAnswer: (id: string, answer: Answer | undefined) => void
}

/** What is enough to begin a loop with: what it must hold, and what it switches. What is left open is assumed, and says as what. */
export function OpeningFields({ kind, draftKey, preferences, practice, answers, onAnswer }: Props) {
  const { tell } = wordsFor({ ...preferences, practice })
  const counted = answersOf({ kind, survey: { answers } })
  return (
    <fieldset className="grid gap-3 sm:grid-cols-2 min-w-0">
      <legend className="lab mb-1">Enough to begin; everything else is assumed until you know better</legend>
      {openingQuestions(kind).map((question) => {
        const { id, title, hint } = question
        const answer = answers[id]
        const assumed = counted[id]
        return question.ask === 'choice' ? (
          <ChoiceField
            key={id}
            label={tell(title)}
            hint={tell(hint)}
            value={typeof answer === 'string' ? answer : undefined}
            empty={
              typeof assumed === 'string' && answer === undefined
                ? `assumed: ${tell(question.choices[assumed]?.title ?? '').toLowerCase()}`
                : 'don\u2019t know'
            }
            choices={offeredIn(question, practice, answer).map(([value, choice]) => ({
              value,
              title: tell(choice.title),
            }))}
            onChoose={(value) => onAnswer(id, value)}
          />
        ) : (
          <NumberField
            key={id}
            label={tell(title)}
            draftKey={`${draftKey}/${id}`}
            value={typeof answer === 'number' ? answer : undefined}
            quantity={question.quantity}
            preferences={preferences}
            low={question.low}
            high={question.high}
            hint={tell(hint)}
            placeholder={typeof assumed === 'number' ? formatValue(assumed, question.quantity, preferences) : ''}
            onCommit={(value) => onAnswer(id, value)}
          />
        )
      })}
    </fieldset>
  )
}
