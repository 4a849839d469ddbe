import type { CoachAsk, CoachCue, CoachTold, Seat } from '~~/contract'
import {
  startCoach,
  touched,
  type CoachPlan,
  type CoachState,
  type Effect,
  type Role,
  type Touch,
} from '~~/core/coach'

/** ms between two words of the device that leads, and without one after which another may take over. */
export const BEAT = 3000
export const SILENT = 10_000
/** ms after which a touch that nobody took is sent again, and after which it is given up. */
const AGAIN = 1000
const GIVEN_UP = 60_000

/** An entry that a run files: an own one, or one that corrects or withdraws another. */
export interface Filed {
  id: string
  effect: Effect
  /** The entry that it corrects or withdraws. */
  of?: string
}
interface Sent {
  cue: Extract<CoachCue, { cue: 'coachTouch' }>
  since: number
  last: number
}
/** What a device keeps of a run, so that a page that is opened again goes on where it was. */
export interface KeptRun {
  told: CoachTold
  /** Own entries that stand, by id. */
  mine: string[]
  /** To be filed yet; filing one twice is harmless, for it keeps its id. */
  pending: Filed[]
}
export interface PairDoors {
  device: string
  by: () => string
  newId: () => string
  now: () => number
  send: (cue: CoachCue) => void
  /** Files an entry under its id; it may be called twice with the same. */
  file: (filed: Filed) => Promise<void>
  save: (kept: KeptRun | null) => void
  changed: () => void
}

/**
 * A coached bleed on one or more devices. One leads: it alone steps the machine and files; the others send their touches
 * and are told the whole state. A lead passes when it is asked for, or after ten seconds of silence; of two that lead the
 * newer holds, and the older takes back what it filed meanwhile and the newer does not know.
 */
export class Pair {
  told: CoachTold | null = null
  heardAt: number
  private saidAt = -Infinity
  private mine = new Set<string>()
  private pending: Filed[] = []
  private waiting = new Map<string, Sent>()

  constructor(
    private readonly doors: PairDoors,
    kept: KeptRun | null = null,
  ) {
    this.heardAt = doors.now()
    if (!kept) return
    this.told = kept.told
    this.mine = new Set(kept.mine)
    this.pending = kept.pending
    for (const one of [...this.pending]) void this.put(one)
  }

  get leads(): boolean {
    return this.told?.lead === this.doors.device
  }
  /** Places that this device has. */
  get roles(): Role[] {
    const { told } = this
    return told
      ? (['pedal', 'bleeder'] as const).filter((role) => told.roles[role]?.device === this.doors.device)
      : []
  }
  /** Somebody else leads and has not been heard for ten seconds. */
  get silent(): boolean {
    return this.told !== null && !this.leads && this.doors.now() - this.heardAt > SILENT
  }
  /** A touch of one's own is on its way to the device that leads. */
  get onItsWay(): boolean {
    return this.waiting.size > 0
  }

  start(plan: CoachPlan, roles: readonly Role[]): void {
    const seat = this.seat()
    this.mine.clear()
    this.waiting.clear()
    this.told = {
      run: this.doors.newId(),
      term: 0,
      lead: this.doors.device,
      roles: {
        pedal: roles.includes('pedal') ? seat : null,
        bleeder: roles.includes('bleeder') ? seat : null,
      },
      ids: {},
      state: startCoach(plan),
    }
    this.say()
  }

  /** @param role whose touch it is; null where it ended by its own time */
  touch(touch: Touch, role: Role | null, id = this.doors.newId()): void {
    if (!this.told) return
    const { run, state } = this.told
    if (this.leads) return this.take(id, touch, role, state.n)
    const cue = {
      ...{ cue: 'coachTouch' as const, run, id, role, seen: state.n, touch },
      ...this.seat(),
    }
    const now = this.doors.now()
    this.waiting.set(id, { cue, since: now, last: now })
    this.doors.send(cue)
    this.doors.changed()
  }

  /** Asks to lead, or for a place; one that leads does it. */
  ask(ask: CoachAsk): void {
    if (this.told && this.leads) return this.grant(ask, this.seat())
    this.doors.send({ cue: 'coachAsk', run: this.told?.run ?? null, ask, ...this.seat() })
  }
  /** Takes the lead from one that is silent. */
  takeLead(): void {
    if (!this.told || this.leads) return
    const touches = [...this.waiting.values()]
    this.told = { ...this.told, lead: this.doors.device, term: this.told.term + 1 }
    this.waiting.clear()
    for (const { cue } of touches) this.take(cue.id, cue.touch, cue.role, cue.seen)
    this.say()
  }
  /** The run is put away; what was filed stands. */
  end(): void {
    this.told = null
    this.mine.clear()
    this.waiting.clear()
    this.doors.save(null)
    this.doors.changed()
  }

  hear(cue: CoachCue): void {
    if (cue.device === this.doors.device) return
    if (cue.cue === 'coach') return this.heard(cue)
    if (!this.told || !this.leads) return
    if (cue.cue === 'coachAsk') this.grant(cue.ask, { device: cue.device, by: cue.by })
    else if (cue.run === this.told.run) {
      if (!this.told.state.taken.includes(cue.id)) this.take(cue.id, cue.touch, cue.role, cue.seen)
      // Taken before, or no answer to this call: whoever sent it has to be told where it is.
      else this.say()
    }
  }

  /** To be called about once a second. */
  beat(): void {
    const now = this.doors.now()
    if (this.told && this.leads && now - this.saidAt >= BEAT) this.say()
    for (const [id, sent] of this.waiting) {
      if (now - sent.since > GIVEN_UP) this.waiting.delete(id)
      else if (now - sent.last >= AGAIN) {
        sent.last = now
        this.doors.send(sent.cue)
      }
    }
    this.doors.changed()
  }

  private seat = (): Seat => ({ device: this.doors.device, by: this.doors.by() })

  private heard({ cue: _, device, by: __, ...told }: Extract<CoachCue, { cue: 'coach' }>): void {
    const known = this.told
    if (known && known.run > told.run) return
    if (known && known.run === told.run) {
      const order = told.term - known.term || compare(told.lead, known.lead)
      if (order < 0) {
        // It does not know yet that another leads.
        if (this.leads) this.say()
        return
      }
      if (order === 0 && told.state.n < known.state.n) return
    } else this.mine.clear()
    if (device === told.lead) this.heardAt = this.doors.now()
    const led = this.leads
    this.told = told
    if (led && !this.leads) this.giveUp(told)
    this.settle(told.state)
    this.changed()
  }

  /** Another leads now: what this device filed and the other does not know of is counted again there, so it goes. */
  private giveUp({ ids }: CoachTold): void {
    const known = new Set(Object.values(ids))
    for (const id of this.mine) {
      if (known.has(id)) continue
      this.mine.delete(id)
      void this.put({ id: this.doors.newId(), effect: { do: 'withdraw', ref: '' }, of: id })
    }
  }

  /** Own touches that were taken, or that answered a call which is over, wait no longer. */
  private settle({ taken, calledAt }: CoachState): void {
    for (const [id, { cue }] of this.waiting) {
      const answer = cue.touch.touch === 'answer' || cue.touch.touch === 'didAnyway'
      if (taken.includes(id) || (answer && calledAt > cue.seen)) this.waiting.delete(id)
    }
  }

  private take(id: string, touch: Touch, role: Role | null, seen: number): void {
    const told = this.told!
    const { state, effects } = touched(told.state, id, touch, role, seen)
    const ids = { ...told.ids }
    const filed = effects.flatMap((effect) => this.filedBy(effect, ids))
    this.told = { ...told, state, ids }
    this.say()
    for (const one of filed) void this.put(one)
  }
  private filedBy(effect: Effect, ids: Record<string, string>): Filed[] {
    const id = this.doors.newId()
    const of = ids[effect.ref]
    if (effect.do === 'correct') return of ? [{ id, effect, of }] : []
    if (effect.do === 'withdraw') {
      if (!of) return []
      delete ids[effect.ref]
      this.mine.delete(of)
      return [{ id, effect, of }]
    }
    ids[effect.ref] = id
    this.mine.add(id)
    return [{ id, effect }]
  }
  private async put(filed: Filed): Promise<void> {
    if (!this.pending.some(({ id }) => id === filed.id)) this.pending.push(filed)
    this.keep()
    await this.doors.file(filed)
    this.pending = this.pending.filter(({ id }) => id !== filed.id)
    this.keep()
  }

  private grant(ask: CoachAsk, seat: Seat): void {
    const told = this.told!
    if (ask === 'lead') this.told = { ...told, lead: seat.device, term: told.term + 1 }
    else if (ask !== 'state') this.told = { ...told, roles: seated(told.roles, ask, seat) }
    this.say()
  }

  private say(): void {
    const told = this.told!
    this.saidAt = this.doors.now()
    this.doors.send({ cue: 'coach', ...this.seat(), ...told })
    this.changed()
  }
  private changed(): void {
    this.keep()
    this.doors.changed()
  }
  private keep(): void {
    if (this.told)
      this.doors.save({ told: this.told, mine: [...this.mine], pending: [...this.pending] })
  }
}

const compare = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0)

/** A place is given; whoever had it gets the place that the other leaves: two change places. */
function seated(
  roles: Record<Role, Seat | null>,
  ask: Role | 'both',
  seat: Seat,
): Record<Role, Seat | null> {
  if (ask === 'both') return { pedal: seat, bleeder: seat }
  const other: Role = ask === 'pedal' ? 'bleeder' : 'pedal'
  const before = roles[ask]
  const left = roles[other]?.device === seat.device
  const next = { ...roles, [ask]: seat }
  if (left) next[other] = before?.device === seat.device ? null : before
  return next
}
