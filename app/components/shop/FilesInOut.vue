<script setup lang="ts">
import { MOST_SHOP_FILE_BYTES, type Problem, type ShopFileTold } from '~~/contract'

/** The whole shop as a file, and a file of a job, a vehicle or a shop read in: all of it, or nothing. */
const picker = useTemplateRef<HTMLInputElement>('picker')
const reading = ref(false)
const problem = ref('')
const told = ref<ShopFileTold | null>(null)
const NAMES: Record<string, string> = {
  people: 'people',
  vehicles: 'vehicles',
  jobs: 'jobs',
  entries: 'entries',
  files: 'photographs',
  parts: 'parts',
  orders: 'orders',
  containers: 'containers of fluid',
  packages: 'packages of work',
}
const added = computed(() =>
  Object.entries(told.value?.added ?? {})
    .filter(([name, count]) => count > 0 && NAMES[name])
    .map(([name, count]) => `${count} ${NAMES[name]}`),
)
async function readIn(event: Event) {
  const field = event.target as HTMLInputElement
  const file = field.files?.[0]
  field.value = ''
  if (!file) return
  problem.value = ''
  told.value = null
  if (file.size > MOST_SHOP_FILE_BYTES) {
    problem.value = `${file.name} has more than ${MOST_SHOP_FILE_BYTES / 1024 / 1024} MiB: move a shop of this size by its backup.`
    return
  }
  reading.value = true
  try {
    const answer = await fetch('/api/shop/import', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: file,
    })
    const body = (await answer.json()) as ShopFileTold | Problem
    if (answer.ok) told.value = body as ShopFileTold
    else problem.value = `${file.name}: ${(body as Problem).detail}`
  } catch {
    problem.value = `${file.name} could not be sent: the server does not answer. Nothing was read in.`
  } finally {
    reading.value = false
  }
}
</script>

<template>
  <div data-files>
    <p class="text-soft">
      A job or a vehicle is saved as a file at its Record and History. What is here already stays as it
      is; a file that says otherwise is refused whole.
    </p>
    <div class="mt-2 flex flex-wrap items-center gap-3">
      <a href="/api/shop/file" download="shop.json" class="quiet">The whole shop as a file</a>
      <button type="button" class="quiet" :disabled="reading" @click="picker?.click()">
        {{ reading ? 'Reading …' : 'Read a file in' }}
      </button>
      <input
        ref="picker"
        type="file"
        accept=".json,application/json"
        class="sr-only"
        tabindex="-1"
        aria-label="File of a job, a vehicle or a shop"
        @change="readIn"
      />
    </div>
    <p v-if="problem" role="alert" class="mt-1 font-semibold text-rust">{{ problem }}</p>
    <p v-else-if="told" role="status" class="mt-1">
      {{
        added.length > 0
          ? `Read in: ${added.join(', ')}.`
          : 'All of it was here already; nothing has changed.'
      }}
    </p>
  </div>
</template>
