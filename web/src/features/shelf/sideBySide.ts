import type { LeafletSection } from '@nachtigal/core/device/leaflet'

/** Lines of two leaflets under one another by section and label; a label that stands twice is matched in its order. */
export function sideBySide(one: readonly LeafletSection[], other: readonly LeafletSection[]) {
  const titles = [...new Set([...one, ...other].map(({ title }) => title))]
  return titles.flatMap((title) => {
    const [a, b] = [one, other].map((sections) => sections.find((each) => each.title === title)?.rows ?? [])
    const labels = [...new Set([...a!, ...b!].map(({ label }) => label))]
    return labels.flatMap((label) => {
      const [left, right] = [a!, b!].map((rows) => rows.filter((row) => row.label === label).map(({ text }) => text))
      return Array.from({ length: Math.max(left!.length, right!.length) }, (_, i) => ({
        title,
        label,
        a: left![i] ?? '',
        b: right![i] ?? '',
      }))
    })
  })
}
