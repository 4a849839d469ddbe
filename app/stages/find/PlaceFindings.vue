<script setup lang="ts">
import { FINDINGS, fits, type Finding } from '~~/core/diagnosis'
import { useJobFigures } from '~/job/useJob'
import { computed } from 'vue'
import PlaceCaution from '~/stages/find/PlaceCaution.vue'
import FindingRow from '~/components/job/FindingRow.vue'

/** The findings of one place with what always stands there, or those worth a glance on any job. */
const props = defineProps<{ show: (finding: Finding) => boolean; caution: string }>()
const { installation } = useJobFigures()
const list = computed(() =>
  FINDINGS.filter(
    (one) =>
      !one.proveOnly && props.show(one) && (!installation.value || fits(one.only, installation.value)),
  ),
)
</script>

<template>
  <div>
    <PlaceCaution>{{ caution }}</PlaceCaution>
    <FindingRow v-for="finding in list" :key="finding.id" :finding="finding.id" phase="asFound" />
  </div>
</template>
