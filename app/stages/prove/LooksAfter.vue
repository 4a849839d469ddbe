<script setup lang="ts">
import { findingKind, fits, type FindingId } from '~~/core/diagnosis'
import { MUST_BE_GONE, proofChecks, type SortOfFault } from '~~/core/proof'
import { useJob, useJobFigures } from '~/job/useJob'
import { computed } from 'vue'
import FindingRow from '~/components/job/FindingRow.vue'

/** What is looked at after the work: what the proof asks for, and anything else that nobody hands over, where it is seen. */
const { state } = useJob()
const { installation } = useJobFigures()

const checks = computed(() => (installation.value ? proofChecks(installation.value, state.value) : []))
const NAMES: Record<SortOfFault, string> = {
  leak: 'Wet or damp',
  joint: 'Loose, cracked or not home',
  air: 'Air still in it',
  way: 'In the way, or off its place',
}
/** Everything else that keeps a job from being finished, sort by sort. */
const more = computed(() => {
  const asked = new Set<FindingId>(checks.value.map(({ finding }) => finding))
  const here = MUST_BE_GONE.filter(
    ({ finding }) =>
      !asked.has(finding) &&
      (!installation.value || fits(findingKind(finding).only, installation.value)),
  )
  return (Object.keys(NAMES) as SortOfFault[]).map((sort) => ({
    sort,
    name: NAMES[sort],
    findings: here.filter((row) => row.sort === sort).map(({ finding }) => finding),
  }))
})
</script>

<template>
  <section aria-labelledby="look-again">
    <h2 id="look-again" class="place-name mt-4">Look again</h2>
    <template v-for="check in checks" :key="check.finding">
      <FindingRow :finding="check.finding" phase="after" :owed="check.owed" />
      <p
        v-if="check.again && check.state === 'notLooked'"
        class="border-b border-hairline pb-2 text-[0.95rem] text-soft"
        data-again
      >
        As found: {{ findingKind(check.finding).present }}. Look again, or say under “What was done”
        that the part was renewed.
      </p>
    </template>
    <details>
      <summary class="min-h-11 content-center text-soft">Something else is wet, loose or soft</summary>
      <template v-for="group in more" :key="group.sort">
        <h3 v-if="group.findings.length" class="mt-2 font-semibold">{{ group.name }}</h3>
        <FindingRow v-for="finding in group.findings" :key="finding" :finding="finding" phase="after" />
      </template>
    </details>
  </section>
</template>
