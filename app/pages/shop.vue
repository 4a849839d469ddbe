<script setup lang="ts">
import { FIRSTS, SCOPES, WAYS } from '~~/core/diagnosis'
import type { ShopSettingsBody } from '~~/contract'
import { useShopStore } from '~/stores/shop'
import { useLoaded } from '~/asking/useLoaded'
import { useFollowed } from '~/frame/useFollowed'
import { ref, computed } from 'vue'
import { readWithin } from '~/lib/number'
import { SCOPE_WORDS, WAY_WORDS, FIRST_WORDS } from '~~/core/words'
import AppHeader from '~/components/frame/AppHeader.vue'
import TroubleBar from '~/components/frame/TroubleBar.vue'
import LoadState from '~/components/frame/LoadState.vue'
import ChoiceRow from '~/components/frame/ChoiceRow.vue'
import DeliveryDays from '~/components/shop/DeliveryDays.vue'
import FilesInOut from '~/components/shop/FilesInOut.vue'
import PeopleHere from '~/components/shop/PeopleHere.vue'
import OwnPackages from '~/components/shop/OwnPackages.vue'

/** What the shop charges and which schools it prefers, its packages, and its files in and out. */
const shop = useShopStore()
const loaded = useLoaded(() => shop.load())
const rate = useFollowed(() => shop.settings?.hourlyRate.toString())
const comeback = useFollowed(() => shop.settings?.comeback.toString())
const name = useFollowed(() => shop.settings?.name ?? '')
const setName = () => set({ name: name.value?.trim() ?? '' }, 'Name kept.')
const problem = ref('')
const said = ref('')
const choices = <T extends string>(ids: readonly T[], words: Record<T, string>) =>
  ids.map((id) => ({ id, name: words[id] }))

async function set(change: Partial<ShopSettingsBody>, words: string) {
  if (!shop.settings) return
  problem.value = ''
  said.value = ''
  try {
    await shop.set({ ...shop.settings, ...change })
    said.value = words
  } catch (error) {
    problem.value = `Not kept: ${error instanceof Error ? error.message : error} What you typed is still here.`
  }
}
function setPrices() {
  const hourlyRate = readWithin(rate.value, { min: 0, max: 100_000 })
  const back = readWithin(comeback.value, { min: 0, max: 1_000_000 })
  if (hourlyRate === null) problem.value = 'Labour per hour: 0 to 100 000.'
  else if (back === null) problem.value = 'A comeback: 0 to 1 000 000.'
  else void set({ hourlyRate, comeback: back }, 'Prices kept.')
}
const school = computed(() => shop.settings!.school)
const setSchool = (change: Partial<ShopSettingsBody['school']>) =>
  set({ school: { ...school.value, ...change } }, 'The shop’s way is kept.')
</script>

<template>
  <div>
    <AppHeader title="The shop" />
    <TroubleBar />
    <LoadState
      :loading="loaded.loading.value && !shop.settings"
      :error="loaded.error.value"
      @again="loaded.load"
    />
    <main v-if="shop.settings" class="grid max-w-6xl gap-x-10 gap-y-6 px-6 py-4 lg:grid-cols-2">
      <div class="flex flex-col gap-5">
        <form class="flex items-end gap-3" @submit.prevent="setName">
          <label class="grow"
            ><span class="mb-1 block"
              >Name of this shop <span class="text-soft">goes along with its files</span></span
            >
            <input v-model="name" class="field" maxlength="40" autocomplete="off"
          /></label>
          <button class="quiet" aria-label="Keep the name of this shop">Keep</button>
        </form>
        <form aria-labelledby="prices" @submit.prevent="setPrices">
          <h2 id="prices" class="text-[1.1rem]">Prices</h2>
          <p class="text-soft">
            Used to weigh whether to keep looking, and which option is favoured. In the shop’s own
            currency.
          </p>
          <label class="mt-2 flex items-center gap-3"
            ><span class="grow">Labour per hour</span>
            <input v-model="rate" class="field w-28" inputmode="decimal"
          /></label>
          <label class="mt-2 flex items-center gap-3"
            ><span class="grow">A comeback, on top of the work</span>
            <input v-model="comeback" class="field w-28" inputmode="decimal"
          /></label>
          <button class="act mt-2">Keep</button>
        </form>
        <section aria-labelledby="ways" class="flex flex-col gap-2">
          <h2 id="ways" class="text-[1.1rem]">This shop’s way</h2>
          <ChoiceRow
            :model-value="school.scope"
            label="Both or one"
            :choices="choices(SCOPES, SCOPE_WORDS)"
            @update:model-value="(scope) => setSchool({ scope })"
          />
          <ChoiceRow
            :model-value="school.way"
            label="Renew or rebuild"
            :choices="choices(WAYS, WAY_WORDS)"
            @update:model-value="(way) => setSchool({ way })"
          />
          <ChoiceRow
            :model-value="school.first"
            label="Bleed or part first"
            :choices="choices(FIRSTS, FIRST_WORDS)"
            @update:model-value="(first) => setSchool({ first })"
          />
          <p class="text-[0.95rem] text-soft">
            Decisions start from this. Each job’s own figures stand beside it and may say otherwise.
          </p>
        </section>
        <DeliveryDays
          :model-value="shop.settings.delivery ?? []"
          @update:model-value="(delivery) => set({ delivery }, 'Delivery days kept.')"
        />
        <p v-if="problem" role="alert" class="font-semibold text-rust">{{ problem }}</p>
        <p v-else-if="said" role="status">{{ said }}</p>
      </div>
      <div>
        <section aria-labelledby="learns">
          <h2 id="learns" class="text-[1.1rem]">What this shop learns</h2>
          <p class="text-soft">
            Causes, comebacks, times, bleeds and parts, from its own jobs; each can be left out.
          </p>
          <NuxtLink to="/learns" class="quiet mt-2">See what it has learnt</NuxtLink>
        </section>
        <section aria-labelledby="files" class="mt-5">
          <h2 id="files" class="text-[1.1rem]">Files in and out</h2>
          <FilesInOut />
        </section>
        <PeopleHere class="mt-6" />
        <OwnPackages class="mt-6" />
      </div>
    </main>
  </div>
</template>
