import { resetLine } from '../settings/reset/law/resetLine'
import { saturationPa } from '../plant/moistAir'
import type { Control, Expression, Fault, Scenario } from '../simulate/scenario'

type Band = Extract<Control, { zeroC: number }> & { readonly integralS?: number; readonly setC?: number }

const HOUR = 3600
const DAY = 86400

/**
 * Reference engine, for tests only: plain objects, tiny Euler steps, everything looked at in each. Slow and obviously right. It shares nothing
 * with the engines but the names of the scenario.
 */
export function referenceEngine(scenario: Scenario, dtS: number) {
  const {
    network,
    probes,
    actuators,
    controls,
    faults = [],
    inputs = {},
    permissives = [],
    lines: wired = [],
  } = scenario
  const flows = network.flows ?? []
  const temperature = new Map(network.nodes.map(({ id, startC }) => [id, startC]))
  const capacity = new Map(network.nodes.map(({ id, capacityJPerK }) => [id, capacityJPerK]))
  const hourly = (values: readonly number[], s: number) => {
    const hour = Math.floor(s / HOUR)
    const [a, b] = [values[hour % values.length]!, values[(hour + 1) % values.length]!]
    return a + ((b - a) * (s - hour * HOUR)) / HOUR
  }
  const boundary = (id: string, s: number): number => {
    const b = network.boundaries[id]!
    if ('constantC' in b) return b.constantC
    if ('hourlyC' in b) return hourly(b.hourlyC, s)
    const { line, shiftK = 0, restC } = b.supply
    const value = resetLine(line)(boundary(b.supply.outdoor, s))
    return value === null
      ? (restC ?? line.minimumSupplyC ?? line.warmSupplyC)
      : Math.min(line.maximumSupplyC ?? Infinity, value + shiftK)
  }
  const at = (id: string, s: number) => temperature.get(id) ?? boundary(id, s)
  const humidity = (air: number, moisture: number) => {
    const w = moisture / 1000
    return Math.min(100, Math.max(0, (100 * ((101325 * w) / (0.621945 + w))) / saturationPa(air)))
  }
  const felt = (probe: Scenario['probes'][number], s: number, place = probe.node) => {
    if (probe.moisture !== undefined) return humidity(at(probe.node, s), at(probe.moisture, s))
    const share = probe.bias?.share ?? 0
    return (1 - share) * at(place, s) + (probe.bias ? share * at(probe.bias.towards, s) : 0)
  }
  const state = new Map(probes.map((probe) => [probe.id, felt(probe, 0)]))
  const history = new Map(probes.map(({ id }) => [id, [] as (number | null)[]]))
  const frost = new Map(flows.flatMap((flow) => (flow.kind === 'frost' ? [[flow.id, flow.startKg ?? 0]] : [])))
  const running = new Map(actuators.map(({ id }) => [id, false]))
  const position = new Map(actuators.map(({ id }) => [id, 0]))
  const joules = new Map(actuators.map(({ id }) => [id, 0]))
  const starts = new Map(actuators.map(({ id }) => [id, 0]))
  const memory = new Map<string, Record<string, number | boolean>>()
  const mem = (id: string, first: Record<string, number | boolean>) => {
    if (!memory.has(id)) memory.set(id, { ...first })
    return memory.get(id)!
  }
  const continuous = (kind: string) => ['proportional', 'pi', 'three-point', 'fan', 'ramped'].includes(kind)
  const drivenBy = (id: string) =>
    controls.filter((c) =>
      'drives' in c ? c.drives === id : c.kind === 'staged' && c.stages.some(({ drives }) => drives === id),
    )
  const takesOut = new Map(
    actuators.map(({ id, takesOut: out }) => [
      id,
      out ?? drivenBy(id).some((c) => c.kind === 'fan' || ('action' in c && c.action === 'cooling')),
    ]),
  )
  const shares = new Map(
    actuators.map(({ id, travelS }) => [id, (travelS ?? 0) > 0 || drivenBy(id).some(({ kind }) => continuous(kind))]),
  )
  let alarms = 0

  const active = (f: Fault, s: number) => f.atS <= s && (f.untilS === undefined || s < f.untilS)
  const hourOfDay = (s: number) => (s % DAY) / HOUR
  const within = ([from, to]: readonly number[], s: number) =>
    from! <= to! ? hourOfDay(s) >= from! && hourOfDay(s) < to! : hourOfDay(s) >= from! || hourOfDay(s) < to!

  const shown = (probe: Scenario['probes'][number], s: number): number | null => {
    let value: number | null = state.get(probe.id)!
    for (const f of faults) {
      if (!active(f, s) || !('probe' in f) || f.probe !== probe.id) continue
      if (f.kind === 'open' || f.kind === 'short') return null
      if (f.kind === 'drifted') value += f.byK
      if (f.kind === 'sun' && within(f.hours, s)) value += f.byK
      if (f.kind === 'wrong-kind') {
        const rows = f.shows
        const i = rows.findIndex(([there]) => there! > value!)
        if (i === 0) value = rows[0]![1]!
        else if (i < 0) value = rows[rows.length - 1]![1]!
        else {
          const [a, b] = [rows[i - 1]!, rows[i]!]
          value = a[1]! + ((b[1]! - a[1]!) * (value - a[0]!)) / (b[0]! - a[0]!)
        }
      }
    }
    const sag = Object.entries(probe.sags ?? {}).reduce((sum, [id, v]) => sum + (running.get(id) ? v : 0), 0)
    return value + (probe.offsetK ?? 0) - sag
  }

  for (let n = 0; n * dtS < scenario.durationS - 1e-9; n++) {
    const s = n * dtS
    const now = new Map(probes.map((probe) => [probe.id, shown(probe, s)]))
    const late = new Map(
      probes.map((probe) => {
        const past = history.get(probe.id)!
        past.push(now.get(probe.id)!)
        const steps = Math.round((probe.deadS ?? 0) / dtS)
        return [probe.id, past.length > steps ? past[past.length - 1 - steps]! : past[0]!] as const
      }),
    )
    const truths = new Map<string, boolean>()
    for (const [name, input] of Object.entries(inputs)) {
      const stuck = faults.find((f) => 'input' in f && f.input === name && active(f, s))
      let holds: boolean
      if ('constant' in input) holds = input.constant
      else if ('hours' in input) holds = input.hours.some((pair) => within(pair, s))
      else {
        const m = mem(`input ${name}`, { holds: true })
        const reading = late.get(input.probe)!
        const sign = input.belowC === undefined ? -1 : 1
        const limit = input.belowC ?? input.aboveC!
        const past = reading === null || sign * (reading - limit) >= 0
        const back = reading !== null && sign * (reading - limit) <= -(input.differentialK ?? 2)
        m['holds'] = m['holds'] ? !past : input.latched ? false : back
        holds = m['holds']
      }
      truths.set(name, stuck ? stuck.kind === 'stuck-closed' : holds)
    }
    const lines = new Map<string, number | null>()
    const calls = new Map<string, number>()
    const call = (id: string, share: number) => calls.set(id, Math.max(calls.get(id) ?? 0, share))
    const told = new Map<string, boolean>()
    const base = (c: { follows?: string; setback?: { while: string; byK: number } }) => {
      const line = c.follows === undefined ? 0 : lines.get(c.follows)!
      return line === null ? null : line - (c.setback && truths.get(c.setback.while) ? c.setback.byK : 0)
    }
    const order = ['reset', 'schedule', 'timer', 'battery', 'defrost', 'group']
    const rank = (c: Control) => (order.includes(c.kind) ? order.indexOf(c.kind) : 9)
    for (const c of [...controls].sort((a, b) => rank(a) - rank(b))) {
      const sampled = (sampleS = 10) => Math.floor((s + 1e-9) / sampleS) !== Math.floor((s - dtS + 1e-9) / sampleS)
      const broken = 'probe' in c && now.get(c.probe) === null
      const bandShare = (m: Record<string, number | boolean>, everyS: number, b: Band) => {
        const reading = late.get(b.probe)!
        const from = base(b)
        const [least, most] = [b.leastShare ?? 0, b.mostShare ?? 1]
        if (broken)
          return b.probeFault === 'last'
            ? (m['share'] as number)
            : b.probeFault === 'on'
              ? most
              : b.probeFault === 'duty'
                ? (b.dutyShare ?? 0.5)
                : 0
        if (from === null || reading === null) return 0
        const p = (reading - from - b.zeroC) / (b.fullC - b.zeroC)
        if (b.integralS && b.setC !== undefined) {
          const error = (reading - from - b.setC) / (b.fullC - b.zeroC)
          const next = (m['sum'] as number) + (error * everyS) / b.integralS
          if ((p + next < most || error < 0) && (p + next > least || error > 0)) m['sum'] = next
        }
        const raw = p + (m['sum'] as number)
        if (b.stopsBelow && raw < least) return 0
        return raw <= 0 && least === 0 ? 0 : Math.min(most, Math.max(least, raw))
      }
      if (c.kind === 'reset') {
        const m = mem(c.id, { stopped: false })
        const outdoor = now.get(c.probe)!
        const { shutdownAboveC, ...line } = c.line
        if (outdoor !== null && shutdownAboveC !== undefined) {
          if (outdoor > shutdownAboveC) m['stopped'] = true
          else if (outdoor <= shutdownAboveC - 0.3) m['stopped'] = false
        } else m['stopped'] = false
        const value = resetLine(line)(outdoor ?? line.designOutdoorC)
        lines.set(
          c.id,
          m['stopped'] || value === null ? null : Math.min(line.maximumSupplyC ?? Infinity, value + (c.shiftK ?? 0)),
        )
        truths.set(c.id, !m['stopped'])
      } else if (c.kind === 'schedule') {
        const week = s % (7 * DAY)
        truths.set(
          c.id,
          c.periods.some(({ days, start, minutes }) =>
            [...days].some((day) => {
              const [h, min] = start.split(':').map(Number) as [number, number]
              const from = (Number(day) - 1) * DAY + h * HOUR + min * 60
              return (week >= from && week < from + minutes * 60) || week + 7 * DAY < from + minutes * 60
            }),
          ),
        )
      } else if (c.kind === 'timer') {
        const m = mem(c.id, { from: c.from ? -1 : 0 })
        if (m['from'] === -1 && c.from) {
          const reading = late.get(c.from.probe)!
          if (reading !== null && (c.from.action === 'heating' ? reading >= c.from.atC : reading <= c.from.atC))
            m['from'] = s
        }
        const since = s - (m['from'] as number)
        truths.set(
          c.id,
          m['from'] === -1 || c.aS === 0 || (c.mode === 'once' ? since < c.aS : since % (c.aS + c.bS) < c.aS),
        )
      } else if (c.kind === 'battery') {
        const m = mem(c.id, { ok: true, low: -1 })
        const volts = now.get(c.probe)!
        if (m['ok']) {
          if (volts === null || volts > c.cutOffV) m['low'] = -1
          else if (m['low'] === -1) m['low'] = s
          if (m['low'] !== -1 && s >= (m['low'] as number) + c.holdS) Object.assign(m, { ok: false, low: -1 })
        } else if (volts !== null && volts >= c.restartV) m['ok'] = true
        truths.set(c.id, m['ok'] as boolean)
      } else if (c.kind === 'defrost') {
        const m = mem(c.id, { phase: 0, since: 0, started: 0, cooled: 0 })
        const coil = now.get(c.coil)!
        if (!running.get(c.cooling)) m['cooled'] = s
        const since = () => s - (m['since'] as number)
        const due =
          (c.everyS > 0 && s >= (m['started'] as number) + c.everyS) ||
          (c.by === 'coil' &&
            c.coilC !== undefined &&
            s >= (m['cooled'] as number) + (c.blindS ?? 0) &&
            coil !== null &&
            coil <= c.coilC)
        if (m['phase'] === 0 && due) Object.assign(m, { phase: 1, since: s, started: s })
        else if (m['phase'] === 1 && ((coil !== null && coil >= c.endC) || since() >= c.longestS))
          Object.assign(m, { phase: 2, since: s })
        if (m['phase'] === 2 && since() >= c.dripS) Object.assign(m, { phase: 3, since: s, cooled: s })
        if (
          m['phase'] === 3 &&
          (c.fan === undefined || (coil !== null && coil <= c.fanBackC) || since() >= (c.fanDelayS ?? 600))
        )
          Object.assign(m, { phase: 0, since: s })
        const cools = m['phase'] === 0 || m['phase'] === 3
        truths.set(c.id, cools)
        if (!cools) told.set(c.cooling, false)
        if (c.heater !== undefined) told.set(c.heater, m['phase'] === 1)
        if (c.fan !== undefined && m['phase'] !== 0) told.set(c.fan, m['phase'] === 1 && c.heater === undefined)
      } else if (c.kind === 'constant') call(c.drives, 1)
      else if (c.kind === 'on-off') {
        const m = mem(c.id, { on: false, since: -1e12, duty: -1 })
        const reading = late.get(c.probe)!
        const from = base(c)
        let wanted: boolean
        const held = s - (m['since'] as number) < ((m['on'] ? c.minimumOnS : c.minimumOffS) ?? 0) - 1e-9
        if (broken) {
          if (m['duty'] === -1) m['duty'] = s
          wanted =
            c.probeFault === 'last'
              ? (m['on'] as boolean)
              : c.probeFault === 'on' ||
                (c.probeFault === 'duty' && ((s - (m['duty'] as number)) % 1200) / 1200 < (c.dutyShare ?? 0.5))
          if (wanted && !m['on'] && held) wanted = false
        } else {
          m['duty'] = -1
          if (from === null || reading === null) wanted = false
          else {
            const r = reading - from
            wanted = c.action === 'heating' ? (m['on'] ? r < c.offC : r <= c.onC) : m['on'] ? r > c.offC : r >= c.onC
            if (wanted !== m['on'] && held) wanted = m['on'] as boolean
          }
        }
        if (wanted !== m['on']) Object.assign(m, { on: wanted, since: s })
        truths.set(c.id, m['on'] as boolean)
        if (m['on']) call(c.drives, 1)
      } else if (c.kind === 'staged') {
        const m = mem(c.id, { added: -1e12 })
        const reading = late.get(c.probe)!
        const from = base(c)
        const stage = (i: number) => mem(`${c.id} ${i}`, { asked: false, on: false, since: -1e12 })
        const all = c.stages.map((_, i) => i)
        if (!broken && reading !== null)
          for (const i of all) {
            const { onC, offC } = c.stages[i]!
            const r = reading - (from ?? 0)
            const asked = stage(i)['asked'] as boolean
            const wants = c.action === 'heating' ? (asked ? r < offC : r <= onC) : asked ? r > offC : r >= onC
            stage(i)['asked'] = from !== null && wants
          }
        let wanted = all.filter((i) => stage(i)['asked']).length
        if (broken && c.probeFault !== 'last') wanted = c.probeFault === 'on' ? all.length : 0
        let count = all.filter((i) => stage(i)['on']).length
        const rest = (i: number) => stage(i)['since'] as number
        const byRest = (a: number, b: number) => rest(a) - rest(b) || a - b
        const busy = all.filter((i) => stage(i)['on'] && s - rest(i) >= (c.minimumOnS ?? 0) - 1e-9)
        for (const i of c.lead === 'rotate' ? busy.sort(byRest) : busy.reverse())
          if (count > wanted) {
            Object.assign(stage(i), { on: false, since: s })
            count--
          }
        const idle = all.filter((i) => !stage(i)['on'] && s - rest(i) >= (c.minimumOffS ?? 0) - 1e-9)
        for (const i of c.lead === 'rotate' ? idle.sort(byRest) : idle) {
          if (count >= wanted || s - (m['added'] as number) < (c.waitS ?? 0) - 1e-9) break
          if (c.lead !== 'rotate' && all.findIndex((k) => !stage(k)['on']) !== i) break
          Object.assign(stage(i), { on: true, since: s })
          m['added'] = s
          count++
          if ((c.waitS ?? 0) > 0) break
        }
        for (const i of all) {
          truths.set(`${c.id} ${i + 1}`, stage(i)['on'] as boolean)
          if (stage(i)['on']) call(c.stages[i]!.drives, 1)
        }
      } else if (c.kind === 'time-proportioned') {
        const m = mem(c.id, { share: 0, sum: 0, begun: -1e12 })
        if (s - (m['begun'] as number) >= c.cycleS - 1e-9) {
          const share = bandShare(m, c.cycleS, c)
          Object.assign(m, { begun: s, share: share < 0.01 ? 0 : share > 0.99 ? 1 : share })
        }
        if (s - (m['begun'] as number) < (m['share'] as number) * c.cycleS - 1e-9) call(c.drives, 1)
      } else if (c.kind === 'proportional' || c.kind === 'pi' || c.kind === 'three-point') {
        const m = mem(c.id, { share: 0, sum: 0, sent: 0 })
        if (sampled(c.sampleS)) {
          m['share'] = bandShare(m, c.sampleS ?? 10, c as Band)
          const off = (m['share'] as number) - position.get(c.drives)!
          m['sent'] =
            c.kind !== 'three-point' ||
            Math.abs(off) > c.neutralShare ||
            ((m['share'] === 0 || m['share'] === 1) && off !== 0)
              ? (m['share'] as number)
              : position.get(c.drives)!
        }
        call(c.drives, m['sent'] as number)
      } else if (c.kind === 'fan') {
        const m = mem(c.id, { share: 0 })
        if (sampled(c.sampleS)) {
          const readings = c.demands.map(({ probe, zeroAt, fullAt }) => {
            const r = now.get(probe)!
            return r === null ? null : Math.min(1, (r - zeroAt) / (fullAt - zeroAt))
          })
          const demand = Math.max(0, ...readings.map((r) => r ?? 0))
          m['share'] =
            demand <= 0 && c.stops
              ? 0
              : c.scaled
                ? c.leastShare + (1 - c.leastShare) * demand
                : Math.max(c.leastShare, demand)
          if (readings.includes(null))
            m['share'] = c.probeFault === 'on' ? 1 : c.probeFault === 'least' ? Math.max(c.leastShare, m['share']) : 0
        }
        call(c.drives, m['share'] as number)
      } else if (c.kind === 'ramped') {
        const m = mem(c.id, { on: false, since: -1e12, share: 0 })
        if (sampled(c.sampleS)) {
          const towards = c.action === 'heating' ? 1 : -1
          const reading = now.get(c.probe)!
          const from = base(c)
          const short = (limit: number) => (reading === null || from === null ? 0 : towards * (from + limit - reading))
          let wanted =
            reading === null
              ? c.probeFault === 'on'
              : from !== null && (m['on'] ? short(c.offC) > 0 : short(c.onC) >= 0)
          if (wanted && !m['on'] && s - (m['since'] as number) < (c.minimumOffS ?? 0) - 1e-9) wanted = false
          if (wanted !== m['on']) Object.assign(m, { on: wanted, since: s })
          const lit = s - (m['since'] as number) - c.igniteS
          const asked =
            reading === null
              ? 1
              : c.leastShare + (1 - c.leastShare) * Math.min(1, Math.max(0, short(c.offC) / Math.abs(c.offC - c.fullC)))
          m['share'] = !wanted
            ? 0
            : lit < 0
              ? 1e-6
              : Math.min(asked, c.rampS > 0 ? c.leastShare + ((1 - c.leastShare) * lit) / c.rampS : 1)
        }
        call(c.drives, m['share'] as number)
      }
    }
    const holds = (e: Expression): boolean =>
      typeof e === 'string'
        ? truths.get(e)!
        : 'not' in e
          ? !holds(e.not)
          : 'and' in e
            ? e.and.every(holds)
            : e.or.some(holds)
    const supply = faults.reduce(
      (f, fault) => (fault.kind === 'supply-low' && active(fault, s) ? f * fault.share ** 2 : f),
      1,
    )
    for (const { id, travelS, draws } of actuators) {
      let share = calls.get(id) ?? 0
      if (told.has(id)) share = told.get(id) ? 1 : 0
      const called = share > 0
      for (const line of wired) {
        if (line.drives !== id) continue
        const opened = controls.filter((c) => c.kind === 'defrost' && c.cooling === id && told.get(id) === false)
        const closed = (e: Expression): boolean => {
          if (typeof e === 'string')
            return e === 'called'
              ? called
              : truths.get(e)! && !opened.some((c) => c.kind === 'defrost' && c.opens === e)
          if ('not' in e) return !closed(e.not)
          return 'and' in e ? e.and.every(closed) : e.or.some(closed)
        }
        if (!closed(line.expression)) share = 0
        else if (!called) share = 1
      }
      if (permissives.some((p) => p.drives === id && !holds(p.expression))) share = 0
      for (const f of faults) {
        if (!active(f, s)) continue
        if ('actuator' in f && f.actuator === id) share = f.kind === 'welded' ? 1 : 0
        if (f.kind === 'stage-missing') {
          const c = controls.find((each) => each.id === f.control)
          if (c?.kind === 'staged' && c.stages[f.stage - 1]!.drives === id) share = 0
        }
      }
      if (share > 0 && !running.get(id)) {
        starts.set(id, starts.get(id)! + 1)
        if (draws?.startAs)
          temperature.set(draws.node, temperature.get(draws.node)! - draws.startAs / capacity.get(draws.node)!)
      }
      running.set(id, share > 0)
      if (!shares.get(id)) position.set(id, share > 0 ? 1 : 0)
      else if (!travelS) position.set(id, share)
      else {
        const to = share - position.get(id)!
        position.set(id, position.get(id)! + Math.sign(to) * Math.min(Math.abs(to), dtS / travelS))
      }
    }
    for (const alarm of scenario.alarms ?? []) {
      const m = mem(`alarm ${alarm.id}`, { since: -1, on: false })
      const reading = late.get(alarm.probe)!
      const past =
        reading === null ||
        (alarm.aboveC !== undefined && reading >= alarm.aboveC) ||
        (alarm.belowC !== undefined && reading <= alarm.belowC)
      if (!past) Object.assign(m, { since: -1, on: false })
      else if (m['since'] === -1) m['since'] = s
      if (past && !m['on'] && (reading === null || s - (m['since'] as number) >= (alarm.delayS ?? 0))) {
        m['on'] = true
        alarms++
      }
    }

    const flow = new Map(network.nodes.map(({ id }) => [id, 0]))
    const add = (id: string, w: number) => {
      if (flow.has(id)) flow.set(id, flow.get(id)! + w)
    }
    const count = (id: string, w: number) => joules.set(id, joules.get(id)! + w * dtS)
    const hasPower = (id: string) => actuators.find((each) => each.id === id)!.powerW !== undefined
    const linked = (id: string) =>
      actuators.find((each) => each.id === id)!.travelS ? position.get(id)! >= 0.5 : running.get(id)!
    for (const { from, to, wPerK, while: w, by } of network.links) {
      if (w !== undefined && by === undefined && !linked(w)) continue
      const watts = wPerK * (by === undefined ? 1 : position.get(by)!) * (at(from, s) - at(to, s))
      add(from, -watts)
      add(to, watts)
      const actuator = by ?? w
      if (actuator !== undefined && !hasPower(actuator)) count(actuator, watts)
    }
    for (const f of faults) {
      if (f.kind !== 'door-open' || !active(f, s)) continue
      const watts = f.wPerK * (at(f.node, s) - at(f.to, s))
      add(f.node, -watts)
      add(f.to, watts)
    }
    for (const gain of network.gains ?? [])
      add(gain.node, 'constantW' in gain ? gain.constantW : hourly(gain.hourlyW, s))
    for (const f of flows) {
      if (f.kind === 'emitter') {
        if (f.while !== undefined && !linked(f.while)) continue
        const difference = at(f.from, s) - at(f.to, s)
        const watts =
          f.nominalW *
          Math.sign(difference) *
          (Math.abs(difference) / f.nominalK) ** f.exponent *
          (f.by === undefined ? 1 : position.get(f.by)!)
        add(f.from, -watts)
        add(f.to, watts)
        if (f.by !== undefined && !hasPower(f.by)) count(f.by, watts)
      } else if (f.kind === 'evaporation')
        add(
          f.water,
          -Math.max(
            0,
            f.wPerPa * (saturationPa(at(f.water, s)) - (f.humidityPercent / 100) * saturationPa(at(f.air, s))),
          ),
        )
      else {
        const kg = frost.get(f.id)!
        const [coil, air] = [at(f.coil, s), at(f.air, s)]
        const u = (f.wPerK * (f.fan === undefined || running.get(f.fan) ? 1 : f.stillShare)) / (1 + kg / f.halfKg)
        add(f.air, -u * (air - coil))
        add(f.coil, u * (air - coil))
        const ratio = (pa: number) => (0.621945 * pa) / (101325 - pa)
        if (coil < 0) {
          const gathered = Math.max(
            0,
            (u / 1006) * (ratio((f.humidityPercent / 100) * saturationPa(air)) - ratio(saturationPa(coil))),
          )
          frost.set(f.id, kg + gathered * dtS)
          add(f.coil, gathered * 2_830_000)
        } else if (kg > 0) {
          const watts = Math.min(300 * coil, (kg * 334_000) / dtS)
          frost.set(f.id, kg - (watts / 334_000) * dtS)
          add(f.coil, -watts)
        }
      }
    }
    for (const { id, node, powerW, perK, draws } of actuators) {
      if (draws && running.get(id)) add(draws.node, -draws.runA)
      if (node === undefined || powerW === undefined) continue
      const share = shares.get(id) ? position.get(id)! : running.get(id) ? 1 : 0
      const watts = powerW * share * supply * (perK ? 1 + perK.share * (at(perK.of, s) - perK.atC) : 1)
      add(node, takesOut.get(id) ? -watts : watts)
      count(id, watts)
    }
    const next = new Map(
      probes.map((probe) => {
        const fallen = faults.find((f) => f.kind === 'fallen-off' && f.probe === probe.id && active(f, s))
        const place = fallen?.kind === 'fallen-off' ? fallen.place : probe.node
        return [probe.id, state.get(probe.id)! + ((felt(probe, s, place) - state.get(probe.id)!) * dtS) / probe.lagS]
      }),
    )
    for (const [id, value] of next) state.set(id, value)
    for (const [id, w] of flow) temperature.set(id, temperature.get(id)! + (w * dtS) / capacity.get(id)!)
  }
  return {
    temperature,
    probes: state,
    starts,
    kwh: new Map([...joules].map(([id, j]) => [id, j / 3.6e6])),
    frost,
    alarms,
  }
}
