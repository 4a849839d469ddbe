<script setup lang="ts">
import { useSessionStorage } from '@vueuse/core'
import { checkLine, type LaidLine } from '~~/core/layout'
import { useJob } from '~/job/useJob'
import { useDesk } from '~/job/useDesk'
import { useRoute, navigateTo } from '#imports'
import { computed, reactive } from 'vue'
import { typedWithin, boundsIn, formatNow, symbolOf, asTyped, inUnits } from '~/units/units'
import LinePicker from '~/stages/choose/LinePicker.vue'
import KeptInput from '~/components/frame/KeptInput.vue'
import TypedProblems from '~/components/frame/TypedProblems.vue'
import OnOff from '~/components/frame/OnOff.vue'
import HeatList from '~/components/circuit/HeatList.vue'
import LayoutTable from '~/stages/choose/LayoutTable.vue'

/** How a line is to lie: slack, bends, twist, heat, clearance, and what it takes; layouts side by side. */
const { id, problem } = useJob()
const { kept } = useDesk()
const route = useRoute()
const lines = computed(() => kept.value?.circuit.lines ?? [])
const index = computed<number>({
  get: () => {
    const asked = Number(route.query.line ?? -1)
    return lines.value[asked] ? asked : Math.max(0, lines.value.length - 1)
  },
  set: (line) => void navigateTo({ query: { ...route.query, line } }, { replace: true }),
})
const line = computed(() => lines.value[index.value] ?? null)
const start = computed(() =>
  lines.value.slice(0, index.value).reduce((sum, one) => sum + one.length, 0),
)
/** As the crow flies between the points that were drawn of this line. */
const drawn = computed(() => {
  if (!kept.value || !line.value) return 0
  const end = start.value + line.value.length
  const points = kept.value.route.filter(
    ({ along }) => along >= start.value - 0.5 && along <= end + 0.5,
  )
  return points
    .slice(1)
    .reduce(
      (sum, one, i) =>
        sum + Math.hypot(one.height - points[i]!.height, one.forward - points[i]!.forward),
      0,
    )
})
const heat = computed(() =>
  (kept.value?.heat ?? [])
    .map((one, i) => ({ ...one, i }))
    .filter(
      ({ along }) =>
        along >= start.value - 0.5 && along <= start.value + (line.value?.length ?? 0) + 0.5,
    ),
)
const clips = computed(
  () =>
    (kept.value?.route ?? []).filter(
      ({ along, clip }) =>
        clip && along > start.value && along < start.value + (line.value?.length ?? 0),
    ).length,
)
type Typed = Partial<Record<'path' | 'outerDiameter' | 'radius' | 'twist' | 'clearance', number>> & {
  fixed?: boolean
}
const typed = useSessionStorage<Record<string, Typed>>(`mellow-laid-${id}`, {})
const own = computed(() => typed.value[index.value] ?? {})
const problems = reactive<Record<string, string>>({})
const FIELDS = [
  { name: 'path', label: 'Way between its ends', unit: 'mm', min: 10, max: 20_000 },
  { name: 'outerDiameter', label: 'Outside diameter', unit: 'mm', min: 2, max: 60 },
  { name: 'radius', label: 'Tightest bend, at its middle', unit: 'mm', min: 1, max: 2000 },
  { name: 'twist', label: 'Twist from end to end', unit: '°', min: 0, max: 720 },
  { name: 'clearance', label: 'Nearest thing that moves or is sharp', unit: 'mm', min: 0, max: 2000 },
] as const
function set(row: (typeof FIELDS)[number], text: string) {
  problems[row.name] = ''
  const { [row.name]: _, ...rest } = own.value
  if (text.trim() === '') return keep(rest)
  const value = typedWithin(text, row.unit, row)
  if (value === null) problems[row.name] = `${row.label}: ${boundsIn(row, row.unit)}`
  else keep({ ...own.value, [row.name]: value })
}
const keep = (next: Typed) => (typed.value = { ...typed.value, [index.value]: next })
const soft = computed(() => line.value?.kind !== 'steel')
const moves = computed(() => soft.value && !own.value.fixed)
/** Typed, or drawn where somebody routed the line. */
const path = computed(
  () => own.value.path ?? (kept.value?.assumed.includes('route') ? null : drawn.value),
)
const laid = computed((): LaidLine | null =>
  line.value
    ? {
        line: line.value,
        ...(path.value !== null && { path: path.value }),
        moves: moves.value,
        clips: clips.value,
        heat: heat.value,
        ...(own.value.outerDiameter !== undefined && { outerDiameter: own.value.outerDiameter }),
        ...(own.value.radius !== undefined && { radius: own.value.radius }),
        ...(own.value.twist !== undefined && { twist: own.value.twist }),
        ...(own.value.clearance !== undefined && { clearance: own.value.clearance }),
      }
    : null,
)
const found = computed(() => (laid.value ? checkLine(laid.value, formatNow()) : null))
const NAMES = { length: 'Length', bend: 'Bend', twist: 'Twist', heat: 'Heat', clearance: 'Clearance' }
</script>

<template>
  <div v-if="line && found" class="px-6 py-3">
    <div class="grid grid-cols-1 gap-x-8 xl:grid-cols-2">
      <div>
        <LinePicker v-model="index" :lines="lines" />
        <label
          v-for="row in FIELDS"
          :key="row.name"
          class="flex items-center gap-2 border-b border-hairline py-0.5"
        >
          <span class="grow">{{ row.label }}, {{ symbolOf(row.unit) }}</span>
          <KeptInput
            class="field w-24"
            inputmode="decimal"
            :value="own[row.name] === undefined ? '' : asTyped(own[row.name]!, row.unit)"
            :placeholder="row.name === 'path' && path !== null ? inUnits(path, 'mm', 0) : '–'"
            :aria-invalid="!!problems[row.name]"
            @change="set(row, $event)"
          />
        </label>
        <TypedProblems :problems="problems" />
        <p class="py-1">
          <OnOff v-if="soft" :on="moves" @click="keep({ ...own, fixed: moves })"
            >One end moves with the engine</OnOff
          >
        </p>
        <HeatList :index="index" />
        <p v-if="problem" role="alert" class="font-semibold text-rust">{{ problem }}</p>
      </div>
      <div>
        <ul data-line-check>
          <li
            v-for="(one, i) in found.checks"
            :key="`${one.id}${i}`"
            class="border-b border-hairline py-1.5"
            :class="one.holds === false ? 'text-rust' : one.holds ? '' : 'text-soft'"
            :data-check="one.id"
            :data-holds="String(one.holds)"
          >
            <strong class="mr-1">{{ NAMES[one.id] }}</strong>
            <span aria-hidden="true" class="mr-1"
              >{{ one.holds === null ? '?' : one.holds ? '✓' : '✕' }}
            </span>
            {{ one.words }}
          </li>
        </ul>
        <section v-if="found.takes.length" class="mt-2" aria-labelledby="takes">
          <h3 id="takes" class="place-name">To be had with it</h3>
          <ul class="list-disc pl-6">
            <li v-for="one in found.takes" :key="one">{{ one }}</li>
          </ul>
        </section>
        <p class="mt-2 text-[0.95rem] text-soft">
          Limits are general practice; the maker’s own go before them.
        </p>
      </div>
    </div>
    <LayoutTable class="mt-4" />
  </div>
</template>
