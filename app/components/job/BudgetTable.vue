<script setup lang="ts">
import type { LadderStacks } from '~/job/drawn'
import { TERMS } from '~~/core/circuit'
import { padFigure } from './pad-ladder'
import { unitsNow, symbolOf } from '~/units/units'

/** The ladder's figures as a table, for those who hear it instead of seeing it. */
defineProps<{ stacks: LadderStacks }>()
const mm = (value: number) => padFigure(value, unitsNow())
</script>

<template>
  <table>
    <caption>
      Travel budget,
      {{
        symbolOf('mm')
      }}
      of pad
    </caption>
    <thead>
      <tr>
        <th scope="col">Term</th>
        <th v-for="stack in stacks" :key="stack.id" scope="col">{{ stack.label }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="term in TERMS" :key="term.name">
        <th scope="row">{{ term.label }}</th>
        <td v-for="stack in stacks" :key="stack.id" :data-term="term.name">
          {{ mm(stack.figures.solution.budget[term.name]) }}
        </td>
      </tr>
      <tr>
        <th scope="row">takes up at, computed</th>
        <td v-for="stack in stacks" :key="stack.id" data-term="engagement">
          {{
            stack.figures.solution.engagement === null ? 'never' : mm(stack.figures.solution.engagement)
          }}
        </td>
      </tr>
      <tr>
        <th scope="row">reserve</th>
        <td v-for="stack in stacks" :key="stack.id" data-term="reserve">
          {{ mm(stack.figures.solution.reserve) }}
        </td>
      </tr>
    </tbody>
  </table>
</template>
