import type { WorkflowStep } from '@nachtigal/core/kinds/hazards'

/** What the seven steps are called, in their order. */
export const stepTitles: Record<WorkflowStep, string> = {
  survey: 'Survey',
  match: 'Match',
  wire: 'Wire',
  set: 'Set',
  try: 'Try',
  prove: 'Prove',
  'hand-over': 'Hand over',
}

/** The number that a step carries on the page, from 1. */
export const stepNumber = (step: WorkflowStep): number => Object.keys(stepTitles).indexOf(step) + 1
