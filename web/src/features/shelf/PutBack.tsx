import { useState } from 'react'
import { useNavigate } from 'react-router'
import type { DeviceProfile } from '@nachtigal/core/device/deviceProfile'
import { usePutDeviceMutation } from '../../state/api'
import { refusalWords } from '../../state/refusalWords'
import { useShelf } from './shelfContext'

/** What was just taken off, with the way back: instead of asking before. */
export function PutBack({ profile }: { profile: DeviceProfile }) {
  const { base } = useShelf()
  const navigate = useNavigate()
  const [put] = usePutDeviceMutation()
  const [problem, setProblem] = useState<string>()
  const back = async () => {
    const answer = await put(profile)
    if ('error' in answer) setProblem(refusalWords(answer.error))
    else void navigate(`${base}/${profile.id}`)
  }
  return (
    <p role="status">
      {profile.name} is off the shelf. Jobs that use it keep their copy.{' '}
      <button type="button" className="third min-h-10" onClick={() => void back()}>
        Put it back
      </button>
      {problem ? <span className="error"> {problem}</span> : null}
    </p>
  )
}
