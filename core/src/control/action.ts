/** Which way an output works: it heats, or it cools. */
export type Action = 'heating' | 'cooling'
