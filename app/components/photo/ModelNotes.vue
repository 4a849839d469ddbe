<script setup lang="ts">
import { useJob } from '~/job/useJob'
import { useModelNotes } from '~/job/useModelNotes'
import { computed, ref, useTemplateRef } from 'vue'
import { useJournalStore } from '~/stores/journal'
import PhotoPicture from '~/components/photo/PhotoPicture.vue'
/** What earlier jobs found out about this model: where a part hides, how it is reached; and a place to add to it. */
defineProps<{ editable?: boolean }>()
const job = useJob()
const { file, withdraw } = job
const { model, own, earlier } = useModelNotes()
const count = computed(() => own.value.length + earlier.value.length)

const PLACES = [
  'reservoir',
  'master',
  'line',
  'slave',
  'bleed screw',
  'fork',
  'pedal',
  'switch',
] as const
const place = ref<(typeof PLACES)[number]>('reservoir')
const words = ref('')
const picture = useTemplateRef<HTMLInputElement>('picture')
const problem = ref('')
async function keep() {
  const said = words.value.trim().slice(0, 400)
  if (!model.value || said === '') return
  problem.value = ''
  try {
    const taken = picture.value?.files?.[0]
    const photo = taken ? await (await import('~/sync/photos')).waitingPhotos.keep(taken) : null
    const note = { model: model.value, place: place.value, words: said, ...(photo && { photo }) }
    if (!(await file('modelNote', note))) {
      if (photo) await useJournalStore().letGo([photo])
      return
    }
    words.value = ''
    if (picture.value) picture.value.value = ''
  } catch (error) {
    problem.value = error instanceof Error ? error.message : String(error)
  }
}
</script>

<template>
  <section
    v-if="count > 0 || editable"
    aria-labelledby="model-notes"
    class="border-l-4 border-hairline pl-4"
  >
    <h2 id="model-notes" class="text-[1.05rem]">
      {{ count > 0 ? 'Known of this model' : 'Nothing is known of this model yet' }}
    </h2>
    <ul>
      <li v-for="one in own" :key="one.id" class="flex min-h-11 flex-wrap items-center gap-x-2">
        <strong>{{ one.payload.place }}:</strong>
        <span class="grow">{{ one.payload.words }}</span>
        <button
          type="button"
          class="tap underline underline-offset-4"
          :aria-label="`Take back: ${one.payload.place}, ${one.payload.words}`"
          @click="withdraw(one.id)"
        >
          take back
        </button>
        <PhotoPicture
          v-if="one.payload.photo"
          :file="one.payload.photo"
          :waits="!one.sent"
          :alt="one.payload.words"
          size="small"
        />
      </li>
      <li v-for="one in earlier" :key="one.id" class="py-1">
        <strong>{{ one.place }}:</strong> {{ one.words }}
        <span class="text-soft">({{ one.vehicleName }})</span>
        <PhotoPicture v-if="one.photo" :file="one.photo" :waits="false" :alt="one.words" size="small" />
      </li>
    </ul>
    <form v-if="editable && model" class="flex flex-wrap gap-2 py-2" @submit.prevent="keep">
      <select v-model="place" class="field w-auto" aria-label="Which part the note is about">
        <option v-for="one in PLACES" :key="one">{{ one }}</option>
      </select>
      <input
        v-model="words"
        class="field grow basis-52"
        maxlength="400"
        autocomplete="off"
        aria-label="What the next one should know"
        placeholder="where it hides, how it is reached, what breaks"
      />
      <input
        ref="picture"
        type="file"
        accept="image/*"
        capture="environment"
        class="field w-auto grow basis-52 py-2"
        aria-label="Photograph for the note"
      />
      <button class="act" :disabled="words.trim() === ''">Keep for this model</button>
    </form>
    <p v-else-if="editable" class="text-soft">
      This vehicle was entered without a model, so a note would be shown on no other vehicle. Say “note
      …” below to keep it with this job.
    </p>
    <p v-if="problem" role="alert" class="font-semibold text-rust">{{ problem }}</p>
  </section>
</template>
