import { useParams } from 'react-router'
import { AloneFrame } from '../../ui/AloneFrame'
import { SumsPlace } from './SumsPlace'

/** The sums without a job: a quick answer. */
export function SumsAlone() {
  const { calc } = useParams()
  return (
    <AloneFrame title="Calculators" back={calc === undefined ? '/' : '/sums'}>
      <SumsPlace />
    </AloneFrame>
  )
}
