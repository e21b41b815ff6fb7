import type { WorkflowStep } from '@nachtigal/core/kinds/hazards'

export const stepTitles: Record<WorkflowStep, string> = {
  survey: 'Survey',
  match: 'Match',
  wire: 'Wire',
  set: 'Set',
  try: 'Try',
  prove: 'Prove',
  'hand-over': 'Hand over',
}
