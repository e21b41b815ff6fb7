import { Dialog } from '../../design/Dialog'
import { JobForm } from './JobForm'

/** A new, empty job, where others are already. */
export const NewJobForm = ({ open, onClose }: { open: boolean; onClose: () => void }) => (
  <Dialog open={open} onClose={onClose} title="An empty job">
    <JobForm />
  </Dialog>
)
