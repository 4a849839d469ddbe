<script setup lang="ts">
import type { LadderStacks } from '~/job/drawn'
import { useElementSize } from '@vueuse/core'
import { TERMS, type TravelBudget } from '~~/core/circuit'
import { displayUnit } from '~~/core/quantity'
import { labelsOf, padFigure, piecesOf, ticksTo } from './pad-ladder'
import { useTemplateRef, ref, computed } from 'vue'
import { unitsNow } from '~/units/units'
import TermFormula from '~/components/job/TermFormula.vue'
import BudgetTable from '~/components/job/BudgetTable.vue'

/** The pad's travel as an upright rule: what takes it up, what is left, and what was measured; up to three states. */
const props = defineProps<{ stacks: LadderStacks }>()

const frame = useTemplateRef<HTMLElement>('frame')
const { width, height } = useElementSize(frame)
const TOP = 22
const opened = ref<keyof TravelBudget | null>(null)
const last = computed(() => props.stacks.at(-1)!)
const travel = computed(() => last.value.figures.circuit.pedal.travel)
const deepest = computed(() =>
  Math.max(
    ...props.stacks.flatMap(({ figures }) => [
      figures.circuit.pedal.travel,
      figures.solution.pedalTravelAtRelease,
    ]),
  ),
)
const scale = computed(() => (Math.max(height.value, 300) - TOP - 46) / (deepest.value * 1.01))
const y = (mm: number) => TOP + mm * scale.value
const column = computed(() => [34, 26, 19][props.stacks.length - 1] ?? 19)
const gap = computed(() => (props.stacks.length > 2 ? 5 : 8))
const unit = computed(() => displayUnit('mm', unitsNow()))
const mm = (value: number, coarse = false) => padFigure(value, unitsNow(), coarse)
/** Where the stacks begin, px: the rule and its figures stand left of them. */
const LEFT = 74

const drawn = computed(() =>
  props.stacks.map((stack, i) => ({
    ...stack,
    x: LEFT + i * (column.value + gap.value),
    pieces: piecesOf(stack.figures.solution),
    needed: stack.figures.solution.pedalTravelAtRelease,
    reserve: stack.figures.reserve,
  })),
)
const floorY = computed(() => y(travel.value))
const labels = computed(() => labelsOf(drawn.value.at(-1)!.pieces, y, floorY.value))
const labelX = computed(() => drawn.value.at(-1)!.x + column.value + 10)
const marks = computed(() =>
  props.stacks.flatMap((stack, i) => {
    const { felt, bites = 0 } = stack
    const current = i === props.stacks.length - 1
    const list = []
    if (felt !== undefined)
      list.push({ key: `free${i}`, at: felt, words: `felt ${mm(felt, true)}`, current })
    if (bites > 0) {
      const at = stack.figures.circuit.pedal.travel - bites
      list.push({ key: `up${i}`, at, words: `bites ${mm(at, true)}`, current })
    }
    return list
  }),
)
const ticks = computed(() => ticksTo(deepest.value, unit.value.size !== 1))
/** A tick's figure gives way to a measured mark that would stand on it. */
const clearOfMarks = (mm: number) => marks.value.every((mark) => Math.abs(y(mark.at) - 13 - y(mm)) > 15)
const term = computed(() => TERMS.find(({ name }) => name === opened.value) ?? null)
const verdict = computed(() => {
  const { solution } = last.value.figures
  const { reserve } = solution
  const { low, high } = last.value.figures.reserve
  const half = mm((high - low) / 2, true)
  return reserve >= 0
    ? { words: `${mm(reserve, true)} left`, half, short: !solution.releases }
    : { words: `${mm(-reserve, true)} short`, half, short: true }
})
</script>

<template>
  <aside class="relative flex h-full flex-col" aria-label="Pad travel">
    <h2 class="px-3 pt-2 text-[0.95rem] font-normal text-soft">
      Pad travel, {{ unit.symbol }}
      <span v-if="stacks.length > 1" class="block">{{
        stacks.map((stack) => stack.label).join(' | ')
      }}</span>
    </h2>
    <div ref="frame" class="relative min-h-0 grow">
      <svg
        v-if="width > 0"
        :viewBox="`0 0 ${width} ${Math.max(height, 300)}`"
        class="size-full"
        aria-hidden="true"
      >
        <defs>
          <pattern id="air-dots" width="6" height="6" patternUnits="userSpaceOnUse">
            <rect width="6" height="6" class="paper" />
            <circle cx="3" cy="3" r="2" class="dot" />
          </pattern>
          <pattern
            id="missing"
            width="7"
            height="7"
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(45)"
          >
            <rect width="7" height="7" class="paper" />
            <path d="M0 0V7" class="hatch" />
          </pattern>
        </defs>
        <g v-for="tick in ticks" :key="tick.mm">
          <path :d="`M${LEFT - 8} ${y(tick.mm)}h${tick.words ? -14 : -7}`" class="tick" />
          <text
            v-if="tick.words && clearOfMarks(tick.mm)"
            :x="LEFT - 26"
            :y="y(tick.mm) + 5"
            text-anchor="end"
            class="soft"
          >
            {{ tick.words }}
          </text>
        </g>
        <g v-for="stack in drawn" :key="stack.id">
          <rect :x="stack.x" :y="y(0)" :width="column" :height="floorY - y(0)" class="room" />
          <rect
            v-for="piece in stack.pieces"
            :key="piece.name"
            :x="stack.x"
            :y="y(piece.from)"
            :width="column"
            :height="Math.max(0.5, y(piece.to) - y(piece.from))"
            class="piece"
            :class="piece.name"
          />
          <rect
            v-if="stack.needed > stack.figures.circuit.pedal.travel"
            :x="stack.x"
            :y="y(stack.figures.circuit.pedal.travel)"
            :width="column"
            :height="y(stack.needed) - y(stack.figures.circuit.pedal.travel)"
            class="missing"
          />
          <path
            :d="`M${stack.x + column / 2} ${y(stack.figures.circuit.pedal.travel - stack.reserve.high)}V${Math.min(y(stack.figures.circuit.pedal.travel - stack.reserve.low), Math.max(height, 300) - 4)}m-5 0h10`"
            class="whisker"
          />
        </g>
        <path :d="`M${LEFT - 22} ${floorY}H${width}`" class="floor" />
        <text :x="width - 8" :y="floorY - 7" text-anchor="end" class="strong">floor</text>
        <text
          :x="width - 8"
          :y="floorY + 20"
          text-anchor="end"
          class="strong"
          :class="verdict.short ? 'rust' : 'ink'"
        >
          {{ verdict.words }}
        </text>
        <text :x="width - 8" :y="floorY + 40" text-anchor="end" class="soft">± {{ verdict.half }}</text>
        <g v-for="mark in marks" :key="mark.key" :class="mark.current ? 'amber' : 'faded'">
          <path :d="`M${LEFT - 2} ${y(mark.at)}l-11 -6v12z`" class="arrow" />
          <text :x="4" :y="y(mark.at) - 8" class="strong">{{ mark.words }}</text>
        </g>
        <!-- Where the newest state is reckoned to take up, hollow beside what was measured. -->
        <path
          v-if="last.figures.solution.engagement !== null"
          :d="`M${LEFT - 2} ${y(last.figures.solution.engagement)}l-11 -6v12z`"
          class="reckoned"
        />
        <g v-for="label in labels" :key="label.name">
          <path
            :d="`M${labelX - 9} ${(y(label.from) + y(label.to)) / 2}L${labelX - 2} ${label.at}`"
            class="tick"
          />
        </g>
      </svg>
      <template v-if="width > 0">
        <button
          v-for="label in labels"
          :key="label.name"
          type="button"
          class="term"
          :style="{
            top: `${label.at - label.half}px`,
            left: `${labelX}px`,
            height: `${2 * label.half}px`,
          }"
          :aria-expanded="opened === label.name"
          :aria-label="`${label.label}, ${mm(label.size)} ${unit.symbol} of pad. Open formula`"
          @click="opened = opened === label.name ? null : label.name"
        >
          <span>{{ label.label }}</span><span>{{ mm(label.size) }}</span>
        </button>
      </template>
    </div>
    <TermFormula
      v-if="term"
      class="absolute inset-x-2 top-10 z-20 lg:inset-x-auto lg:right-full lg:w-80"
      :term="term"
      :figures="last.figures"
      @close="opened = null"
    />
    <!-- A table is as wide as its words, hidden or not: what is round it is cut. -->
    <div class="sr-only"><BudgetTable :stacks="stacks" /></div>
  </aside>
</template>

<style scoped>
text {
  fill: var(--ink);
  font-size: 15px;
}
.soft {
  fill: var(--soft);
}
.strong {
  font-weight: 650;
}
text.rust {
  fill: var(--rust);
}
.tick {
  stroke: var(--edge);
  fill: none;
}
.room {
  fill: none;
  stroke: var(--edge);
  stroke-width: 1;
}
.piece {
  stroke: var(--ink);
  stroke-width: 1;
  fill: var(--hairline);
}
.piece.air {
  fill: url(#air-dots);
}
.piece.portClosure {
  fill: var(--raised);
}
.piece.lineSwell,
.piece.snap {
  fill: var(--fluid-deep);
}
.piece.fluid {
  fill: var(--edge);
}
.piece.lift {
  fill: var(--fluid);
}
.paper {
  fill: var(--ground);
}
.dot {
  fill: none;
  stroke: var(--ink);
  stroke-width: 0.9;
}
.hatch {
  stroke: var(--rust);
  stroke-width: 2.5;
}
.missing {
  fill: url(#missing);
  stroke: var(--rust);
  stroke-width: 2;
}
.whisker {
  stroke: var(--ink);
  fill: none;
  stroke-width: 2;
}
.reckoned {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.5;
}
.floor {
  stroke: var(--ink);
  stroke-width: 3;
}
.amber text,
.amber .arrow {
  fill: var(--amber);
}
.faded text,
.faded .arrow {
  fill: var(--soft);
}
.term {
  position: absolute;
  right: 6px;
  display: flex;
  justify-content: space-between;
  align-items: center;
  min-height: 30px;
  font-size: 15px;
}
.term:hover {
  text-decoration: underline;
}
</style>
