<script setup lang="ts">
import { Pause, Play, SkipBack, SkipForward } from '~/icons'
import { useElementSize, useEventListener, useRafFn, useThrottleFn } from '@vueuse/core'
import { sequenceWords, type Film, type RankedEntry, RUNS } from '~~/core/bleed'
import { useHeavy } from '~/asking/heavy'
import { CHANGE_WORDS } from './way-words'
import {
  captionOf,
  drawInside,
  drawTrace,
  layoutOf,
  momentAt,
  traceOf,
  type Moment,
  type Tones,
} from './inside-draw'
import { useBleeding } from '~/job/useBleeding'
import { useTheme } from '~/frame/useTheme'
import { onMounted, onUnmounted, ref, computed, watch, watchEffect } from 'vue'
import { isTyping } from '~/lib/keys'
import { withUnits } from '~/units/units'
import OnOff from '~/components/frame/OnOff.vue'

/** Inside the circuit: where the air goes while a run is played, and where it is thought to be in the bleed that is under way. */
const { asIf, asked, entry, keyOf, laid, looked, open, picture, now } = useBleeding()
const { look } = useTheme()
onMounted(() => (looked.value = true))
onUnmounted(() => (looked.value = false))

/** ms between two changes of words and figures while it plays. */
const TOLD = 250
/** Cycles that are played where a way mostly never gets there. */
const PLAYED = 10
const MOST = 40
const chosen = ref('')
const way = computed(() => open.value.find((one) => keyOf(one) === chosen.value) ?? entry.value ?? null)
const steps = (one: RankedEntry) =>
  one.steps.map(({ method, cycles }) => ({
    method,
    cycles:
      one.chance < 0.5 ? Math.min(PLAYED, Math.max(1, cycles)) : Math.min(MOST, Math.max(1, cycles)),
  }))
const heavy = useHeavy(
  'film',
  () =>
    asked.value && way.value
      ? {
          asked: { ...asked.value, draws: 1 },
          steps: steps(way.value),
          atUnion: way.value.atUnion ?? false,
        }
      : null,
  { lane: 'beside', keeps: true },
)
const film = computed((): Film | null => heavy.answer.value)

/** s into the run. Only the pictures follow it frame by frame; words and figures follow a few times a second. */
const at = ref(0)
const told = ref(0)
const tellSoon = useThrottleFn(() => (told.value = at.value), TOLD, true, true)
const playing = ref(false)
const SPEEDS = [1, 4, 15, 60] as const
const speed = ref<number>(4)
const real = ref(false)
const end = computed(() => film.value?.frames.at(-1)?.at ?? 0)
watch(film, (made) => {
  at.value = 0
  playing.value = false
  // The whole run in half a minute or so.
  const wanted = (made?.frames.at(-1)?.at ?? 0) / 30
  speed.value = SPEEDS.find((one) => one >= wanted) ?? SPEEDS.at(-1)!
})
const { resume, pause } = useRafFn(
  ({ delta }) => {
    at.value = Math.min(end.value, at.value + (speed.value * Math.min(100, delta)) / 1000)
    if (at.value >= end.value) playing.value = false
  },
  { immediate: false },
)
watch(playing, (on) => (on ? resume() : pause()))
function toggle() {
  real.value = false
  if (!playing.value && at.value >= end.value) at.value = 0
  playing.value = !playing.value
}
/** To the next cycle, or back to the beginning of this one or the one before. */
function step(by: 1 | -1) {
  if (!film.value) return
  playing.value = false
  real.value = false
  const starts = film.value.frames.filter(({ cycle }, i, all) => i === 0 || all[i - 1]!.cycle !== cycle)
  const times = [...starts.map((frame) => frame.at), end.value]
  at.value =
    by > 0
      ? (times.find((time) => time > at.value + 0.05) ?? end.value)
      : (times.findLast((time) => time < at.value - 0.05) ?? 0)
}

watch(at, () => {
  if (playing.value) void tellSoon()
  else told.value = at.value
})
const seen = computed(() => (film.value ? momentAt(film.value, told.value) : null))
const caption = computed(() => (film.value && seen.value ? captionOf(film.value, seen.value.k) : ''))
const frame = computed(() => seen.value?.frame ?? null)
const air = computed(() => {
  if (real.value && now.value) {
    const { line, slave, master, total } = now.value
    return { line: line.middle, slave: slave.middle, master: master.middle, total: total.middle }
  }
  return frame.value?.air ?? null
})
const moment = computed((): Moment | null => {
  if (real.value && picture.value)
    return { ...picture.value, x: 0, moved: 0, flow: 0, gasShare: 0, level: 1 }
  return film.value ? momentAt(film.value, at.value).moment : null
})

// Pictures.
const box = ref<HTMLElement | null>(null)
const { width: shown } = useElementSize(box)
const TALL = 250
const TRACE = 150
/** Under this both cylinders would leave no room for the line: the whole is drawn smaller. */
const LEAST = 720
const width = computed(() => (shown.value > 0 ? Math.max(LEAST, shown.value) : 0))
const scale = computed(() => (width.value > 0 ? shown.value / width.value : 1))
const HEIGHT = computed(() => Math.round(TALL * Math.max(0.6, scale.value)))
const line = ref<HTMLCanvasElement | null>(null)
const trace = ref<HTMLCanvasElement | null>(null)
const tones = computed((): Tones => {
  void look.value
  const style = getComputedStyle(document.documentElement)
  const tone = (name: string) => style.getPropertyValue(`--${name}`).trim()
  return {
    ground: tone('ground'),
    raised: tone('raised'),
    ink: tone('ink'),
    soft: tone('soft'),
    hairline: tone('hairline'),
    amber: tone('amber'),
    fluid: tone('fluid'),
  }
})
const layout = computed(() =>
  film.value && width.value > 0
    ? layoutOf(film.value.line, { width: width.value, height: HEIGHT.value / scale.value })
    : null,
)
const rows = computed(() => (film.value ? traceOf(film.value, tones.value) : null))
function prepared(canvas: HTMLCanvasElement | null, height: number): CanvasRenderingContext2D | null {
  const ctx = canvas?.getContext('2d')
  if (!canvas || !ctx) return null
  const ratio = window.devicePixelRatio || 1
  const [w, h] = [Math.round(shown.value * ratio), Math.round(height * ratio)]
  if (canvas.width !== w || canvas.height !== h) {
    canvas.width = w
    canvas.height = h
  }
  ctx.setTransform(ratio * scale.value, 0, 0, ratio * scale.value, 0, 0)
  return ctx
}
watchEffect(
  () => {
    if (!film.value || !layout.value || !moment.value) return
    const size = { width: width.value, height: HEIGHT.value / scale.value }
    const ctx = prepared(line.value, HEIGHT.value)
    const off = laid.value?.slave.bleeder?.off ?? null
    if (ctx) drawInside(ctx, size, layout.value, moment.value, film.value, off, tones.value)
  },
  { flush: 'post' },
)
watchEffect(
  () => {
    if (!film.value || !rows.value || width.value === 0) return
    const ctx = prepared(trace.value, TRACE)
    const size = { width: width.value, height: TRACE / scale.value }
    if (ctx) drawTrace(ctx, size, rows.value, film.value, tones.value)
  },
  { flush: 'post' },
)
/** Where the run is, on the trace: moved by itself, so that nothing is drawn anew for it. */
const cursor = ref<HTMLElement | null>(null)
watchEffect(
  () => {
    const share = end.value > 0 && !real.value ? at.value / end.value : 1
    if (cursor.value) cursor.value.style.transform = `translateY(${(share * (TRACE - 3)).toFixed(1)}px)`
  },
  { flush: 'post' },
)
/** A touch on the trace goes to that moment. */
function scrub(event: PointerEvent) {
  if (event.type === 'pointermove' && event.buttons === 0) return
  const rect = trace.value!.getBoundingClientRect()
  at.value = Math.min(end.value, Math.max(0, ((event.clientY - rect.top) / rect.height) * end.value))
  playing.value = false
  real.value = false
}
useEventListener('keydown', (event: KeyboardEvent) => {
  if (isTyping(event) || event.ctrlKey || event.metaKey || event.altKey) return
  if (event.target instanceof HTMLButtonElement || event.target instanceof HTMLSelectElement) return
  if (event.key === ' ') {
    event.preventDefault()
    toggle()
  } else if (event.key === 'ArrowRight') step(1)
  else if (event.key === 'ArrowLeft') step(-1)
})
const table = computed(() => {
  const list = film.value?.frames ?? []
  return list.filter(({ cycle }, i) => i + 1 === list.length || list[i + 1]!.cycle !== cycle)
})
const ml = (value: number) => withUnits(1000 * value, 'mm³')
</script>

<template>
  <div class="px-6 py-3" data-inside>
    <div class="flex flex-wrap items-center gap-x-3 gap-y-2">
      <label class="min-w-0">
        <span class="sr-only">Way that is played</span>
        <select
          class="field w-auto max-w-72"
          :value="way ? keyOf(way) : ''"
          @change="chosen = ($event.target as HTMLSelectElement).value"
        >
          <option v-for="one in open" :key="keyOf(one)" :value="keyOf(one)">
            {{ sequenceWords(one) }}
          </option>
        </select>
      </label>
      <button type="button" class="quiet" aria-label="Cycle back" :disabled="!film" @click="step(-1)">
        <SkipBack :size="20" aria-hidden="true" />
      </button>
      <button
        type="button"
        class="act min-w-14"
        :aria-label="playing ? 'Pause' : 'Play'"
        :disabled="!film"
        @click="toggle"
      >
        <component :is="playing ? Pause : Play" :size="20" aria-hidden="true" />
      </button>
      <button type="button" class="quiet" aria-label="Cycle on" :disabled="!film" @click="step(1)">
        <SkipForward :size="20" aria-hidden="true" />
      </button>
      <div role="group" aria-label="Speed" class="flex gap-1">
        <OnOff v-for="one in SPEEDS" :key="one" :on="speed === one" @click="speed = one"
          >{{ one }} ×</OnOff
        >
      </div>
      <OnOff v-if="picture" :on="real" @click="((real = !real), (playing = false))"
        >This bleed, as logged</OnOff
      >
    </div>
    <p class="mt-2 flex flex-wrap items-baseline gap-x-4 text-[1.05rem]" data-caption>
      <template v-if="real"
        ><strong>This bleed by now:</strong> where its air is thought to be, by what was
        logged</template
      >
      <template v-else-if="frame"
        ><strong class="min-w-80">{{ caption }}</strong>
        <span class="text-soft"
          >{{ RUNS[frame.method].words }}, cycle {{ frame.cycle }}, {{ told.toFixed(0) }} s of
          {{ end.toFixed(0) }}</span
        ></template
      >
      <span v-else-if="heavy.progress.value !== null" class="text-soft">Reckoning the run …</span>
      <span v-else-if="!way" class="text-soft"
        >No way to bleed it is left with what is at hand: see Methods.</span
      >
    </p>
    <p v-if="asIf" class="border-l-4 border-amber pl-3">
      As if: <strong>{{ CHANGE_WORDS[asIf].name }}</strong>
      <button type="button" class="tap underline underline-offset-4" @click="asIf = null">
        as it is
      </button>
    </p>
    <div ref="box" class="relative mt-1">
      <canvas
        ref="line"
        class="block w-full"
        :style="{ height: `${HEIGHT}px` }"
        role="img"
        :aria-label="
          air
            ? `Circuit in section. Air: master ${ml(air.master)}, line ${ml(air.line)}, slave ${ml(air.slave)}.`
            : 'Circuit in section'
        "
      />
      <div
        v-if="air"
        class="pointer-events-none absolute inset-x-0 bottom-0 flex justify-between text-[1.05rem]"
        aria-hidden="true"
      >
        <span
          >master <strong data-air="master">{{ ml(air.master) }}</strong></span
        >
        <span
          >line <strong data-air="line">{{ ml(air.line) }}</strong></span
        >
        <span
          >slave <strong data-air="slave">{{ ml(air.slave) }}</strong></span
        >
      </div>
    </div>
    <label v-if="film" class="sr-only"
      >Moment of the run, s
      <input
        :value="told"
        type="range"
        min="0"
        :max="end"
        step="0.1"
        @input="((playing = false), (at = Number(($event.target as HTMLInputElement).value)))"
    /></label>
    <div class="relative">
      <canvas
        ref="trace"
        class="block w-full cursor-pointer touch-none"
        :style="{ height: `${TRACE}px` }"
        aria-hidden="true"
        @pointerdown="scrub"
        @pointermove="scrub"
      />
      <span
        v-if="film"
        ref="cursor"
        class="pointer-events-none absolute inset-x-0 top-0 h-[3px] bg-amber"
        aria-hidden="true"
      />
    </div>
    <p class="mt-2 text-[0.95rem] text-soft">
      The run, from top to bottom: marked where there is air, along the line as drawn above, in the
      master on the left and in the slave on the right. What walks off to the right leaves; what goes
      out and comes back stays. Figures are of air let free.
    </p>
    <details v-if="film" class="mt-2">
      <summary class="min-h-11 py-2">The same as a table, cycle by cycle</summary>
      <table class="w-full text-right">
        <thead class="text-[0.95rem] text-soft">
          <tr>
            <th scope="col" class="text-left font-normal">cycle</th>
            <th scope="col" class="font-normal">line</th>
            <th scope="col" class="font-normal">slave</th>
            <th scope="col" class="font-normal">master</th>
            <th scope="col" class="font-normal">all</th>
            <th scope="col" class="font-normal">fluid out</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="one in table" :key="one.cycle" class="border-b border-hairline">
            <th scope="row" class="text-left font-normal">
              {{ one.cycle }}, {{ RUNS[one.method].words.toLowerCase() }}
            </th>
            <td>{{ ml(one.air.line) }}</td>
            <td>{{ ml(one.air.slave) }}</td>
            <td>{{ ml(one.air.master) }}</td>
            <td>{{ ml(one.air.total) }}</td>
            <td>{{ ml(one.liquidOut) }}</td>
          </tr>
        </tbody>
      </table>
    </details>
    <p class="mt-1 text-[0.9rem] text-soft">
      A reckoning with usual figures, not a measurement. It is good for where air sits and which way
      reaches it, not for less than {{ ml(0.1) }}.
    </p>
  </div>
</template>
