<script setup lang="ts">
import { settingOf, type Learnt, type LearntSetting } from '~~/core/learnt'
import { useShopStore } from '~/stores/shop'
import { ref, computed } from 'vue'
import { when } from '~/units/format'
import OnOff from '~/components/frame/OnOff.vue'

/** A figure that the shop learns: what it says, whether it is used, and from which day on jobs count. */
const { figure, heading, feeds } = defineProps<{ figure: Learnt; heading: string; feeds: string }>()
const emit = defineEmits<{ changed: [] }>()
const shop = useShopStore()
const problem = ref('')
const asking = ref(false)
const own = computed(() => settingOf(shop.settings?.learning, figure))
/** Confirmed causes had a day of their own before the others did. */
const since = computed(() =>
  figure === 'causes' ? (shop.settings?.recordSince ?? null) : own.value.since,
)
async function set(change: Partial<LearntSetting>) {
  if (!shop.settings) return
  problem.value = ''
  const next = { ...own.value, ...change }
  try {
    await shop.set({
      ...shop.settings,
      ...(figure === 'causes' && change.since !== undefined && { recordSince: change.since }),
      learning: {
        ...shop.settings.learning,
        [figure]: figure === 'causes' ? { ...next, since: null } : next,
      },
    })
    asking.value = false
    emit('changed')
  } catch (error) {
    problem.value = `Not kept: ${error instanceof Error ? error.message : error}`
  }
}
</script>

<template>
  <section :aria-labelledby="`learnt-${figure}`" :data-learnt="figure">
    <div class="flex flex-wrap items-center gap-3">
      <h2 :id="`learnt-${figure}`" class="grow text-[1.1rem]">{{ heading }}</h2>
      <OnOff :on="!own.off" :aria-label="`${heading}: learn from it`" @click="set({ off: !own.off })">
        {{ own.off ? 'Off' : 'On' }}
      </OnOff>
    </div>
    <p class="text-[0.95rem] text-soft">{{ own.off ? 'Not used while it is off.' : feeds }}</p>
    <slot v-if="!own.off" />
    <p v-if="problem" role="alert" class="font-semibold text-rust">{{ problem }}</p>
    <div v-if="!own.off" class="mt-2 flex flex-wrap items-center gap-3">
      <button v-if="!asking" type="button" class="quiet" @click="asking = true">Begin anew</button>
      <template v-else>
        <span>Jobs until now will no longer count.</span>
        <button type="button" class="act" @click="set({ since: new Date().toISOString() })">
          Begin anew from now
        </button>
        <button type="button" class="quiet" @click="asking = false">Cancel</button>
      </template>
      <template v-if="since">
        <span class="text-[0.95rem] text-soft">Counting since {{ when(since) }}.</span>
        <button type="button" class="quiet" @click="set({ since: null })">Count all jobs again</button>
      </template>
    </div>
  </section>
</template>
