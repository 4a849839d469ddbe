import type { CoachAsk, CoachCue, CoachTold, Seat } from '~~/contract'
import { compare, isNewer, seatedAll } from './seats'
import {
  alreadyRef,
  startCoach,
  touched,
  type CoachPlan,
  type CoachState,
  type Effect,
  type OnAlready,
  type Role,
  type Touch,
} from '~~/core/coach'

/** ms between two words of the device that leads, and without one after which another may take over. */
export const BEAT = 3000
export const SILENT = 10_000
/** ms for which a device goes on leading others without its own word coming back from the server: less than the others wait. */
export const LEASE = 8000
/** ms for which whoever holds a place may say no before it is given to the one who asks. */
export const ANSWER_WITHIN = 10_000
/** ms after which a touch that nobody took is sent again, and after which it is given up. */
const AGAIN = 1000
const GIVEN_UP = 60_000

/** An entry that a run files: an own one, or one that corrects or withdraws another. */
export interface Filed {
  id: string
  effect: Effect
  /** The entry that it corrects, withdraws, or takes off again. */
  of?: string
}
interface Sent {
  cue: Extract<CoachCue, { cue: 'coachTouch' }>
  since: number
  last: number
}
/** What a device keeps of a run, so that a page that is opened again goes on where it was. */
export interface KeptRun {
  /** The device that kept it. */
  from: string
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
  /** Gives the number that the server made for it; null where it did not arrive. */
  send: (cue: CoachCue) => Promise<number | null>
  /** Files an entry under its id; it may be called twice with the same. */
  file: (filed: Filed) => Promise<void>
  save: (kept: KeptRun | null) => void
  changed: () => void
}

/**
 * A coached bleed on one or more devices. One leads: it alone steps the machine and files; the others send their touches
 * and are told the whole state. A lead passes when it is asked for, or after ten seconds of silence; of two that lead the
 * newer holds, and the older takes back what it filed meanwhile and the newer does not know. A device that leads others and
 * does not hear its own word come back takes no answers: another may lead by then.
 */
export class Pair {
  told: CoachTold | null = null
  heardAt: number
  private saidAt = -Infinity
  /** When its own word last came back, and when a place was last asked for. */
  private echoAt: number
  private askedAt = 0
  private mine = new Set<string>()
  private pending: Filed[] = []
  private waiting = new Map<string, Sent>()

  constructor(
    private readonly doors: PairDoors,
    kept: KeptRun | null = null,
  ) {
    this.heardAt = doors.now()
    this.echoAt = doors.now()
    if (!kept) return
    this.told = kept.told
    // What another tab of this browser led is known, and not one’s own.
    if (kept.from !== doors.device) return
    this.mine = new Set(kept.mine)
    this.pending = kept.pending
    // Opened again: others may have gone on meanwhile.
    this.echoAt = -Infinity
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
  /** Nobody hears this device, or it hears nobody: what stands on its screen may be over, so nothing is called on it. */
  get unheard(): boolean {
    if (!this.told) return false
    return this.leads ? this.cutOff : this.doors.now() - this.heardAt > LEASE
  }
  /** Leads others, and its own word has not come back for a while: nobody may hear it, and another may lead. */
  get cutOff(): boolean {
    if (!this.told || !this.leads || this.doors.now() - this.echoAt <= LEASE) return false
    return this.seats().some(({ device }) => device !== this.doors.device)
  }
  /** A touch of one's own is on its way to the device that leads. */
  get onItsWay(): boolean {
    return this.waiting.size > 0
  }

  /** @param already what the job’s ledger says is on, by its entries */
  start(plan: CoachPlan, roles: readonly Role[], already: readonly OnAlready[] = []): void {
    const seat = this.seat()
    const number = (this.told?.number ?? 0) + 1
    this.mine.clear()
    this.waiting.clear()
    this.echoAt = this.doors.now()
    this.told = {
      run: this.doors.newId(),
      ...{ number, confirmed: false, asked: null, took: null, kept: null },
      term: 0,
      lead: this.doors.device,
      roles: {
        pedal: roles.includes('pedal') ? seat : null,
        bleeder: roles.includes('bleeder') ? seat : null,
      },
      ids: Object.fromEntries(already.map(({ id }, i) => [alreadyRef(i), id])),
      state: startCoach(plan, already),
    }
    this.say()
  }

  /** @param role whose touch it is; null where it ended by its own time */
  touch(touch: Touch, role: Role | null, id = this.doors.newId()): void {
    if (!this.told) return
    const { run, state } = this.told
    if (this.leads) return this.cutOff ? undefined : this.take(id, touch, role, state.n)
    const cue = {
      ...{ cue: 'coachTouch' as const, run, id, role, seen: state.n, touch },
      ...this.seat(),
    }
    const now = this.doors.now()
    this.waiting.set(id, { cue, since: now, last: now })
    void this.doors.send(cue)
    this.doors.changed()
  }

  /** Asks to lead, or for a place; one that leads does it. */
  ask(ask: CoachAsk): void {
    if (this.told && this.leads) return this.grant(ask, this.seat())
    void this.doors.send({ cue: 'coachAsk', run: this.told?.run ?? null, ask, ...this.seat() })
  }
  /** Takes the lead from one that is silent, or is gone: its places too where `seats` says so. What was done meanwhile nobody knows. */
  takeLead(seats = false): void {
    if (!this.told || this.leads) return
    const touches = [...this.waiting.values()]
    const { lead, roles } = this.told
    const own = (seat: Seat | null) => (seats && seat?.device === lead ? this.seat() : seat)
    this.told = {
      ...this.told,
      ...{ lead: this.doors.device, term: this.told.term + 1, asked: null },
      roles: { pedal: own(roles.pedal), bleeder: own(roles.bleeder) },
    }
    // Until its own word comes back it leads nobody but itself.
    this.echoAt = -Infinity
    this.waiting.clear()
    for (const { cue } of touches) this.take(cue.id, cue.touch, cue.role, cue.seen)
    this.take(this.doors.newId(), { touch: 'takenOver' }, null, this.told.state.n)
  }
  /** Takes over what a tab that was closed had filed, and had still to file: under its ids, so none comes twice. */
  adopt(kept: KeptRun): void {
    this.told ??= kept.told
    for (const id of kept.mine) this.mine.add(id)
    for (const one of kept.pending) void this.put(one)
  }
  /** Cut off from the others: somebody here says that both places are his now. */
  goOnAlone(): void {
    if (!this.told || !this.leads) return
    const seat = this.seat()
    this.told = { ...this.told, term: this.told.term + 1, roles: { pedal: seat, bleeder: seat } }
    this.take(this.doors.newId(), { touch: 'takenOver' }, null, this.told.state.n)
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
    if (cue.device === this.doors.device) {
      // One's own word has been to the server and back: the others hear it too.
      if (cue.cue === 'coach' && cue.run === this.told?.run && cue.term === this.told.term) {
        this.echoAt = this.doors.now()
        this.doors.changed()
      }
      return
    }
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
    if (this.told && this.leads) {
      if (this.told.asked && now - this.askedAt >= ANSWER_WITHIN) this.giveAsked(true)
      else if (now - this.saidAt >= BEAT) this.say()
    }
    for (const [id, sent] of this.waiting) {
      if (now - sent.since > GIVEN_UP) this.waiting.delete(id)
      else if (now - sent.last >= AGAIN) {
        sent.last = now
        void this.doors.send(sent.cue)
      }
    }
    this.doors.changed()
  }

  private seat = (): Seat => ({ device: this.doors.device, by: this.doors.by() })

  private heard({ cue: _, device, by: __, ...told }: Extract<CoachCue, { cue: 'coach' }>): void {
    const known = this.told
    if (known && known.run !== told.run && !isNewer(told, known)) return
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
    if (told.asked && !known?.asked) this.askedAt = this.doors.now()
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
    if (effect.do === 'takenOff' || effect.do === 'refitted') {
      const put = ids[effect.of]
      if (!put) return []
      ids[effect.ref] = id
      this.mine.add(id)
      return [{ id, effect, of: put }]
    }
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

  private seats = (): Seat[] =>
    this.told ? [this.told.roles.pedal, this.told.roles.bleeder].flatMap((seat) => seat ?? []) : []

  /** What is asked of the device that leads: a place that another holds is asked for there first. */
  private grant(ask: CoachAsk, seat: Seat): void {
    const told = this.told!
    switch (ask) {
      case 'lead':
        this.told = { ...told, lead: seat.device, term: told.term + 1 }
        break
      case 'pedal':
      case 'bleeder':
      case 'both': {
        const roles: Role[] = ask === 'both' ? ['pedal', 'bleeder'] : [ask]
        const held = roles.some((role) => told.roles[role] && told.roles[role].device !== seat.device)
        this.askedAt = this.doors.now()
        this.told = held
          ? { ...told, asked: { roles, seat }, took: null, kept: null }
          : { ...told, roles: seatedAll(told.roles, roles, seat), asked: null, kept: null }
        break
      }
      case 'give':
        if (this.holds(told.asked?.roles, seat)) return this.giveAsked(false)
        break
      case 'keep':
        if (told.asked && this.holds(told.asked.roles, seat))
          this.told = { ...told, asked: null, kept: { to: told.asked.seat, by: seat } }
        break
      case 'takeBack':
        if (told.took?.from.device === seat.device)
          this.told = { ...told, roles: seatedAll(told.roles, told.took.roles, seat), took: null }
        break
      case 'seen':
        this.told = { ...told, took: null, kept: null }
        break
      case 'state':
        break
    }
    this.say()
  }
  private holds = (roles: readonly Role[] | undefined, { device }: Seat): boolean =>
    roles?.some((role) => this.told!.roles[role]?.device === device) ?? false

  /** @param silent whoever held it has said nothing: both are told who took it */
  private giveAsked(silent: boolean): void {
    const told = this.told!
    const { roles, seat } = told.asked!
    const from = roles.map((role) => told.roles[role]).find((one) => one && one.device !== seat.device)
    this.told = {
      ...told,
      roles: seatedAll(told.roles, roles, seat),
      asked: null,
      took: silent && from ? { roles, from, to: seat } : null,
    }
    this.say()
  }

  private say(): void {
    const told = this.told!
    this.saidAt = this.doors.now()
    void this.doors.send({ cue: 'coach', ...this.seat(), ...told }).then((number) => {
      // The first that the server took gives the run its number.
      const now = this.told
      if (number === null || !now || now.run !== told.run || now.confirmed || !this.leads) return
      this.told = { ...now, number: Math.max(number, now.number), confirmed: true }
      this.say()
    })
    this.changed()
  }
  private changed(): void {
    this.keep()
    this.doors.changed()
  }
  private keep(): void {
    if (this.told)
      this.doors.save({
        from: this.doors.device,
        told: this.told,
        mine: [...this.mine],
        pending: [...this.pending],
      })
  }
}
