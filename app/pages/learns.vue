<script setup lang="ts">
import { countOutcomes, type BleedOutcome, RUNS } from '~~/core/bleed'
import { learntFactor, PACKAGES } from '~~/core/plan'
import { PART_GRADE_WORDS } from '~~/core/shelf'
import { operationOf } from '~~/core/work'
import type { LearntTold } from '~~/contract'
import { useShopStore } from '~/stores/shop'
import { usePlansStore } from '~/stores/plans'
import { useLoaded } from '~/asking/useLoaded'
import { api } from '~/sync/api'
import { onMounted, computed } from 'vue'
import AppHeader from '~/components/frame/AppHeader.vue'
import TroubleBar from '~/components/frame/TroubleBar.vue'
import LoadState from '~/components/frame/LoadState.vue'
import LearntFigure from '~/components/shop/LearntFigure.vue'
import ShopRecordTable from '~/components/shop/ShopRecordTable.vue'
import CameBackTable from '~/components/shop/CameBackTable.vue'

/** What this shop learns from its own jobs: each figure with its counts, what it is used for, and how to leave it out. */
const shop = useShopStore()
const plans = usePlansStore()
const learnt = useLoaded(() => api<LearntTold>('/shop/learnt'))
const bleeds = useLoaded(() => api<BleedOutcome[]>('/shop/bleed-outcomes'))
const loaded = useLoaded(() => shop.load())
const again = () => void Promise.all([plans.load(true).catch(() => {}), learnt.load(), bleeds.load()])
onMounted(() => void plans.load(true).catch(() => {}))
const ROUTING_WORDS = { crest: 'over a crest', falls: 'falling' } as const
const methods = computed(() => countOutcomes(bleeds.value.value ?? []))
/** Steps of which the shop's time is furthest from the plan's. */
const MOST = 10
const titles = computed(
  () =>
    new Map(
      [...PACKAGES.values(), ...plans.packages].flatMap((pack) =>
        pack.steps.map((step): [string, { title: string; planned: number }] => [
          `${pack.id}.${step.id}`,
          { title: step.title, planned: step.minutes[1]! },
        ]),
      ),
    ),
)
const times = computed(() =>
  Object.entries(plans.times)
    .flatMap(([id, one]) => {
      const step = titles.value.get(id)
      if (!step) return []
      const factor = learntFactor(one)
      const taken = step.planned * Math.exp(one.sumLog / one.count)
      return [{ id, ...step, count: one.count, taken, used: step.planned * factor }]
    })
    .sort(
      (a, b) =>
        b.count - a.count ||
        Math.abs(Math.log(b.taken / b.planned)) - Math.abs(Math.log(a.taken / a.planned)),
    )
    .slice(0, MOST),
)
const minutes = (value: number) => `${value < 10 ? value.toFixed(1) : Math.round(value)} min`
const told = computed(() => learnt.value.value)
</script>

<template>
  <div class="flex min-h-screen flex-col">
    <AppHeader title="The shop" sub="what it learns" />
    <TroubleBar />
    <LoadState
      :loading="loaded.loading.value && !shop.settings"
      :error="loaded.error.value"
      @again="loaded.load"
    />
    <main v-if="shop.settings" class="max-w-7xl px-6 py-4 lg:pl-23">
      <p class="max-w-3xl">
        Learnt from this shop’s own jobs, nowhere else. Each figure says on how many jobs it stands; it
        can be left out, and begun anew, without touching the others.
        <NuxtLink to="/shop" class="underline underline-offset-4">Back to prices and ways</NuxtLink>
      </p>
      <div class="mt-4 grid grid-cols-1 gap-x-10 gap-y-8 xl:grid-cols-2">
        <LearntFigure
          figure="causes"
          heading="What it was"
          feeds="Confirmed causes of proven jobs move the chances in Find."
          @changed="again"
        >
          <ShopRecordTable />
        </LearntFigure>
        <LearntFigure
          figure="comebacks"
          heading="What came back"
          feeds="Complained of again within a year of being proven. Shown only: no other figure is changed by it."
          @changed="again"
        >
          <template v-if="told">
            <p v-if="told.all.jobs === 0" class="py-2">No job has been proven yet.</p>
            <template v-else>
              <CameBackTable head="All" :rows="[{ name: 'Every proven job', ...told.all }]" />
              <CameBackTable
                head="Work done"
                :rows="
                  told.repairs.map(({ operation, ...one }) => ({
                    name: operationOf(operation)?.label ?? operation,
                    ...one,
                  }))
                "
              />
              <CameBackTable
                head="Model"
                :rows="
                  told.models.map(({ model, ...one }) => ({
                    name: model ?? 'no model entered',
                    ...one,
                  }))
                "
              />
            </template>
          </template>
        </LearntFigure>
        <LearntFigure
          figure="times"
          heading="Time taken"
          feeds="Minutes told for steps move the plan in Fit; the plan’s own count as five jobs."
          @changed="again"
        >
          <table v-if="times.length" class="mt-2 w-full">
            <thead>
              <tr class="border-b border-ink text-left">
                <th scope="col" class="py-1 font-semibold">Step</th>
                <th scope="col" class="py-1 pl-3 text-right font-semibold">Told</th>
                <th scope="col" class="py-1 pl-3 text-right font-semibold">Planned</th>
                <th scope="col" class="py-1 pl-3 text-right font-semibold">Taken</th>
                <th scope="col" class="py-1 pl-3 text-right font-semibold">Used</th>
              </tr>
            </thead>
            <tbody>
              <tr
                v-for="one in times"
                :key="one.id"
                class="border-b border-hairline"
                :data-step-time="one.id"
              >
                <th scope="row" class="py-1 text-left font-normal">{{ one.title }}</th>
                <td class="py-1 pl-3 text-right">{{ one.count }}</td>
                <td class="py-1 pl-3 text-right whitespace-nowrap">{{ minutes(one.planned) }}</td>
                <td class="py-1 pl-3 text-right whitespace-nowrap">{{ minutes(one.taken) }}</td>
                <td class="py-1 pl-3 text-right font-semibold whitespace-nowrap">
                  {{ minutes(one.used) }}
                </td>
              </tr>
            </tbody>
          </table>
          <p v-else class="py-2">No step’s minutes have been told yet, in Fit.</p>
        </LearntFigure>
        <LearntFigure
          figure="bleeds"
          heading="How bleeds went"
          feeds="The newest bleeds, by free travel before and after, move the ranking in Bleed."
          @changed="again"
        >
          <table v-if="methods.length" class="mt-2 w-full">
            <thead>
              <tr class="border-b border-ink text-left">
                <th scope="col" class="py-1 font-semibold">Method, line</th>
                <th scope="col" class="py-1 pl-3 text-right font-semibold">Bleeds</th>
                <th scope="col" class="py-1 pl-3 text-right font-semibold">Cycles</th>
                <th scope="col" class="py-1 pl-3 text-right font-semibold">Air gone</th>
              </tr>
            </thead>
            <tbody>
              <tr
                v-for="one in methods"
                :key="`${one.method} ${one.routing}`"
                class="border-b border-hairline"
              >
                <th scope="row" class="py-1 text-left font-normal">
                  {{ RUNS[one.method].words }}, {{ ROUTING_WORDS[one.routing] }}
                </th>
                <td class="py-1 pl-3 text-right">{{ one.bleeds }}</td>
                <td class="py-1 pl-3 text-right">{{ one.cycles }}</td>
                <td class="py-1 pl-3 text-right font-semibold">{{ Math.round(100 * one.gone) }} %</td>
              </tr>
            </tbody>
          </table>
          <p v-else class="py-2">No bleed with free travel read before and after it yet.</p>
        </LearntFigure>
        <LearntFigure
          figure="makers"
          heading="Parts by supplier and grade"
          feeds="Jobs in which parts of theirs were fitted, and how many came back. Shown only: no other figure is changed by it."
          @changed="again"
        >
          <CameBackTable
            v-if="told?.makers.length"
            head="Supplier, grade"
            :rows="
              told.makers.map(({ supplier, grade, ...one }) => ({
                name: `${supplier}, grade ${PART_GRADE_WORDS[grade]}`,
                ...one,
              }))
            "
          />
          <p v-else class="py-2">No proven job had parts from an order yet.</p>
        </LearntFigure>
      </div>
    </main>
  </div>
</template>
