<script setup lang="ts">
import type { Vehicle } from '~~/contract'

const { value: vehicles, loading, error, load } = useLoaded(() => api<Vehicle[]>('/vehicles'))
</script>

<template>
  <div class="flex min-h-screen flex-col">
    <AppHeader title="Mellow Anchor" sub="vehicles" />
    <TroubleBar />
    <main class="grow px-6 py-5 lg:pl-23">
      <LoadState :loading="loading" :error="error" @again="load" />
      <template v-if="vehicles">
        <div class="flex items-center gap-3">
          <h2 class="grow text-xl">{{ vehicles.length ? 'Vehicles' : 'No vehicles yet' }}</h2>
          <NuxtLink to="/vehicles/new" class="act">New vehicle</NuxtLink>
        </div>
        <ul class="mt-4 border-t border-hairline">
          <li v-for="vehicle in vehicles" :key="vehicle.id" class="border-b border-hairline">
            <NuxtLink
              :to="`/vehicles/${vehicle.id}`"
              class="flex min-h-14 items-center gap-6 hover:bg-raised md:px-3"
            >
              <span class="grow font-semibold">{{ vehicle.name }}</span>
              <span class="font-mono text-soft">{{ vehicle.plate }}</span>
            </NuxtLink>
          </li>
        </ul>
      </template>
    </main>
  </div>
</template>
