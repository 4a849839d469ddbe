import type { Step, VehicleFacts } from '../../core/plan'

/**
 * A second checker of sequences, written apart from the core's: it works out for every state the stretches over which it holds,
 * and then asks each rule of those stretches. It gives `step rule` of every breach.
 */
export function secondCheck(
  steps: readonly Step[],
  vehicle: VehicleFacts = {},
  people = 2,
): Set<string> {
  const found = new Set<string>()
  const say = (i: number, rule: string) => found.add(`${steps[i]!.id} ${rule}`)
  const names = new Set(
    steps.flatMap(({ puts, takes, needs, forbids }) => [...puts, ...takes, ...needs, ...forbids]),
  )
  /** holds[i] is before step i; holds[n] at the end. */
  const line = new Map<string, boolean[]>()
  for (const name of names) {
    const holds = [false]
    steps.forEach(({ puts, takes }, i) => {
      const on = puts.includes(name) && !takes.includes(name)
      const off = takes.includes(name)
      holds.push(on ? true : off ? false : holds[i]!)
    })
    line.set(name, holds)
  }
  const is = (name: string, i: number): boolean => line.get(name)?.[i] ?? false
  const open = (i: number) => [...names].some((name) => name.startsWith('circuitOpen:') && is(name, i))
  const fed = (i: number) =>
    ['feedClamped', 'capSheeted', 'reservoirLow', 'drained'].some((name) => is(name, i))
  const firstBattery = steps.findIndex(({ puts }) => puts.includes('batteryOff'))
  const seen = new Map<string, number>()
  const written = new Set<string>()

  steps.forEach((step, i) => {
    if (step.needs.some((name) => !is(name, i))) say(i, 'needs')
    if (step.forbids.some((name) => is(name, i))) say(i, 'forbids')
    if (step.place === 'under' && !(is('onStands', i) && is('chocked', i))) say(i, 'under')
    if (step.presses) {
      const called = step.presses === 'called' && is('slaveFree', i) && is('strapsOn', i)
      if ((!called && (is('pedalTagged', i) || is('slaveFree', i))) || is('masterOff', i) || open(i))
        say(i, 'press')
    }
    if ((step.presses || step.fills) && (is('feedClamped', i) || is('capSheeted', i))) say(i, 'spoil')
    if (step.engine && (is('slaveFree', i) || is('feedClamped', i) || is('propOn', i) || open(i)))
      say(i, 'engine')
    const bare = (at: number) => is('slaveFree', at) && !is('pedalTagged', at)
    if (bare(i + 1) && !bare(i)) say(i, 'tag')
    const runs = (at: number) => open(at) && !fed(at)
    if (runs(i + 1) && !runs(i)) say(i, 'feed')
    if (firstBattery >= 0) {
      if (step.electrical && i < firstBattery) say(i, 'battery')
      if (step.takes.includes('batteryOff') && is('batteryTrayOff', i + 1)) say(i, 'battery')
      if (step.engine && is('batteryOff', i + 1)) say(i, 'battery')
    }
    for (const name of step.recalls) if (!written.has(name)) say(i, 'record')
    step.records.forEach((name) => written.add(name))
    for (const name of ['drained', 'onStands', 'batteryOff'])
      if (step.puts.includes(name)) {
        seen.set(name, (seen.get(name) ?? 0) + 1)
        if (seen.get(name)! > 1) say(i, 'twice')
      }
    if (
      vehicle.sharedReservoir &&
      ((step.place === 'road' && !is('brakesProved', i)) || step.puts.includes('drained'))
    )
      say(i, 'brakes')
    if (step.people > people) say(i, 'people')
  })

  const stays = [
    'reservoirFull',
    'unionsTight',
    'masterFast',
    'slaveFast',
    'pedalJoined',
    'primed',
    'benchBled',
    'bled',
    'rodSet',
    'brakesProved',
    'proven',
  ]
  for (const name of names)
    if (is(name, steps.length) && !stays.includes(name))
      say(
        steps.findLastIndex(({ puts }) => puts.includes(name)),
        'left',
      )
  const lastOpening = steps.findLastIndex(({ puts }) =>
    puts.some((name) => name.startsWith('circuitOpen:')),
  )
  const lastBleed = steps.findLastIndex(({ puts }) => puts.includes('bled'))
  if (lastOpening >= 0 && lastBleed <= lastOpening) say(lastOpening, 'bled')
  const touched = steps.findIndex(({ puts }) =>
    puts.some((name) => /^(masterOff|slaveFree|unitOut)$/.test(name)),
  )
  if (touched >= 0) {
    const sets = steps.flatMap(({ puts }, i) => (puts.includes('rodSet') ? [i] : []))
    const around = lastBleed >= 0 && sets.some((i) => i < lastBleed) && sets.some((i) => i > lastBleed)
    if (!around) say(lastBleed >= 0 ? lastBleed : touched, 'rod')
  }
  return found
}
