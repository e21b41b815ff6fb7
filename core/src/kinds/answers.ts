/** A survey answer: a number in SI, or the key of a choice. */
export type Answer = number | string

/** The answers of a survey, by question. */
export type Answers = Readonly<Record<string, Answer>>
