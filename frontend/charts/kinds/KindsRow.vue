<script setup lang="ts">
import { computed, ref } from 'vue'
import { useElementSize } from '@vueuse/core'
import type { Kind } from '../../shared/types'
import FoldedKinds from './FoldedKinds.vue'
import KindGlyph from './KindGlyph.vue'

/**
 * The ways to draw, in groups by the question that they answer. Those that the figures cannot answer are dimmed and say why. The row
 * stays one line: where there is no room for all, each group folds, and opens to its kinds.
 */
const props = defineProps<{ kinds: Kind[]; kind: string }>()
const emit = defineEmits<{ draw: [kind: Kind] }>()
const row = ref<HTMLElement | null>(null)
const shown = ref<string | null>(null)
const { width } = useElementSize(row)

const GLYPH = 30
const NAME = 58
const groups = computed(() => {
  const groups = new Map<string, Kind[]>()
  for (const kind of props.kinds) groups.set(kind.group, [...(groups.get(kind.group) ?? []), kind])
  return [...groups].map(([name, kinds]) => ({ name, kinds }))
})
const isFolded = computed(
  () => width.value > 0 && width.value < props.kinds.length * GLYPH + groups.value.length * NAME,
)

function step(by: number) {
  const buttons = [...(row.value?.querySelectorAll<HTMLElement>('[data-kind]') ?? [])]
  const at = buttons.findIndex(button => button === document.activeElement)
  buttons[(at + by + buttons.length) % buttons.length]?.focus()
}

function focus() {
  row.value?.querySelector<HTMLElement>('[aria-checked="true"], [data-holds]')?.focus()
}
defineExpose({ focus })
</script>

<template>
  <div
    ref="row"
    :role="isFolded ? 'group' : 'radiogroup'"
    aria-label="Drawn as"
    class="flex min-w-0 flex-1 items-center gap-y-1"
    :class="isFolded ? 'gap-x-1' : 'gap-x-3'"
    @keydown.right.prevent="step(1)"
    @keydown.left.prevent="step(-1)"
    @keydown.escape="shown = null">
    <template v-if="isFolded">
      <FoldedKinds
        v-for="group in groups"
        :key="group.name"
        :name="group.name"
        :kinds="group.kinds"
        :kind="kind"
        @draw="emit('draw', $event)" />
    </template>
    <div v-for="group in isFolded ? [] : groups" :key="group.name" class="flex items-center gap-0.5">
      <span class="mr-0.5 text-[12px] whitespace-nowrap text-quiet">{{ group.name }}</span>
      <span v-for="one in group.kinds" :key="one.id" class="relative">
        <button
          data-kind
          class="grid h-8 w-7 place-items-center rounded-md border"
          :class="[
            one.id === kind ? 'border-accent bg-accent-tint' : 'border-transparent hover:border-[#d3ccc0]',
            one.lacks ? 'cursor-default' : '',
          ]"
          role="radio"
          :aria-checked="one.id === kind"
          :aria-disabled="one.lacks !== null"
          :aria-label="one.name"
          :aria-describedby="`kind-${one.id}`"
          :tabindex="one.id === kind ? 0 : -1"
          @click="one.lacks || emit('draw', one)"
          @pointerenter="shown = one.id"
          @pointerleave="shown = null"
          @focus="shown = one.id"
          @blur="shown = null">
          <KindGlyph :marks="one.glyph" :class="one.lacks ? 'opacity-30' : ''" />
        </button>
        <span
          :id="`kind-${one.id}`"
          role="tooltip"
          class="sheet top-full w-max max-w-[260px] px-3 py-2"
          :class="[shown === one.id ? '' : 'sr-only', kinds.indexOf(one) < 4 ? 'left-0' : 'right-0']"
          ><strong class="block font-semibold">{{ one.name }}</strong
          >{{ one.says }}<span v-if="one.lacks" class="mt-1 block text-unfavourable-text">{{ one.lacks }}</span></span
        >
      </span>
    </div>
  </div>
</template>
