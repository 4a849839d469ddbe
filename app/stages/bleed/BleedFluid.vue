<script setup lang="ts">
import { FLUIDS } from '~~/core/fluid'
import { useJob } from '~/job/useJob'
import { useFluid } from '~/job/useFluid'
import { useContainersStore } from '~/stores/containers'
import { computed } from 'vue'
import { when, millilitres } from '~/units/format'
import FluidStop from '~/components/fluid/FluidStop.vue'
import ContainerShelf from '~/components/fluid/ContainerShelf.vue'
import DisposedFluid from '~/stages/bleed/DisposedFluid.vue'

/** What is in the circuit and what is being filled in, out of which container, opened when. */
const { state } = useJob()
const { inside, now } = useFluid()
const shelf = useContainersStore()
const last = computed(() => state.value.fluidUsed.at(-1)?.payload ?? null)
const container = computed(() => shelf.list?.find(({ id }) => id === last.value?.container) ?? null)
const filled = computed(() =>
  state.value.fluidUsed.reduce((sum, { payload }) => sum + payload.volume, 0),
)
const words = computed(() => {
  if (!last.value) return `In it: ${FLUIDS[inside.value.kind].name}. Say what you fill in`
  const name = FLUIDS[last.value.kind ?? inside.value.kind].name
  const from = container.value
    ? `${container.value.openedAt ? `open since ${when(container.value.openedAt)}` : 'sealed'}, ${millilitres(container.value.left)} left`
    : 'a container that is empty by now'
  return `Filling ${name}: ${millilitres(filled.value)} so far, ${from}`
})
</script>

<template>
  <details class="border-b border-hairline" data-bleed-fluid>
    <summary class="min-h-11 py-2">
      {{ words
      }}<template v-if="now.verdict === 'stop'"
        ><strong class="text-rust"> Stop: the wrong fluid.</strong></template
      >
    </summary>
    <FluidStop :inside="inside" />
    <ContainerShelf />
    <DisposedFluid />
  </details>
</template>
