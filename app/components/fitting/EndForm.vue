<script setup lang="ts">
import {
  GENDERS,
  MATERIALS,
  SEAT_WORDS,
  SEATS,
  threadOf,
  THREADS_IN_USE,
  TUBES_IN_USE,
  type End,
} from '~~/core/fitting'
import { useId, reactive, computed } from 'vue'
import { typedWithin, boundsIn, asTyped, symbolOf } from '~/units/units'
import KeptInput from '~/components/frame/KeptInput.vue'
import TypedProblems from '~/components/frame/TypedProblems.vue'

/** One end as it lies on the bench: thread, seat, and what a rule shows of it. */
const end = defineModel<End>({ required: true })
defineProps<{ label: string; old: End | null }>()
defineEmits<{ keep: [] }>()
const id = useId()
const problems = reactive<Record<string, string>>({})
const MM = { min: 0, max: 200 }
const set = (part: Partial<End>) => (end.value = { ...end.value, ...part })
function without(name: keyof End) {
  const next = { ...end.value }
  delete next[name]
  end.value = next
}
function setThread(text: string) {
  const name = text
    .trim()
    .replace(/^m ?/i, 'M')
    .replace(/\s*[x×]\s*/, 'x')
  problems.thread = ''
  if (name === '') return set({ thread: null })
  if (!threadOf(name)) problems.thread = 'Give it as M10x1, 3/8-24, 3/8-20 BSF or G1/8'
  else set({ thread: name })
}
function setLength(name: 'tube' | 'bore' | 'depth' | 'counterbore', text: string) {
  problems[name] = ''
  if (text.trim() === '') return without(name)
  const value = typedWithin(text, 'mm', MM)
  if (value === null) problems[name] = `Give ${boundsIn(MM, 'mm')}`
  else set({ [name]: value })
}
function setNut(part: 'length' | 'lead', text: string) {
  problems[part] = ''
  const { nut } = end.value
  if (text.trim() === '') {
    if (part === 'length') without('nut')
    else if (nut) set({ nut: { length: nut.length } })
    return
  }
  const value = typedWithin(text, 'mm', MM)
  if (value === null) problems[part] = `Give ${boundsIn(MM, 'mm')}`
  else if (part === 'length') set({ nut: { ...nut, length: value } })
  else if (nut) set({ nut: { ...nut, lead: value } })
  else problems[part] = 'Give the thread’s length first'
}
const shown = (value: number | undefined) => (value === undefined ? '' : asTyped(value, 'mm'))
const isNut = computed(() =>
  end.value.seat === 'flare37' ? end.value.gender === 'female' : end.value.gender === 'male',
)
const threaded = computed(() => end.value.thread !== null)
const soft = computed(() => ['hoseBarb', 'banjo'].includes(end.value.seat))
const MATERIAL_WORDS = {
  steel: 'steel',
  brass: 'brass',
  aluminium: 'aluminium',
  castIron: 'cast iron',
  plastic: 'plastic',
}
const lengths = computed(
  () =>
    [
      { name: 'tube', label: 'Pipe, outside', show: !soft.value },
      { name: 'bore', label: 'Bore', show: soft.value },
      { name: 'depth', label: 'Face to seat', show: threaded.value && !isNut.value },
      { name: 'counterbore', label: 'Plain mouth', show: threaded.value && !isNut.value },
    ].filter(({ show }) => show) as {
      name: 'tube' | 'bore' | 'depth' | 'counterbore'
      label: string
    }[],
)
</script>

<template>
  <fieldset class="min-w-0">
    <legend class="font-semibold">{{ label }}</legend>
    <div class="grid grid-cols-2 gap-x-2 gap-y-1">
      <label class="block text-[0.95rem]"
        >Thread
        <KeptInput
          class="field"
          :list="`${id}-threads`"
          autocomplete="off"
          :value="end.thread ?? ''"
          placeholder="none"
          :aria-invalid="!!problems.thread"
          @change="setThread"
        />
      </label>
      <label class="col-span-2 row-start-2 block text-[0.95rem]"
        >Seals by
        <select
          class="field"
          :value="end.seat"
          @change="set({ seat: ($event.target as HTMLSelectElement).value as End['seat'] })"
        >
          <option v-for="seat in SEATS" :key="seat" :value="seat">{{ SEAT_WORDS[seat] }}</option>
        </select>
      </label>
      <label class="block text-[0.95rem]"
        >It is
        <select
          class="field"
          :value="end.gender"
          @change="set({ gender: ($event.target as HTMLSelectElement).value as End['gender'] })"
        >
          <option v-for="gender in GENDERS" :key="gender" :value="gender">{{ gender }}</option>
        </select>
      </label>
      <label class="block text-[0.95rem]"
        >Made of
        <select
          class="field"
          :value="end.material ?? ''"
          @change="
            ($event.target as HTMLSelectElement).value
              ? set({
                  material: ($event.target as HTMLSelectElement).value as NonNullable<End['material']>,
                })
              : without('material')
          "
        >
          <option value="">not known</option>
          <option v-for="one in MATERIALS" :key="one" :value="one">{{ MATERIAL_WORDS[one] }}</option>
        </select>
      </label>
      <label v-for="row in lengths" :key="row.name" class="block text-[0.95rem]"
        >{{ row.label }}, {{ symbolOf('mm') }}
        <KeptInput
          class="field"
          inputmode="decimal"
          autocomplete="off"
          :list="row.name === 'tube' ? `${id}-tubes` : undefined"
          :value="shown(end[row.name])"
          :aria-invalid="!!problems[row.name]"
          @change="setLength(row.name, $event)"
        />
      </label>
      <template v-if="threaded && isNut">
        <label class="block text-[0.95rem]"
          >Nut’s thread, {{ symbolOf('mm') }}
          <KeptInput
            class="field"
            inputmode="decimal"
            :value="shown(end.nut?.length)"
            :aria-invalid="!!problems.length"
            @change="setNut('length', $event)"
          />
        </label>
        <label class="block text-[0.95rem]"
          >Plain nose, {{ symbolOf('mm') }}
          <KeptInput
            class="field"
            inputmode="decimal"
            :value="shown(end.nut?.lead)"
            placeholder="4 usual"
            :aria-invalid="!!problems.lead"
            @change="setNut('lead', $event)"
          />
        </label>
      </template>
      <label v-if="end.seat === 'quickConnector'" class="block text-[0.95rem]"
        >Make and shape
        <KeptInput
          class="field"
          maxlength="80"
          :value="end.profile ?? ''"
          @change="$event.trim() ? set({ profile: $event.trim() }) : without('profile')"
        />
      </label>
    </div>
    <TypedProblems :problems="problems" />
    <p class="flex flex-wrap gap-1 pt-1">
      <button v-if="old" type="button" class="quiet" @click="end = { ...old }">As the old one</button>
      <button type="button" class="quiet" @click="$emit('keep')">It is so in the vehicle</button>
    </p>
    <datalist :id="`${id}-threads`">
      <option v-for="one in THREADS_IN_USE" :key="one.thread" :value="one.thread">
        {{ one.where }}
      </option>
    </datalist>
    <datalist :id="`${id}-tubes`">
      <option v-for="one in TUBES_IN_USE" :key="one.name" :value="shown(one.outerDiameter)">
        {{ one.name }}
      </option>
    </datalist>
  </fieldset>
</template>
