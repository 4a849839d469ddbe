<script setup lang="ts">
import { MOST_SHOP_FILE_BYTES, type Namesakes, type Problem, type ShopFileTold } from '~~/contract'
import { usePersonStore } from '~/stores/person'
import { useTemplateRef, ref, computed, shallowRef } from 'vue'
import SaveFile from '~/components/frame/SaveFile.vue'
import NamesakesAsk from '~/components/shop/NamesakesAsk.vue'

/** The whole shop as a file, and a file of a job, a vehicle or a shop read in: all of it, or nothing. */
const person = usePersonStore()
const picker = useTemplateRef<HTMLInputElement>('picker')
const reading = ref(false)
const problem = ref('')
const told = ref<ShopFileTold | null>(null)
const NAMES: Record<string, [one: string, more: string]> = {
  people: ['person', 'people'],
  vehicles: ['vehicle', 'vehicles'],
  jobs: ['job', 'jobs'],
  entries: ['entry', 'entries'],
  files: ['photograph', 'photographs'],
  parts: ['part', 'parts'],
  orders: ['order', 'orders'],
  containers: ['container of fluid', 'containers of fluid'],
  packages: ['package of work', 'packages of work'],
}
const added = computed(() =>
  Object.entries(told.value?.added ?? {})
    .filter(([name, count]) => count > 0 && NAMES[name])
    .map(([name, count]) => `${count} ${NAMES[name]![count === 1 ? 0 : 1]}`),
)
function keptWords({ what, here, there }: ShopFileTold['kept'][number]): string {
  if (what === 'shop') return 'This shop keeps its own name and settings.'
  if (what === 'parts')
    return here === '1'
      ? 'One part number was here already, and stays as it is.'
      : `${here} part numbers were here already, and stay as they are.`
  return `${here} keeps that name; the file says ${there}.`
}
/** The file whose people have to be told apart first; it is sent again with what is chosen. */
const asking = shallowRef<{ file: File; namesakes: Namesakes } | null>(null)
function readIn(event: Event) {
  const field = event.target as HTMLInputElement
  const file = field.files?.[0]
  field.value = ''
  if (!file) return
  asking.value = null
  problem.value = ''
  told.value = null
  if (file.size > MOST_SHOP_FILE_BYTES)
    problem.value = `${file.name} has more than ${MOST_SHOP_FILE_BYTES / 1024 / 1024} MiB: move a shop of this size by its backup.`
  else void send(file, '')
}
async function send(file: File, query: string) {
  problem.value = ''
  reading.value = true
  try {
    const answer = await fetch(`/api/shop/import${query}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: file,
    })
    const body = (await answer.json()) as ShopFileTold | Problem
    if (answer.ok) {
      told.value = body as ShopFileTold
      asking.value = null
      void person.load().catch(() => {})
      return
    }
    const { namesakes, detail } = body as Problem
    // Asked again with a mark that is taken: said beside what was chosen.
    if (namesakes && asking.value === null) asking.value = { file, namesakes }
    else problem.value = `${file.name}: ${detail}`
  } catch {
    problem.value = `${file.name} could not be sent: the server does not answer. Nothing was read in.`
  } finally {
    reading.value = false
  }
}
function decided({ same, mark }: { same: string[]; mark: string }) {
  if (!asking.value) return
  const query = new URLSearchParams({ by: person.id })
  if (same.length > 0) query.set('same', same.join(','))
  if (mark !== '') query.set('mark', mark)
  void send(asking.value.file, `?${query}`)
}
</script>

<template>
  <div data-files>
    <p class="text-soft">
      A job or a vehicle is saved as a file at its Record and History. What is here already stays as it
      is, names too; a file with another history of it is refused whole.
    </p>
    <div class="mt-2 flex flex-wrap items-center gap-3">
      <SaveFile class="quiet" from="/api/shop/file" name="shop.json">The whole shop as a file</SaveFile>
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
    <NamesakesAsk
      v-if="asking"
      :key="asking.file.name"
      :namesakes="asking.namesakes"
      :file="asking.file.name"
      :busy="reading"
      @decided="decided"
      @leave="((asking = null), (problem = ''))"
    />
    <p v-if="problem" role="alert" class="mt-1 font-semibold text-rust">{{ problem }}</p>
    <p v-else-if="told" role="status" class="mt-1">
      {{
        added.length > 0
          ? `Read in: ${added.join(', ')}.`
          : 'All of it was here already; nothing has changed.'
      }}
    </p>
    <ul v-if="told && told.kept.length > 0" class="mt-1 text-soft">
      <li v-for="one in told.kept" :key="one.there">
        {{ keptWords(one) }}
      </li>
    </ul>
  </div>
</template>
