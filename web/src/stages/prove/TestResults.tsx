import type { RiseFallStep, RiseFallTest } from '@nachtigal/core/proof/riseAndFall'
import { formatValue, quantityView, shownText } from '@nachtigal/core/units/quantity'
import { ProofBar } from '../../instruments/ProofBar'
import { Cautions } from '../../loop/Cautions'
import { useLoop } from '../../loop/loopContext'
import { Shape } from '../../ui/Shape'
import { stepShape } from './stepShape'
import { BeforeTest } from './BeforeTest'

/** Every step of a test with its reading, as a column. */
export function TestResults({
  test,
  step,
  onChoose,
}: {
  test: RiseFallTest
  step: RiseFallStep
  onChoose: (id: string) => void
}) {
  const { preferences } = useLoop()
  const view = quantityView('temperature', preferences)
  const difference = quantityView('difference', preferences)
  return (
    <section className="lg:border-r border-line flex flex-col min-h-0 overflow-auto" aria-labelledby="test-title">
      <div className="px-4 pt-2.5 pb-1">
        <h2 id="test-title" className="h2">
          {test.title}
        </h2>
        <p className="text-ink2">{test.purpose}</p>
      </div>
      <div className="border-t border-line px-4 py-2">
        <BeforeTest />
      </div>
      <table className="w-full border-collapse">
        <thead>
          <tr>
            {['', 'step', 'goes', 'should', 'reads', 'low, high', ''].map((head, i) => (
              <th key={i} className="lab text-left px-1 first:pl-4 py-1.5 border-b border-ink">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {test.steps.map((each, i) => (
            <tr
              key={each.id}
              className={`h-12 border-b border-line ${each.id === step.id ? 'chosen' : ''}`}
              aria-current={each.id === step.id}
              onClick={() => onChoose(each.id)}
            >
              <td className="pl-4 pr-1">
                <button type="button" className="font-bold min-h-8" aria-label={`Step ${i + 1}, ${each.title}`}>
                  {i + 1}
                </button>
              </td>
              <td className="px-1 whitespace-nowrap">{each.title}</td>
              <td className="px-1">{each.switches}</td>
              <td className="px-1 whitespace-nowrap">{formatValue(each.expectedC, 'temperature', preferences)}</td>
              <td className="px-1 font-bold whitespace-nowrap">
                {each.reading?.value === undefined ? (
                  <span className="inline-block w-8 border-b border-edge" />
                ) : (
                  formatValue(each.reading.value, 'temperature', preferences)
                )}
              </td>
              <td className="px-1">
                <ProofBar
                  size="list"
                  expected={view.toShown(each.expectedC)}
                  tolerance={difference.toShown(each.toleranceK)}
                  reading={each.reading?.value === undefined ? undefined : view.toShown(each.reading.value)}
                  verdict={each.verdict}
                  format={shownText}
                />
              </td>
              <td className="pr-4 pl-1">
                <Shape kind={stepShape[each.verdict]} labelled />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="mt-auto p-3 pl-4 border-t border-line">
        <Cautions stage="prove" />
      </div>
    </section>
  )
}
