<script setup lang="ts">
import type { Held, Payloads } from '~~/core/journal'
import { useJob } from '~/job/useJob'
import { usePersonStore } from '~/stores/person'
import { describe } from '~/units/describe'
import { when } from '~/units/format'

/** What was made earlier on a device that was away, and came in after something newer: shown beside what holds. */
const props = defineProps<{
  late: readonly Held<Payloads['measurement'] | Payloads['finding']>[]
  kind: 'measurement' | 'finding'
}>()
const { file, withdraw } = useJob()
const person = usePersonStore()
const said = (one: (typeof props.late)[number]) =>
  describe({ kind: props.kind, payload: one.payload } as Parameters<typeof describe>[0])
/** Said anew, it is the newest; the late one then is settled. */
async function use(one: (typeof props.late)[number]) {
  if (await file(props.kind, one.payload)) await withdraw(one.id)
}
</script>

<template>
  <div
    v-for="one in late"
    :key="one.id"
    class="flex flex-wrap items-center gap-x-3 border-l-4 border-amber py-1 pl-3"
    role="status"
    data-late
  >
    <p class="grow">
      Arrived late, taken earlier: <strong>{{ said(one) }}</strong>, {{ when(one.at) }},
      {{ person.names.get(one.by) ?? 'somebody' }}. The newer one holds.
    </p>
    <button type="button" class="quiet" @click="use(one)">Use this one</button>
    <button type="button" class="quiet" @click="withdraw(one.id)">Drop it</button>
  </div>
</template>
