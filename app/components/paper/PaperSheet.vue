<script setup lang="ts">
import { PAPERS, type PaperKind } from '~~/core/papers'
import { useJob, useJobFigures } from '~/job/useJob'
import { usePersonStore } from '~/stores/person'
import { computed } from 'vue'
import { formatNow } from '~/units/units'

/** A paper of the open job as it comes out of the printer: black on white in either look. */
const { kind } = defineProps<{ kind: PaperKind }>()
const { state, job, vehicle, vehicleEntries } = useJob()
const { kept } = useJobFigures()
const person = usePersonStore()
const NAMES: Record<PaperKind, string> = {
  card: 'Job card',
  verdict: 'Verdict sheet',
  customer: 'Customer’s sheet',
}
const dates = new Intl.DateTimeFormat('en-GB', { dateStyle: 'long' })
const moments = new Intl.DateTimeFormat('en-GB', { dateStyle: 'long', timeStyle: 'short' })
const opened = new Date().toISOString()
const paper = computed(() =>
  job.value && vehicle.value
    ? PAPERS[kind](
        {
          job: job.value,
          vehicle: vehicle.value,
          state: state.value,
          installation: kept.value,
          ofVehicle: vehicleEntries.value,
        },
        {
          format: formatNow(),
          day: (iso) => dates.format(new Date(iso)),
          moment: (iso) => moments.format(new Date(iso)),
          name: (id) => person.names.get(id) ?? 'somebody',
          now: opened,
        },
      )
    : null,
)
const wordsOf = (item: string | { strong: string }) => (typeof item === 'string' ? item : item.strong)
</script>

<template>
  <article v-if="paper" class="sheet mx-auto max-w-4xl px-6 py-5" :aria-label="NAMES[kind]">
    <header class="border-b-2 border-ink pb-2">
      <h1 class="text-[1.5rem] font-bold">{{ paper.title }}</h1>
      <p v-for="line in paper.lead" :key="line">{{ line }}</p>
    </header>
    <section v-for="one in paper.sections" :key="one.heading">
      <h2>{{ one.heading }}</h2>
      <template v-for="(part, i) in one.parts" :key="i">
        <p v-if="part.type === 'text'" :class="part.strong ? 'font-semibold' : ''">{{ part.words }}</p>
        <ul v-else-if="part.type === 'list'">
          <li
            v-for="(item, j) in part.items"
            :key="j"
            :class="typeof item === 'string' ? '' : 'font-semibold'"
          >
            {{ wordsOf(item) }}
          </li>
        </ul>
        <table v-else>
          <thead>
            <tr>
              <th v-for="(cell, j) in part.head" :key="j" scope="col">{{ cell }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(row, j) in part.rows" :key="j">
              <template v-for="(cell, k) in row" :key="k">
                <th v-if="k === 0" scope="row">{{ cell }}</th>
                <td v-else>{{ cell }}</td>
              </template>
            </tr>
          </tbody>
        </table>
      </template>
    </section>
    <footer>
      <p v-for="line in paper.foot" :key="line">{{ line }}</p>
      <p class="sign">
        <span v-for="who in paper.sign" :key="who">{{ who }}</span>
      </p>
    </footer>
  </article>
</template>

<style scoped>
h2 {
  margin-top: 1rem;
  border-bottom: 1px solid var(--edge);
  font-size: 1.1rem;
}
ul {
  padding-left: 1.2rem;
  list-style: disc;
}
li {
  break-inside: avoid;
}
table {
  width: 100%;
  border-collapse: collapse;
}
th,
td {
  border-bottom: 1px solid var(--hairline);
  padding: 0.15rem 0.5rem 0.15rem 0;
  text-align: left;
}
th[scope='row'] {
  font-weight: normal;
}
footer {
  margin-top: 1.5rem;
}
.sign {
  display: flex;
  gap: 2rem;
  margin-top: 2.5rem;
}
.sign span {
  flex: 1;
  border-top: 1px solid var(--ink);
}
section {
  break-inside: avoid-page;
}
</style>
