import { Toast } from 'radix-ui'
import { noticeClosed } from '../lib/noticeSlice'
import { useAppDispatch, useAppSelector } from '../lib/store'
import { useUndo } from '../loop/useUndo'

const SHOWN_MS = 10_000

/** What was just taken away, with the way back: instead of asking before. */
export function NoticeBar({ jobId }: { jobId: string }) {
  const dispatch = useAppDispatch()
  const notice = useAppSelector((state) => state.notice)
  const undo = useUndo(jobId)
  if (!notice || notice.command.jobId !== jobId) return null
  return (
    <Toast.Provider duration={SHOWN_MS} label="Just now">
      <Toast.Root
        key={notice.command.id}
        className="toast"
        onOpenChange={(open) => {
          if (!open) dispatch(noticeClosed())
        }}
      >
        <Toast.Title>{notice.text}</Toast.Title>
        <Toast.Action altText="Undo in the log" asChild>
          <button type="button" className="third" onClick={() => undo(notice.command)}>
            Undo
          </button>
        </Toast.Action>
      </Toast.Root>
      <Toast.Viewport className="toasts" />
    </Toast.Provider>
  )
}
