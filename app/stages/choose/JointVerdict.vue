<script setup lang="ts">
import { SEAL_WORDS, type Contact, type Joint, type Seal } from '~~/core/fitting'
import { VERDICT_OF_JOINT } from '~~/core/journal'
import { computed } from 'vue'
import OnOff from '~/components/frame/OnOff.vue'

/** Whether two ends join, place by place, and the seals that lie ready. */
const props = defineProps<{
  /** Enough was said of the ends to judge them. */
  told: boolean
  joint: Joint
  contacts: Contact[]
  needs: Seal[]
  missing: readonly Seal[]
}>()
defineEmits<{ toggle: [seal: Seal] }>()
const TONE = { joins: 'border-patina', joinsWith: 'border-amber', refused: 'border-rust' } as const
const words = computed(() => {
  const said = VERDICT_OF_JOINT[props.joint.verdict]
  return props.told ? `${said[0]!.toUpperCase()}${said.slice(1)}` : 'Say what the ends are'
})
/** Of two alike the first one may be missing. */
const seals = computed(() =>
  props.needs.map((seal, i) => ({
    seal,
    ready: props.needs.indexOf(seal) !== i || !props.missing.includes(seal),
  })),
)
</script>

<template>
  <div>
    <p
      class="mt-1 border-l-4 pl-3 text-[1.1rem]"
      :class="told ? TONE[joint.verdict] : 'border-hairline'"
      data-verdict
    >
      <strong>{{ words }}.</strong>
    </p>
    <ul class="mt-1" data-contacts>
      <li
        v-for="one in contacts"
        :key="one.at"
        class="flex gap-2 py-0.5"
        :class="one.holds === false ? 'font-semibold text-rust' : one.holds ? '' : 'text-soft'"
      >
        <span aria-hidden="true">{{ one.holds === null ? '?' : one.holds ? '✓' : '✕' }}</span>
        <span>{{ one.words }}</span>
      </li>
    </ul>
    <div
      v-if="seals.length"
      class="flex flex-wrap gap-1.5 py-1"
      role="group"
      aria-label="Seals at hand"
    >
      <OnOff
        v-for="({ seal, ready }, i) in seals"
        :key="`${seal}${i}`"
        :on="ready"
        @click="$emit('toggle', seal)"
        >{{ SEAL_WORDS[seal] }}: {{ ready ? 'at hand' : 'not at hand' }}</OnOff
      >
    </div>
  </div>
</template>
