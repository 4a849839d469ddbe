<script setup lang="ts">
import type { Found, FoundSubject } from '~~/contract'
import { termsOf, wordsIn } from '~~/core/search'
import { useQueryText } from '~/frame/useQueryText'
import { useSearch } from '~/asking/usePages'
import { shallowRef, ref, watch, computed } from 'vue'
import { api } from '~/sync/api'
import { when } from '~/units/format'
import AppHeader from '~/components/frame/AppHeader.vue'
import TroubleBar from '~/components/frame/TroubleBar.vue'
import SearchField from '~/components/frame/SearchField.vue'
import LoadState from '~/components/frame/LoadState.vue'

/** Everything that was written: vehicles, plates, jobs, findings, parts, notes. */
const typed = useQueryText('search')
const search = useSearch(typed)
const found = shallowRef<Found | null>(null)
const loading = ref(false)
const error = ref<string | null>(null)
const limit = ref(20)
let run = 0
async function look() {
  const mine = ++run
  error.value = null
  if (search.value === '') {
    found.value = null
    loading.value = false
    return
  }
  loading.value = true
  try {
    const answer = await api<Found>(`/search?limit=${limit.value}${search.value}`)
    if (mine === run) found.value = answer
  } catch (failure) {
    if (mine === run) error.value = failure instanceof Error ? failure.message : String(failure)
  } finally {
    if (mine === run) loading.value = false
  }
}
watch(search, () => (limit.value = 20))
watch([search, limit], () => void look(), { immediate: true })
const terms = computed(() => termsOf(typed.value))
/** A line cut into pieces, of which those that were asked for stand out. */
function pieces(words: string): { text: string; hit: boolean }[] {
  return words.split(/(\s+)/).map((text) => ({
    text,
    hit: wordsIn(text).some((word) => terms.value.some((term) => word.startsWith(term))),
  }))
}
const to = ({ subject, id }: FoundSubject) =>
  subject === 'job' ? `/jobs/${id}/record` : `/vehicles/${id}/history`
</script>

<template>
  <div class="flex min-h-screen flex-col">
    <AppHeader title="Mellow Anchor" sub="search" />
    <TroubleBar />
    <main class="grow px-6 py-5 lg:pl-23">
      <h2 class="text-xl">Search everything that was written</h2>
      <div class="mt-2 max-w-3xl">
        <SearchField v-model="typed" label="Words, a plate, a part number, what was found" />
      </div>
      <LoadState v-if="!found" :loading="loading" :error="error" @again="look" />
      <template v-else>
        <p v-if="error" role="alert" class="mt-3 font-semibold text-rust">{{ error }}</p>
        <p
          v-if="found.subjects.length === 0 && found.parts.length === 0"
          class="mt-4 text-soft"
          role="status"
        >
          Nothing holds all of these words. Take one away, or type only how it begins.
        </p>
        <ol v-else class="mt-4 max-w-5xl border-t border-hairline" aria-label="What was found">
          <li
            v-for="one in found.subjects"
            :key="one.id"
            class="border-b border-hairline py-2"
            data-found
          >
            <NuxtLink
              :to="to(one)"
              class="flex min-h-11 flex-wrap items-center gap-x-4 hover:bg-raised"
            >
              <span class="text-[1.05rem] font-semibold">{{ one.vehicleName }}</span>
              <span v-if="one.plate" class="font-mono text-soft">{{ one.plate }}</span>
              <span>{{ one.title ?? 'the vehicle itself' }}</span>
              <span class="text-soft">{{ when(one.at) }}</span>
            </NuxtLink>
            <p v-for="line in one.lines" :key="line.id" class="pl-4 text-[0.95rem]">
              <template v-for="(piece, i) in pieces(line.words)" :key="i"
                ><mark v-if="piece.hit" class="bg-transparent font-semibold text-ink underline">{{
                  piece.text
                }}</mark
                ><template v-else>{{ piece.text }}</template></template
              >
              <span class="pl-2 text-soft">{{ when(line.at) }}, {{ line.name }}</span>
            </p>
          </li>
        </ol>
        <button v-if="found.more && limit < 50" type="button" class="quiet mt-3" @click="limit = 50">
          Show more
        </button>
        <p v-else-if="found.more" class="mt-2 text-soft">There are more: add a word to narrow it.</p>
        <section v-if="found.parts.length" class="mt-5 max-w-5xl" aria-labelledby="parts">
          <h3 id="parts" class="place-name">On the shelf</h3>
          <ul class="border-t border-hairline">
            <li v-for="part in found.parts" :key="part.id" class="border-b border-hairline">
              <NuxtLink
                :to="`/shelf?search=${encodeURIComponent(part.number)}`"
                class="flex min-h-11 items-center gap-4 hover:bg-raised"
              >
                <span class="font-mono">{{ part.number }}</span><span>{{ part.words }}</span>
              </NuxtLink>
            </li>
          </ul>
        </section>
      </template>
    </main>
  </div>
</template>
