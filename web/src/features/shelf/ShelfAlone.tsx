import { useMatch } from 'react-router'
import { AloneFrame } from '../../design/AloneFrame'
import { ShelfPlace } from './ShelfPlace'

/** The shelf without a job. */
export function ShelfAlone() {
  const top = useMatch('/shelf')
  return (
    <AloneFrame title="Shelf" back={top ? '/' : '/shelf'}>
      <ShelfPlace />
    </AloneFrame>
  )
}
