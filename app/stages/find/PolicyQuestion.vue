<script setup lang="ts" generic="T extends string">
import { RadioGroup, RadioGroupOption } from '@headlessui/vue'
import { computed } from 'vue'
import { repairWords } from '~~/core/diagnosis'
import { chanceWords } from '~~/core/words'

interface Option {
  repairs: string[]
  minutes: number
  money: number
  comebackRisk: number
  expectedCost: number
  refused: string | null
  warned: string | null
}
/** One question on which good technicians differ: each way with its cost, time and comeback risk, and what is favoured. */
const props = defineProps<{
  title: string
  words: Record<T, string>
  choice: { options: Record<T, Option>; favoured: T; why: string }
  preferred: T
}>()
const chosen = defineModel<T>({ required: true })
const names = computed(() => Object.keys(props.choice.options) as T[])
const repairs = ({ repairs: ids }: Option) => repairWords(ids) || 'nothing'
const time = (minutes: number) =>
  minutes < 60
    ? `${minutes.toFixed(0)} min`
    : `${Math.floor(minutes / 60)} h ${String(Math.round(minutes % 60)).padStart(2, '0')}`
const most = computed(() =>
  Math.max(...names.value.map((name) => props.choice.options[name].expectedCost)),
)
</script>

<template>
  <section class="border-b border-hairline py-3" :data-question="title">
    <h2 class="text-[1.1rem]">{{ title }}</h2>
    <RadioGroup v-model="chosen" :aria-label="title">
      <RadioGroupOption
        v-for="name in names"
        :key="name"
        v-slot="{ checked }"
        :value="name"
        :disabled="choice.options[name].refused !== null"
        class="grid min-h-14 grid-cols-[2rem_minmax(0,1fr)] items-center gap-x-3 md:grid-cols-[2rem_minmax(0,1fr)_minmax(0,20rem)] border-t border-hairline py-1 leading-tight"
        :class="choice.options[name].refused === null ? 'cursor-pointer' : ''"
        :data-option="name"
      >
        <span
          class="size-5 rounded-full border-2"
          :class="[
            checked ? 'bg-ink' : '',
            choice.options[name].refused === null ? 'border-ink' : 'border-hairline',
          ]"
          aria-hidden="true"
        />
        <span>
          <strong>{{ words[name] }}</strong>
          <span v-if="choice.favoured === name" class="text-amber"> · the figures favour it</span>
          <span v-if="preferred === name" class="text-soft"> · this shop’s way</span>
          <span class="block text-[0.95rem] text-soft">{{
            choice.options[name].refused ?? repairs(choice.options[name])
          }}</span>
          <span v-if="choice.options[name].warned" class="block text-[0.95rem] font-semibold">{{
            choice.options[name].warned
          }}</span>
        </span>
        <span
          v-if="choice.options[name].refused === null"
          class="col-start-2 text-[0.95rem] md:col-start-auto"
        >
          <span class="flex flex-wrap justify-between gap-x-2 *:whitespace-nowrap">
            <span
              >{{ time(choice.options[name].minutes) }}, parts
              {{ choice.options[name].money.toFixed(0) }}</span
            >
            <span>back within a year {{ chanceWords(choice.options[name].comebackRisk) }}</span>
          </span>
          <span class="flex items-center gap-2">
            <span class="relative h-3 grow border border-edge" aria-hidden="true"
              ><span
                class="absolute inset-y-0 left-0 bg-ink"
                :style="{ width: `${(100 * choice.options[name].expectedCost) / most}%` }"
            /></span>
            <strong class="whitespace-nowrap" data-expected
              >{{ choice.options[name].expectedCost.toFixed(0) }} with comebacks</strong
            >
          </span>
        </span>
      </RadioGroupOption>
    </RadioGroup>
    <p class="pt-1 text-[0.95rem]">
      The figures favour <strong>{{ words[choice.favoured].toLowerCase() }}</strong>: {{ choice.why }}.
    </p>
  </section>
</template>
