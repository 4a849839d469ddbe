<script setup lang="ts">
import { unionAt, withRoute, type RoutePoint } from '~~/core/installation'
import { useDesk } from '~/job/useDesk'
import { computed, reactive } from 'vue'
import { typedValue, typedWithin, boundsIn, unitsNow, asTyped, symbolOf } from '~/units/units'
import { millimetres } from '~/units/format'
import KeptInput from '~/components/frame/KeptInput.vue'
import UndoButton from '~/components/frame/UndoButton.vue'

/** The line's way as a short table; the same points can be dragged in the drawing or moved by arrow keys there. */
const { kept, routing, filing } = useDesk()
const route = computed(() => routing.shown.value?.route ?? [])
const last = computed(() => route.value.length - 1)
const problems = reactive<Record<string, string>>({})

const COLUMNS = [
  { name: 'along', label: 'Along' },
  { name: 'height', label: 'Over the master' },
  { name: 'forward', label: 'Forward' },
] as const
type Column = (typeof COLUMNS)[number]['name']
const BOUNDS: Record<Column, { min: number; max: number }> = {
  along: { min: 0, max: 640_000 },
  height: { min: -5000, max: 5000 },
  forward: { min: -10_000, max: 10_000 },
}
const nameOf = (i: number) => {
  if (i === 0) return 'Master’s outlet'
  if (i === last.value) return 'Slave’s port'
  const union = kept.value ? unionAt(kept.value.circuit, route.value[i]!.along) : -1
  return union < 0 ? '' : 'Union'
}
const fixed = (i: number, column: Column) => column === 'along' && (i === 0 || i === last.value)

async function type(i: number, column: Column, typed: string) {
  const key = `${i}${column}`
  const mm = typedValue(typed, 'mm')
  problems[key] = ''
  if (mm === null) {
    problems[key] = `“${typed}” is no number`
    return
  }
  if (typedWithin(typed, 'mm', BOUNDS[column]) === null) {
    problems[key] = `It must be ${boundsIn(BOUNDS[column], 'mm')}`
    return
  }
  routing.move(i, { [column]: mm })
  const now = routing.shown.value?.route[i]?.[column]
  // Between its neighbours, which a typed distance may not be.
  if (column === 'along' && now !== undefined && Math.abs(now - mm) > 0.01) {
    problems[key] = `It must lie between its neighbours: ${millimetres(now)} is as near as it can go`
    routing.letGo()
    return
  }
  if (now !== undefined && Math.abs(now - mm) > 0.01) {
    problems[key] = `The line is not long enough: ${millimetres(now)} is the farthest`
    routing.letGo()
    return
  }
  await routing.keep()
}
async function toggleClip(i: number) {
  routing.move(i, { clip: !route.value[i]!.clip })
  await routing.keep()
}
async function straight() {
  if (!kept.value) return
  const ends = [route.value[0]!, route.value[last.value]!] as RoutePoint[]
  await filing.file('route', { points: withRoute(kept.value, ends).route })
}
const shown = (point: RoutePoint, column: Column) => {
  const digits = unitsNow() === 'inch' ? 100 : 10
  const typedOut = Number(asTyped(point[column], 'mm'))
  return String(Math.round(typedOut * digits) / digits)
}
</script>

<template>
  <div class="px-6 py-4">
    <p id="route-keys" class="text-soft">
      Drag a point in the drawing, or choose it and use the arrow keys (Shift: larger steps, Insert: a
      point more, Delete: one less). A double tap on the line adds a point. A height near a neighbour’s
      snaps to it; hold Alt to stop that.
    </p>
    <div class="relative overflow-x-auto">
      <table class="mt-3">
        <caption class="sr-only">
          Points of the line’s way, from master to slave
        </caption>
        <thead class="text-left text-soft">
          <tr>
            <th scope="col" class="pr-4 font-normal">Point</th>
            <th v-for="column in COLUMNS" :key="column.name" scope="col" class="pr-2 font-normal">
              {{ column.label }}, {{ symbolOf('mm') }}
            </th>
            <th scope="col" class="font-normal">Clip</th>
            <th><span class="sr-only">Add, remove</span></th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="(point, i) in route"
            :key="i"
            :class="routing.chosen.value === i ? 'bg-raised' : ''"
            :data-row="i"
          >
            <th scope="row" class="pr-4 text-left font-normal">{{ i + 1 }} {{ nameOf(i) }}</th>
            <td v-for="column in COLUMNS" :key="column.name" class="py-0.5 pr-2">
              <KeptInput
                class="field w-28"
                inputmode="decimal"
                autocomplete="off"
                :value="shown(point, column.name)"
                :disabled="fixed(i, column.name)"
                :aria-label="`${column.label}, point ${i + 1}`"
                :aria-invalid="!!problems[`${i}${column.name}`]"
                @focus="routing.choose(i)"
                @change="type(i, column.name, $event)"
              />
              <span
                v-if="problems[`${i}${column.name}`]"
                role="alert"
                class="block max-w-40 text-[0.9rem] font-semibold text-rust"
              >
                {{ problems[`${i}${column.name}`] }}
              </span>
            </td>
            <td>
              <button
                type="button"
                class="quiet"
                :aria-pressed="!!point.clip"
                :aria-label="`Clip at point ${i + 1}`"
                :class="{ 'bg-ink text-ground': point.clip }"
                @click="toggleClip(i)"
              >
                {{ point.clip ? 'yes' : 'no' }}
              </button>
            </td>
            <td class="pl-2">
              <span class="flex gap-1">
                <button
                  type="button"
                  class="quiet"
                  :disabled="i === last"
                  :aria-label="`A point after ${i + 1}`"
                  @click="routing.addAfter(i)"
                >
                  +
                </button>
                <button
                  type="button"
                  class="quiet"
                  :disabled="i === 0 || i === last"
                  :aria-label="`Take point ${i + 1} out`"
                  @click="routing.remove(i)"
                >
                  −
                </button>
              </span>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p class="mt-3 flex flex-wrap gap-2">
      <UndoButton :entry="filing.undoable.value" @undo="filing.undo" />
      <button
        type="button"
        class="quiet"
        :disabled="filing.undone.value.length === 0"
        @click="filing.redo"
      >
        Redo
      </button>
      <button type="button" class="quiet" :disabled="route.length < 3" @click="straight">
        Straight from end to end
      </button>
    </p>
    <p v-if="filing.problem.value" role="alert" class="mt-2 font-semibold text-rust">
      {{ filing.problem.value }}
    </p>
  </div>
</template>
