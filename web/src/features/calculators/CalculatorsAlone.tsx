import { useParams } from 'react-router'
import { AloneFrame } from '../../design/AloneFrame'
import { CalculatorsPlace } from './CalculatorsPlace'

/** The calculators without a job: a quick answer. */
export function CalculatorsAlone() {
  const { calc } = useParams()
  return (
    <AloneFrame title="Calculators" back={calc === undefined ? '/' : '/calculators'}>
      <CalculatorsPlace />
    </AloneFrame>
  )
}
