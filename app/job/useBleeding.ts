import { computed, ref } from 'vue'
import {
  adviceOfJob,
  bleedCircuit,
  bleedOfJob,
  firstMethod,
  loggedSteps,
  rankAskedOf,
  type BleedChange,
  type RankedEntry,
} from '~~/core/bleed'
import type { BleedSetup, Method } from '~~/core/journal'
import { LIMITS } from '~~/core/proof'
import { formatOf } from '~~/core/quantity'
import { useHeavy } from '~/asking/heavy'
import { injected } from '~/lib/injected'
import { writeFollow } from '~/workers/follow'
import { useJob, useJobFigures } from './useJob'
import { useBleedLearntStore } from '~/stores/bleed-learnt'
import { usePlansStore } from '~/stores/plans'
import { useLookedCloser } from './useLookedCloser'
import { unitsNow } from '~/units/units'
import { useBleedsReady } from './useBleedsReady'
import { useDrawTable } from './useDrawTable'

/** Draws of a ranking that is looked at, and of one that only the advice hangs on. */
const DRAWS = 32
const FEW = 8
/** ms without anything new after which what is left is reckoned anew; at once where somebody looks. */
const CALM = 2000
/** ms between two rankings while the line is dragged. */
const DRAGGED = 350

/** The bleed of the open job: with what it is done, what is ranked, what is left, and what to do next. */
function openBleeding() {
  const { state, file } = useJob()
  const { installation, kept } = useJobFigures()
  const learnt = useBleedLearntStore()
  const plans = usePlansStore()

  /** Somebody looks at methods, or inside: what is reckoned has to be there at once. */
  const looked = ref(false)
  const calm = { wait: () => (looked.value ? 0 : CALM) }
  const circuit = computed(() => bleedCircuit(kept.value, installation.value))
  const own = computed(() => new Map(plans.packages.map((one) => [one.id, one])))
  const job = computed(() => bleedOfJob(state.value, circuit.value, learnt.learned, own.value))
  const setup = computed(() => job.value.setup)
  const set = (change: Partial<BleedSetup>) => file('bleedSetup', { ...setup.value, ...change })

  const followed = useHeavy(
    'follow',
    () => (job.value.follow ? { asked: job.value.follow, logged: job.value.logged } : null),
    { lane: 'beside', write: writeFollow, ...calm },
  )
  const now = computed(() => followed.answer.value?.now ?? null)

  const asIf = ref<BleedChange | null>(null)
  const asked = computed(() => {
    const draws = looked.value ? DRAWS : FEW
    // What is only thought of changes what one looks at, not the advice of the log.
    const change = looked.value ? asIf.value : null
    return rankAskedOf(job.value, circuit.value, now.value, draws, change)
  })
  const rank = useHeavy('rank', () => asked.value, { keeps: true, every: DRAGGED, ...calm })
  const ranked = computed(() => rank.answer.value ?? [])
  const open = computed(() => ranked.value.filter(({ ruledOut }) => ruledOut === null))
  const isRanked = computed(() => rank.progress.value === null && open.value.length > 0)
  const closer = useLookedCloser({ asked, open, looks: computed(() => isRanked.value && looked.value) })

  const advice = computed(() =>
    adviceOfJob(
      state.value,
      job.value,
      circuit.value,
      { now: now.value, ranked: ranked.value, wantedClear: LIMITS.clearInRow },
      formatOf(unitsNow()),
    ),
  )
  /** Files what was chosen, and sets the log to its first method. */
  async function choose(one: RankedEntry): Promise<Method | null> {
    const steps = loggedSteps(one)
    return (await set({ steps })) ? firstMethod(steps) : null
  }

  const drawsFrom = computed(() => job.value.draws)
  const used = computed(() => state.value.bleed.cycles.map(({ payload }) => payload.method))
  const { shown, drawTable } = useDrawTable(used, drawsFrom)

  useBleedsReady(() => state.value.stepsTold.length > 0)

  return {
    setup,
    set,
    dry: computed(() => job.value.dry),
    laid: computed(() => circuit.value.laid),
    target: computed(() => circuit.value.target),
    measured: computed(() => job.value.measured),
    asked,
    asIf,
    looked,
    ranking: rank.progress,
    rankProblem: rank.problem,
    open,
    out: computed(() => ranked.value.filter(({ ruledOut }) => ruledOut !== null)),
    ...closer,
    now,
    picture: computed(() => followed.answer.value?.picture ?? null),
    following: followed.progress,
    advice,
    drawTable,
    drawsFrom,
    shown,
    choose,
    stop: rank.stop,
  }
}
export type Bleeding = ReturnType<typeof openBleeding>
export const [provideBleeding, useBleeding] = injected('bleed', openBleeding)
