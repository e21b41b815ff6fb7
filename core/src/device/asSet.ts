import type { DeviceOption, DeviceProfile, Port } from './deviceProfile'

/** The choice that counts for an option: as set on this job, else the first. */
export function choiceOf(option: DeviceOption, set: string | undefined): string {
  if (set !== undefined && Object.hasOwn(option.choices, set)) return set
  const [first] = Object.entries(option.choices).sort(([, a], [, b]) => a.order - b.order)
  return first?.[0] ?? ''
}

/**
 * A profile as it is set up on this job: each port that an option turns into another takes what the choice says, so that nothing
 * beyond this looks at options.
 */
export function asSet(profile: DeviceProfile, set: Readonly<Record<string, string>> = {}): DeviceProfile {
  if (!profile.options) return profile
  const ports = Object.fromEntries(
    Object.entries(profile.ports).map(([id, port]): [string, Port] => {
      const { by } = port
      const option = by && profile.options?.[by.option]
      const change = option ? by.choices[choiceOf(option, set[by.option])] : undefined
      return [id, { ...port, ...change } as Port]
    }),
  )
  return { ...profile, ports }
}
