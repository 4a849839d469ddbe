import { useThrottleFn } from '@vueuse/core'
import {
  computed,
  inject,
  onMounted,
  onScopeDispose,
  provide,
  ref,
  watch,
  type InjectionKey,
  type Ref,
} from 'vue'
import {
  airByOf,
  bleedAdvice,
  changed,
  cycleFollowed,
  firstMethod,
  laidOut,
  loggedSteps,
  startFromTravel,
  startOfAir,
  targetOf,
  trickFollowed,
  type BleedChange,
  type BleedStart,
  type Followed,
  type LaidCircuit,
  type RankAsked,
  type RankedEntry,
} from '~~/core/bleed'
import { freeTravel, InputError } from '~~/core/circuit'
import type { BleedSetup, Method } from '~~/core/journal'
import { formatOf } from '~~/core/quantity'
import type { Installation } from '~~/core/installation'
import { LIMITS } from '~~/core/proof'

/** Draws of a ranking that is looked at, and of one that only the advice hangs on. */
const DRAWS = 32
const FEW = 8
/** Draws of what would change one of them. */
const CHANGE_DRAWS = 16
/** Ways of which it is said on which constants they hang. */
const FIRST = 3
/** ml of air that a circuit is taken to hold while nobody has measured it. */
const UNMEASURED = 3
/** Gauge as the screen starts with it, kPa: 50 to 70 is common. */
const GAUGE = 60
/** ms without anything new after which what is left is reckoned anew. */
const CALM = 2000
/** Packages that leave a circuit without fluid. */
const EMPTIES = /^(drain|renew|rebuild|unitOut)/
/** ms between two rankings while the line is dragged. */
const DRAGGED = 350

export const USUAL_SETUP: BleedSetup = { people: 2, kit: ['hose', 'wedge'] }

/** Starts work once nothing new has come for a while, at once where somebody looks: while cycles are logged one after the other it waits. */
function whenCalm(start: () => void, looked: Readonly<Ref<boolean>>): () => void {
  let waiting: ReturnType<typeof setTimeout> | undefined
  onScopeDispose(() => clearTimeout(waiting))
  return () => {
    clearTimeout(waiting)
    waiting = setTimeout(start, looked.value ? 0 : CALM)
  }
}

/** Null where a line cannot lie so. */
function laidIn(installation: Installation | null): LaidCircuit | null {
  if (!installation) return null
  try {
    return laidOut(installation)
  } catch (error) {
    if (!(error instanceof InputError)) throw error
    return null
  }
}

/** The bleed of the open job: with what it is done, what is ranked, what is left, and what to do next. */
function openBleeding() {
  const { state, file } = useJob()
  const { installation, kept } = useJobFigures()
  const learnt = useBleedLearntStore()
  const learn = useHeavy('learn', 'beside')
  const rank = useHeavy('rank')
  const rests = useHeavy('rests')
  const changes = useHeavy('changes', 'beside')
  const follow = useHeavy('follow', 'beside')

  /** Somebody looks at methods, or inside: what is reckoned has to be there at once. */
  const looked = ref(false)
  const setup = computed<BleedSetup>(() => ({ ...USUAL_SETUP, ...state.value.bleed.setup?.payload }))
  const set = (change: Partial<BleedSetup>) => file('bleedSetup', { ...setup.value, ...change })
  /** Emptied by the work before the first cycle, or said to be empty. */
  const dry = computed(() => {
    if (setup.value.dry !== undefined) return setup.value.dry
    return state.value.stepsTold.some(
      ({ id, payload }) => payload.act === 'done' && EMPTIES.test(payload.step) && id < first.value,
    )
  })

  /** As it is drawn just now, a trial included; and as it is kept, which is what was bled. */
  const laid = computed(() => laidIn(installation.value))
  const laidKept = computed(() => laidIn(kept.value))
  const target = computed(() => targetOf(kept.value))
  const travels = computed(() => {
    const { readings, course } = state.value
    const own = course.filter(({ payload }) => payload.reading === 'freeTravel')
    return [
      ...(readings.asFound.freeTravel ? [readings.asFound.freeTravel] : []),
      ...own,
      ...(readings.after.freeTravel ? [readings.after.freeTravel] : []),
    ]
  })
  /** Air before the first cycle: by free travel, or as it is taken to be. */
  const first = computed(() => state.value.bleed.cycles[0]?.id ?? '~')
  const startReading = computed(() => travels.value.filter(({ id }) => id < first.value).at(-1) ?? null)
  const measured = computed(() => startReading.value !== null)
  const start = computed((): BleedStart | null => {
    if (!laidKept.value || !kept.value) return null
    if (dry.value) return 'dry'
    const reading = startReading.value?.payload.value
    const known = reading === undefined ? null : startFromTravel(kept.value, laidKept.value, reading)
    return known ?? startOfAir(laidKept.value, UNMEASURED)
  })

  /** Everything but where the air is by now. */
  const base = computed((): Omit<RankAsked, 'start' | 'draws'> | null => {
    if (!laid.value) return null
    const { people, kit, vacuum, overPressure, dryVacuum, override } = setup.value
    return {
      laid: laid.value,
      shareOut: !dry.value,
      target: target.value,
      people,
      kit,
      set: {
        vacuum: vacuum ?? GAUGE,
        dryVacuum: dryVacuum ?? GAUGE,
        ...(overPressure !== undefined && { overPressure }),
      },
      ...(override && { sharedOverride: `${override.by}: ${override.words}` }),
      ...(learnt.learned && { learned: learnt.learned }),
      noseUp: nose.value,
      seed: 1,
    }
  })
  /** How the vehicle stands now, degrees nose up. */
  const nose = computed(() => {
    const last = state.value.bleed.tricks.findLast(
      ({ payload }) => payload.trick === 'noseUp' || payload.trick === 'noseDown',
    )?.payload
    return last ? (last.trick === 'noseUp' ? 1 : -1) * (last.degrees ?? 10) : 0
  })

  // What is left, by what was logged.
  const logged = computed((): Followed[] => {
    const circuit = kept.value
    if (!circuit) return []
    const air = airByOf(circuit)
    const { cycles, tricks, says } = state.value.bleed
    const after = travels.value.filter(({ id }) => id > first.value)
    const lines: { id: string; line: Followed | null }[] = [
      ...cycles.map(({ id, payload }) => ({ id, line: cycleFollowed(payload) })),
      ...tricks.map(({ id, payload }) => ({ id, line: trickFollowed(payload) })),
      ...says.map(({ id, payload }) => ({
        id,
        line: payload.mm === undefined ? null : air(payload.mm),
      })),
      ...after.map(({ id, payload }) => ({ id, line: air(payload.value) })),
    ]
    return lines.sort((a, b) => (a.id < b.id ? -1 : 1)).flatMap(({ line }) => (line ? [line] : []))
  })
  // By what was bled, not by a line on trial; and who and what is at hand tells nothing of what is left.
  const followAsked = computed((): RankAsked | null =>
    base.value && laidKept.value && start.value && state.value.bleed.cycles.length > 0
      ? {
          ...base.value,
          ...{ laid: laidKept.value, people: 2, kit: [], sharedOverride: undefined },
          ...{ noseUp: 0, start: start.value, draws: 1 },
        }
      : null,
  )
  const followQuestion = computed(() =>
    followAsked.value ? JSON.stringify({ asked: followAsked.value, logged: logged.value }) : null,
  )
  const followSoon = whenCalm(() => {
    const question = followQuestion.value
    if (question !== null) void follow.start(JSON.parse(question) as Parameters<typeof follow.start>[0])
  }, looked)
  watch(
    followQuestion,
    (question) => {
      if (question !== null) return followSoon()
      follow.stop()
      follow.result.value = null
    },
    { immediate: true },
  )
  const now = computed(() => follow.result.value?.now ?? null)
  const picture = computed(() => follow.result.value?.picture ?? null)

  // What is ranked: from what is thought to be left; until that is reckoned, from what the pedal showed last.
  const startNow = computed((): BleedStart | null => {
    if (state.value.bleed.cycles.length === 0 || !laidKept.value || !kept.value) return start.value
    if (now.value) {
      const { line, slave, master } = now.value
      return { line: line.middle, slave: slave.middle, master: master.middle }
    }
    const last = travels.value.at(-1)?.payload.value
    return last === undefined ? start.value : startFromTravel(kept.value, laidKept.value, last)
  })
  const asIf = ref<BleedChange | null>(null)
  const asked = computed((): RankAsked | null => {
    if (!base.value) return null
    const from = startNow.value
    if (!from) return null
    const plain: RankAsked = {
      ...base.value,
      start: from,
      shareOut: from !== 'dry',
      draws: looked.value ? DRAWS : FEW,
    }
    // What is only thought of changes what one looks at, not the advice of the log.
    return (looked.value && asIf.value && changed(plain, asIf.value)) || plain
  })
  const rankQuestion = computed(() => (asked.value ? JSON.stringify(asked.value) : null))
  const startRank = useThrottleFn(
    (question: string) => void rank.start(JSON.parse(question) as RankAsked),
    DRAGGED,
    true,
    true,
  )
  const rankSoon = whenCalm(() => {
    if (rankQuestion.value !== null) void startRank(rankQuestion.value)
  }, looked)
  watch(
    rankQuestion,
    (question) => {
      if (question === null) rank.stop()
      else if (looked.value) void startRank(question)
      else rankSoon()
    },
    { immediate: true },
  )
  const ranked = computed((): readonly RankedEntry[] => rank.result.value ?? [])
  const open = computed(() => ranked.value.filter(({ ruledOut }) => ruledOut === null))
  const out = computed(() => ranked.value.filter(({ ruledOut }) => ruledOut !== null))

  // One of them is looked at more closely: on what it hangs, and what would change it.
  const keyOf = ({ steps, atUnion }: Pick<RankedEntry, 'steps' | 'atUnion'>) =>
    [atUnion ? 'union' : '', ...steps.map(({ method }) => method)].join(' ')
  const picked = ref<string | null>(null)
  const entry = computed(
    () => open.value.find((one) => keyOf(one) === picked.value) ?? open.value[0] ?? null,
  )
  const entryKey = computed(() => (entry.value ? keyOf(entry.value) : ''))
  const isRanked = computed(() => rank.progress.value === null && open.value.length > 0)
  const restsOf = ref<Record<string, string[]>>({})
  watch([isRanked, looked], ([done, look]) => {
    if (!done || !look || !asked.value) return
    const entries = open.value.slice(0, FIRST)
    restsOf.value = {}
    void rests.start({ asked: asked.value, entries }).then(() => {
      const found = rests.result.value
      if (found)
        restsOf.value = Object.fromEntries(entries.map((one, i) => [keyOf(one), found[i] ?? []]))
    })
  })
  watch([isRanked, entryKey, looked], ([done, , look]) => {
    if (done && look && asked.value && entry.value)
      void changes.start({ asked: asked.value, entry: entry.value, draws: CHANGE_DRAWS })
  })

  const lastCycle = computed(() => state.value.bleed.cycles.at(-1)?.id ?? '')
  const wantedTravel = computed(() =>
    kept.value && target.value.reachable
      ? freeTravel({ ...kept.value.circuit, air: 1000 * target.value.value })
      : null,
  )
  const advice = computed(() => {
    const { cycles, clearInRow } = state.value.bleed
    return bleedAdvice(
      {
        cycles: cycles.map(({ payload }) => payload),
        clearInRow,
        wantedClear: LIMITS.clearInRow,
        now: now.value,
        target: target.value,
        travels: travels.value.map(({ payload }) => payload.value),
        wantedTravel: wantedTravel.value,
        measuredSince: travels.value.some(({ id }) => id > lastCycle.value),
        ranked: ranked.value,
      },
      formatOf(unitsNow()),
    )
  })
  /** Files what was chosen, and sets the log to its first method. */
  async function choose(one: RankedEntry): Promise<Method | null> {
    const steps = loggedSteps(one)
    return (await set({ steps })) ? firstMethod(steps) : null
  }

  /** The circuit as what is drawn is asked of: as it is kept, not on trial. */
  const drawsFrom = computed(() =>
    base.value && laidKept.value && start.value
      ? {
          laid: laidKept.value,
          start: start.value,
          shareOut: start.value !== 'dry',
          set: base.value.set,
          ...(base.value.learned && { learned: base.value.learned }),
          ...{ noseUp: nose.value, seed: 1 },
        }
      : null,
  )
  const used = computed(() => state.value.bleed.cycles.map(({ payload }) => payload.method))
  const { shown, drawTable } = useDrawTable(used, drawsFrom)

  onMounted(() => {
    rank.warm()
    follow.warm()
    const weigh = async (outcomes: Parameters<typeof learn.start>[0]) => {
      await learn.start(outcomes)
      return learn.result.value
    }
    learnt.load(weigh).catch(() => {})
  })

  return {
    setup,
    set,
    dry,
    laid,
    target,
    measured,
    asked,
    asIf,
    looked,
    ranking: rank.progress,
    rankProblem: rank.problem,
    open,
    out,
    keyOf,
    picked,
    entry,
    restsOf,
    changes: changes.result,
    changesProgress: changes.progress,
    now,
    picture,
    following: follow.progress,
    advice,
    drawTable,
    drawsFrom,
    shown,
    choose,
    stop: rank.stop,
  }
}
export type Bleeding = ReturnType<typeof openBleeding>
const KEY: InjectionKey<Bleeding> = Symbol('bleeding')
export function provideBleeding(): Bleeding {
  const bleeding = openBleeding()
  provide(KEY, bleeding)
  return bleeding
}
export function useBleeding(): Bleeding {
  const bleeding = inject(KEY)
  if (!bleeding) throw new Error('no bleed is open here')
  return bleeding
}
