/**
 * What a table program might take for a formula, wherever in a cell: at its start, or after a line break inside it, which some programs
 * take for the start of the next cell. Blanks before it count for nothing.
 */
export const FORMULA = /(?:^|[\r\n])[ \t]*[=+\-@\t\r]/
