<script setup lang="ts">
import { useSessionStorage } from '@vueuse/core'
import { PACKAGES, readPackage, type Package } from '~~/core/plan'
import { draftOf, emptyStep, fileOf, ownId, type PackageDraft } from './own-package'
import { usePlansStore } from '~/stores/plans'
import { useLoaded } from '~/asking/useLoaded'
import { computed, ref, useTemplateRef } from 'vue'
import { ApiError } from '~/sync/api'
import LoadState from '~/components/frame/LoadState.vue'
import OwnPackageForm from '~/components/shop/OwnPackageForm.vue'

/** Packages of work of this shop's own: made from a usual one or from nothing, read from a file, changed, taken out. */
const plans = usePlansStore()
const loaded = useLoaded(() => plans.load())
/** What is being edited; it stays until it is kept or thrown away. */
const draft = useSessionStorage<PackageDraft | null>('mellow-package', null, {
  serializer: { read: (text) => JSON.parse(text) as PackageDraft | null, write: JSON.stringify },
})
const isNew = computed(() => !plans.packages.some(({ id }) => id === draft.value?.id))
const from = ref('')
const problem = ref('')
const said = ref('')
const dropping = ref<string | null>(null)
const picker = useTemplateRef<HTMLInputElement>('picker')

function begin() {
  const usual = PACKAGES.get(from.value)
  const title = usual ? `${usual.title}, our way` : ''
  draft.value = usual
    ? { ...draftOf(usual), id: ownId(title), title }
    : { id: '', title: '', operation: 'access', brings: ['access'], steps: [emptyStep(1)] }
  problem.value = ''
  said.value = ''
}
const edit = (pack: Package) => {
  draft.value = draftOf(pack)
  problem.value = ''
  said.value = ''
}
/** Where a refusal points, as the form shows it. */
function placed(path: string): string {
  const step = /^\/steps\/(\d+)/.exec(path)
  if (!step) return path.slice(1).split('/')[0] ?? ''
  const field = path.split('/')[3]
  const title = draft.value?.steps[Number(step[1])]?.title
  return `step ${Number(step[1]) + 1}${title ? ` (${title})` : ''}${field ? `, ${field}` : ''}`
}
async function keep() {
  if (!draft.value) return
  problem.value = ''
  const id = draft.value.id || ownId(draft.value.title)
  try {
    const kept = await plans.keep(fileOf({ ...draft.value, id }), id)
    said.value = `${kept.title} is kept: it stands among the packages of every plan.`
    draft.value = null
  } catch (error) {
    const first = error instanceof ApiError ? error.problem.errors?.[0] : undefined
    problem.value = first
      ? `Not kept: ${placed(first.path)} ${first.message}. What you typed is still here.`
      : `Not kept: ${error instanceof Error ? error.message : String(error)} What you typed is still here.`
  }
}
async function read() {
  const file = picker.value?.files?.[0]
  if (!file || !picker.value) return
  problem.value = ''
  said.value = ''
  try {
    if (file.size > 400_000) throw new Error('it is larger than any package')
    // Told before it is sent: what is wrong stands beside what was chosen.
    draft.value = draftOf(readPackage(JSON.parse(await file.text())))
    said.value = `Read from ${file.name}: look it through, then keep it.`
  } catch (error) {
    problem.value = `${file.name} is no package: ${error instanceof Error ? error.message : String(error)}. Nothing was changed.`
  } finally {
    picker.value.value = ''
  }
}
async function drop(id: string) {
  problem.value = ''
  try {
    await plans.drop(id)
    said.value = 'Taken out. Plans that were made with it pass it over.'
  } catch (error) {
    problem.value = error instanceof Error ? error.message : String(error)
  }
  dropping.value = null
}
const saved = (pack: Package) =>
  `data:application/json;charset=utf-8,${encodeURIComponent(`${JSON.stringify(pack, null, 2)}\n`)}`
</script>

<template>
  <section aria-labelledby="own-packages" data-own-packages>
    <h2 id="own-packages" class="text-[1.1rem]">Packages of work of this shop’s own</h2>
    <LoadState
      :loading="loaded.loading.value && !plans.loaded"
      :error="loaded.error.value"
      @again="loaded.load"
    />
    <p v-if="plans.loaded && plans.packages.length === 0 && !draft" class="text-soft">
      None yet. Begin with a usual one and change it to the way it is done here, or read a file.
    </p>
    <ul>
      <li
        v-for="pack in plans.packages"
        :key="pack.id"
        class="flex min-h-12 flex-wrap items-center gap-x-3 border-b border-hairline"
        :data-own="pack.id"
      >
        <span class="grow leading-tight"
          >{{ pack.title }}
          <span class="block text-[0.9rem] text-soft"
            >{{ pack.steps.length }} {{ pack.steps.length === 1 ? 'step' : 'steps' }}</span
          ></span
        >
        <button
          type="button"
          class="tap px-1 underline"
          :aria-label="`Change ${pack.title}`"
          @click="edit(pack)"
        >
          change
        </button>
        <a :href="saved(pack)" :download="`${pack.id}.json`" class="tap px-1 underline">file</a>
        <button
          v-if="dropping !== pack.id"
          type="button"
          class="tap px-1 underline"
          :aria-label="`Take out ${pack.title}`"
          @click="dropping = pack.id"
        >
          take out
        </button>
        <template v-else>
          <button type="button" class="act" @click="drop(pack.id)">Take out</button>
          <button type="button" class="quiet" @click="dropping = null">Cancel</button>
        </template>
      </li>
    </ul>
    <div v-if="!draft" class="flex flex-wrap items-center gap-2 py-2">
      <select v-model="from" class="field w-auto" aria-label="Begin with">
        <option value="">nothing</option>
        <option v-for="pack in [...PACKAGES.values()]" :key="pack.id" :value="pack.id">
          {{ pack.title }}
        </option>
      </select>
      <button type="button" class="quiet" @click="begin">New package</button>
      <label class="quiet cursor-pointer"
        >Read a file<input
          ref="picker"
          type="file"
          accept="application/json,.json"
          class="sr-only"
          @change="read"
      /></label>
    </div>
    <OwnPackageForm
      v-else
      v-model="draft"
      :is-new="isNew"
      @keep="keep"
      @away="((draft = null), (problem = ''))"
    />
    <p v-if="problem" role="alert" class="font-semibold text-rust">{{ problem }}</p>
    <p v-else-if="said" role="status">{{ said }}</p>
  </section>
</template>
