<script setup lang="ts">
/** Bleed: what is logged, which method reaches this line's air, and what happens inside. */
const { id } = useJob()
const route = useRoute()
const bleeding = provideBleeding()
const SHEETS = [
  { id: 'log', name: 'Log' },
  { id: 'methods', name: 'Methods' },
  { id: 'inside', name: 'Inside' },
] as const
type SheetName = (typeof SHEETS)[number]['id']
const sheet = computed(() => SHEETS.find((one) => one.id === route.params.sheet)?.id ?? 'log')
const notes = computed((): Partial<Record<SheetName, string>> => {
  const { now, dry, setup } = bleeding
  return {
    ...(now.value && { log: `about ${millilitres(1000 * now.value.total.middle)} left` }),
    methods: setup.value.steps?.length ? 'chosen' : dry.value ? 'to fill' : '',
  }
})
const tabs = computed(() =>
  SHEETS.map((one) => ({
    ...one,
    to: one.id === 'log' ? `/jobs/${id}/bleed` : `/jobs/${id}/bleed/${one.id}`,
    note: notes.value[one.id] ?? '',
  })),
)
</script>

<template>
  <div>
    <SheetTabs :tabs="tabs" :open="sheet" label="Sheets of Bleed" />
    <LogSheet v-if="sheet === 'log'" />
    <MethodSheet v-else-if="sheet === 'methods'" />
    <InsideSheet v-else />
  </div>
</template>
