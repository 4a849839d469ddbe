<script setup lang="ts">
import { archetypeById } from '~~/core/installation'
import { findingKind, READINGS, type FindingId } from '~~/core/diagnosis'
import {
  AS_FOUND_KINDS,
  asFoundFigure,
  decisionReasonWords,
  PHASES,
  type Held,
  type Phase,
} from '~~/core/journal'
import { reasonWords } from '~~/core/proof'
import { itemWords } from '~~/core/side-by-side'
import { operationOf } from '~~/core/work'
import { faultKind, REPAIRS } from '~~/core/diagnosis'

/** The job on paper: what it was, what was found, done and proved, by whom and when. Black on white. */
const { state, job, vehicle } = useJob()
const { kept, proof, stops } = useJobFigures()
const person = usePersonStore()
const name = (id: string) => person.names.get(id) ?? 'somebody'
const printedAt = new Date().toISOString()
const long = new Intl.DateTimeFormat('en-GB', { dateStyle: 'long', timeStyle: 'short' })
const on = (iso: string) => long.format(new Date(iso))

const PHASE_HEADS: Record<Phase, string> = {
  asFound: 'As found',
  working: 'While bleeding',
  after: 'After',
}
const readings = computed(() =>
  READINGS.filter((one) => PHASES.some((phase) => state.value.readings[phase][one.name])).map(
    (one) => ({
      ...one,
      cells: PHASES.map((phase) => {
        const held = state.value.readings[phase][one.name]
        if (!held) return ''
        const { value, duration } = held.payload
        const figure = one.unit === 'mm' ? millimetres(value) : withUnits(value, one.unit)
        return duration ? `${figure} in ${seconds(duration)}` : figure
      }),
    }),
  ),
)
const found = computed(() =>
  PHASES.flatMap((phase) =>
    (Object.entries(state.value.found[phase]) as [FindingId, Held<{ state: string }>][]).flatMap(
      ([id, { payload }]) => {
        if (payload.state === 'notLooked') return []
        const kind = findingKind(id)
        const present = payload.state === 'present'
        return [
          {
            id: `${phase} ${id}`,
            phase,
            present,
            words: `${kind.label}: ${present ? kind.present : kind.absent}`,
          },
        ]
      },
    ),
  ),
)
const decision = computed(() => state.value.decision)
const LIST_WORDS = { keep: 'Keep', move: 'Move across', bin: 'Bin' } as const
/** Plan, joints, the fluid with what its age makes of it, old against new, and what was ordered. */
const { now: fluidNow } = useFluid()
const chosen = computed(() => {
  const { circuitPlan, joints, fluidInside, fluidUsed, comparisons, ordered } = state.value
  const list: string[] = []
  if (circuitPlan) list.push(describe({ kind: 'circuitPlan', payload: circuitPlan.payload }))
  if (circuitPlan?.payload.why) list.push(circuitPlan.payload.why)
  for (const held of Object.values(joints))
    if (held) list.push(describe({ kind: 'joint', payload: held.payload }))
  if (fluidInside) list.push(describe({ kind: 'fluidInside', payload: fluidInside.payload }))
  const boils = fluidNow.value.boiling
  if (boils)
    list.push(
      `It boils at ${inUnits(boils.low, '°C')} to ${withUnits(boils.high, '°C')}, ${fluidNow.value.from === 'measured' ? 'measured' : 'by its age'}`,
    )
  for (const { payload } of fluidUsed) list.push(describe({ kind: 'fluidUsed', payload }))
  for (const check of Object.values(comparisons)) {
    list.push(`${describe({ kind: 'fitCheck', payload: { ...check, keep: [], move: [], bin: [] } })}.`)
    const lists = (['keep', 'move', 'bin'] as const).filter((one) => check[one].length > 0)
    for (const one of lists) list.push(`${LIST_WORDS[one]}: ${check[one].map(itemWords).join(', ')}`)
  }
  for (const { words, ordered: pieces, counts } of Object.values(ordered))
    list.push(
      `Ordered: ${pieces} of ${words}; ${counts.delivered} here${counts.wrong > 0 ? `, ${counts.wrong} came wrong` : ''}${counts.returned > 0 ? `, ${counts.returned} sent back` : ''}${counts.cancelled > 0 ? `, ${counts.cancelled} given up` : ''}`,
    )
  return list
})
const bleed = computed(() => state.value.bleed)
/** Steps of the plan, what the bench showed, what was set, and what is still on or off. */
const { ledger } = usePlan()
const worked = computed(() => {
  const { workPlan, stepsTold, surprises, pieces, bores, newParts, adjusted } = state.value
  const list: string[] = []
  if (workPlan) list.push(describe({ kind: 'workPlan', payload: workPlan.payload }))
  for (const held of stepsTold)
    list.push(`${describe({ kind: 'step', payload: held.payload })} (${name(held.by)}, ${on(held.at)})`)
  for (const { payload } of surprises) list.push(describe({ kind: 'surprise', payload }))
  for (const { payload } of pieces) list.push(describe({ kind: 'rebuildPiece', payload }))
  for (const { payload } of Object.values(bores)) list.push(describe({ kind: 'boreCheck', payload }))
  for (const { payload } of Object.values(newParts)) list.push(describe({ kind: 'newPart', payload }))
  for (const { payload } of adjusted) list.push(describe({ kind: 'adjust', payload }))
  if (ledger.value.length > 0)
    list.push(`Still on, or off its place: ${ledger.value.map(({ words }) => words).join(', ')}`)
  return list
})
const heldLabel = (item: string) => AS_FOUND_KINDS.find((one) => one.item === item)!.label
</script>

<template>
  <article class="sheet mx-auto max-w-4xl px-6 py-5" aria-label="Job sheet">
    <header class="border-b-2 border-ink pb-2">
      <h1 class="text-[1.5rem] font-bold">{{ vehicle?.name }}</h1>
      <p class="text-[1.1rem]">
        <template v-if="vehicle?.plate"
          >Plate <strong>{{ vehicle.plate }}</strong></template
        >
        <template v-else>No plate entered</template>
        <template v-if="vehicle?.model"> · {{ vehicle.model }}</template>
        <template v-if="kept"> · {{ archetypeById(kept.archetype)?.name }}</template>
      </p>
      <p>
        {{ job ? JOB_KIND_WORDS[job.kind] : '' }}: {{ job?.title
        }}<template v-if="state.goal?.payload.wanted">
          · wanted: {{ state.goal.payload.wanted }}</template
        >
      </p>
      <p>
        Opened {{ job ? on(job.createdAt) : ''
        }}<template v-if="state.goal"> by {{ name(state.goal.by) }}</template
        >. Printed {{ on(printedAt)
        }}<template v-if="person.current"> by {{ person.current.name }}</template
        >.
      </p>
    </header>

    <section v-if="state.complaints.length">
      <h2>The driver says</h2>
      <ul>
        <li v-for="{ complaint, held } in state.complaints" :key="complaint">
          {{ describe({ kind: 'complaint', payload: held.payload }).replace('Driver: ', '')
          }}<template v-if="held.payload.words">: “{{ held.payload.words }}”</template>
        </li>
      </ul>
    </section>
    <section v-if="stops.length">
      <h2>Stops</h2>
      <p v-for="one in stops" :key="one.stop">
        <strong>{{ one.words }}</strong>
        <template v-if="one.takenOver">
          Overridden by {{ name(one.takenOver.by) }}: {{ one.takenOver.payload.reason }}</template
        >
      </p>
    </section>
    <section v-if="readings.length">
      <h2>Measured</h2>
      <table>
        <thead>
          <tr>
            <th scope="col">Reading</th>
            <th v-for="phase in PHASES" :key="phase" scope="col">{{ PHASE_HEADS[phase] }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="one in readings" :key="one.name">
            <th scope="row">{{ one.label }}</th>
            <td v-for="(cell, i) in one.cells" :key="i">{{ cell || '–' }}</td>
          </tr>
        </tbody>
      </table>
    </section>
    <section v-if="found.length">
      <h2>Seen and felt</h2>
      <template v-for="phase in PHASES" :key="phase">
        <template v-if="found.some((one) => one.phase === phase)">
          <h3>{{ PHASE_HEADS[phase] }}</h3>
          <ul class="two">
            <li v-for="one in found.filter((each) => each.phase === phase)" :key="one.id">
              <strong v-if="one.present">{{ one.words }}</strong>
              <template v-else>{{ one.words }}</template>
            </li>
          </ul>
        </template>
      </template>
    </section>
    <section v-if="state.recorded.length">
      <h2>Before it came apart</h2>
      <ul>
        <li v-for="one in state.recorded" :key="one.id">
          {{ heldLabel(one.payload.item) }}:
          {{
            [asFoundFigure(one.payload, formatNow()), one.payload.words].filter(Boolean).join(', ') ||
            'photograph'
          }}
        </li>
      </ul>
    </section>
    <section v-if="decision">
      <h2>Decided</h2>
      <p>
        {{ SCOPE_WORDS[decision.payload.scope] }}, {{ WAY_WORDS[decision.payload.way].toLowerCase() }},
        {{ FIRST_WORDS[decision.payload.first].toLowerCase() }}:
        {{
          REPAIRS.filter(({ id }) => decision!.payload.repairs.includes(id))
            .map(({ label }) => label.toLowerCase())
            .join(', ')
        }}. About {{ decision.payload.minutes.toFixed(0) }} min, parts
        {{ decision.payload.money.toFixed(0) }}. {{ on(decision.at) }}, {{ name(decision.by) }}.
      </p>
      <ul>
        <li v-for="reason in decision.payload.reasons" :key="decisionReasonWords(reason)">
          {{ decisionReasonWords(reason) }}
        </li>
      </ul>
      <p v-if="decision.payload.why">“{{ decision.payload.why }}”</p>
    </section>
    <section v-if="chosen.length">
      <h2>Chosen and checked</h2>
      <ul>
        <li v-for="words in chosen" :key="words">{{ words }}</li>
      </ul>
    </section>
    <section v-if="worked.length">
      <h2>Worked</h2>
      <ul>
        <li v-for="(words, i) in worked" :key="i">{{ words }}</li>
      </ul>
    </section>
    <section v-if="state.workDone.length || bleed.cycles.length || bleed.tricks.length">
      <h2>Done</h2>
      <ul>
        <li v-for="one in state.workDone" :key="one.id">
          {{ operationOf(one.payload.operation).label
          }}<template v-if="one.payload.words">; {{ one.payload.words }}</template
          >. {{ on(one.at) }}, {{ name(one.by) }}
        </li>
        <li v-if="bleed.cycles.length">
          Bled in {{ bleed.cycles.length }} cycles, {{ bleed.strokes }} strokes; clear
          {{ bleed.clearInRow }} times in a row at the end
        </li>
        <li v-if="bleed.setup">{{ describe({ kind: 'bleedSetup', payload: bleed.setup.payload }) }}</li>
        <li v-for="one in bleed.tricks" :key="one.id">
          {{ describe({ kind: 'trick', payload: one.payload }) }}. {{ on(one.at) }}, {{ name(one.by) }}
        </li>
      </ul>
    </section>
    <section v-if="proof && (state.verdict || Object.keys(state.readings.after).length)">
      <h2>Verdict: {{ OUTCOME_WORDS[proof.verdict.outcome] }}</h2>
      <ul>
        <li v-for="(reason, i) in proof.verdict.reasons" :key="i">
          {{ OUTCOME_WORDS[reason.outcome] }}: {{ reasonWords(reason, formatNow()) }}
        </li>
      </ul>
      <p v-if="state.cause">
        It was: {{ state.cause.payload.faults.map((one) => faultKind(one).label).join('; ') }}.
      </p>
    </section>
    <section v-if="state.notes.length">
      <h2>Notes</h2>
      <ul>
        <li v-for="one in state.notes" :key="one.id">
          {{ one.payload.words }} ({{ on(one.at) }}, {{ name(one.by) }})
        </li>
      </ul>
    </section>
    <p v-if="state.closed">
      Closed {{ on(state.closed.at) }} by {{ name(state.closed.by)
      }}<template v-if="state.closed.payload.reason">: {{ state.closed.payload.reason }}</template
      >.
    </p>
    <footer>
      <p>Computed figures advise; the maker’s data, local codes and whoever signs decide.</p>
      <p class="sign"><span>Technician</span><span>Date</span></p>
    </footer>
  </article>
</template>

<style scoped>
h2 {
  margin-top: 1rem;
  border-bottom: 1px solid var(--edge);
  font-size: 1.1rem;
}
h3 {
  margin-top: 0.4rem;
}
ul {
  padding-left: 1.2rem;
  list-style: disc;
}
.two {
  columns: 2;
  column-gap: 2rem;
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
