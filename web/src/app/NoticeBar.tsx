import { Toast } from 'radix-ui'
import { noticeClosed } from '../state/noticeSlice'
import { useAppDispatch, useAppSelector } from '../state/store'
import { useUndo } from '../loop/useUndo'

const SHOWN_MS = 10_000

/** What was just taken away, with the way back: instead of asking before. Or why something was not done. */
export function NoticeBar({ jobId }: { jobId: string }) {
  const dispatch = useAppDispatch()
  const notice = useAppSelector((state) => state.notice)
  const undo = useUndo(jobId)
  if (!notice || (notice.command && notice.command.jobId !== jobId)) return null
  const { command } = notice
  return (
    <Toast.Provider duration={SHOWN_MS} label="Just now">
      <Toast.Root
        key={command?.id ?? notice.text}
        className="toast"
        onOpenChange={(open) => {
          if (!open) dispatch(noticeClosed())
        }}
      >
        <Toast.Title>{notice.text}</Toast.Title>
        {command ? (
          <Toast.Action altText="Undo in the log" asChild>
            <button type="button" className="third" onClick={() => undo(command)}>
              Undo
            </button>
          </Toast.Action>
        ) : null}
      </Toast.Root>
      <Toast.Viewport className="toasts" />
    </Toast.Provider>
  )
}
