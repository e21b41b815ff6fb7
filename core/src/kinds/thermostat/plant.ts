import type { KindFacts } from '../kind'

/** The network that a run is made with: whatever it is, one store that rises and falls as was measured or assumed. */
export const plant: KindFacts['plant'] = ({ survey, figure }) => ({
  model: {
    nodes: [{ id: 'air', capacityJPerK: survey.seen.capacityJPerK }],
    links: [{ from: 'air', to: 'outdoor', wPerK: figure('loss') }],
    controlled: 'air',
    heated: 'air',
  },
})
