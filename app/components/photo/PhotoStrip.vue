<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'
import { shallowRef, ref } from 'vue'
import type { ShownPhoto } from '~/job/usePhotos'
import PhotoPicture from '~/components/photo/PhotoPicture.vue'

defineProps<{ photos: readonly ShownPhoto[]; label: string }>()
const emit = defineEmits<{ words: [entry: string, words: string]; takeBack: [entry: string] }>()
const open = shallowRef<ShownPhoto | null>(null)
const words = ref('')
function show(photo: ShownPhoto) {
  open.value = photo
  words.value = photo.words
}
function keepWords() {
  if (open.value?.entry) emit('words', open.value.entry, words.value.trim())
  open.value = null
}
function takeBack() {
  if (open.value?.entry) emit('takeBack', open.value.entry)
  open.value = null
}
</script>

<template>
  <ul v-if="photos.length" class="flex flex-wrap gap-2 py-1" :aria-label="label">
    <li v-for="photo in photos" :key="photo.entry ?? photo.file">
      <button type="button" class="block border border-hairline" @click="show(photo)">
        <PhotoPicture
          :file="photo.file"
          :waits="photo.waits ?? false"
          :alt="photo.words || label"
          size="small"
        />
        <span v-if="photo.waits" class="block text-[0.9rem] text-soft">waiting</span>
      </button>
    </li>
  </ul>
  <Dialog :open="open !== null" class="relative z-30" @close="open = null">
    <div class="fixed inset-0 bg-ink/60" aria-hidden="true" />
    <div class="fixed inset-0 flex items-center justify-center p-4">
      <DialogPanel v-if="open" class="flex max-h-full max-w-5xl flex-col gap-3 bg-ground p-4">
        <div class="flex items-center gap-3">
          <DialogTitle class="grow text-lg font-semibold">{{ open.words || label }}</DialogTitle>
          <button type="button" class="quiet" @click="open = null">Close</button>
        </div>
        <PhotoPicture
          :file="open.file"
          :waits="open.waits ?? false"
          :alt="open.words || label"
          size="full"
        />
        <form v-if="open.entry" class="flex flex-wrap gap-3" @submit.prevent="keepWords">
          <input
            v-model="words"
            class="field grow basis-60"
            maxlength="400"
            aria-label="What it shows"
            placeholder="What it shows, for the next who looks"
          />
          <button class="act">Keep these words</button>
          <button type="button" class="quiet" @click="takeBack">Take it back</button>
        </form>
      </DialogPanel>
    </div>
  </Dialog>
</template>
