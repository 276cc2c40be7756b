<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Block } from '../document'
import type { PageBlock } from '../types'

/** Handle, width and the way out of a block, shown while it is pointed at or focused; keys do the same. */
const props = defineProps<{ placed: PageBlock; block: Block; isAlone: boolean; changed: number }>()
const emit = defineEmits<{
  edit: []
  move: [way: 'left' | 'right' | 'up' | 'down']
  width: [width: number]
  remove: []
  copy: []
  address: []
  drag: [event: PointerEvent]
}>()
const root = ref<HTMLElement | null>(null)
const name = computed(() =>
  props.placed.kind === 'text'
    ? 'Text'
    : props.placed.kind === 'figures'
      ? 'Key figures'
      : (props.placed.scene?.title.split(',').slice(0, 2).join(',') ?? 'Chart'),
)

function key(event: KeyboardEvent) {
  if (event.target !== root.value) return
  const way = { ArrowLeft: 'left', ArrowRight: 'right', ArrowUp: 'up', ArrowDown: 'down' }[event.key] as
    'left' | 'right' | 'up' | 'down' | undefined
  if (way && event.altKey) emit('move', way)
  else if (event.key === 'Enter' || event.key === 'F2') emit('edit')
  else if (event.key === 'Delete') emit('remove')
  else if (event.key === 'c' && !event.ctrlKey && !event.metaKey) emit('copy')
  else if (/^[123]$/.test(event.key) && !props.isAlone) emit('width', Number(event.key))
  else return
  event.preventDefault()
  event.stopPropagation()
}
defineExpose({ focus: () => root.value?.focus() })
</script>

<template>
  <div
    ref="root"
    class="tools group/tools absolute -inset-1.5 rounded border border-transparent group-hover/block:border-accent/35 focus-within:border-accent/60"
    :class="[
      changed ? 'border-accent/60' : '',
      placed.kind === 'chart' && !placed.isEmpty && !placed.trouble ? 'through' : '',
    ]"
    tabindex="0"
    role="group"
    :aria-label="`${name}. Enter changes it, c copies it, Alt and arrows move it, Delete takes it away`"
    @keydown="key"
    @click.self="emit('edit')">
    <p
      v-if="placed.isEmpty"
      class="flex h-full items-center justify-center border border-dashed border-[#cfc8bb] text-quiet">
      {{ placed.kind === 'text' ? 'Nothing is written here yet' : 'Nothing stands here yet' }}
    </p>
    <div
      class="bar absolute -top-3 right-1 z-20 hidden items-center gap-0.5 rounded border border-[#d3ccc0] bg-panel px-1 text-[12px] shadow-sm group-focus-within/tools:flex group-hover/block:flex">
      <button
        class="cursor-grab px-1 tracking-tighter text-quiet hover:text-accent"
        aria-label="Move it: drag it, or Alt and arrow keys"
        title="Drag it; Alt and arrow keys do the same"
        @pointerdown.prevent="emit('drag', $event)">
        ⣿
      </button>
      <template v-if="!isAlone">
        <button
          v-for="width in [1, 2, 3]"
          :key="width"
          class="px-1 hover:text-accent"
          :class="(block.width ?? 1) === width ? 'font-semibold text-accent' : 'text-quiet'"
          :aria-label="`${width} ${width === 1 ? 'part' : 'parts'} wide`"
          :aria-pressed="(block.width ?? 1) === width"
          @click="emit('width', width)">
          {{ width }}
        </button>
      </template>
      <button class="px-1.5 hover:text-accent" @click="emit('edit')">
        {{ placed.kind === 'text' ? 'Write' : 'Change' }}
      </button>
      <button class="px-1.5 hover:text-accent" title="c" @click="emit('copy')">Copy</button>
      <button
        class="px-1.5 hover:text-accent"
        title="Of its picture, which follows: .svg, .png and .json"
        @click="emit('address')">
        Address
      </button>
      <button
        class="px-1.5 text-quiet hover:text-unfavourable-text"
        aria-label="Take it away"
        title="Delete"
        @click="emit('remove')">
        ×
      </button>
    </div>
    <span
      v-if="changed"
      class="absolute right-0 bottom-full z-10 rounded-t bg-accent px-1.5 text-[11px] leading-[14px] text-panel"
      >{{ changed }} changed</span
    >
  </div>
</template>

<style scoped>
/* Marks below can be pointed at. */
.through {
  pointer-events: none;
}
.through .bar {
  pointer-events: auto;
}
</style>
