import { noted } from '@nachtigal/core/document/fields/loopFields'
import { useAppDispatch, useAppSelector } from '../state/store'
import { nameGiven } from '../state/viewSlice'
import { TextField } from '../design/TextField'

/** Who works on this device: the log says who changed what. */
export function NameField({ label = 'You are, in the log' }: { label?: string }) {
  const dispatch = useAppDispatch()
  const by = useAppSelector((state) => state.view.by)
  return (
    <TextField
      label={label}
      draftKey="view/by"
      value={by}
      onCommit={(name) => {
        dispatch(nameGiven(name))
      }}
      field={noted.by}
      required
    />
  )
}
