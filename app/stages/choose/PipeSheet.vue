<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { FLARE_ALLOWANCES, pipeProblemWords, type Corner } from '~~/core/layout'
import { download, fileName } from '~/components/line/export-svg'
import { usePipe } from './usePipe'
import { useDesk } from '~/job/useDesk'
import { useRoute, navigateTo } from '#imports'
import { computed, reactive, ref, useTemplateRef } from 'vue'
import { typedWithin, boundsIn, formatNow, symbolOf, withUnits, inUnits, asTyped } from '~/units/units'
import { millimetres } from '~/units/format'
import PipeReformed from './PipeReformed.vue'
import LinePicker from '~/stages/choose/LinePicker.vue'
import KeptInput from '~/components/frame/KeptInput.vue'
import ChoiceRow from '~/components/frame/ChoiceRow.vue'
import TypedProblems from '~/components/frame/TypedProblems.vue'

/** A pipe to be made: corners from the drawing or by hand, what is cut, where it is bent, and a true-size print. */
const desk = useDesk()
const route = useRoute()
const lines = computed(() => desk.kept.value?.circuit.lines ?? [])
const index = computed<number>({
  get: () => {
    const asked = Number(route.query.line ?? -1)
    if (lines.value[asked]) return asked
    const steel = lines.value.findIndex(({ kind }) => kind === 'steel')
    return Math.max(0, steel)
  },
  set: (line) => void navigateTo({ query: { ...route.query, line } }, { replace: true }),
})
const { line, draft, change, reset, corners, outerDiameter, by, radius, allowanceOf, flare, made } =
  usePipe(() => index.value)
const pipe = computed(() => made.value.pipe)
const problems = reactive<Record<string, string>>({})
const COLUMNS = [
  { name: 'forward', label: 'Forward' },
  { name: 'side', label: 'Left' },
  { name: 'height', label: 'Up' },
] as const
const FAR = { min: -10_000, max: 10_000 }
function setCorner(i: number, name: keyof Corner, text: string) {
  const key = `${name}${i}`
  problems[key] = ''
  const value = typedWithin(text, 'mm', FAR)
  if (value === null) problems[key] = `Corner ${i + 1}, ${name}: ${boundsIn(FAR, 'mm')}`
  else change({ corners: corners.value.map((one, k) => (k === i ? { ...one, [name]: value } : one)) })
}
function insertCorner(i: number) {
  const [a, b] = [corners.value[i]!, corners.value[i + 1]!]
  const middle: Corner = {
    forward: (a.forward + b.forward) / 2,
    side: (a.side + b.side) / 2,
    height: (a.height + b.height) / 2,
  }
  change({ corners: [...corners.value.slice(0, i + 1), middle, ...corners.value.slice(i + 1)] })
}
const removeCorner = (i: number) => change({ corners: corners.value.filter((_, k) => k !== i) })
const OD = { min: 2, max: 20 }
const RADIUS = { min: 3, max: 500 }
const ALLOW = { min: 0, max: 40 }
function setFigure(
  name: 'outerDiameter' | 'radius',
  text: string,
  bounds: { min: number; max: number },
) {
  problems[name] = ''
  const value = typedWithin(text, 'mm', bounds)
  if (value === null) problems[name] = boundsIn(bounds, 'mm')
  else change({ [name]: value })
}
function setAllowance(seat: (typeof FLARE_ALLOWANCES)[number]['seat'], text: string) {
  problems[seat] = ''
  const value = typedWithin(text, 'mm', ALLOW)
  if (value === null) problems[seat] = boundsIn(ALLOW, 'mm')
  else change({ allowances: { ...draft.value.allowances, [seat]: value } })
}
const BY = [
  { id: 'tool', name: 'With a bender' },
  { id: 'hand', name: 'By hand over a round' },
] as const
const bentBy = computed(() => (by.value === 'hand' ? 'hand' : 'tool'))
/** The way that was drawn is often straighter than the pipe that lies there. */
const APART = 0.06
const differs = computed(() => {
  const [now, was] = [pipe.value?.cut, line.value?.length]
  return (
    now !== undefined && was !== undefined && !draft.value.corners && Math.abs(now / was - 1) > APART
  )
})

const printing = ref('')
async function print() {
  if (!pipe.value) return
  printing.value = 'Drawing…'
  const { pipePdf } = await import('./pipe-print')
  const pdf = pipePdf({
    name: `${desk.name.value} line ${index.value + 1}`,
    corners: corners.value,
    made: pipe.value,
    outerDiameter: outerDiameter.value,
    format: formatNow(),
  })
  if (!pdf) {
    printing.value = 'In its true size this pipe takes more than 40 pages: bend it by the table.'
    return
  }
  download(
    fileName(`${desk.name.value} pipe ${index.value + 1}`, 'pdf'),
    'application/pdf',
    pdf.output('blob'),
  )
  printing.value = 'Saved as PDF. Print it at 100 %, and measure its bar before you bend by it.'
}
const frame = useTemplateRef<HTMLElement>('frame')
const { width } = useElementSize(frame)
const HIGH = 190
const EDGE = 28
/** The pipe seen from the left, in px: words keep their size. */
const seen = computed(() => {
  const list = corners.value
  if (list.length < 2) return null
  const xs = list.map((one) => one.forward)
  const ys = list.map((one) => -one.height)
  const [x, y] = [Math.min(...xs), Math.min(...ys)]
  const wide = Math.max(width.value, 240)
  const scale = Math.min(
    (wide - 2 * EDGE) / Math.max(1, Math.max(...xs) - x),
    (HIGH - 2 * EDGE) / Math.max(1, Math.max(...ys) - y),
  )
  const at = list.map((one, i) => ({
    x: EDGE + (one.forward - x) * scale,
    y: EDGE + (-one.height - y) * scale,
    name: i === 0 ? 'A' : i === list.length - 1 ? 'B' : String(i),
  }))
  return { wide, at, points: at.map((one) => `${one.x},${one.y}`).join(' ') }
})
</script>

<template>
  <div v-if="line" class="grid grid-cols-1 gap-x-8 px-6 py-3 xl:grid-cols-2">
    <div>
      <LinePicker v-model="index" :lines="lines" />
      <div class="relative overflow-x-auto">
        <table class="w-full">
          <caption class="sr-only">
            Ends and corners of the pipe
          </caption>
          <thead class="text-left text-[0.95rem] text-soft">
            <tr>
              <th scope="col" class="font-normal">Corner</th>
              <th v-for="column in COLUMNS" :key="column.name" scope="col" class="font-normal">
                {{ column.label }}, {{ symbolOf('mm') }}
              </th>
              <th><span class="sr-only">Add, remove</span></th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(corner, i) in corners" :key="i">
              <th scope="row" class="pr-1 text-left font-normal whitespace-nowrap">
                {{ i === 0 ? 'End A' : i === corners.length - 1 ? 'End B' : `Bend ${i}` }}
              </th>
              <td v-for="column in COLUMNS" :key="column.name" class="py-0.5 pr-1">
                <KeptInput
                  class="field w-20 px-2"
                  inputmode="decimal"
                  :value="inUnits(corner[column.name], 'mm')"
                  :aria-label="`${column.label}, corner ${i + 1}`"
                  :aria-invalid="!!problems[`${column.name}${i}`]"
                  @change="setCorner(i, column.name, $event)"
                />
              </td>
              <td class="whitespace-nowrap">
                <button
                  type="button"
                  class="quiet"
                  :disabled="i === corners.length - 1"
                  :aria-label="`A corner after ${i + 1}`"
                  @click="insertCorner(i)"
                >
                  +
                </button>
                <button
                  type="button"
                  class="quiet"
                  :disabled="i === 0 || i === corners.length - 1"
                  :aria-label="`Take corner ${i + 1} out`"
                  @click="removeCorner(i)"
                >
                  −
                </button>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <div class="mt-2 flex flex-wrap items-center gap-2">
        <ChoiceRow
          :model-value="bentBy"
          :choices="BY"
          label="How it is bent"
          @update:model-value="change({ by: $event })"
        />
        <button type="button" class="quiet" :disabled="Object.keys(draft).length === 0" @click="reset">
          As it was drawn
        </button>
      </div>
      <div class="grid gap-x-4 gap-y-1 py-1 sm:grid-cols-2">
        <label class="flex items-center gap-2"
          ><span class="grow">Pipe, outside, {{ symbolOf('mm') }}</span>
          <KeptInput
            class="field w-24"
            inputmode="decimal"
            :value="asTyped(outerDiameter, 'mm')"
            :aria-invalid="!!problems.outerDiameter"
            @change="setFigure('outerDiameter', $event, OD)"
          />
        </label>
        <label class="flex items-center gap-2"
          ><span class="grow">Bend radius, {{ symbolOf('mm') }}</span>
          <KeptInput
            class="field w-24"
            inputmode="decimal"
            :value="asTyped(radius, 'mm')"
            :aria-invalid="!!problems.radius"
            @change="setFigure('radius', $event, RADIUS)"
          />
        </label>
        <label v-for="end in ['a', 'b'] as const" :key="end" class="flex items-center gap-2"
          ><span class="grow">End {{ end.toUpperCase() }}</span>
          <select
            class="field w-44"
            :value="flare(end).seat"
            @change="
              change({
                [end]: ($event.target as HTMLSelectElement)
                  .value as (typeof FLARE_ALLOWANCES)[number]['seat'],
              })
            "
          >
            <option v-for="one in FLARE_ALLOWANCES" :key="one.seat" :value="one.seat">
              {{ one.label }}
            </option>
          </select>
        </label>
      </div>
      <details>
        <summary class="min-h-11 py-2">What a flare takes of the pipe</summary>
        <label
          v-for="one in FLARE_ALLOWANCES"
          :key="one.seat"
          class="flex items-center gap-2 border-b border-hairline py-1"
        >
          <span class="grow"
            >{{ one.label }}, {{ symbolOf('mm')
            }}<span class="block text-[0.95rem] text-soft">{{ one.reason }}</span></span
          >
          <KeptInput
            class="field w-20"
            inputmode="decimal"
            :value="asTyped(allowanceOf(one.seat), 'mm')"
            :aria-invalid="!!problems[one.seat]"
            @change="setAllowance(one.seat, $event)"
          />
        </label>
      </details>
      <TypedProblems :problems="problems" />
    </div>
    <div>
      <div ref="frame">
        <svg
          v-if="seen"
          :viewBox="`0 0 ${seen.wide} ${HIGH}`"
          :width="seen.wide"
          :height="HIGH"
          class="block max-w-full"
          role="img"
          aria-label="The pipe seen from the left"
        >
          <polyline
            :points="seen.points"
            fill="none"
            stroke="var(--fluid)"
            stroke-width="7"
            stroke-linejoin="round"
          />
          <g v-for="one in seen.at" :key="one.name">
            <circle :cx="one.x" :cy="one.y" r="4" fill="var(--ink)" />
            <text :x="one.x + 8" :y="one.y - 9" font-size="16" fill="var(--ink)">{{ one.name }}</text>
          </g>
        </svg>
      </div>
      <p v-if="made.wrong" role="alert" class="font-semibold text-rust">{{ made.wrong }}.</p>
      <template v-if="pipe">
        <p class="text-[1.2rem]">
          Cut <strong data-cut>{{ withUnits(pipe.cut, 'mm') }}</strong>
        </p>
        <p class="text-[0.95rem] text-soft">
          Straights, arcs at {{ withUnits(pipe.radius, 'mm', 0) }} and what the flares take. Nuts on
          before the last flare, threads outward; deburr and blow it clean away from the face.
        </p>
        <p
          v-for="one in pipe.problems"
          :key="pipeProblemWords(one, formatNow())"
          class="mt-1 border-l-4 border-rust pl-3"
          data-pipe-problem
        >
          {{ pipeProblemWords(one, formatNow()) }}
        </p>
        <p v-if="differs" class="mt-1 border-l-4 border-amber pl-3">
          The line that is there is {{ millimetres(line.length) }} long: the drawing is straighter than
          it lies, or the old one was. Lay a wire along the way before you cut.
        </p>
        <div class="relative overflow-x-auto">
          <table v-if="pipe.bends.length" class="mt-2 w-full text-right" data-bends>
            <thead class="text-[0.95rem] text-soft">
              <tr>
                <th scope="col" class="text-left font-normal">bend</th>
                <th scope="col" class="px-2 font-normal">begins at, {{ symbolOf('mm') }}</th>
                <th scope="col" class="px-2 font-normal">angle</th>
                <th scope="col" class="px-2 font-normal">turn the pipe</th>
                <th scope="col" class="pl-3 text-left font-normal">it then goes</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="(bend, i) in pipe.bends" :key="i" class="border-b border-hairline">
                <th scope="row" class="min-h-11 text-left font-normal">{{ i + 1 }}</th>
                <td class="px-2">{{ inUnits(bend.at, 'mm') }}</td>
                <td class="px-2">{{ bend.angle.toFixed(0) }}°</td>
                <td class="px-2">
                  {{
                    i === 0
                      ? ''
                      : `${Math.abs(bend.turn).toFixed(0)}° ${Math.abs(bend.turn) < 0.5 ? '' : bend.turn > 0 ? 'clockwise' : 'back'}`
                  }}
                </td>
                <td class="pl-3 text-left">{{ bend.goes }}</td>
              </tr>
            </tbody>
          </table>
        </div>
        <p class="text-[0.95rem] text-soft">
          Measured along the pipe from the cut end A. Turns are seen from end A.
        </p>
        <p class="mt-2 flex flex-wrap items-center gap-2">
          <button type="button" class="act" @click="print">Print in true size</button>
          <span role="status" class="text-[0.95rem]">{{ printing }}</span>
        </p>
        <PipeReformed :pipe="pipe" />
      </template>
    </div>
  </div>
</template>
