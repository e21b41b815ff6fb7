import type { Sentences } from '../sentences'

/** Sentences of the findings about forced air. */
export const airFindings = {
  C045_MINIMUM_OFF: (f: { readonly subject: 'Animals' | 'People' }): Sentences => ({
    head: `${f.subject} on forced air, and the fan may stand still.`,
    reason: 'The least speed is 0 %.',
    remedy: 'Give it a least speed over where it stalls.',
  }),
  C069_NO_OWN_ALARM: (): Sentences => ({
    head: 'No alarm on a supply of its own.',
    reason: 'An alarm on the fan\u2019s fuse is silent when that fuse blows.',
    remedy: 'A battery-backed alarm on temperature and on power loss, heard where somebody sleeps.',
  }),
  C070_NO_RESTART: (f: { readonly tag: string }): Sentences => ({
    head: `${f.tag} does not restart by itself.`,
    reason: 'After a power loss it waits for a key.',
    remedy: 'Choose one that restarts with the values it had, and try it.',
  }),
}
