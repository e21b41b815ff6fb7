import type { Finding } from './finding'

/** So many findings of one rule stand as one with a count. */
const MANY = 3

/** Findings of one rule that are told as one: the first of them, and the rest behind it. */
export interface AlikeFindings {
  readonly first: Finding
  readonly rest: readonly Finding[]
}

/** Findings in their order, the worst first as they come; three and more of a rule with the same severity as one. */
export function alikeFindings(findings: readonly Finding[]): readonly AlikeFindings[] {
  const key = ({ code, severity }: Finding) => `${severity}/${code}`
  const groups = new Map<string, Finding[]>()
  for (const finding of findings) groups.set(key(finding), [...(groups.get(key(finding)) ?? []), finding])
  const told = new Set<string>()
  return findings.flatMap((finding) => {
    const group = groups.get(key(finding))!
    if (group.length < MANY) return [{ first: finding, rest: [] }]
    if (told.has(key(finding))) return []
    told.add(key(finding))
    return [{ first: group[0]!, rest: group.slice(1) }]
  })
}
