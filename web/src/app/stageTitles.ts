import type { Stage } from '@nachtigal/core/survey/hazards'

export const stageTitles: Record<Stage, string> = {
  survey: 'Survey',
  match: 'Match',
  wire: 'Wire',
  set: 'Set',
  try: 'Try',
  prove: 'Prove',
  'hand-over': 'Hand over',
}
