<script setup lang="ts">
import { FACING_WORDS, PIECE_WORDS } from '~~/core/journal'
import { playedBack, USUAL_PIECES, type Facing, type PieceVerdict, type Rebuilt } from '~~/core/rebuild'
import { useJob } from '~/job/useJob'
import { computed, ref } from 'vue'
import { usePhotos } from '~/job/usePhotos'
import PhotoButton from '~/components/photo/PhotoButton.vue'
import PhotoStrip from '~/components/photo/PhotoStrip.vue'
import ChoiceRow from '~/components/frame/ChoiceRow.vue'

/** Pieces in the order in which they come out, with the way their lips face; and the same backwards, as they go in. */
const props = defineProps<{ cylinder: Rebuilt }>()
const job = useJob()
const { state, file, withdraw } = job
const held = computed(() =>
  state.value.pieces.filter(({ payload }) => payload.cylinder === props.cylinder),
)
const next = computed(() => Math.max(0, ...held.value.map(({ payload }) => payload.order)) + 1)
const offered = computed(() => {
  const there = new Set(held.value.map(({ payload }) => payload.piece))
  return USUAL_PIECES[props.cylinder].filter(({ piece }) => !there.has(piece))
})
const piece = ref('')
const facing = ref<Facing>('none')
const verdict = ref<PieceVerdict>('reuse')
const words = ref('')
const take = (name: string, lip: boolean) => {
  piece.value = name
  facing.value = lip ? 'closed' : 'none'
  verdict.value = lip ? 'renew' : 'reuse'
}
const FACINGS = [
  { id: 'closed', name: 'lip to the closed end' },
  { id: 'open', name: 'lip to the open end' },
  { id: 'none', name: 'no lip' },
] as const
const VERDICTS = [
  { id: 'reuse', name: 'use again' },
  { id: 'renew', name: 'renew' },
  { id: 'reject', name: 'reject' },
] as const
async function out() {
  const name = piece.value.trim().slice(0, 80)
  const more = words.value.trim().slice(0, 240)
  if (!name) return
  const done = await file('rebuildPiece', {
    cylinder: props.cylinder,
    order: next.value,
    piece: name,
    facing: facing.value,
    verdict: verdict.value,
    ...(more && { words: more }),
  })
  if (done) {
    piece.value = ''
    words.value = ''
    facing.value = 'none'
    verdict.value = 'reuse'
  }
}
const back = computed(() => playedBack(held.value.map(({ payload }) => payload)))
const { photos, setWords, takeBack } = usePhotos(
  job,
  ({ of }) => of !== undefined && held.value.some(({ id }) => id === of),
)
</script>

<template>
  <section :aria-label="`Pieces of the ${cylinder}`">
    <h2 class="text-[1.1rem]">Out of the {{ cylinder }}, in order</h2>
    <p class="border-l-4 border-amber pl-3 text-[0.95rem]">
      A piston under its spring flies: press it in while the clip comes out. Air only at a whisper, into
      a rag, nobody in line. Rubber sees no cleaner and no mineral oil, unless the system is made for
      it.
    </p>
    <ol>
      <li
        v-for="one in held"
        :key="one.id"
        class="flex min-h-12 items-center gap-3 border-b border-hairline"
        :data-piece="one.payload.order"
      >
        <span class="w-6 shrink-0 text-right font-semibold">{{ one.payload.order }}</span>
        <span class="min-w-0 grow leading-tight"
          >{{ one.payload.piece
          }}<span class="block text-[0.9rem] text-soft">{{
            [FACING_WORDS[one.payload.facing], PIECE_WORDS[one.payload.verdict], one.payload.words]
              .filter(Boolean)
              .join(', ')
          }}</span></span
        >
        <PhotoButton :filing="job" :of="one.id" :label="one.payload.piece" />
        <button
          type="button"
          class="tap underline underline-offset-4"
          :aria-label="`Take back: ${one.payload.piece}`"
          @click="withdraw(one.id)"
        >
          take back
        </button>
      </li>
    </ol>
    <PhotoStrip
      :photos="photos"
      label="Photographs of pieces"
      @words="setWords"
      @take-back="takeBack"
    />
    <div class="flex flex-wrap gap-1.5 py-2" role="group" aria-label="Came out next">
      <button
        v-for="one in offered"
        :key="one.piece"
        type="button"
        class="quiet"
        @click="take(one.piece, one.lip)"
      >
        {{ one.piece }}
      </button>
    </div>
    <form class="flex flex-col gap-2" @submit.prevent="out">
      <div class="flex flex-wrap items-center gap-2">
        <span class="w-6 text-right font-semibold" aria-hidden="true">{{ next }}</span>
        <input
          v-model="piece"
          class="field grow basis-48"
          maxlength="80"
          autocomplete="off"
          aria-label="Piece that came out"
          placeholder="what came out"
        />
        <input
          v-model="words"
          class="field grow basis-40"
          maxlength="240"
          autocomplete="off"
          aria-label="What else of this piece"
          placeholder="mark, nick, which way up"
        />
      </div>
      <ChoiceRow v-model="facing" label="Which way its lip faces" :choices="FACINGS" />
      <div class="flex flex-wrap items-center gap-2">
        <ChoiceRow v-model="verdict" label="What becomes of it" :choices="VERDICTS" />
        <button class="act" :disabled="piece.trim() === ''">Out</button>
      </div>
    </form>
    <template v-if="back.length">
      <h2 class="mt-4 text-[1.1rem]">Back in, in this order</h2>
      <ol data-back>
        <li
          v-for="one in back"
          :key="one.order"
          class="flex min-h-10 items-center gap-3 border-b border-hairline"
        >
          <span class="w-6 shrink-0 text-right font-semibold">{{ one.step }}</span>
          <span class="leading-tight"
            >{{ one.from === 'new' ? 'new ' : '' }}{{ one.piece.toLowerCase()
            }}<template v-if="FACING_WORDS[one.facing]">, {{ FACING_WORDS[one.facing] }}</template
            ><template v-if="one.words">; {{ one.words }}</template></span
          >
        </li>
      </ol>
    </template>
  </section>
</template>
