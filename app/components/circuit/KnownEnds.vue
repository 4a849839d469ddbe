<script setup lang="ts">
import { jointAt, type JointPlace } from '~~/core/installation'
import { endWords, type JointChecked } from '~~/core/journal'
import type { End } from '~~/core/fitting'
import { useDesk } from '~/job/useDesk'
import { ref, computed } from 'vue'
import { jointWords } from '~~/core/words'
import EndForm from '~/components/fitting/EndForm.vue'

/** The ends of a part as they are in the vehicle, read off; not known where nobody looked. */
const props = defineProps<{ places: readonly JointPlace[] }>()
const { kept, filing, subject, path } = useDesk()
const open = ref<{ at: JointPlace; side: 'a' | 'b' } | null>(null)
const draft = ref<End>({ thread: null, gender: 'male', seat: 'doubleFlare' })
const rows = computed(() =>
  props.places.flatMap((at) => {
    const joint = kept.value ? jointAt(kept.value, at) : null
    return (['a', 'b'] as const).map((side) => ({
      at,
      side,
      end: joint?.[side] ?? null,
      access: joint?.access,
    }))
  }),
)
function edit(at: JointPlace, side: 'a' | 'b', end: End | null) {
  open.value = { at, side }
  draft.value = end
    ? { ...end }
    : { thread: null, gender: side === 'a' ? 'female' : 'male', seat: 'doubleFlare' }
}
async function keep() {
  if (!open.value) return
  const { at, side } = open.value
  const said: JointChecked = { at, a: null, b: null, verdict: null, reasons: [] }
  if (await filing.file('joint', { ...said, [side]: draft.value })) open.value = null
}
const SIDE = { a: 'towards the reservoir', b: 'towards the slave' } as const
</script>

<template>
  <section aria-labelledby="ends" class="mt-3" data-ends>
    <h3 id="ends" class="place-name">Ends, as they are</h3>
    <p
      v-for="row in rows"
      :key="`${row.at}${row.side}`"
      class="flex flex-wrap items-center gap-2 border-b border-hairline"
    >
      <span class="min-w-40 grow"
        >{{ jointWords(row.at) }}, {{ SIDE[row.side]
        }}<span v-if="row.access && row.side === 'a'" class="block text-[0.95rem] text-soft">{{
          row.access
        }}</span></span
      >
      <span :class="row.end ? 'font-semibold' : 'text-soft'">{{
        row.end ? endWords(row.end) : 'not known'
      }}</span>
      <button
        type="button"
        class="quiet"
        :aria-label="`Read off: ${jointWords(row.at)}, ${SIDE[row.side]}`"
        @click="edit(row.at, row.side, row.end)"
      >
        Read off
      </button>
    </p>
    <div v-if="open" class="border-l-4 border-amber pl-3">
      <EndForm
        v-model="draft"
        :label="`${jointWords(open.at)}, ${SIDE[open.side]}`"
        :old="null"
        @keep="keep"
      />
      <button type="button" class="tap underline" @click="open = null">Leave it</button>
    </div>
    <p v-if="subject.type === 'job'" class="text-[0.95rem]">
      New parts are checked against these under
      <NuxtLink :to="`${path.replace(/\/circuit$/, '')}/choose/joints`" class="underline"
        >Choose, Joints</NuxtLink
      >.
    </p>
  </section>
</template>
