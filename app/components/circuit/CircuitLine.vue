<script setup lang="ts">
import type { SuspectTold } from '~~/core/diagnosis'
import type { Found } from '~~/core/journal'
import { download, fileName, standaloneSvg } from '../line/export-svg'
import type { PartId } from '../line/part-words'
import { sheetOf } from '~/job/sheets'
import { useDesk } from '~/job/useDesk'
import { useRoute, navigateTo } from '#imports'
import { useTemplateRef, computed } from 'vue'
import { millimetres, newtons } from '~/units/format'
import ReleaseLine from '~/components/line/ReleaseLine.vue'

/** The drawn circuit of the open desk, with its pad and the vehicle's attitude under it while a sheet is open. */
const props = defineProps<{
  found?: Found
  suspects?: readonly SuspectTold[]
  air?: number | null
  sheet: boolean
}>()
const { shown, routing, part, noseUp, pad, pressed, path, name, stacks } = useDesk()
const route = useRoute()
const line = useTemplateRef<{ svg: SVGSVGElement | null; parts: { name: string; figures: string }[] }>(
  'line',
)
const travel = computed(() => stacks.value.at(-1)?.figures.circuit.pedal.travel ?? 150)

function pick(id: PartId) {
  part.value = id
  if (!props.sheet || sheetOf(route.params.sheet) !== 'route') void navigateTo(`${path}/parts`)
}
function save() {
  const { svg, parts } = line.value ?? {}
  if (!svg || !parts) return
  const words = parts.map((one) => `${one.name}: ${one.figures}.`).join(' ')
  download(
    fileName(name.value, 'svg'),
    'image/svg+xml',
    standaloneSvg(svg, `${name.value}, release circuit from the side`, words),
  )
}
</script>

<template>
  <div class="flex flex-col">
    <slot />
    <div class="min-h-0 grow">
      <ReleaseLine
        v-if="shown"
        ref="line"
        :installation="shown"
        :found="found"
        :suspects="suspects"
        :air="air"
        :pressed="pressed"
        :pad="pad"
        :nose-up="noseUp"
        :part="sheet ? part : null"
        :routing="sheet || routing.trial.value ? routing : null"
        @pick="pick"
      />
    </div>
    <div v-if="sheet" class="no-print flex flex-wrap items-center gap-x-6 px-6 text-[0.95rem]">
      <label class="flex grow items-center gap-3"
        >Pad
        <input
          v-model.number="pad"
          type="range"
          class="min-h-11 grow accent-amber"
          min="0"
          :max="travel"
          step="1"
          :aria-valuetext="`${millimetres(pad)} down`"
        />
        <output class="min-w-28 text-right"
          >{{ millimetres(pad)
          }}<template v-if="pressed && pad > 0">, {{ newtons(pressed.pedalForce) }}</template></output
        >
      </label>
      <label class="flex items-center gap-3"
        >Nose up
        <input
          v-model.number="noseUp"
          type="range"
          class="min-h-11 w-36 accent-amber"
          min="-20"
          max="20"
          step="1"
          :aria-valuetext="`${noseUp} degrees`"
        />
        <output class="w-8 text-right">{{ noseUp }}°</output>
      </label>
      <button type="button" class="quiet" @click="save">Drawing as SVG</button>
    </div>
  </div>
</template>
